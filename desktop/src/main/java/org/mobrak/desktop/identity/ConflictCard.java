package org.mobrak.desktop.identity;

import javafx.scene.control.Hyperlink;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.mobrak.core.identity.Belief;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Reading;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Texts;

/** Sources that disagree, side by side: each value with who says it, and why the first one leads. */
final class ConflictCard {
    private ConflictCard() {}

    static VBox of(Fact fact, Belief.Conflicting split, Runnable settle) {
        HBox sides = new HBox();
        sides.getStyleClass().add("sides");
        split.readings().stream()
                .map(Reading::value)
                .distinct()
                .forEach(value -> sides.getChildren().add(side(split, value)));
        Label reason = Texts.wrapped(Texts.soft("“%s” leads: %s."
                .formatted(
                        split.readings().get(0).value(),
                        split.readings().get(0).source().reason())));
        Hyperlink open = new Hyperlink("Look at the readings and settle it");
        open.setOnAction(press -> settle.run());
        Card card = new Card("Sources disagree: " + fact.label(), sides, reason, open);
        card.getStyleClass().add("card-conflict");
        return card;
    }

    private static VBox side(Belief.Conflicting split, String value) {
        boolean leads = split.readings().get(0).value().equals(value);
        Label exact = Texts.wrapped(Texts.exact(value));
        exact.getStyleClass().add("side-value");
        VBox side = new VBox(Texts.soft(leads ? "leads" : "against it"), exact);
        split.readings().stream()
                .filter(reading -> reading.value().equals(value))
                .forEach(reading -> side.getChildren().add(Texts.wrapped(Texts.soft(ReadingLine.from(reading)))));
        side.getStyleClass().addAll("one-side", leads ? "side-leads" : "side-against");
        HBox.setHgrow(side, Priority.ALWAYS);
        side.setPrefWidth(100);
        return side;
    }
}
