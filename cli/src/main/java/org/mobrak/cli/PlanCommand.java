package org.mobrak.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.util.concurrent.Callable;
import org.mobrak.app.Outlook;
import org.mobrak.core.fit.Clause;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParentCommand;
import picocli.CommandLine.Spec;

/** Which ways lead to the goal? */
@Command(name = "plan", mixinStandardHelpOptions = true, description = "Finds the routes and plans for a goal.")
final class PlanCommand implements Callable<Integer> {
    @ParentCommand
    private Mobrak mobrak;

    @Spec
    private CommandSpec spec;

    @Mixin
    private Inputs inputs;

    @Mixin
    private Wanted wanted;

    @Option(names = "--all", description = "Tells of refused routes too, clause by clause.")
    private boolean all;

    @Override
    public Integer call() throws IOException {
        wanted.check();
        Outlook outlook = inputs.outlook(mobrak, wanted);
        PrintWriter out = spec.commandLine().getOut();
        if (inputs.json()) {
            JsonAnswer.write(JsonAnswer.plan(outlook), out);
        } else {
            new PlanText(outlook, out).print(all);
        }
        return outlook.answer().plans().isEmpty() ? Mobrak.ANSWER_IS_NO : Mobrak.DONE;
    }

    /** A clause's reason, with its doubt or the step that turns it. */
    static String sentence(Clause clause) {
        return clause.reason()
                + clause.doubt().map(doubt -> " " + doubt.words()).orElse("")
                + clause.step()
                        .map(step -> " “" + step + "” turns this into a yes.")
                        .orElse("");
    }
}
