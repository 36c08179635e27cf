package org.mobrak.desktop.identity;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.beans.binding.Bindings;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.mobrak.core.fit.NextReading;
import org.mobrak.core.identity.Belief;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Reading;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Empty;
import org.mobrak.desktop.parts.Sheet;
import org.mobrak.desktop.parts.Sign;
import org.mobrak.desktop.parts.Texts;
import org.mobrak.desktop.session.Desk;
import org.mobrak.desktop.session.Session;
import org.mobrak.desktop.session.Snapshot;
import org.mobrak.desktop.session.View;

/** The page on which a phone gets its identity. */
public final class ReadingsPage implements View {
    private static final int MOST_FINDINGS = 6;

    private final Session session;
    private final ListView<FactRow> facts = new ListView<>();
    private final VBox behind = new VBox();
    private final VBox next = new VBox();
    private final VBox findings = new VBox();
    private final IntakeCard intake;
    private final VBox side;
    private final HBox node;
    private Optional<Desk> desk = Optional.empty();

    public ReadingsPage(Session session) {
        this.session = session;
        this.intake = new IntakeCard(session);
        facts.setId("facts");
        facts.setPlaceholder(new Empty(
                "No phone on the desk",
                "Put one in the drawer on the left: type a name for it and press Enter. Then take its first reading."));
        facts.setCellFactory(list -> new FactCell());
        facts.getSelectionModel().selectedItemProperty().addListener((property, old, row) -> showBehind(row));
        side = new VBox(intake.node(), behind, findings, next);
        side.getStyleClass().add("side");
        Sheet scroll = new Sheet(side);
        scroll.getStyleClass().add("side-scroll");
        for (VBox part : List.of(behind, findings, next)) {
            part.managedProperty().bind(Bindings.isNotEmpty(part.getChildren()));
        }
        node = new HBox(facts, scroll);
        node.getStyleClass().add("page");
        HBox.setHgrow(facts, Priority.ALWAYS);
    }

    @Override
    public Region node() {
        return node;
    }

    @Override
    public void show(Snapshot snapshot) {
        desk = snapshot.desk();
        intake.showCable(snapshot.bench());
        side.setDisable(desk.isEmpty());
        List<FactRow> rows = desk.map(one -> rows(one.identity().facts())).orElseGet(List::of);
        Optional<Fact> kept = selected();
        facts.getItems().setAll(rows);
        kept.ifPresent(this::select);
        showFindings(desk.map(one -> one.identity().findings()).orElse(List.of()));
        showNext(desk.map(Desk::next).orElse(List.of()));
        showBehind(facts.getSelectionModel().getSelectedItem());
    }

    /** Lets the user open files, as the button does. */
    public void chooseFiles() {
        intake.chooseFiles();
    }

    /** Known facts first in each group; the switches of the bench only where something is known of them. */
    private static List<FactRow> rows(Facts facts) {
        List<FactRow> rows = new ArrayList<>();
        for (Fact.Group group : Fact.Group.values()) {
            List<FactRow> known = new ArrayList<>();
            List<FactRow> unknown = new ArrayList<>();
            for (Fact fact : Fact.values()) {
                if (fact.group() == group) {
                    Belief belief = facts.belief(fact);
                    (belief instanceof Belief.Unknown ? unknown : known).add(new FactRow.Line(fact, belief));
                }
            }
            rows.add(new FactRow.Heading(group.label()));
            rows.addAll(known);
            rows.addAll(unknown);
        }
        return rows;
    }

    private Optional<Fact> selected() {
        return facts.getSelectionModel().getSelectedItem() instanceof FactRow.Line line
                ? Optional.of(line.fact())
                : Optional.empty();
    }

    /** Shows a fact and the readings behind it. */
    public void select(Fact fact) {
        facts.getItems().stream()
                .filter(row -> row instanceof FactRow.Line line && line.fact() == fact)
                .findFirst()
                .ifPresent(facts.getSelectionModel()::select);
    }

    private void showFindings(List<Finding> found) {
        findings.getChildren().clear();
        if (found.isEmpty()) {
            return;
        }
        VBox lines = new VBox();
        lines.getStyleClass().add("lines");
        found.stream()
                .limit(MOST_FINDINGS)
                .forEach(finding -> lines.getChildren().add(line(Sign.of(finding.severity()), finding.message())));
        if (found.size() > MOST_FINDINGS) {
            lines.getChildren().add(Texts.soft("and " + (found.size() - MOST_FINDINGS) + " more"));
        }
        findings.getChildren().add(new Card("What is odd", lines));
    }

    private void showNext(List<NextReading> proposed) {
        next.getChildren().clear();
        proposed.stream().findFirst().ifPresent(best -> {
            String settles = "Its answer should settle about %.1f of the open verdicts.".formatted(best.settles());
            Card card = new Card(
                    "Read this next: " + best.fact().label(),
                    Texts.wrapped(Texts.plain(best.how())),
                    Texts.wrapped(Texts.soft(settles)),
                    typing(best.fact()));
            card.getStyleClass().add("card-next");
            next.getChildren().add(card);
        });
    }

    private void showBehind(FactRow row) {
        behind.getChildren().clear();
        if (!(row instanceof FactRow.Line line) || desk.isEmpty()) {
            return;
        }
        Fact fact = line.fact();
        VBox lines = new VBox();
        lines.getStyleClass().add("lines");
        for (Reading reading : desk.get().identity().ledger().of(fact)) {
            lines.getChildren()
                    .addAll(Texts.wrapped(Texts.exact(reading.value())), Texts.wrapped(Texts.soft(from(reading))));
        }
        if (lines.getChildren().isEmpty()) {
            lines.getChildren()
                    .add(Texts.wrapped(Texts.soft("Nobody has said. Look here: " + fact.whereToRead() + ".")));
        }
        behind.getChildren().add(new Card("Behind “" + fact.label() + "”", lines, typing(fact)));
    }

    private static String from(Reading reading) {
        String source = reading.source().word();
        return reading.place().equals(source) ? source : source + ": " + reading.place();
    }

    /** A field for a person who stands with the phone in hand. */
    private HBox typing(Fact fact) {
        Button note = new Button("Note it");
        HBox line = new HBox();
        line.getStyleClass().add("typing");
        List<String> words = fact.domain().words();
        if (words.isEmpty()) {
            TextField field = new TextField();
            field.setPromptText(fact.label());
            field.getStyleClass().add("exact-input");
            field.setOnAction(enter -> note.fire());
            note.setOnAction(press -> session.takeTyped(fact, field.getText()));
            note.disableProperty().bind(field.textProperty().map(String::isBlank));
            line.getChildren().addAll(grown(field), note);
        } else {
            ComboBox<String> choice = new ComboBox<>();
            choice.getItems().setAll(words);
            choice.setPromptText("Choose");
            note.setOnAction(press -> session.takeTyped(fact, choice.getValue()));
            note.disableProperty().bind(choice.valueProperty().isNull());
            line.getChildren().addAll(grown(choice), note);
        }
        return line;
    }

    private static Region grown(Region field) {
        field.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(field, Priority.ALWAYS);
        return field;
    }

    private static HBox line(Node sign, String text) {
        HBox line = new HBox(sign, Texts.wrapped(Texts.plain(text)));
        line.getStyleClass().add("signed-line");
        return line;
    }
}
