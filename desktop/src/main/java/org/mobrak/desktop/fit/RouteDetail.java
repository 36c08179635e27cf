package org.mobrak.desktop.fit;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.fit.Clause;
import org.mobrak.core.fit.RouteFit;
import org.mobrak.core.plan.Evidence;
import org.mobrak.core.plan.Plan;
import org.mobrak.core.plan.Replay;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Sign;
import org.mobrak.desktop.parts.Texts;
import org.mobrak.desktop.session.Desk;
import org.mobrak.desktop.session.Session;

/** One route in full: the plan it ends, the reason of each clause, what it changes, and what others reported. */
final class RouteDetail extends VBox {
    private final Session session;

    RouteDetail(Session session, Desk desk, RouteFit fit) {
        this.session = session;
        getStyleClass().add("side");
        getChildren().addAll(plan(desk, fit), clauses(fit), changes(fit.route()));
        new RouteNotes(fit.route()).card().ifPresent(getChildren()::add);
    }

    private Card plan(Desk desk, RouteFit fit) {
        Optional<Plan> ends = desk.answer().plans().stream()
                .filter(plan -> plan.routes().contains(fit.route()))
                .findFirst();
        Card card = new Card(
                fit.route().name(), Texts.wrapped(Texts.plain(fit.route().summary())));
        if (ends.isPresent()) {
            offer(card, desk, ends.get());
        } else {
            card.getChildren().add(Texts.wrapped(Texts.soft(whyNot(desk, fit))));
            desk.answer().assuming().stream()
                    .filter(plan -> plan.routes().contains(fit.route()))
                    .findFirst()
                    .ifPresent(plan -> assume(card, plan));
        }
        return card;
    }

    private void offer(Card card, Desk desk, Plan plan) {
        boolean busy = desk.dossier().runningJob().isPresent();
        Button take = new Button("Write the run sheet", new FontIcon(Feather.CLIPBOARD));
        take.setId("start");
        take.getStyleClass().add("do-this");
        take.setDisable(busy);
        take.setOnAction(press -> session.start(plan));
        if (plan.routes().size() > 1) {
            card.getChildren().add(chain(desk.replay(plan)));
        }
        card.getChildren().addAll(Texts.wrapped(Texts.plain(plan.tradeOffs())), take);
        if (busy) {
            card.getChildren().add(Texts.wrapped(Texts.soft("A job runs on this phone; finish or stop it first.")));
        }
    }

    /** The plan played through: each route, and what it changes so that the next one can follow. */
    private static VBox chain(Replay replay) {
        VBox chain = new VBox();
        chain.getStyleClass().add("chain");
        for (Replay.Step step : replay.steps()) {
            String changes = step.changes().entrySet().stream()
                    .map(change -> "%s %s → %s"
                            .formatted(
                                    change.getKey().label(),
                                    change.getValue().before().orElse("not known"),
                                    change.getValue().after()))
                    .collect(Collectors.joining("; "));
            Label name = Texts.wrapped(Texts.plain(
                    chain.getChildren().size() / 2 + 1 + "  " + step.route().name()));
            if (!step.route().isHousekeeping()) {
                name.getStyleClass().add("route-name");
            }
            chain.getChildren().addAll(name, Texts.wrapped(Texts.soft("     " + changes)));
        }
        return chain;
    }

    /** What would lead there if all that is unknown turns out well, and what that is. */
    private static void assume(Card card, Plan plan) {
        VBox assumptions = new VBox();
        assumptions.getStyleClass().add("chain");
        plan.assumptions()
                .forEach(assumed -> assumptions.getChildren().add(Texts.wrapped(Texts.plain(assumed.sentence()))));
        card.getChildren()
                .addAll(
                        Texts.wrapped(
                                Texts.plain("If all turns out well: " + plan.title() + ". It takes for granted:")),
                        assumptions,
                        Texts.wrapped(Texts.plain(plan.tradeOffs())));
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
                        : "Another plan leads to the goal at less cost in every respect.";
        };
    }

    private static Card clauses(RouteFit fit) {
        VBox lines = new VBox();
        lines.getStyleClass().add("lines");
        for (Clause clause : fit.clauses()) {
            VBox said = new VBox(Texts.soft(clause.name()), Texts.wrapped(Texts.plain(clause.reason())));
            clause.doubt().ifPresent(doubt -> said.getChildren().add(doubtful(doubt)));
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

    private static Card changes(Route route) {
        String effects = route.changes().effects().entrySet().stream()
                .map(effect -> effect.getKey().label() + " becomes " + effect.getValue())
                .sorted()
                .collect(Collectors.joining("; "));
        String writes =
                route.changes().writes().stream().map(PartitionClass::label).collect(Collectors.joining(", "));
        List<String> marks = route.changes().marks();
        return new Card(
                "What it does to the phone",
                Texts.wrapped(Texts.plain(effects + ".")),
                Texts.wrapped(Texts.plain("Writes to: " + writes + ".")),
                Texts.wrapped(Texts.plain(
                        marks.isEmpty() ? "Leaves no permanent mark." : "For good: " + String.join(", ", marks) + ".")),
                Texts.wrapped(Texts.plain(route.changes().wipesData() ? "Wipes the data." : "Keeps the data.")),
                Texts.wrapped(Texts.soft(Evidence.of(route).sentence())));
    }
}
