package org.mobrak.desktop.aftercare;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import org.mobrak.app.Session;
import org.mobrak.app.Snapshot;
import org.mobrak.app.Wish;
import org.mobrak.app.aftercare.AftercareView;
import org.mobrak.core.catalogue.trouble.Symptom;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.mend.Diagnosis;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Columns;
import org.mobrak.desktop.parts.Empty;
import org.mobrak.desktop.parts.Flow;
import org.mobrak.desktop.parts.Pasting;
import org.mobrak.desktop.parts.Sheet;
import org.mobrak.desktop.parts.Sign;
import org.mobrak.desktop.parts.Texts;

/** What is wrong, in one's own words; the next question; the causes, with how likely each is drawn; and what mends them. */
final class TroubleFace implements AfterPage.Face {
    private final Session session;
    private final Runnable ways;
    private final TextField search = new TextField();
    private final VBox symptoms = new VBox();
    private final VBox causes = new VBox();
    private final HBox node;
    private @Nullable AftercareView shown;

    TroubleFace(Session session, Runnable ways) {
        this.session = session;
        this.ways = ways;
        Pasting.seeks(search);
        search.setId("say-it");
        search.setPromptText("Say it in your own words …");
        search.textProperty().addListener((property, old, now) -> showSymptoms());
        symptoms.getStyleClass().add("lines");
        causes.getStyleClass().add("side");
        Sheet list = new Sheet(symptoms);
        VBox.setVgrow(list, Priority.ALWAYS);
        Card left = new Card("What do you see?", search, list);
        left.getStyleClass().add("symptoms");
        Sheet right = new Sheet(causes);
        HBox.setHgrow(right, Priority.ALWAYS);
        node = new Columns(left, right);
        node.getStyleClass().add("page");
    }

    /** Lists the symptoms that are said so. */
    void seek(String words) {
        search.setText(words);
        search.requestFocus();
    }

    @Override
    public Region node() {
        return node;
    }

    @Override
    public void show(AftercareView view) {
        shown = view;
        showSymptoms();
        causes.getChildren().clear();
        view.findings().forEach(finding -> causes.getChildren().add(told(finding)));
        if (view.diagnosis().symptoms().isEmpty()) {
            causes.getChildren()
                    .add(
                            new Empty(
                                    "Nothing is said to be wrong",
                                    "Tick what you see, or type a few words of it. Several things at once tell more than one."));
            return;
        }
        view.diagnosis().next().ifPresent(next -> causes.getChildren().add(question(next)));
        causes.getChildren().add(causes(view.diagnosis()));
        if (!view.diagnosis().mends().isEmpty()) {
            causes.getChildren().add(mends(view.diagnosis()));
        }
        if (!view.notes().answers().isEmpty()) {
            causes.getChildren().add(answers(view));
        }
    }

    private void showSymptoms() {
        if (shown == null) {
            return;
        }
        List<Symptom> found = shown().find(search.getText());
        List<String> there =
                shown().diagnosis().symptoms().stream().map(Symptom::id).toList();
        symptoms.getChildren()
                .setAll(found.stream().map(symptom -> box(symptom, there)).toList());
        if (found.isEmpty()) {
            symptoms.getChildren()
                    .add(Texts.wrapped(
                            Texts.soft("No symptom is said so. Other words, or go through the whole list.")));
        }
    }

    private Node box(Symptom symptom, List<String> there) {
        CheckBox box = new CheckBox();
        Texts.say(box, symptom.name());
        box.setId("symptom-" + symptom.id());
        box.setWrapText(true);
        box.setSelected(there.contains(symptom.id()));
        // What the facts show nobody needs to say, and nobody can unsay.
        box.setDisable(
                there.contains(symptom.id()) && !shown().notes().symptoms().contains(symptom.id()));
        box.setOnAction(press -> session.aftercare().turn(symptom.id()));
        return box;
    }

    private static Node told(Finding finding) {
        HBox line = new HBox(Sign.of(finding.severity()), Texts.wrapped(Texts.plain(finding.message())));
        line.getStyleClass().addAll("notice", "notice-bad");
        return line;
    }

