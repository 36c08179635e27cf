package org.mobrak.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.fit.Clause;
import org.mobrak.core.fit.FitCheck;
import org.mobrak.core.fit.NextReading;
import org.mobrak.core.fit.RouteFit;
import org.mobrak.core.fit.School;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.plan.Account;
import org.mobrak.core.plan.Figure;
import org.mobrak.core.plan.Goal;
import org.mobrak.core.plan.Limits;
import org.mobrak.core.plan.Plan;
import org.mobrak.core.plan.Planner;
import picocli.CommandLine;
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

    @Option(
            names = "--goal",
            required = true,
            paramLabel = "GOAL",
            description =
                    "root, recovery, custom-os, update-keep-root, write-protection-off, stock or mend:TROUBLE; joined with +.")
    private String goal;

    @Option(
            names = "--school",
            paramLabel = "SCHOOL",
            description = "exact or practical; without it, by what a route writes.")
    private Optional<String> school = Optional.empty();

    @Option(
            names = "--limit",
            paramLabel = "LIMIT",
            description = "no-data-loss, no-marks, no-blown-fuse, no-money or minutes=N.")
    private List<String> limits = new ArrayList<>();

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
        Goal wanted = goal();
        Optional<School> choice = school.map(this::school);
        Limits bounds = limits();
        Catalogue catalogue = inputs.catalogue(mobrak);
        Facts facts = inputs.identity(mobrak, catalogue).facts();
        Answer answer = new Answer(
                facts,
                Planner.plan(wanted, catalogue, facts, choice, bounds),
                new FitCheck(catalogue, facts, choice).routes(),
                Planner.nextReadings(wanted, catalogue, facts, choice));
        PrintWriter out = spec.commandLine().getOut();
        if (inputs.json()) {
            JsonAnswer.write(JsonAnswer.plan(answer), out);
        } else {
            new PlanText(answer, out).print(all);
        }
        return answer.plans().plans().isEmpty() ? Mobrak.ANSWER_IS_NO : Mobrak.DONE;
    }

    private Goal goal() {
        String known = Goal.usual().stream().map(Goal::key).collect(Collectors.joining(", "));
        return Goal.ofKey(goal)
                .orElseThrow(() -> wrong(
                        "“" + goal + "” is no goal; the goals are " + known + " and mend:TROUBLE, joined with +."));
    }

    private School school(String word) {
        return Arrays.stream(School.values())
                .filter(one -> one.name().toLowerCase(Locale.ROOT).equals(word))
                .findFirst()
                .orElseThrow(() -> wrong("“" + word + "” is no school; use exact or practical."));
    }

    private Limits limits() {
        try {
            Limits all = Limits.none();
            for (String word : limits) {
                all = all.with(word);
            }
            return all;
        } catch (IllegalArgumentException unknown) {
            throw wrong(unknown.getMessage());
        }
    }

    private CommandLine.ParameterException wrong(String message) {
        return new CommandLine.ParameterException(spec.commandLine(), message);
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
