package org.mobrak.cli;

import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import org.mobrak.core.logbook.WorkspaceCheck;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.ParentCommand;
import picocli.CommandLine.Spec;

/** A workspace looked through. */
@Command(
        name = "check",
        mixinStandardHelpOptions = true,
        description = "Looks a workspace through from end to end; status 1 if anything is wrong.")
final class CheckCommand implements Callable<Integer> {
    @ParentCommand
    private Mobrak mobrak;

    @Spec
    private CommandSpec spec;

    @Parameters(paramLabel = "WORKSPACE", description = "The folder of the workspace.")
    private Path workspace;

    @Option(names = "--json", description = "One JSON object on standard output.")
    private boolean json;

    @Override
    public Integer call() throws IOException {
        WorkspaceCheck check = mobrak.transfers().check(workspace);
        PrintWriter out = spec.commandLine().getOut();
        if (json) {
            ObjectNode answer = JsonNodeFactory.instance
                    .objectNode()
                    .put("phones", check.phones())
                    .put("jobs", check.jobs())
                    .put("entries", check.entries());
            check.problems().forEach(answer.putArray("problems")::add);
            JsonAnswer.write(answer, out);
        } else {
            check.problems().forEach(problem -> out.println("problem: " + problem));
            out.printf(
                    "%d phones, %d jobs, %d entries, %d problems%n",
                    check.phones(),
                    check.jobs(),
                    check.entries(),
                    check.problems().size());
        }
        return check.problems().isEmpty() ? Mobrak.DONE : Mobrak.ANSWER_IS_NO;
    }
}
