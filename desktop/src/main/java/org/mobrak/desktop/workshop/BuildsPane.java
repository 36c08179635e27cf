package org.mobrak.desktop.workshop;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.mobrak.app.Session;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.build.Ruler.Role;
import org.mobrak.core.learn.GrammarProposal;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Flow;
import org.mobrak.desktop.parts.Sheet;
import org.mobrak.desktop.parts.Texts;

/** Some build numbers of one maker, how they seem to be composed, and what a person says of each part. */
final class BuildsPane {
    private static final int SHOWN = 5;
    private static final List<Fact> FACTS =
            List.of(Fact.BUILD_NUMBER, Fact.INCREMENTAL, Fact.BASEBAND, Fact.BOOTLOADER);

    private final Session session;
    private final TextArea builds = new TextArea();
    private final TextField maker = new TextField();
    private final ComboBox<String> fact = new ComboBox<>();
    private final VBox parts = new VBox();
    private final Sheet node;

    BuildsPane(Session session) {
        this.session = session;
        builds.setId("builds");
        builds.setPrefRowCount(5);
        builds.getStyleClass().add("exact-input");
        builds.setPromptText("Three or more, each on a line: from about screens, lists, guides");
        maker.setId("grammar-maker");
        maker.setPromptText("Maker");
        Texts.aloud(maker, "Maker");
        fact.setId("grammar-fact");
        Texts.aloud(fact, "What these are");
        fact.getItems().setAll(FACTS.stream().map(Fact::label).toList());
        fact.setValue(Fact.BUILD_NUMBER.label());
        Button apart = new Button("Take them apart");
        apart.setId("take-apart");
        apart.getStyleClass().add("do-this");
        apart.disableProperty().bind(builds.textProperty().isEmpty());
        apart.setOnAction(
                press -> session.workshop().takeApart(builds.getText().lines().toList()));
        FlowPane row = new Flow(maker, fact, apart);
        row.getStyleClass().add("buttons");
        parts.getStyleClass().add("lines");
        VBox content = new VBox(
                new Card(
                        "Build numbers of one maker",
                        Texts.wrapped(
                                Texts.soft(
                                        "From three on it shows what stays, what counts up and what is a day. With a grammar Mobrak reads age, market and revision out of every build of this maker.")),
                        builds,
                        row),
                parts);
        content.getStyleClass().add("side");
        node = new Sheet(content);
        session.workshop().proposal().addListener((source, before, now) -> show(now));
    }

    Region node() {
        return node;
    }

    private void show(Optional<GrammarProposal> now) {
        parts.getChildren().clear();
        now.ifPresent(proposal -> {
            Card card = new Card("So they seem to be composed");
            List<GrammarProposal.Segment> segments = proposal.segments();
            for (int i = 0; i < segments.size(); i++) {
                card.getChildren().add(segments.get(i).isMark() ? mark(segments.get(i)) : part(i, segments.get(i)));
            }
            Button keep = new Button("Keep it as the maker's grammar");
            keep.setId("keep-grammar");
            keep.getStyleClass().add("do-this");
            keep.setOnAction(press -> session.workshop().keepGrammar(maker.getText(), key()));
            card.getChildren().add(keep);
            parts.getChildren().add(card);
        });
    }

    private String key() {
        return FACTS.stream()
                .filter(one -> one.label().equals(fact.getValue()))
                .findFirst()
                .orElse(Fact.BUILD_NUMBER)
                .key();
    }

    private static Node mark(GrammarProposal.Segment mark) {
        HBox line = new HBox(Texts.exact(mark.values().get(0)), Texts.soft("a mark"));
        line.getStyleClass().add("field");
        return line;
    }

    private Node part(int index, GrammarProposal.Segment segment) {
        Label values =
                Texts.exact(segment.values().stream().distinct().limit(SHOWN).collect(Collectors.joining("  ")));
        HBox.setHgrow(values, Priority.ALWAYS);
        values.setMaxWidth(Double.MAX_VALUE);
        ComboBox<String> role = new ComboBox<>();
        role.setId("role-" + index);
        Texts.aloud(role, "What part " + (index + 1) + " is");
        role.getItems()
                .setAll(GrammarProposal.roles().stream()
                        .map(GrammarProposal::label)
                        .toList());
        role.setValue(GrammarProposal.label(segment.role()));
        role.valueProperty()
                .addListener((source, before, word) -> session.workshop().isOf(index, role(word)));
        HBox line = new HBox(values, Texts.soft(segment.why()), role);
        line.getStyleClass().add("field");
        return line;
    }

    private static Role role(String word) {
        return GrammarProposal.roles().stream()
                .filter(role -> GrammarProposal.label(role).equals(word))
                .findFirst()
                .orElse(Role.OTHER);
    }
}
