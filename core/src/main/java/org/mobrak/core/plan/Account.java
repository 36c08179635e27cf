package org.mobrak.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Mark;
import org.mobrak.core.catalogue.Minutes;
import org.mobrak.core.catalogue.Money;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.fit.Evidence;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.plan.Figure.Line;

/** What a plan costs, each figure with the sum behind it, so that nobody needs to believe it. */
public final class Account {
    private static final String ESTIMATES = "The route's own estimates.";
    private static final String PERT = " (least + 4 × usual + most) / 6, Malcolm et al. 1959.";

    private final Plan plan;

    private final Facts facts;

    private Account(Plan plan, Facts facts) {
        this.plan = plan;
        this.facts = facts;
    }

    /** Every figure, in the order in which people ask. */
    public static List<Figure> of(Plan plan, Facts facts) {
        Account account = new Account(plan, facts);
        List<Figure> figures = new ArrayList<>(List.of(
                account.marks(), account.data(), account.risk(), account.money(), account.hands(), account.waiting()));
        figures.add(account.spread());
        figures.add(new BatteryNeed(plan, facts).figure());
        figures.addAll(new StorageNeed(plan, facts).figures());
        return figures;
    }

    private Figure marks() {
        List<Line> lines = plan.routes().stream()
                .flatMap(route -> route.marks().stream().map(mark -> new Line(route.name(), mark(mark))))
                .toList();
        String total = plan.cost().marks().isEmpty()
                ? "none"
                : String.join(", ", plan.cost().marks());
        return Figure.of("Left for good", total, lines, "What each route says of itself.");
    }

    private String mark(Mark mark) {
        return mark.isBorneBy(facts) ? mark.words() + ": already so, so nothing more is lost" : mark.words();
    }

    private Figure data() {
        List<Line> lines = plan.routes().stream()
                .filter(route -> route.changes().wipesData())
                .map(route -> new Line(route.name(), "wipes the data"))
                .toList();
        return Figure.of("Data", lines.isEmpty() ? "kept" : "wiped", lines, "What each route says of itself.");
    }

    private Figure risk() {
        List<Line> lines = plan.routes().stream()
                .filter(route -> Evidence.riskPoints(route, facts) > 0)
                .map(route -> new Line(route.name(), risk(route)))
                .toList();
        return Figure.of(
                "Risk points",
                number(plan.cost().riskPoints()),
                lines,
                "Severity of the worst partition written, from 1 to 10 (Mobrak's own scale, after common practice), × (1 −"
                        + " lower end of Wilson's 95 % interval over the reports of the nearest phones, × 0.5 for other builds of this OS version, × 0.4 for other versions of this model, × 0.25 for other models: our own choice). An aid to compare plans, no probability.");
    }

    private String risk(Route route) {
        PartitionClass worst = Evidence.worst(route).orElseThrow();
        Evidence evidence = Evidence.of(route, facts);
        return String.format(
                Locale.ROOT,
                "%s, %d × (1 − %.2f) = %.1f; %d of %d reports %s worked",
                worst.label(),
                worst.severity(),
                evidence.counting(),
                Evidence.riskPoints(route, facts),
                evidence.worked(),
                evidence.tried(),
                evidence.group().words());
    }

    private Figure money() {
        List<Line> lines = plan.routes().stream()
                .flatMap(route -> route.costs().money().stream()
                        .filter(money -> !money.isNothing())
                        .map(money -> new Line(route.name(), money.text())))
                .toList();
        return Figure.of("Money", plan.money().map(Money::text).orElse("nothing"), lines, ESTIMATES);
    }

    private Figure hands() {
        List<Line> lines = new ArrayList<>(plan.routes().stream()
                .filter(route -> route.handsOn().most() > 0)
                .map(route -> new Line(route.name(), mean(route.handsOn())))
                .toList());
        lines.addAll(paces());
        return Figure.of("Phone in hand", minutes(plan.cost().handsOn()), lines, ESTIMATES + PERT + pace());
    }

    /** What one's own jobs make of the estimates. */
    private List<Line> paces() {
        return plan.routes().stream()
                .flatMap(route -> route.own().filter(Route.OwnPace::counts).stream()
                        .map(own -> new Line(route.name() + ", own pace", pace(route, own))))
                .toList();
    }

    private static String pace(Route route, Route.OwnPace own) {
        double said = route.costs().minutes();
        return String.format(
                Locale.ROOT,
                "%d jobs of your own took %.1f min: (%d × %.1f + %d × %.1f) / %d = %.1f min in all, so × %.2f",
                own.jobs(),
                own.mean(),
                Route.OwnPace.WEIGHT,
                said,
                own.jobs(),
                own.mean(),
                Route.OwnPace.WEIGHT + own.jobs(),
                own.towards(said),
                route.paceFactor());
    }

    private String pace() {
        return paces().isEmpty()
                ? ""
                : " Drawn towards your own jobs by n / (n + 3) (Bühlmann 1967; 3 is our own choice), from three jobs on.";
    }

    private Figure waiting() {
        List<Line> lines = new ArrayList<>(plan.routes().stream()
                .filter(route -> route.waiting().most() > 0)
                .map(route -> new Line(route.name(), mean(route.waiting())))
                .toList());
        plan.routes().stream()
                .filter(route -> Transfer.bytes(route).isPresent())
                .forEach(route -> lines.add(new Line(route.name() + ", files", copying(route))));
        return Figure.of(
                "Waiting",
                minutes(plan.cost().waiting()),
                lines,
                ESTIMATES + PERT + " Copying at 10 MB/s, common practice; USB 2.0 carries at most "
                        + number(Transfer.USB2_MOST / 1e6) + " MB/s (USB 2.0 specification, table 5-10).");
    }

    private static String mean(Minutes three) {
        return String.format(
                Locale.ROOT,
                "(%s + 4 × %s + %s) / 6 = %.1f min",
                number(three.least()),
                number(three.usual()),
                number(three.most()),
                three.mean());
    }

    private static String copying(Route route) {
        long bytes = Transfer.bytes(route).orElseThrow();
        return String.format(Locale.ROOT, "%s / 10 MB/s = %.1f min", Sizes.words(bytes), Transfer.minutes(bytes));
    }

    private Figure spread() {
        Cost cost = plan.cost();
        String sum = plan.routes().stream()
                .flatMap(route -> Stream.of(route.handsOn(), route.waiting()))
                .filter(three -> three.variance() > 0)
                .map(three -> "((" + number(three.most()) + " − " + number(three.least()) + ") / 6)²")
                .collect(Collectors.joining(" + "));
        return Figure.of(
                "In all",
                String.format(Locale.ROOT, "%.0f to %.0f min", cost.minutesLow(), cost.minutesHigh()),
                List.of(
                        new Line(
                                "Expected",
                                minutes(cost.handsOn()) + " + " + minutes(cost.waiting()) + " = "
                                        + minutes(cost.minutes())),
                        new Line("Variance", (sum.isEmpty() ? "0" : sum) + " = " + number(cost.variance()) + " min²"),
                        new Line("Spread", "± 1.28 × √" + number(cost.variance()) + " min")),
                "Eight times in ten it lies between the two, if the steps do not hang together (PERT; normal distribution).");
    }

    static String minutes(double value) {
        return String.format(Locale.ROOT, "%.1f min", value);
    }

    /** Without a decimal point where it would only add a nought. */
    static String number(double value) {
        return value == Math.rint(value) ? String.valueOf((long) value) : String.format(Locale.ROOT, "%.1f", value);
    }
}
