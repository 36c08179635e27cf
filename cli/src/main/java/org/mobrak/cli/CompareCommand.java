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
import org.mobrak.app.BeforeAfter;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.proof.Comparison;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.ParentCommand;
import picocli.CommandLine.Spec;

/** What is otherwise than before, and should it be? */
@Command(
        name = "compare",
        mixinStandardHelpOptions = true,
        description =
                "Holds readings of a phone after the work against those before; status 1 where anything is unexpected or not changed.")
final class CompareCommand implements Callable<Integer> {
    @ParentCommand
    private Mobrak mobrak;

    @Spec
    private CommandSpec spec;

    @Option(names = "--before", arity = "1..*", paramLabel = "FILE", description = "Readings from before.")
    private List<Path> before = new ArrayList<>();

    @Option(names = "--after", arity = "1..*", paramLabel = "FILE", description = "Readings from afterwards.")
    private List<Path> after = new ArrayList<>();

    @Option(names = "--set-before", paramLabel = "KEY=VALUE", description = "A fact from before that you know.")
    private List<String> saidBefore = new ArrayList<>();

    @Option(names = "--set-after", paramLabel = "KEY=VALUE", description = "A fact from afterwards that you know.")
    private List<String> saidAfter = new ArrayList<>();

    @Option(names = "--route", paramLabel = "ID", description = "What was done, in order.")
    private List<String> routes = new ArrayList<>();

    @Option(names = "--catalogue", paramLabel = "DIR", description = "Another catalogue than the shipped one.")
    private List<Path> folders = new ArrayList<>();

    @Option(names = "--json", description = "One JSON object on standard output.")
    private boolean json;

    @Override
    public Integer call() throws IOException {
        check(before.isEmpty() && saidBefore.isEmpty(), "before");
        check(after.isEmpty() && saidAfter.isEmpty(), "after");
        Catalogue catalogue = Inputs.catalogue(spec.commandLine(), mobrak, folders);
        List<Route> done = done(catalogue);
        Comparison comparison = BeforeAfter.compare(
                Inputs.identity(spec.commandLine(), mobrak, catalogue, before, saidBefore),
                Inputs.identity(spec.commandLine(), mobrak, catalogue, after, saidAfter),
                done);
        PrintWriter out = spec.commandLine().getOut();
        if (json) {
            JsonAnswer.write(answer(comparison), out);
        } else {
            comparison.changes().forEach(change -> print(change, out));
        }
        return comparison.isAsPlanned() ? Mobrak.DONE : Mobrak.ANSWER_IS_NO;
    }

    private void check(boolean isEmpty, String side) {
        if (isEmpty) {
            throw new ParameterException(
                    spec.commandLine(), "Give readings with --%s FILE or --set-%s KEY=VALUE.".formatted(side, side));
        }
    }

    private List<Route> done(Catalogue catalogue) {
        try {
            return BeforeAfter.routes(routes, catalogue);
        } catch (Refusal unknown) {
            throw new ParameterException(spec.commandLine(), unknown.getMessage(), unknown);
        }
    }

    private static ObjectNode answer(Comparison comparison) {
        ObjectNode answer = JsonNodeFactory.instance.objectNode();
        ArrayNode facts = answer.putArray("facts");
        comparison
                .changes()
                .forEach(change -> facts.addObject()
                        .put("fact", change.fact().key())
                        .put("before", change.before().orElse(null))
                        .put("after", change.after().orElse(null))
                        .put("outcome", change.outcome().word())
                        .put("because", change.because()));
        return answer;
    }

    private static void print(Comparison.Change change, PrintWriter out) {
        out.printf(
                "%-12s %-22s %s → %s%n             %s%n",
                change.outcome().word(),
                change.fact().label(),
                change.before().orElse("?").replace("\n", ", "),
                change.after().orElse("?").replace("\n", ", "),
                change.because());
    }
}
