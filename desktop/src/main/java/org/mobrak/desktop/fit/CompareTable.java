package org.mobrak.desktop.fit;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import javafx.scene.Node;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import org.mobrak.core.catalogue.Mark;
import org.mobrak.core.catalogue.Minutes;
import org.mobrak.core.catalogue.Money;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.fit.Clause;
import org.mobrak.core.fit.Evidence;
import org.mobrak.core.fit.RouteFit;
import org.mobrak.desktop.parts.Sign;
import org.mobrak.desktop.parts.Texts;

/** Two routes side by side: what they do, what they cost, and clause against clause. */
final class CompareTable extends GridPane {
    private static final double NAMES = 20;
    private static final double VALUES = 40;

    private final List<RouteFit> both;

    CompareTable(RouteFit one, RouteFit other, Function<Route, Evidence> evidence) {
        both = List.of(one, other);
        getStyleClass().add("compare");
        setId("compare-table");
        for (double percent : new double[] {NAMES, VALUES, VALUES}) {
            ColumnConstraints column = new ColumnConstraints();
            column.setPercentWidth(percent);
            getColumnConstraints().add(column);
        }
        addRow(0, Texts.soft(""), heading(one), heading(other));
        words("Family", Route::family);
        words("Evidence", route -> evidence.apply(route).sentence());
        words("Data", route -> route.changes().wipesData() ? "wiped" : "kept");
        words(
                "For good",
                route -> route.marks().isEmpty()
                        ? "nothing"
                        : route.marks().stream().map(Mark::words).collect(Collectors.joining(", ")));
        words("Writes to", CompareTable::writes);
        words(
                "Risk points",
                route -> String.format(Locale.ROOT, "%.1f", Evidence.riskPoints(route, evidence.apply(route))));
        words("In hand", route -> minutes(route.handsOn()));
        words("Waiting", route -> minutes(route.waiting()));
        words("Money", CompareTable::money);
        names().forEach(this::clause);
    }

    private static HBox heading(RouteFit fit) {
        HBox heading = new HBox(
                Sign.of(fit.verdict()), Texts.wrapped(Texts.heading(fit.route().name())));
        heading.getStyleClass().add("signed-line");
        return heading;
    }

    private static String writes(Route route) {
        return route.changes().writes().isEmpty()
                ? "nothing"
                : route.changes().writes().stream().map(PartitionClass::label).collect(Collectors.joining(", "));
    }

    private static String minutes(Minutes three) {
        return String.format(Locale.ROOT, "%.0f to %.0f min, mostly %.0f", three.least(), three.most(), three.usual());
    }

    private static String money(Route route) {
        return route.costs()
                .money()
                .filter(money -> !money.isNothing())
                .map(Money::text)
                .orElse("nothing");
    }

    private void words(String name, Function<Route, String> value) {
        addRow(
                getRowCount(),
                Texts.soft(name),
                Texts.wrapped(Texts.plain(value.apply(both.get(0).route()))),
                Texts.wrapped(Texts.plain(value.apply(both.get(1).route()))));
    }

    private Set<String> names() {
        Set<String> names = new LinkedHashSet<>();
        both.forEach(fit -> fit.clauses().forEach(clause -> names.add(clause.name())));
        return names;
    }

    private void clause(String name) {
        addRow(getRowCount(), Texts.wrapped(Texts.soft(name)), clause(both.get(0), name), clause(both.get(1), name));
    }

    private static Node clause(RouteFit fit, String name) {
        Optional<Clause> found = fit.clauses().stream()
                .filter(clause -> clause.name().equals(name))
                .findFirst();
        if (found.isEmpty()) {
            return Texts.soft("does not ask");
        }
        HBox line = new HBox(
                Sign.of(found.get().result()),
                Texts.wrapped(Texts.plain(found.get().reason())));
        line.getStyleClass().add("signed-line");
        return line;
    }
}
