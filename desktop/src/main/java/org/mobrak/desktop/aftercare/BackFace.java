package org.mobrak.desktop.aftercare;

import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Predicate;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.app.Session;
import org.mobrak.app.aftercare.AftercareView;
import org.mobrak.app.aftercare.AftercareView.TakingBack;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.gather.RestoreCheck;
import org.mobrak.core.plan.Goal;
import org.mobrak.core.plan.Takeback;
import org.mobrak.core.plan.Takeback.Standing;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Empty;
import org.mobrak.desktop.parts.Leads;
import org.mobrak.desktop.parts.Sheet;
import org.mobrak.desktop.parts.Sign;
import org.mobrak.desktop.parts.Texts;

/** How the phone is brought back to how it was before its last job, and what never comes back. */
final class BackFace implements AfterPage.Face {
    private static final DateTimeFormatter DAY =
            DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH).withZone(ZoneId.systemDefault());

    private final Session session;
    private final Leads leads;
    private final StackPane node = new StackPane();

    /**
     * The face.
     *
     * @param leads the ways to other pages
     */
    BackFace(Session session, Leads leads) {
        this.session = session;
        this.leads = leads;
        node.getStyleClass().add("page");
        node.setId("taking-back");
    }

    @Override
    public Region node() {
        return node;
    }

    @Override
    public void show(AftercareView view) {
        node.getChildren().setAll(view.takingBack().<Node>map(this::drawn).orElseGet(this::nothing));
    }

    private Node nothing() {
        VBox content = new VBox(
                new Empty(
                        "Nothing to take back",
                        "When a job has begun, what it changed stands here, with what brings it back and what nothing brings back.",
                        Empty.action("empty-back-ways", "Choose a plan", leads::ways)),
                handingOn());
        content.getStyleClass().add("side");
        return new Sheet(content);
    }

    private Node drawn(TakingBack back) {
        VBox content = new VBox();
        content.getStyleClass().add("side");
        content.getChildren().add(comesBack(back));
        card(back, "What never comes back", one -> one.standing() == Standing.NEVER)
                .ifPresent(content.getChildren()::add);
        if (!back.copies().isEmpty()) {
            Card copies = new Card("Copies to put back");
            copies.setId("copies-to-put-back");
            back.copies().forEach(copy -> copies.getChildren().add(line(copy)));
            content.getChildren().add(copies);
        }
        content.getChildren().add(handingOn());
        return new Sheet(content);
    }

    /** What is to be done before somebody else has the phone. */
    private Card handingOn() {
        Button plan = new Button("Plan it", new FontIcon(Feather.GIFT));
        plan.setId("plan-handing-on");
        plan.setOnAction(press -> wish(Goal.HAND_ON));
        HBox line = new HBox(plan);
        line.getStyleClass().add("signed-line");
        return new Card(
                "To be sold or given away",
                Texts.wrapped(
                        Texts.plain(
                                "Accounts out, encrypted, wiped, card and SIM out, and looked at as a stranger would: a job of its own, with its card to hand over.")),
                line);
    }

    private void wish(Goal goal) {
        session.wish(goal);
        leads.ways();
    }

    private Card comesBack(TakingBack back) {
        Card card = card(back, title(back), one -> one.standing() != Standing.NEVER)
                .orElseGet(() -> new Card(
                        title(back),
                        Texts.wrapped(Texts.plain("The phone stands as it did then, as far as it was read."))));
        back.goal().ifPresent(goal -> card.getChildren().add(planned(goal)));
        return card;
    }

    private static String title(TakingBack back) {
        return "As before “%s”, %s"
                .formatted(back.job().sheet().title(), DAY.format(back.job().startedAt()));
    }

    private Node planned(Goal goal) {
        Button plan = new Button("Plan the way back", new FontIcon(Feather.CORNER_UP_LEFT));
        plan.setId("plan-the-way-back");
        plan.getStyleClass().add("do-this");
        plan.setOnAction(press -> wish(goal));
        HBox line = new HBox(plan);
        line.getStyleClass().add("signed-line");
        return line;
    }

    private static Optional<Card> card(TakingBack back, String title, Predicate<Takeback> which) {
        Card card = new Card(title);
        back.all().stream().filter(which).forEach(one -> card.getChildren().add(line(one)));
        return back.all().stream().anyMatch(which) ? Optional.of(card) : Optional.empty();
    }

    private static HBox line(Takeback one) {
        Truth truth = switch (one.standing()) {
            case BY_A_PLAN -> Truth.YES;
            case NO_PLAN -> Truth.UNKNOWN;
            case NEVER -> Truth.NO;
        };
        return line(truth, one.sentence());
    }

    private static HBox line(RestoreCheck copy) {
        return line(copy.possible(), copy.sentence());
    }

    private static HBox line(Truth truth, String words) {
        HBox line = new HBox(Sign.of(truth), Texts.wrapped(Texts.plain(words)));
        line.getStyleClass().add("signed-line");
        return line;
    }
}
