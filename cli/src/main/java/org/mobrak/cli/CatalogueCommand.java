package org.mobrak.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import org.mobrak.app.CatalogueUpgrade;
import org.mobrak.core.catalogue.file.CatalogueLoader;
import org.mobrak.core.catalogue.file.Fault;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.identity.UnreadableInput;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.ParentCommand;
import picocli.CommandLine.Spec;

/** Work on catalogues. */
@Command(
        name = "catalogue",
        mixinStandardHelpOptions = true,
        description = "Works on catalogue folders.",
        subcommands = MergeCommand.class)
final class CatalogueCommand implements Runnable {
    @ParentCommand
    private Mobrak mobrak;

    @Spec
    private CommandSpec spec;

    @Override
    public void run() {
        throw new CommandLine.ParameterException(spec.commandLine(), "Which work? Try: check, merge or upgrade.");
    }

    @Command(name = "check", mixinStandardHelpOptions = true, description = "Tells every fault with file and line.")
    int check(
            @Parameters(
                            paramLabel = "DIR",
                            arity = "1..*",
                            description = "The catalogue's folder; several are taken as one.")
                    List<Path> folders,
            @Option(names = "--json", description = "One JSON object on standard output.") boolean json)
            throws IOException {
        CatalogueLoader.Loaded loaded = mobrak.catalogues().read(folders);
        PrintWriter out = spec.commandLine().getOut();
        if (json) {
            JsonAnswer.write(faults(loaded), out);
        } else {
            loaded.faults().forEach(fault -> out.println(fault.text()));
            out.printf(
                    "%d phones, %d routes, %d faults, %d warnings%n",
                    loaded.catalogue().phones().size(),
                    loaded.catalogue().routes().size(),
                    loaded.faults().size() - warnings(loaded),
                    warnings(loaded));
        }
        return loaded.faults().stream().allMatch(Fault::isWarning) ? Mobrak.DONE : Mobrak.ANSWER_IS_NO;
    }

    @Command(
            name = "upgrade",
            mixinStandardHelpOptions = true,
            description = "Moves keys from routes to the phones they belong to, and tells what cannot be moved.")
    int upgrade(
            @Parameters(paramLabel = "DIR", description = "The catalogue's folder.") Path folder,
            @Option(names = "--dry-run", description = "Tells what would be done and does nothing.") boolean dryRun,
            @Option(names = "--json", description = "One JSON object on standard output.") boolean json)
            throws IOException {
        CatalogueUpgrade.Upgraded upgraded;
        try {
            upgraded = CatalogueUpgrade.of(folder, dryRun);
        } catch (Refusal refused) {
            throw new UnreadableInput(refused.getMessage());
        }
        PrintWriter out = spec.commandLine().getOut();
        if (json) {
            ObjectNode answer = JsonNodeFactory.instance.objectNode().put("dryRun", dryRun);
            ObjectNode moved = answer.putObject("moved");
            upgraded.moved().forEach((file, lines) -> lines.forEach(moved.putArray(file)::add));
            upgraded.left().forEach(answer.putArray("left")::add);
            JsonAnswer.write(answer, out);
        } else {
            upgraded.moved().forEach((file, lines) -> {
                out.println(file + (dryRun ? " would gain:" : " has gained:"));
                lines.forEach(out::println);
            });
            upgraded.left().forEach(one -> out.println("Left to you: " + one));
            if (upgraded.moved().isEmpty() && upgraded.left().isEmpty()) {
                out.println("Nothing to move: no route has keys that its phones do not have.");
            }
        }
        return upgraded.left().isEmpty() ? Mobrak.DONE : Mobrak.ANSWER_IS_NO;
    }

    private static long warnings(CatalogueLoader.Loaded loaded) {
        return loaded.faults().stream().filter(Fault::isWarning).count();
    }

    private static ObjectNode faults(CatalogueLoader.Loaded loaded) {
        ObjectNode answer = JsonNodeFactory.instance.objectNode();
        answer.put("phones", loaded.catalogue().phones().size());
        answer.put("routes", loaded.catalogue().routes().size());
        answer.put("faultCount", loaded.faults().size() - warnings(loaded));
        answer.put("warningCount", warnings(loaded));
        faults(loaded.faults(), answer.putArray("faults"));
        return answer;
    }

    static void faults(List<Fault> faults, ArrayNode nodes) {
        faults.forEach(fault -> nodes.addObject()
                .put("file", fault.file())
                .put("line", fault.line())
                .put("what", fault.what())
                .put("remedy", fault.remedy())
                .put("weight", fault.isWarning() ? "warning" : "fault"));
    }

    Clock clock() {
        return mobrak.clock();
    }
}
