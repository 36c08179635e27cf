package org.mobrak.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import org.mobrak.app.AppInventory;
import org.mobrak.core.catalogue.trouble.Troubles;
import org.mobrak.core.proof.AppChanges;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParentCommand;
import picocli.CommandLine.Spec;

/** Which apps are otherwise than before? */
@Command(
        name = "apps",
        mixinStandardHelpOptions = true,
        description = "Compares two listings of a phone's apps, and says what relied on those that are gone.")
final class AppsCommand implements Callable<Integer> {
    @ParentCommand
    private Mobrak mobrak;

    @Spec
    private CommandSpec spec;

    @Option(names = "--before", required = true, paramLabel = "LIST", description = "The listing from before.")
    private Path before;

    @Option(names = "--after", required = true, paramLabel = "LIST", description = "The listing from afterwards.")
    private Path after;

    @Option(names = "--catalogue", paramLabel = "DIR", description = "Another catalogue than the shipped one.")
    private List<Path> folders = new ArrayList<>();

    @Option(names = "--json", description = "One JSON object on standard output.")
    private boolean json;

    @Override
    public Integer call() throws IOException {
        AppChanges changes = AppChanges.of(AppInventory.read(before), AppInventory.read(after));
        Troubles troubles = Inputs.troubles(
                spec.commandLine(), mobrak, folders, Inputs.catalogue(spec.commandLine(), mobrak, folders));
        PrintWriter out = spec.commandLine().getOut();
        if (json) {
            JsonAnswer.write(answer(changes, troubles), out);
        } else {
            print(changes, troubles, out);
        }
        return Mobrak.DONE;
    }

    private static ObjectNode answer(AppChanges changes, Troubles troubles) {
        ObjectNode answer = JsonNodeFactory.instance.objectNode();
        ArrayNode gone = answer.putArray("gone");
        for (String app : changes.gone()) {
            troubles.reliedOnBy(app)
                    .forEach(gone.addObject().put("package", app).putArray("reliedOnBy")::add);
        }
        changes.added().forEach(answer.putArray("new")::add);
        changes.disabled().forEach(answer.putArray("disabled")::add);
        changes.enabled().forEach(answer.putArray("enabled")::add);
        JsonAnswer.findings(changes.findings(), answer.putArray("findings"));
        return answer;
    }

    private static void print(AppChanges changes, Troubles troubles, PrintWriter out) {
        for (String app : changes.gone()) {
            List<String> relied = troubles.reliedOnBy(app);
            out.printf(
                    "gone      %s%s%n", app, relied.isEmpty() ? "" : ", on which rely: " + String.join(", ", relied));
        }
        changes.added().forEach(app -> out.printf("new       %s%n", app));
        changes.disabled().forEach(app -> out.printf("disabled  %s%n", app));
        changes.enabled().forEach(app -> out.printf("enabled   %s%n", app));
        changes.findings()
                .forEach(finding -> out.printf("%s: %s%n", finding.severity().word(), finding.message()));
    }
}
