package org.mobrak.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.util.List;
import java.util.concurrent.Callable;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.fit.Clause;
import org.mobrak.core.fit.FitCheck;
import org.mobrak.core.fit.NextReading;
import org.mobrak.core.fit.RouteFit;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.plan.Account;
import org.mobrak.core.plan.Figure;
import org.mobrak.core.plan.Plan;
import org.mobrak.core.plan.Planner;
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

    /** What the core said. */
    record Answer(Facts facts, Planner.Answer plans, List<RouteFit> routes, List<NextReading> next) {
        /** The sums behind a plan's figures. */
        List<Figure> account(Plan plan) {
            return Account.of(plan, facts);
        }
    }

    @Override
    public Integer call() throws IOException {
        wanted.check();
        Catalogue catalogue = inputs.catalogue(mobrak);
        Facts facts = inputs.identity(mobrak, catalogue).facts();
        Answer answer = new Answer(
                facts,
                wanted.plans(catalogue, facts),
                new FitCheck(catalogue, facts, wanted.school()).routes(),
                Planner.nextReadings(wanted.goal(), catalogue, facts, wanted.school()));
        PrintWriter out = spec.commandLine().getOut();
        if (inputs.json()) {
            JsonAnswer.write(JsonAnswer.plan(answer), out);
        } else {
            new PlanText(answer, out).print(all);
        }
        return answer.plans().plans().isEmpty() ? Mobrak.ANSWER_IS_NO : Mobrak.DONE;
    }

    /** A clause's reason, with its doubt or the step that turns it. */
    static String sentence(Clause clause) {
        return clause.reason()
                + clause.doubt().map(doubt -> " " + doubt).orElse("")
                + clause.step()
                        .map(step -> " “" + step + "” turns this into a yes.")
                        .orElse("");
    }
}
