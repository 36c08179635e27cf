package org.mobrak.desktop.plan;

import java.util.Locale;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.layout.FlowPane;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.app.Desk;
import org.mobrak.app.Session;
import org.mobrak.core.catalogue.match.Recognition;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Reading;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Texts;
import org.mobrak.desktop.parts.TypedValue;

/** What to do first where the catalogue does not know the phone: read its number, settle it, or write it down. */
final class RecognitionCard {
    private final Session session;
    private final Desk desk;

    RecognitionCard(Session session, Desk desk) {
        this.session = session;
        this.desk = desk;
    }

    /** Empty where the phone is known. */
    Optional<Card> card() {
        Recognition recognition = desk.answer().recognition();
        return recognition.sentence().map(sentence -> {
            Card card = new Card(heading(recognition), Texts.wrapped(Texts.plain(sentence)));
            card.setId("recognition");
            card.getStyleClass().add("card-next");
            if (recognition instanceof Recognition.NotRead) {
                card.getChildren().add(new TypedValue("model-number", Fact.MODEL, session.readings()::takeTyped));
            } else if (recognition instanceof Recognition.Unnamed unnamed) {
                unnamed.alike().forEach(model -> card.getChildren().add(itIs(model)));
                card.getChildren().addAll(starter(unnamed.model()));
            }
            return card;
        });
    }

    private static String heading(Recognition recognition) {
        if (recognition instanceof Recognition.NotRead) {
            return "Which phone is this?";
        }
        return recognition instanceof Recognition.Unnamed
                ? "No route names this phone yet"
                : "Two sources name different phones";
    }

    private Button itIs(String model) {
        Reading misread = desk.identity().facts().belief(Fact.MODEL).readings().get(0);
        Button button = new Button("It is " + model);
        button.setOnAction(press -> session.readings().correct(misread, model));
        return button;
    }

    /** The beginning of the phone's own file, to go on from. */
    private Node[] starter(String model) {
        Facts facts = desk.identity().facts();
        String text = """
                id: %s
                maker: %s
                shopName: %s
                variants:
                  - {model: "%s"}""".formatted(
                        id(model),
                        facts.value(Fact.MAKER).orElse("who made it"),
                        facts.value(Fact.SHOP_NAME).orElse("what it is sold as"),
                        model.replace("\\", "\\\\").replace("\"", "\\\""));
        Label shown = Texts.exact(text);
        Button copy = new Button("Copy this", new FontIcon(Feather.COPY));
        copy.setId("copy-starter");
        copy.setOnAction(press -> {
            ClipboardContent content = new ClipboardContent();
            content.putString(text + "\n");
            Clipboard.getSystemClipboard().setContent(content);
        });
        FlowPane buttons = new FlowPane(copy, Texts.soft("Save it as catalogue/phones/" + id(model) + ".yaml."));
        buttons.getStyleClass().add("buttons");
        return new Node[] {Texts.soft("A beginning for the phone’s own file"), shown, buttons};
    }

    private static String id(String model) {
        String plain = model.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-");
        return plain.startsWith("-") ? "phone" + plain : plain;
    }
}
