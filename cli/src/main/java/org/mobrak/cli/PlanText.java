package org.mobrak.cli;

import java.io.PrintWriter;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.mobrak.app.Outlook;
import org.mobrak.core.fit.NextReading;
import org.mobrak.core.fit.RouteFit;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.fit.Verdict;
import org.mobrak.core.plan.Figure;
import org.mobrak.core.plan.Plan;

/** Plans for a person at a terminal: what to know first, the plans, what is in the way, and then the routes by their verdict. */
final class PlanText {
    private final Outlook outlook;
    private final PrintWriter out;

    PlanText(Outlook outlook, PrintWriter out) {
        this.outlook = outlook;
        this.out = out;
    }

    /** Refused routes are counted, and told clause by clause only where all are wanted. */
    void print(boolean all) {
        outlook.answer().recognition().sentence().ifPresent(out::println);
        outlook.answer().plans().forEach(this::plan);
        outlook.answer().lost().ifPresent(why -> out.println("Chosen by you. " + why));
        if (!outlook.answer().rest().isEmpty()) {
            out.printf(
                    Locale.ROOT,
                    "(%d more that nothing beats)%n",
                    outlook.answer().rest().size());
        }
        outlook.answer().assuming().forEach(this::assuming);
        blockers();
        outlook.answer()
                .reachable()
                .forEach(goal -> out.println("Within reach instead: " + goal.label() + " (" + goal.key() + ")"));
        for (NextReading next : outlook.next()) {
            out.println("Read next: " + next.fact().label() + " (" + next.how() + ")");
        }
        routes(all);
    }

    private void plan(Plan plan) {
        out.println("Plan: " + plan.title());
        out.println("      " + plan.tradeOffs());
        plan.warnings().forEach(warning -> out.println("      " + warning));
        outlook.account(plan).stream()
                .filter(figure -> figure.enough() != Truth.YES)
                .forEach(figure -> out.println("      " + shortfall(figure)));
    }

    private void assuming(Plan plan) {
        out.println(plan.supposition().orElse("If all turns out well") + ": " + plan.title());
        plan.assumptions().forEach(assumed -> out.println("      assuming " + assumed.sentence()));
    }

    /** What is to know first has been said. */
    private void blockers() {
        String first = outlook.answer().recognition().sentence().orElse("");
        outlook.answer().blockers().stream()
                .filter(blocker -> !blocker.equals(first))
                .forEach(blocker -> out.println("In the way: " + blocker));
    }

    private static String shortfall(Figure figure) {
        return figure.enough() == Truth.NO
                ? figure.name() + " needed: " + figure.total() + "; the phone has less."
                : figure.name() + " needed: " + figure.total() + "; what the phone has is not known.";
    }

    private void routes(boolean all) {
        Map<Verdict, List<RouteFit>> byVerdict = outlook.fits().stream()
                .filter(fit -> !fit.route().isHousekeeping())
                .collect(Collectors.groupingBy(RouteFit::verdict, TreeMap::new, Collectors.toList()));
        byVerdict.forEach((verdict, fits) -> {
            boolean told = all || verdict != Verdict.REFUSED;
            out.printf(Locale.ROOT, "%n%d %s%s%n", fits.size(), verdict.word(), told ? ":" : " (see them with --all)");
            if (told) {
                fits.forEach(this::route);
            }
        });
    }

    private void route(RouteFit fit) {
        out.println(fit.route().name() + " (" + fit.route().id() + "): "
                + fit.verdict().word());
        fit.clauses()
                .forEach(clause -> out.println("  " + clause.result().word() + ": " + PlanCommand.sentence(clause)));
    }
}
