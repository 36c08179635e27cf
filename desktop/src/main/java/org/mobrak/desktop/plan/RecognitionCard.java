package org.mobrak.desktop.plan;

import java.util.Locale;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TitledPane;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.app.Desk;
import org.mobrak.app.Session;
import org.mobrak.core.catalogue.match.Recognition;
import org.mobrak.core.fit.Verdict;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Reading;
import org.mobrak.desktop.parts.AddPhoneForm;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Empty;
import org.mobrak.desktop.parts.Flow;
import org.mobrak.desktop.parts.Leads;
import org.mobrak.desktop.parts.Texts;
import org.mobrak.desktop.parts.TypedValue;

/** What to do first where the catalogue does not know the phone: read its number, settle it, or write it down. */
final class RecognitionCard {
    private final Session session;
    private final Leads leads;
    private final Desk desk;

    /** @param leads to where the phone can be made known */
    RecognitionCard(Session session, Desk desk, Leads leads) {
        this.session = session;
        this.leads = leads;
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
                card.getChildren().addAll(waysOn(unnamed.model()));
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

    /** What a person without any knowledge of files does, and last what somebody does who has it. */
    private Node[] waysOn(String model) {
        AddPhoneForm form = new AddPhoneForm(session, "phone");
        form.show(Optional.of(desk));
        Button guide = Empty.action("unnamed-guide", "Make a route from a guide", leads::guide);
        guide.getStyleClass().add("do-this");
        FlowPane ways = new Flow(
                guide,
                Empty.action("unnamed-friend", "Look at a friend’s catalogue", leads::friendsCatalogue),
                Empty.action("unnamed-general", general(), leads::routes));
        ways.getStyleClass().add("buttons");
        VBox adding = new VBox(Texts.plain("Add this phone, so that routes can name it"), form);
        adding.getStyleClass().add("lines");
        TitledPane file = new TitledPane("", new VBox(starter(model)));
        file.setGraphic(Texts.plain("As a file"));
        file.setId("unnamed-as-file");
        file.setExpanded(false);
        file.getStyleClass().add("figure");
        return desk.catalogue().phone(model).isPresent() ? new Node[] {ways, file} : new Node[] {ways, adding, file};
    }

    private String general() {
        long open = desk.fits().stream()
                .filter(fit -> fit.route().fits().phones().isEmpty())
                .filter(fit -> fit.verdict() == Verdict.FITS || fit.verdict() == Verdict.CAUTION)
                .count();
        return open == 1
                ? "See the route for any phone that fits"
                : "See the " + open + " routes for any phone that fit";
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
        FlowPane buttons = new Flow(copy, Texts.soft("Save it as catalogue/phones/" + id(model) + ".yaml."));
        buttons.getStyleClass().add("buttons");
        return new Node[] {Texts.soft("A beginning for the phone’s own file"), shown, buttons};
    }

    private static String id(String model) {
        String plain = model.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-");
        return plain.startsWith("-") ? "phone" + plain : plain;
    }
}
