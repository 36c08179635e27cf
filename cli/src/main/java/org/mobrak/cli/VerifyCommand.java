package org.mobrak.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import org.mobrak.app.NamedFiles;
import org.mobrak.app.Verification;
import org.mobrak.app.Verification.Compared;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.material.Digest;
import org.mobrak.core.material.PartitionNames;
import picocli.CommandLine.ArgGroup;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.ParentCommand;
import picocli.CommandLine.Spec;

/** Is this the file that was meant? */
@Command(
        name = "verify",
        mixinStandardHelpOptions = true,
        description = "Compares files with a checksum list or with one checksum.")
final class VerifyCommand implements Callable<Integer> {
    /** So many line numbers are told one by one. */
    private static final int FEW = 5;

    @ParentCommand
    private Mobrak mobrak;

    @Spec
    private CommandSpec spec;

    @ArgGroup(multiplicity = "1")
    private Expected expected;

    @Parameters(
            arity = "0..*",
            paramLabel = "FILE",
            description =
                    "Files, folders or - for standard input; without any, all files the list names, beside the list.")
    private List<String> files = List.of();

    @Option(names = "--json", description = "One JSON object on standard output.")
    private boolean json;

    /** What the files are held against; exactly one of these. */
    private static final class Expected {
        @Option(names = "--list", paramLabel = "SUMS", description = "A checksum list in any of the usual shapes.")
        private Path list;

        @Option(names = "--md5", paramLabel = "H", description = "The MD5 of the file.")
        private String md5;

        @Option(names = "--sha1", paramLabel = "H", description = "The SHA-1 of the file.")
        private String sha1;

        @Option(names = "--sha256", paramLabel = "H", description = "The SHA-256 of the file.")
        private String sha256;

        Map.Entry<Digest, String> single() {
            return md5 != null
                    ? Map.entry(Digest.MD5, md5)
                    : sha1 != null ? Map.entry(Digest.SHA1, sha1) : Map.entry(Digest.SHA256, sha256);
        }
    }

    @Override
    public Integer call() throws IOException {
        Verification verification = expected.list == null ? single() : Verification.by(expected.list);
        tellUnclear(verification.list().unclear());
        List<String> named = files.isEmpty() ? verification.besideTheList(expected.list) : files;
        if (named.isEmpty()) {
            throw wrong("The list names no files; which file is meant?");
        }
        try (NamedFiles material = mobrak.files(spec.commandLine().getErr(), PartitionNames.usual())) {
            List<Compared> compared = verification.compare(named, material);
            tell(compared);
            int answer = compared.stream().allMatch(Compared::isOk) ? Mobrak.DONE : Mobrak.ANSWER_IS_NO;
            return material.isComplete() ? answer : Mobrak.UNREADABLE;
        }
    }

    private ParameterException wrong(String message) {
        return new ParameterException(spec.commandLine(), message);
    }

    private void tellUnclear(List<Integer> lines) {
        if (!lines.isEmpty()) {
            String first = lines.stream().limit(FEW).map(String::valueOf).collect(Collectors.joining(", "));
            String more = lines.size() > FEW ? " and %d more".formatted(lines.size() - FEW) : "";
            spec.commandLine()
                    .getErr()
                    .printf(
                            "mobrak: %s, line %s%s: not a checksum Mobrak knows; passed over.%n",
                            expected.list, first, more);
        }
    }

    private Verification single() {
        Map.Entry<Digest, String> one = expected.single();
        try {
            Verification verification = Verification.by(one.getKey(), one.getValue());
            if (files.isEmpty()) {
                throw wrong("Which file?");
            }
            return verification;
        } catch (Refusal refused) {
            throw wrong(refused.getMessage());
        }
    }

    private void tell(List<Compared> compared) {
        PrintWriter out = spec.commandLine().getOut();
        if (json) {
            ObjectNode answer = JsonNodeFactory.instance.objectNode();
            ArrayNode nodes = answer.putArray("files");
            compared.forEach(one -> write(one, nodes.addObject()));
            JsonAnswer.write(answer, out);
            return;
        }
        compared.forEach(one -> {
            out.printf("%s: %s%n", one.file(), one.result());
            if (one.result().equals("mismatch")) {
                out.printf(
                        "  should be %s%n  but is   %s%n",
                        one.line().orElseThrow().value(), one.actual().orElse("?"));
            }
        });
    }

    private static void write(Compared one, ObjectNode node) {
        node.put("file", one.file()).put("result", one.result());
        one.line().ifPresent(line -> node.put("digest", line.digest().word()).put("expected", line.value()));
        one.actual().ifPresent(actual -> node.put("actual", actual));
    }
}
