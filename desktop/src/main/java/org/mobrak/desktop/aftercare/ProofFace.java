package org.mobrak.desktop.aftercare;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextArea;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.mobrak.app.Session;
import org.mobrak.app.Snapshot;
import org.mobrak.app.aftercare.AftercareView;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.identity.Severity;
import org.mobrak.core.proof.ProofWarning;
import org.mobrak.core.proof.RootProof;
import org.mobrak.core.proof.Rung;
import org.mobrak.core.proof.Seen;
import org.mobrak.core.proof.Strictness;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Columns;
import org.mobrak.desktop.parts.Flow;
import org.mobrak.desktop.parts.Sheet;
import org.mobrak.desktop.parts.Sign;
import org.mobrak.desktop.parts.Texts;

/** The ladder of proof, climbed from below: what was seen, what may be claimed, and what to test next. */
final class ProofFace implements AfterPage.Face {
    private final Session session;
    private final VBox ladder = new VBox();
    private final VBox side = new VBox();
    /** Stays when the rest is drawn anew, so that no word is lost while somebody types. */
    private final Card said;

    private final HBox node;

    ProofFace(Session session) {
        this.session = session;
        this.said = said();
        ladder.getStyleClass().add("ladder");
        side.getStyleClass().add("side");
        Sheet rungs = new Sheet(ladder);
        HBox.setHgrow(rungs, Priority.ALWAYS);
        Sheet beside = new Sheet(side);
        beside.getStyleClass().add("side-scroll");
        node = new Columns(rungs, beside);
        node.getStyleClass().add("page");
    }

    @Override
    public Region node() {
        return node;
    }

    @Override
    public void show(AftercareView view) {
        List<Rung> fromAbove = new ArrayList<>(Arrays.asList(Rung.values()));
        Collections.reverse(fromAbove);
        int next = next(view.proof());
        ladder.getChildren()
                .setAll(fromAbove.stream()
                        .map(rung -> rung(rung, view.proof(), rung.number() == next))
                        .toList());
        ladder.getChildren().addAll(besides(), said);
        Optional.ofNullable(session.snapshot().get())
                .map(Snapshot::bench)
                .filter(phones -> !phones.isEmpty())
                .ifPresent(phones -> ladder.getChildren().add(cable(phones)));
        side.getChildren().setAll(claim(view), school(view));
        if (!view.timeline().isEmpty()) {
            side.getChildren().add(timeline(view));
        }
    }

    /** The lowest rung above the one that was reached that can be tested by itself. */
    private static int next(RootProof proof) {
        return Math.min(proof.rung() + 1, Rung.values().length);
    }

    private Node rung(Rung rung, RootProof proof, boolean isNext) {
        Truth result = Objects.requireNonNull(proof.rungs().get(rung));
        Label number = Texts.plain(String.valueOf(rung.number()));
        number.getStyleClass().add("rung-number");
        VBox words =
                new VBox(Texts.wrapped(Texts.heading(capital(rung.label()))), Texts.wrapped(Texts.plain(rung.how())));
        if (result == Truth.YES) {
            words.getChildren().add(Texts.wrapped(Texts.soft(rung.meaning())));
        }
        words.getStyleClass().add("lines");
        HBox.setHgrow(words, Priority.ALWAYS);
        words.setMinWidth(0);
        HBox row = new HBox(number, Sign.of(result), words);
        Arrays.stream(Seen.values())
                .filter(seen -> seen.shows().filter(rung::equals).isPresent())
                .findFirst()
                .ifPresent(seen -> row.getChildren().add(button("I saw it", "saw-" + seen.word(), seen, isNext)));
        if (rung == Rung.LASTS) {
            row.getChildren().add(button("I restarted it", "saw-restart", Seen.RESTART, isNext));
        }
        row.getStyleClass().addAll("card", "rung");
        if (result == Truth.YES) {
            row.getStyleClass().add("rung-held");
        }
        if (isNext) {
            row.getStyleClass().add("card-next");
        }
        Texts.aloud(row, "Rung %d, %s: %s".formatted(rung.number(), rung.label(), result.word()));
        return row;
    }

    private Button button(String words, String id, Seen seen, boolean isNext) {
        Button button = new Button(words);
        button.setId(id);
        button.setMinWidth(Region.USE_PREF_SIZE);
        if (isNext) {
            button.getStyleClass().add("do-this");
        }
        button.setOnAction(press -> session.aftercare().saw(seen));
        return button;
    }

