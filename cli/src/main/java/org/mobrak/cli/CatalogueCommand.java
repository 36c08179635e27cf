package org.mobrak.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import org.mobrak.core.catalogue.file.CatalogueLoader;
import org.mobrak.core.catalogue.file.Fault;
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
        throw new CommandLine.ParameterException(spec.commandLine(), "Which work? Try: check or merge.");
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
