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
import org.mobrak.core.logbook.search.Found;
import org.mobrak.core.logbook.search.Hit;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.ParentCommand;
import picocli.CommandLine.Spec;

/** Words found in a workspace. */
@Command(
        name = "search",
        mixinStandardHelpOptions = true,
        description =
                "Finds words in everything that was ever read, done or noted; their last letters may be missing. Status 1 if there is nothing.")
final class SearchCommand implements Callable<Integer> {
    @ParentCommand
    private Mobrak mobrak;

    @Spec
    private CommandSpec spec;

    @Parameters(index = "0", paramLabel = "WORKSPACE", description = "The folder of the workspace.")
    private Path workspace;

    @Parameters(index = "1..*", arity = "1..*", paramLabel = "TEXT", description = "The words.")
    private List<String> words = new ArrayList<>();

    @Option(names = "--json", description = "One JSON object on standard output.")
    private boolean json;

    @Override
    public Integer call() throws IOException {
        Found found = mobrak.transfers().search(workspace, String.join(" ", words));
        PrintWriter out = spec.commandLine().getOut();
        if (json) {
            JsonAnswer.write(answer(found), out);
        } else {
            for (Hit hit : found.hits()) {
                out.printf(
                        "%s  %-8s %s%n    %s%n",
                        hit.told(mobrak.clock().getZone()),
                        hit.kind().word(),
                        hit.nickname(),
                        hit.text().replace('\n', ' '));
            }
            if (found.hits().isEmpty()) {
                out.println("Nothing in it has “" + found.query() + "”.");
                found.proposals().forEach(word -> out.println("Did you mean “" + word + "”?"));
            }
        }
        return found.hits().isEmpty() ? Mobrak.ANSWER_IS_NO : Mobrak.DONE;
    }

    private static ObjectNode answer(Found found) {
        ObjectNode answer = JsonNodeFactory.instance.objectNode().put("query", found.query());
        ArrayNode hits = answer.putArray("hits");
        found.hits()
                .forEach(hit -> hits.addObject()
                        .put("phone", hit.nickname())
                        .put("kind", hit.kind().word())
                        .put("at", hit.at())
                        .put("text", hit.text()));
        found.proposals().forEach(answer.putArray("proposals")::add);
        return answer;
    }
}