    private Node besides() {
        FlowPane buttons = new Flow(
                button("A proof app said no", "saw-proof-app-no", Seen.PROOF_APP_NO, false),
                button("A request was denied", "saw-denied", Seen.DENIED, false),
                button("The OS was updated", "saw-update", Seen.UPDATE, false),
                button("Root was taken away", "saw-unrooted", Seen.UNROOTED, false));
        buttons.getStyleClass().add("buttons");
        return new Card("Something else was seen", buttons);
    }

    /** A phone on the cable climbs two rungs by itself. */
    private Card cable(List<String> phones) {
        MenuButton ask = menu("ask-for-root", "Ask its shell", phones, session.aftercare()::askForRoot);
        MenuButton restart = menu("restart-on-cable", "Restart it", phones, session.aftercare()::restart);
        FlowPane buttons = new Flow(ask, restart);
        buttons.getStyleClass().add("buttons");
        return new Card(
                "Over the cable",
                Texts.wrapped(
                        Texts.soft(
                                "Asks who its highest user is. It counts only if the phone on the cable is the one on the desk.")),
                buttons);
    }

    private static MenuButton menu(String id, String words, List<String> phones, Consumer<String> chosen) {
        MenuButton menu = new MenuButton(words);
        menu.setId(id);
        phones.forEach(phone -> {
            MenuItem item = Texts.item(phone);
            item.setOnAction(press -> chosen.accept(phone));
            menu.getItems().add(item);
        });
        return menu;
    }

    private Card said() {
        TextArea words = new TextArea();
        words.setId("proof-words");
        words.setPrefRowCount(2);
        words.setPromptText("Paste what the manager or the proof app shows …");
        Button take = new Button("Let it count");
        take.setId("take-proof-words");
        take.disableProperty().bind(words.textProperty().isEmpty());
        take.setOnAction(press -> {
            session.aftercare().heard(words.getText());
            words.clear();
        });
        return new Card("In the app's own words", words, take);
    }

    private Card claim(AftercareView view) {
        RootProof proof = view.proof();
        Label state = Texts.plain(capital(proof.state().word()));
        state.getStyleClass().add("claim");
        state.setId("claim");
        Card card = new Card("Root, as far as it is proved", state);
        for (ProofWarning warning : proof.warnings()) {
            HBox line = new HBox(Sign.of(Severity.CAUTION), Texts.wrapped(Texts.plain(warning.advice())));
            line.getStyleClass().add("signed-line");
            card.getChildren().add(line);
        }
        view.said()
                .filter(said -> proof.state() == RootProof.State.UNKNOWN)
                .ifPresent(said -> card.getChildren()
                        .add(Texts.wrapped(
                                Texts.plain("The readings say “%s”, and no rung shows it yet. Test one from the left."
                                        .formatted(said)))));
        if (proof.state() != RootProof.State.UNKNOWN) {
            Button note = new Button("Note it as a reading");
            note.setId("note-claim");
            note.setOnAction(
                    press -> session.aftercare().noteClaim(proof.state().word()));
            card.getChildren().add(note);
        }
        return card;
    }

    private Card school(AftercareView view) {
        HBox choice = new HBox();
        choice.getStyleClass().add("ruler-kinds");
        for (Strictness one : Strictness.values()) {
            ToggleButton toggle = new ToggleButton(capital(one.word()));
            toggle.setId("proof-" + one.word());
            toggle.getStyleClass().add("ruler-kind");
            toggle.setSelected(view.notes().strictness() == one);
            toggle.setOnAction(press -> session.aftercare().judgeBy(one));
            choice.getChildren().add(toggle);
        }
        return new Card(
                "What counts as proof",
                choice,
                Texts.wrapped(Texts.soft(view.notes().strictness().reason())));
    }

    private static Card timeline(AftercareView view) {
        return new Card(
                "Seen so far",
                Texts.wrapped(Texts.plain(view.timeline().stream()
                        .map(Seen::word)
                        .map(word -> word.replace('-', ' '))
                        .collect(Collectors.joining("  ›  ")))),
                Texts.wrapped(Texts.soft("By jobs and by you, in order of time. Undo takes the last note back.")));
    }

    private static String capital(String words) {
        return Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }
}
