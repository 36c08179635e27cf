package org.mobrak.cli;

import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.mobrak.app.PropertyEdit;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.mend.patch.PropertyChange;
import org.mobrak.core.mend.patch.PropertyPatch;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Changes one value of a property file, and nothing else. */
@Command(
        name = "patch",
        mixinStandardHelpOptions = true,
        description = "Changes one value of a property file; every other byte stays. Writes only to --out and --diff.")
final class PatchCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Parameters(paramLabel = "FILE", description = "The property file, as it was copied off the phone.")
    private Path file;

    @Option(names = "--set", required = true, paramLabel = "KEY=NEW", description = "The key and its new value.")
    private String set;

    @Option(names = "--expect", required = true, paramLabel = "OLD", description = "The value it must have now.")
    private String expected;

    @Option(
            names = "--out",
            paramLabel = "FILE",
            description = "Where the changed file goes; FILE itself may be named.")
    private Optional<Path> out = Optional.empty();

    @Option(names = "--diff", paramLabel = "FILE", description = "Where the difference goes, as a unified diff.")
    private Optional<Path> diff = Optional.empty();

    @Option(names = "--json", description = "One JSON object on standard output.")
    private boolean json;

    @Override
    public Integer call() throws IOException {
        PropertyChange change = change();
        PropertyEdit edit = PropertyEdit.open(file).with(change);
        if (diff.isPresent()) {
            edit.writeDiff(diff.get());
        }
        if (out.isPresent()) {
            edit.writeTo(out.get());
        }
        if (json) {
            JsonAnswer.write(answer(edit), spec.commandLine().getOut());
        } else {
            print(edit, spec.commandLine().getOut());
        }
        return status(edit.patch().orElseThrow());
    }

    private PropertyChange change() {
        try {
            if (diff.isPresent()) {
                PropertyEdit.checkApart(file, out, diff.get());
            }
            return PropertyChange.parse(set, expected);
        } catch (Refusal refused) {
            throw new ParameterException(spec.commandLine(), refused.getMessage(), refused);
        }
    }

    private int status(PropertyPatch patch) {
        return switch (patch.status()) {
            case PATCHED, ALREADY -> Mobrak.DONE;
            case MISSING, TWICE, UNEXPECTED -> Mobrak.ANSWER_IS_NO;
            case NOT_PROPERTIES -> {
                spec.commandLine()
                        .getErr()
                        .println("mobrak: " + file + " is no property file. "
                                + patch.findings().get(0).message());
                yield Mobrak.UNREADABLE;
            }
        };
    }

    private ObjectNode answer(PropertyEdit edit) {
        PropertyPatch patch = edit.patch().orElseThrow();
        ObjectNode answer = JsonNodeFactory.instance
                .objectNode()
                .put("status", patch.status().word())
                .put("line", patch.line().orElse(null))
                .put("before", patch.before().orElse(null))
                .put("after", patch.after().orElse(null))
                .put("sha256Before", edit.sha256Before())
                .put("sha256After", edit.sha256After().orElse(null))
                .put("back", back(patch).orElse(null));
        patch.places().forEach(answer.putArray("lines")::add);
        JsonAnswer.findings(patch.findings(), answer.putArray("findings"));
        return answer;
    }

    /** The command that undoes it. */
    private Optional<String> back(PropertyPatch patch) {
        if (patch.status() != PropertyPatch.Status.PATCHED) {
            return Optional.empty();
        }
        PropertyChange back = patch.change().back();
        String where = quoted(out.orElse(file).toString());
        return Optional.of("./mobrak patch %s --set %s --expect %s --out %s"
                .formatted(where, quoted(back.key() + "=" + back.value()), quoted(back.expected()), where));
    }

    private static String quoted(String word) {
        return word.matches("[A-Za-z0-9_@%+=:,./-]+") ? word : "'" + word.replace("'", "'\\''") + "'";
    }

    private void print(PropertyEdit edit, PrintWriter out) {
        PropertyPatch patch = edit.patch().orElseThrow();
        out.println(patch.status().word());
        patch.line().ifPresent(line -> {
            out.printf("  line %d%n", line);
            patch.before().ifPresent(before -> out.printf("  - %s%n", before));
            patch.after().filter(after -> patch.bytes().isPresent()).ifPresent(after -> out.printf("  + %s%n", after));
        });
        for (Finding finding : patch.findings()) {
            out.printf("  %s: %s%n", finding.severity().word(), finding.message());
        }
        back(patch).ifPresent(back -> out.printf("  to undo: %s%n", back));
    }
}
