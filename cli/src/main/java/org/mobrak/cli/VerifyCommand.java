package org.mobrak.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import org.apache.commons.io.ByteOrderMark;
import org.apache.commons.io.input.BOMInputStream;
import org.mobrak.core.identity.UnreadableInput;
import org.mobrak.core.material.ChecksumList;
import org.mobrak.core.material.ChecksumList.Line;
import org.mobrak.core.material.Digest;
import org.mobrak.core.material.Digests;
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
    private static final long MOST_LIST_BYTES = 16 << 20;
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

    /**
     * What became of one file.
     *
     * @param result {@code ok}, {@code mismatch}, {@code missing}, or {@code not listed}
     */
    private record Compared(String file, String result, Optional<Line> line, Optional<String> actual) {
        Compared as(Path shown) {
            return new Compared(shown.toString(), result, line, actual);
        }

        boolean isOk() {
            return result.equals("ok");
        }
    }

    @Override
    public Integer call() throws IOException {
        ChecksumList list = expected.list == null ? single() : read(expected.list);
        tellUnclear(list.unclear());
        List<String> named = files.isEmpty() ? besideTheList(list) : files;
        List<Compared> compared = new ArrayList<>();
        try (MaterialFiles material =
                new MaterialFiles(mobrak, spec.commandLine().getErr(), PartitionNames.usual())) {
            List<Path> found = material.find(named);
            Map<Path, Digests> digests = new HashMap<>();
            material.digest(found.stream().filter(Files::exists).toList(), wanted(list), digests::put);
            for (Path file : found) {
                if (Files.notExists(file)) {
                    compared.add(new Compared(file.toString(), "missing", Optional.empty(), Optional.empty()));
                } else if (digests.containsKey(file)) {
                    compared.add(compare(file, digests.get(file), list).as(material.shown(file)));
                }
            }
            tell(compared);
            int answer = compared.stream().allMatch(Compared::isOk) ? Mobrak.DONE : Mobrak.ANSWER_IS_NO;
            return material.isComplete() ? answer : Mobrak.UNREADABLE;
        }
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

    private ChecksumList single() {
        Map.Entry<Digest, String> one = expected.single();
        String value = one.getValue().replaceAll("[\\s:-]", "");
        if (value.length() != one.getKey().hexDigits() || !value.matches("[0-9a-fA-F]+")) {
            throw new ParameterException(
                    spec.commandLine(),
                    "--%s wants %d hexadecimal digits."
                            .formatted(one.getKey().word(), one.getKey().hexDigits()));
        }
        if (files.isEmpty()) {
            throw new ParameterException(spec.commandLine(), "Which file?");
        }
        return new ChecksumList(List.of(new Line(Optional.empty(), one.getKey(), value.toLowerCase(Locale.ROOT))));
    }

    private static ChecksumList read(Path file) throws IOException {
        try {
            if (Files.size(file) > MOST_LIST_BYTES) {
                throw new UnreadableInput(file + " is too large to be a checksum list; check the path.");
            }
            ChecksumList list = ChecksumList.parse(text(file));
            if (list.lines().isEmpty()) {
                throw new UnreadableInput(file + " holds no checksum; check that it is the list.");
            }
            return list;
        } catch (NoSuchFileException missing) {
            throw new UnreadableInput(file + " does not exist; check the path.");
        }
    }

    /** A stray byte in a remark must not hide the lines around it. */
    private static String text(Path file) throws IOException {
        try (BOMInputStream in = BOMInputStream.builder()
                .setPath(file)
                .setByteOrderMarks(ByteOrderMark.UTF_8, ByteOrderMark.UTF_16LE, ByteOrderMark.UTF_16BE)
                .get()) {
            String charset = in.hasBOM() ? in.getBOMCharsetName() : StandardCharsets.UTF_8.name();
            // A device has no size and no end.
            byte[] bytes = in.readNBytes((int) MOST_LIST_BYTES + 1);
            if (bytes.length > MOST_LIST_BYTES) {
                throw new UnreadableInput(file + " is too large to be a checksum list; check the path.");
            }
            return new String(bytes, charset);
        }
    }

    private List<String> besideTheList(ChecksumList list) {
        Path folder = expected.list.toAbsolutePath().getParent();
        List<String> named = list.lines().stream()
                .flatMap(line -> line.name().stream())
                .distinct()
                .filter(name -> name.indexOf('\0') < 0)
                .map(name -> folder.resolve(name).normalize().toString())
                .toList();
        if (named.isEmpty()) {
            throw new ParameterException(spec.commandLine(), "The list names no files; which file is meant?");
        }
        return named;
    }

    private static Set<Digest> wanted(ChecksumList list) {
        return list.lines().stream()
                .map(Line::digest)
                .collect(Collectors.toCollection(() -> EnumSet.noneOf(Digest.class)));
    }

    private static Compared compare(Path file, Digests digests, ChecksumList list) {
        List<Line> lines = list.of(file);
        if (lines.isEmpty()) {
            return new Compared(file.toString(), "not listed", Optional.empty(), Optional.empty());
        }
        Optional<Line> wrong = lines.stream()
                .filter(line -> !digests.agrees(line.digest(), line.value()).orElse(false))
                .findFirst();
        Line shown = wrong.orElse(lines.get(0));
        return new Compared(
                file.toString(), wrong.isPresent() ? "mismatch" : "ok", Optional.of(shown), digests.of(shown.digest()));
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
