package org.mobrak.desktop.fit;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import org.mobrak.app.Desk;
import org.mobrak.core.catalogue.Mark;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.fit.Clause;
import org.mobrak.core.fit.Evidence;
import org.mobrak.core.fit.RouteFit;
import org.mobrak.core.plan.Plan;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Sign;
import org.mobrak.desktop.parts.Texts;
import org.mobrak.desktop.plan.PlansFace;

/** One route in full: the plan it is part of, the reason of each clause, what it needs and changes, and what others reported. */
final class RouteDetail extends VBox {
    RouteDetail(Desk desk, RouteFit fit, Runnable showPlan) {
        getStyleClass().add("side");
        getChildren()
                .addAll(
                        plan(desk, fit, showPlan),
                        clauses(fit),
                        changes(
                                fit.route(),
                                Evidence.of(fit.route(), desk.identity().facts())));
        new RouteNeeds(fit.route()).card().ifPresent(getChildren()::add);
        new RouteNotes(fit.route()).card().ifPresent(getChildren()::add);
    }

    private static Card plan(Desk desk, RouteFit fit, Runnable showPlan) {
        Optional<Plan> part = PlansFace.offered(desk.answer(), true).stream()
                .filter(plan -> plan.routes().contains(fit.route()))
                .findFirst();
        Card card = new Card(
                fit.route().name(), Texts.wrapped(Texts.plain(fit.route().summary())));
        part.ifPresentOrElse(
                plan -> {
                    Button show = new Button("Look at the plan");
                    show.setId("show-plan");
                    show.setOnAction(press -> showPlan.run());
                    String words = plan.standsOnWhatIsKnown()
                            ? "Part of the plan: "
                            : plan.supposition().orElse("If all turns out well") + ", part of: ";
                    card.getChildren().addAll(Texts.wrapped(Texts.plain(words + plan.title() + ".")), show);
                },
                () -> card.getChildren().add(Texts.wrapped(Texts.soft(whyNot(desk, fit)))));
        return card;
    }

    private static String whyNot(Desk desk, RouteFit fit) {
        if (desk.answer().plans().stream().anyMatch(plan -> plan.routes().isEmpty())) {
            return "The goal is reached already: " + desk.wish().goal().label() + ".";
        }
        return switch (fit.verdict()) {
            case REFUSED -> "This route is refused on this phone, for the reasons below.";
            case NEEDS_READING -> "Something unknown decides. Take the readings that are open below, then look again.";
            case NEEDS_STEP -> "Another route must come first, and that one cannot be taken yet.";
            case FITS, CAUTION ->
                desk.answer().plans().isEmpty()
                        ? "It does not lead to the goal “" + desk.wish().goal().label() + "” by itself."
                        : desk.whyUnused(fit.route());
        };
    }

    private static Card clauses(RouteFit fit) {
        VBox lines = new VBox();
        lines.getStyleClass().add("lines");
        for (Clause clause : fit.clauses()) {
            VBox said = new VBox(Texts.soft(clause.name()), Texts.wrapped(Texts.plain(clause.reason())));
            clause.doubt().ifPresent(doubt -> said.getChildren().add(doubtful(doubt.words())));
            clause.step()
                    .ifPresent(step -> said.getChildren()
                            .add(Texts.wrapped(Texts.plain("“" + step + "” turns this into a yes."))));
            HBox line = new HBox(Sign.of(clause.result()), said);
            line.getStyleClass().add("signed-line");
            lines.getChildren().add(line);
        }
        return new Card("Verdict: " + fit.verdict().word(), lines);
    }

    private static Label doubtful(String doubt) {
        Label label = Texts.wrapped(Texts.plain(doubt));
        label.getStyleClass().add("text-doubt");
        return label;
    }

    private static Card changes(Route route, Evidence evidence) {
        String effects = route.changes().effects().entrySet().stream()
                .map(effect -> effect.getKey().label() + " becomes " + effect.getValue())
                .sorted()
                .collect(Collectors.joining("; "));
        String writes =
                route.changes().writes().stream().map(PartitionClass::label).collect(Collectors.joining(", "));
        List<String> marks = route.marks().stream().map(Mark::words).toList();
        return new Card(
                "What it does to the phone",
                Texts.wrapped(Texts.plain(effects + ".")),
                Texts.wrapped(Texts.plain(writes.isEmpty() ? "Writes to no partition." : "Writes to: " + writes + ".")),
                Texts.wrapped(Texts.plain(
                        marks.isEmpty() ? "Leaves no permanent mark." : "For good: " + String.join(", ", marks) + ".")),
                Texts.wrapped(Texts.plain(route.changes().wipesData() ? "Wipes the data." : "Keeps the data.")),
                Texts.wrapped(Texts.soft(evidence.sentence())));
    }
}
