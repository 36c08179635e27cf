package org.mobrak.desktop.workshop;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.app.Session;
import org.mobrak.app.rehearsal.Person;
import org.mobrak.app.rehearsal.Report;
import org.mobrak.app.workshop.WorkshopView;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.fit.Verdict;
import org.mobrak.core.identity.Severity;
import org.mobrak.core.job.Step;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Empty;
import org.mobrak.desktop.parts.Flow;
import org.mobrak.desktop.parts.Sheet;
import org.mobrak.desktop.parts.Sign;
import org.mobrak.desktop.parts.Texts;

/** What the draft would be: how it stands with the phones of the drawer, its run sheet, and how that goes on the bench. */
final class TryPane {
    private static final long SEED = 1;

    private final Session session;
    private final VBox content = new VBox();
    private final VBox went = new VBox();
    private final Sheet sheet = new Sheet(content);

    TryPane(Session session) {
        this.session = session;
        content.getStyleClass().add("side");
        went.getStyleClass().add("lines");
    }

    Region node() {
        return sheet;
    }

    void show(WorkshopView.OnTable draft) {
        List<Node> cards = new ArrayList<>();
        if (!draft.alike().isEmpty()) {
            cards.add(signed("The catalogue has something like it", Severity.CAUTION, draft.alike()));
        }
        if (draft.trial().isEmpty()) {
            cards.add(
                    new Empty(
                            "It cannot be tried yet",
                            "Answer and mend what stands first under “Draft”; then it is held against your phones and played on the bench."));
        } else {
            cards.add(phones(draft.phones()));
            cards.add(sheet(draft.trial().get()));
        }
        content.getChildren().setAll(cards);
    }

    private static Card signed(String heading, Severity severity, List<String> sentences) {
        Card card = new Card(heading);
        sentences.stream().limit(10).forEach(words -> {
            HBox line = new HBox(Sign.of(severity), Texts.wrapped(Texts.plain(words)));
            line.getStyleClass().add("signed-line");
            card.getChildren().add(line);
        });
        return card;
    }

    private static Card phones(List<WorkshopView.OnPhone> phones) {
        Card card = new Card("On the phones of your drawer");
        if (phones.isEmpty()) {
            card.getChildren()
                    .add(Texts.wrapped(Texts.soft("The drawer is empty. Paste a reading of your phone first.")));
        }
        List<WorkshopView.OnPhone> refused = phones.stream()
                .filter(phone -> phone.verdict() == Verdict.REFUSED)
                .toList();
        phones.stream()
                .filter(phone -> phone.verdict() != Verdict.REFUSED)
                .forEach(phone -> card.getChildren()
                        .add(line(
                                Sign.of(phone.verdict()),
                                phone.nickname() + ": " + phone.verdict().word(),
                                phone.because())));
        // Most phones of a drawer are simply others.
        refused.stream()
                .findFirst()
                .ifPresent(first -> card.getChildren()
                        .add(line(
                                Sign.of(first.verdict()),
                                refused.size() == 1
                                        ? first.nickname() + ": refused"
                                        : "%s and %d others: refused".formatted(first.nickname(), refused.size() - 1),
                                first.because())));
        return card;
    }

    private static HBox line(Sign sign, String words, String because) {
        HBox line = new HBox(sign, new VBox(Texts.wrapped(Texts.plain(words)), Texts.wrapped(Texts.soft(because))));
        line.getStyleClass().add("signed-line");
        return line;
    }

    private Card sheet(WorkshopView.Trying trial) {
        Card card = new Card("The run sheet it would make, for " + trial.phone());
        if (trial.steps().isEmpty()) {
            card.getChildren()
                    .add(Texts.wrapped(
                            Texts.plain("No plan for “%s” takes it: %s".formatted(trial.goal(), trial.why()))));
            return card;
        }
        Button play = new Button("Rehearse it on the bench", new FontIcon(Feather.PLAY));
        play.setId("rehearse-draft");
        play.getStyleClass().add("do-this");
        play.setOnAction(press -> session.workshop().rehearse(SEED, Person.CAREFUL));
        Button literally = new Button("Try it literally", new FontIcon(Feather.FILE_TEXT));
        literally.setId("try-literally");
        literally.setOnAction(press -> session.workshop().rehearse(SEED, Person.LITERAL));
        FlowPane buttons = new Flow(play, literally);
        buttons.getStyleClass().add("buttons");
        card.getChildren().addAll(buttons, went);
        int number = 0;
        for (Step step : trial.steps()) {
            number++;
            card.getChildren().add(Texts.wrapped(Texts.plain(number + "  " + step.title())));
        }
        return card;
    }

    /** How the rehearsal went; a draft that was changed since has not been rehearsed. */
    void show(Optional<Report> report) {
        went.getChildren().clear();
        report.ifPresent(one -> {
            String words = one.reached()
                    ? "On the bench it led to its goal, in %d minutes of the phone's time."
                            .formatted(Math.round(one.minutes()))
                    : one.stuck()
                            .map(stuck -> "Somebody who has only the sheet is stuck: " + stuck.missing())
                            .orElse("On the bench it did not lead to its goal: "
                                    + one.end().word().replace('-', ' ') + ".");
            HBox line = new HBox(Sign.of(one.reached() ? Truth.YES : Truth.NO), Texts.wrapped(Texts.plain(words)));
            line.getStyleClass().add("signed-line");
            line.setId("draft-rehearsed");
            went.getChildren().add(line);
            one.events().stream()
                    .filter(event -> !event.kind().equals("step"))
                    .filter(event -> one.stuck().isEmpty() || event.kind().equals("stuck"))
                    .limit(20)
                    .forEach(event -> went.getChildren().add(Texts.wrapped(Texts.soft(heard(event)))));
        });
    }

    private static String heard(Report.Happened event) {
        return event.kind().equals("stuck") ? "Not said: " + event.text() : event.kind() + ": " + event.text();
    }
}
