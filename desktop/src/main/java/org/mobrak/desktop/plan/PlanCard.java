package org.mobrak.desktop.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import javafx.css.PseudoClass;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Hyperlink;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.app.Desk;
import org.mobrak.app.Session;
import org.mobrak.core.plan.Assumption;
import org.mobrak.core.plan.Plan;
import org.mobrak.core.plan.Replay;
import org.mobrak.core.plan.WayBack;
import org.mobrak.desktop.parts.Flow;
import org.mobrak.desktop.parts.Leads;
import org.mobrak.desktop.parts.Texts;

/** One plan: what it trades in a sentence; chosen, also why in this order, the sums, the way back, and the button to take it. */
final class PlanCard extends VBox {
    private static final PseudoClass CHOSEN = PseudoClass.getPseudoClass("chosen");

    private final Session session;
    private final Choice choice;
    private final Leads leads;
    private final int number;
    private final Desk desk;
    private final Plan plan;
    private final VBox open = new VBox();

    PlanCard(Session session, Desk desk, Choice choice, Leads leads, Plan plan, int number) {
        this.leads = leads;
        this.choice = choice;
        this.number = number;
        this.session = session;
        this.desk = desk;
        this.plan = plan;
        getStyleClass().addAll("card", "plan-card");
        Label title = Texts.wrapped(Texts.heading(plan.title()));
        HBox.setHgrow(title, Priority.ALWAYS);
        title.setMaxWidth(Double.MAX_VALUE);
        Button pick = new Button("", Cell.of(plan.cost(), number));
        pick.getStyleClass().add("plot-mark");
        pick.setId("plan-" + number);
        Texts.aloud(pick, "Choose plan " + number + ": " + plan.title());
        pick.setOnAction(press -> choice.take(plan));
        HBox head = new HBox(pick, title);
        head.getStyleClass().add("plan-head");
        // The whole card takes a click; by keyboard the cell does.
        setOnMouseClicked(click -> choice.take(plan));
        open.getStyleClass().add("side");
        plan.supposition().ifPresent(words -> getChildren().add(supposed(words)));
        getChildren().addAll(head, Texts.wrapped(Texts.plain(plan.tradeOffs())));
        plan.warnings().forEach(warning -> getChildren().add(warned(warning)));
        getChildren().add(open);
    }

    private static Label warned(String words) {
        Label label = Texts.wrapped(Texts.plain(words));
        label.getStyleClass().add("text-doubt");
        return label;
    }

    private static Label supposed(String words) {
        Label label = Texts.wrapped(Texts.plain(words + ":"));
        label.getStyleClass().add("supposed");
        return label;
    }

    Plan plan() {
        return plan;
    }

    void choose(boolean chosen) {
        pseudoClassStateChanged(CHOSEN, chosen);
        if (chosen && open.getChildren().isEmpty()) {
            open.getChildren().setAll(content());
        } else if (!chosen) {
            open.getChildren().clear();
        }
    }

    private List<Node> content() {
        VBox costs = new VBox(
                Texts.soft("What it costs; each figure opens to its sum"), new FigureLines(desk.account(plan)));
        VBox back = new VBox(Texts.soft("The way back"));
        back.getStyleClass().add("lines");
        desk.wayBack(plan).stream()
                .map(WayBack::sentence)
                .forEach(sentence -> back.getChildren().add(Texts.wrapped(Texts.plain(sentence))));
        if (plan.standsOnWhatIsKnown()) {
            return List.of(buttons(), whyThisOrder(), costs, back);
        }
        List<Node> content = new ArrayList<>();
        if (!plan.supposes().isEmpty()) {
            content.add(itIsSo());
        }
        if (!stillOpen().isEmpty()) {
            content.add(assumed());
        }
        content.addAll(List.of(whyThisOrder(), costs, back));
        return content;
    }

    private FlowPane buttons() {
        boolean busy = desk.dossier().runningJob().isPresent();
        Button take = new Button("Write the run sheet", new FontIcon(Feather.CLIPBOARD));
        take.setId("start");
        take.getStyleClass().add("do-this");
        take.setDisable(busy);
        take.setOnAction(press -> session.job().start(plan));
        FlowPane buttons = new Flow(take, new BriefMenu(session, plan, () -> session.briefOf(desk, plan)));
        buttons.getStyleClass().add("buttons");
        if (busy) {
            buttons.getChildren().add(Texts.soft("A job runs on this phone; finish or stop it first."));
        } else {
            boolean rehearsed = desk.isRehearsed(plan);
            buttons.getChildren().add(Texts.soft(rehearsed ? "Rehearsed to its goal." : "Not rehearsed yet."));
            if (!rehearsed) {
                Hyperlink rehearse = new Hyperlink("Rehearse");
                rehearse.setId("rehearse-plan-" + number);
                rehearse.setOnAction(press -> {
                    choice.take(plan);
                    leads.rehearse();
                });
                buttons.getChildren().add(rehearse);
            }
        }
        return buttons;
    }

    /** Notes what is supposed, once somebody has looked. */
    private VBox itIsSo() {
        Button note = new Button("It is so: note it", new FontIcon(Feather.CHECK));
        note.setId("it-is-so");
        note.getStyleClass().add("do-this");
        note.setOnAction(press -> session.readings().takeByHand(plan.supposes()));
        String where = plan.supposes().keySet().stream()
                .map(fact -> fact.label() + ": " + fact.whereToRead())
                .collect(Collectors.joining("; "));
        VBox noting = new VBox(note, Texts.wrapped(Texts.soft("Look first. " + where + ".")));
        noting.getStyleClass().add("lines");
        return noting;
    }

    /** What would still be open if all that is supposed were so. */
    private List<Assumption> stillOpen() {
        return plan.assumptions().stream()
                .filter(assumed -> !plan.supposes().keySet().containsAll(assumed.asks()))
                .toList();
    }

    /** What is taken for granted, and for each thing where to read it. */
    private VBox assumed() {
        VBox lines = new VBox(
                Texts.soft(plan.supposes().isEmpty() ? "It takes for granted" : "It takes for granted besides"));
        lines.getStyleClass().add("lines");
        for (Assumption assumption : stillOpen()) {
            String where = assumption.asks().stream()
                    .sorted()
                    .map(fact -> fact.label() + ": " + fact.whereToRead())
                    .collect(Collectors.joining("; "));
            lines.getChildren()
                    .addAll(
                            Texts.wrapped(Texts.plain(assumption.sentence())),
                            Texts.wrapped(Texts.soft("To know it, read " + where + ".")));
        }
        return lines;
    }

    /** The plan played through: each route, and what it changes so that the next one can follow. */
    private VBox whyThisOrder() {
        VBox chain = new VBox(Texts.soft("Why in this order"));
        chain.getStyleClass().add("chain");
        int number = 1;
        for (Replay.Step step : desk.replay(plan).steps()) {
            Label name = Texts.wrapped(Texts.plain(number + "  " + step.route().name()));
            if (!step.route().isHousekeeping()) {
                name.getStyleClass().add("route-name");
            }
            chain.getChildren().addAll(name, Texts.wrapped(Texts.soft("     " + step.changesInWords())));
            number++;
        }
        return chain;
    }
}