    private Card question(Diagnosis.Next next) {
        FlowPane buttons = new Flow();
        buttons.getStyleClass().add("buttons");
        for (String answer : next.question().answers()) {
            Button button = new Button();
            Texts.say(button, answer.replace('-', ' '));
            button.setId("answer-" + answer);
            button.setOnAction(
                    press -> session.aftercare().answer(next.question().id(), answer));
            buttons.getChildren().add(button);
        }
        Card card = new Card(
                next.question().question(),
                Texts.wrapped(Texts.plain(next.question().how())),
                buttons);
        card.setId("next-question");
        card.getStyleClass().add("card-next");
        card.getChildren()
                .add(Texts.soft(
                        String.format(Locale.ROOT, "The question that tells most now: %.2f bits", next.bits())));
        return card;
    }

    private static Card causes(Diagnosis diagnosis) {
        Card card = new Card("What it may be");
        card.setId("causes");
        diagnosis.causes().forEach(likely -> card.getChildren().add(cause(likely)));
        return card;
    }

    private static Node cause(Diagnosis.Likely likely) {
        Region bar = new Region();
        bar.getStyleClass().add("likely-bar");
        StackPane track = new StackPane(bar);
        track.getStyleClass().add("likely-track");
        StackPane.setAlignment(bar, Pos.CENTER_LEFT);
        bar.maxWidthProperty().bind(track.widthProperty().multiply(likely.probability()));
        String percent = String.format(Locale.ROOT, "%.0f %%", likely.probability() * 100);
        Texts.aloud(track, percent);
        VBox words = new VBox(Texts.wrapped(Texts.plain(likely.cause().name())));
        likely.because().forEach(reason -> words.getChildren().add(Texts.wrapped(Texts.soft(reason))));
        likely.cause()
                .advice()
                .ifPresent(advice -> words.getChildren().add(Texts.wrapped(Texts.plain("Do: " + advice))));
        words.setMinWidth(0);
        HBox.setHgrow(words, Priority.ALWAYS);
        Label share = Texts.exact(percent);
        share.getStyleClass().add("likely-share");
        HBox row = new HBox(new VBox(share, track), words);
        row.getStyleClass().add("likely");
        return row;
    }

    private Card mends(Diagnosis diagnosis) {
        Card card = new Card("What mends it");
        for (Diagnosis.Mend mend : diagnosis.mends()) {
            Button weigh = new Button("Weigh this way");
            weigh.setId("mend-" + mend.fit().route().id());
            weigh.setMinWidth(Region.USE_PREF_SIZE);
            weigh.setOnAction(press -> weigh(mend));
            VBox words = new VBox(
                    Texts.wrapped(Texts.plain(mend.fit().route().name())), Texts.wrapped(Texts.soft(mend.why())));
            words.setMinWidth(0);
            HBox.setHgrow(words, Priority.ALWAYS);
            HBox row = new HBox(Sign.of(mend.fit().verdict()), words, weigh);
            row.getStyleClass().add("signed-line");
            card.getChildren().add(row);
        }
        return card;
    }

    private void weigh(Diagnosis.Mend mend) {
        Snapshot snapshot = session.snapshot().get();
        snapshot.desk().ifPresent(desk -> {
            Wish wish = desk.wish();
            shown().diagnosis().symptoms().stream()
                    .filter(symptom -> mend.cause().explains().containsKey(symptom.id()))
                    .findFirst()
                    .ifPresent(symptom -> {
                        session.aftercare().mend(symptom.id(), wish.school(), wish.limits());
                        ways.run();
                    });
        });
    }

    private Card answers(AftercareView view) {
        Card card = new Card("Answered");
        for (Map.Entry<String, String> answer : view.notes().answers().entrySet()) {
            Button back = new Button("Take back");
            back.setMinWidth(Region.USE_PREF_SIZE);
            back.setOnAction(press -> session.aftercare().takeBackAnswer(answer.getKey()));
            Label said = Texts.plain(
                    answer.getKey().replace('-', ' ') + ": " + answer.getValue().replace('-', ' '));
            said.setMaxWidth(Double.MAX_VALUE);
            HBox.setHgrow(said, Priority.ALWAYS);
            HBox row = new HBox(said, back);
            row.getStyleClass().add("signed-line");
            card.getChildren().add(row);
        }
        return card;
    }

    /** What is shown; nothing is asked of it before. */
    private AftercareView shown() {
        return Objects.requireNonNull(shown);
    }
}
