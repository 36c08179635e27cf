package org.mobrak.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import org.mobrak.app.CatalogueMerging;
import org.mobrak.core.catalogue.file.Difference;
import org.mobrak.core.catalogue.file.Difference.State;
import org.mobrak.core.catalogue.file.Fault;
import org.mobrak.core.identity.Refusal;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.ParentCommand;
import picocli.CommandLine.Spec;

/** Two catalogues into one: new entries are taken, entries that differ only when asked for by name. */
@Command(
        name = "merge",
        mixinStandardHelpOptions = true,
        description =
                "Puts two catalogues together; an entry that differs stays as the first has it unless you take it.")
final class MergeCommand implements Callable<Integer> {
    @ParentCommand
    private CatalogueCommand catalogues;

    @Spec
    private CommandSpec spec;

    @Parameters(index = "0", paramLabel = "A", description = "The first catalogue, a folder.")
    private Path first;

    @Parameters(index = "1", paramLabel = "B", description = "The second one, a folder or a zip.")
    private Path second;

    @Option(names = "--into", required = true, paramLabel = "C", description = "A new folder, or A itself.")
    private Path into;

    @Option(
            names = "--take",
            paramLabel = "KIND/ID",
            description = "An entry that differs and is to be as B has it, such as routes/some-route; or: all.")
    private List<String> taking = new ArrayList<>();

    @Option(names = "--dry-run", description = "Tells what would be done and does nothing.")
    private boolean dryRun;

    @Option(names = "--json", description = "One JSON object on standard output.")
    private boolean json;

    @Override
    public Integer call() throws IOException {
        CatalogueMerging merging = new CatalogueMerging(first, second, into, taking);
        try {
            CatalogueMerging.Compared compared = merging.merge(dryRun, LocalDate.now(catalogues.clock()));
            tell(merging, compared.differences(), compared.faults());
            boolean undecided = compared.differences().stream()
                    .anyMatch(one -> one.state() == State.DIFFERENT && !merging.isTaken(one));
            return undecided || !compared.faults().isEmpty() ? Mobrak.ANSWER_IS_NO : Mobrak.DONE;
        } catch (Refusal refused) {
            throw new CommandLine.ParameterException(spec.commandLine(), refused.getMessage(), refused);
        }
    }

    private void tell(CatalogueMerging merging, List<Difference> differences, List<Fault> faults) {
        PrintWriter out = spec.commandLine().getOut();
        if (json) {
            JsonAnswer.write(json(merging, differences, faults), out);
            return;
        }
        for (Difference difference : differences) {
            if (difference.canBeTaken()) {
                out.println(difference.name() + ": " + difference.state().word() + ", "
                        + fate(merging.isTaken(difference), difference));
                difference.changes().forEach(change -> out.println("    " + change.sentence()));
            }
        }
        faults.forEach(fault -> out.println("not taken, " + fault.text()));
        long same =
                differences.stream().filter(one -> one.state() == State.SAME).count();
        long own = differences.stream()
                .filter(one -> one.state() == State.ONLY_OURS)
                .count();
        out.printf("%d the same, %d only in the first%s%n", same, own, dryRun ? "; nothing was written" : "");
    }

    private static String fate(boolean taken, Difference difference) {
        return taken ? "taken" : "kept as the first has it; to take it: --take " + difference.name();
    }

    private ObjectNode json(CatalogueMerging merging, List<Difference> differences, List<Fault> faults) {
        ObjectNode answer = JsonNodeFactory.instance.objectNode().put("dryRun", dryRun);
        ArrayNode entries = answer.putArray("entries");
        for (Difference difference : differences) {
            ArrayNode changes = entries.addObject()
                    .put("kind", difference.kind())
                    .put("id", difference.id())
                    .put("state", difference.state().word())
                    .put("taken", merging.isTaken(difference))
                    .putArray("changes");
            difference
                    .changes()
                    .forEach(change -> changes.addObject()
                            .put("where", change.where())
                            .put("first", change.ours())
                            .put("second", change.theirs()));
        }
        CatalogueCommand.faults(faults, answer.putArray("faults"));
        return answer;
    }
}
