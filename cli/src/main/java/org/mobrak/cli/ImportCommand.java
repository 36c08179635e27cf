package org.mobrak.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.concurrent.Callable;
import org.mobrak.core.logbook.transfer.Imported;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.ParentCommand;
import picocli.CommandLine.Spec;

/** A zip taken into a workspace. */
@Command(
        name = "import",
        mixinStandardHelpOptions = true,
        description = "Takes an exported workspace or phone into a workspace; nothing that is there is written over.")
final class ImportCommand implements Callable<Integer> {
    @ParentCommand
    private Mobrak mobrak;

    @Spec
    private CommandSpec spec;

    @Parameters(paramLabel = "ZIP", description = "What was exported.")
    private Path zip;

    @Option(
            names = "--into",
            required = true,
            paramLabel = "WORKSPACE",
            description = "The folder of the workspace; made if it is not there.")
    private Path workspace;

    @Option(names = "--dry-run", description = "Only says what would be added.")
    private boolean dryRun;

    @Option(
            names = "--same",
            paramLabel = "NAME",
            description =
                    "The phone of this name is the one of that name here; phones with the same serial number are joined unasked.")
    private List<String> same = new ArrayList<>();

    @Option(
            names = "--agree",
            description = "The workspace was made elsewhere, I looked it through (check), and it may be written into.")
    private boolean agree;

    @Option(names = "--json", description = "One JSON object on standard output.")
    private boolean json;

    @Override
    public Integer call() throws IOException {
        if (agree) {
            mobrak.transfers().agree(workspace);
        }
        Imported done = dryRun
                ? mobrak.transfers().look(zip, workspace, Set.copyOf(same))
                : mobrak.transfers().take(zip, workspace, Set.copyOf(same));
        if (json) {
            JsonAnswer.write(answer(done), spec.commandLine().getOut());
        } else {
            print(done, spec.commandLine().getOut());
        }
        return Mobrak.DONE;
    }

    private ObjectNode answer(Imported done) {
        ObjectNode answer = JsonNodeFactory.instance.objectNode().put("dryRun", dryRun);
        ArrayNode phones = answer.putArray("phones");
        done.phones()
                .forEach(phone -> phones.addObject()
                        .put("nickname", phone.nickname())
                        .put("becomes", phone.becomes().word())
                        .put("into", phone.into()));
        ObjectNode added = answer.putObject("added");
        done.added().forEach(added::put);
        ObjectNode known = answer.putObject("known");
        done.known().forEach(known::put);
        done.entries().forEach(answer.putArray("entries")::add);
        done.differing().forEach(answer.putArray("differing")::add);
        done.unreadable().forEach(answer.putArray("unreadable")::add);
        return answer;
    }

    private void print(Imported done, PrintWriter out) {
        for (Imported.Phone phone : done.phones()) {
            out.printf("%-14s %s%n", phone.becomes().word(), phone.nickname());
            if (phone.becomes() == Imported.Becomes.NAMESAKE) {
                out.printf("               if it is the same phone, say so: --same “%s”%n", phone.nickname());
            }
        }
        out.printf(
                "%s: %d rows, %d entries of the catalogue%n",
                dryRun ? "Would be added" : "Added",
                done.addedRows(),
                done.entries().size());
        done.unreadable().forEach(row -> out.printf("taken, but of no use: %s%n", row));
        done.differing()
                .forEach(name ->
                        out.printf("differs and stays as it is here: %s (compare it on the catalogue's page)%n", name));
    }
}
