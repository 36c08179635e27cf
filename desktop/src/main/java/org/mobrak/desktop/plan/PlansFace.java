package org.mobrak.desktop.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.mobrak.app.Desk;
import org.mobrak.app.Session;
import org.mobrak.core.identity.Severity;
import org.mobrak.core.plan.Goal;
import org.mobrak.core.plan.Plan;
import org.mobrak.core.plan.Planner;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Columns;
import org.mobrak.desktop.parts.Flow;
import org.mobrak.desktop.parts.Leads;
import org.mobrak.desktop.parts.Sheet;
import org.mobrak.desktop.parts.Sign;
import org.mobrak.desktop.parts.Texts;

/** The plans side by side: drawn by time and risk, and as cards. Where there is none, what is in the way and what would do. */
public final class PlansFace {
    private final Session session;
    private final Leads leads;
    private final Choice choice;
    private final TradeOffPlot plot;
    private final Label assumed = Texts.wrapped(Texts.soft("Each plan supposes something; its card says what"));
    private final Sheet drawing;
    private final VBox cards = new VBox();
    private final Sheet sheet = new Sheet(cards);
    private final HBox node;
    private List<PlanCard> shown = List.of();
    private Optional<Planner.Answer> answer = Optional.empty();
    private boolean more;

    public PlansFace(Session session, Choice choice, Leads leads) {
        this.leads = leads;
        this.session = session;
        this.choice = choice;
        plot = new TradeOffPlot(choice);
        VBox.setVgrow(plot, Priority.ALWAYS);
        VBox drawn = new Card("Time against risk", assumed, plot, Cell.legend());
        drawing = new Sheet(drawn);
        cards.getStyleClass().add("side");
        cards.setId("plans");
        // It fills what room there is, and scrolls where there is too little.
        drawing.setFitToHeight(true);
        drawing.getStyleClass().add("plot-card");
        HBox.setHgrow(sheet, Priority.ALWAYS);
        node = new Columns(drawing, sheet);
        node.getStyleClass().add("page");
        choice.plan().addListener((property, old, plan) -> point(plan));
    }

    public Region node() {
        return node;
    }

    public void show(Desk desk) {
        if (answer.filter(desk.answer()::equals).isEmpty()) {
            more = false;
            sheet.setVvalue(0);
        }
        answer = Optional.of(desk.answer());
        fill(desk);
    }

    private void fill(Desk desk) {
        Planner.Answer now = desk.answer();
        List<Plan> plans = offered(now, more);
        List<Node> content = new ArrayList<>();
        boolean reached = now.plans().stream().anyMatch(plan -> plan.routes().isEmpty());
        new RecognitionCard(session, desk, leads).card().ifPresent(content::add);
        if (reached) {
            content.add(reached(now.goal()));
        } else if (now.plans().isEmpty()) {
            content.add(blocked(now));
        }
        List<PlanCard> made = new ArrayList<>();
        for (int i = 0; i < plans.size() && !reached; i++) {
            made.add(new PlanCard(session, desk, choice, leads, plans.get(i), i + 1));
        }
        content.addAll(made);
        if (!now.rest().isEmpty()) {
            content.add(moreButton(desk, now.rest().size()));
        }
        shown = made;
        assumed.setVisible(now.plans().isEmpty());
        assumed.setManaged(now.plans().isEmpty());
        drawing.setVisible(!made.isEmpty());
        drawing.setManaged(!made.isEmpty());
        plot.show(made.stream().map(PlanCard::plan).toList());
        cards.getChildren().setAll(content);
        point(choice.plan().get());
    }

    /** The plans an answer offers, or what would do if all that is unknown turned out well. */
    public static List<Plan> offered(Planner.Answer answer, boolean all) {
        List<Plan> plans = new ArrayList<>(answer.plans().isEmpty() ? answer.assuming() : answer.plans());
        if (all) {
            plans.addAll(answer.rest());
        }
        return plans;
    }

    private Button moreButton(Desk desk, int count) {
        Button button = new Button(more ? "Only the few" : count == 1 ? "1 more plan" : count + " more plans");
        button.setId("more");
        button.setOnAction(press -> {
            more = !more;
            fill(desk);
        });
        return button;
    }

    private static Card reached(Goal goal) {
        return new Card(
                "The goal is reached already: " + goal.label() + ".",
                Texts.wrapped(Texts.plain("By what is known of the phone: " + goal.inWords() + ".")),
                Texts.wrapped(
                        Texts.soft("Choose another goal above, or look at the routes and what they would change.")));
    }

    private Card blocked(Planner.Answer now) {
        Card card = new Card("No plan leads there yet. In the way:");
        for (String blocker : now.blockers()) {
            HBox line = new HBox(Sign.of(Severity.STOP), Texts.wrapped(Texts.plain(blocker)));
            line.getStyleClass().add("signed-line");
            card.getChildren().add(line);
        }
        if (!now.reachable().isEmpty()) {
            FlowPane goals = new Flow();
            goals.getStyleClass().add("buttons");
            for (Goal goal : now.reachable()) {
                Button instead = new Button(goal.label());
                instead.setId("instead-" + goal.key());
                instead.setOnAction(press -> session.wish(goal));
                goals.getChildren().add(instead);
            }
            card.getChildren().addAll(Texts.soft("Within reach instead, the nearest first"), goals);
        }
        if (!now.assuming().isEmpty()) {
            card.getChildren()
                    .add(
                            Texts.wrapped(
                                    Texts.plain(
                                            "Below: what would lead there, each with what it supposes; first for a phone that nobody has touched.")));
        }
        return card;
    }

    private void point(Plan chosen) {
        shown.forEach(card -> card.choose(card.plan().equals(chosen)));
    }
}
