package org.mobrak.desktop.shell;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.app.Glance;
import org.mobrak.app.Session;
import org.mobrak.app.Snapshot;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.desktop.parts.Texts;
import org.mobrak.desktop.parts.View;

/** Which phone lies on the desk, and what can be taken back. */
final class PhoneHead implements View {
    private static final String UNDO = "Ctrl+Z";
    private static final String REDO = "Ctrl+Shift+Z";

    private final Label nickname = Texts.plain("");
    private final Label model = Texts.exact("");
    private final Label more = Texts.soft("");
    private final Button undo = new Button("", new FontIcon(Feather.ROTATE_CCW));
    private final Button redo = new Button("", new FontIcon(Feather.ROTATE_CW));
    private final HBox node;

    /**
     * The head of the window.
     *
     * @param call calls the drawer where it has made way
     * @param help opens the help on the page that is seen
     */
    PhoneHead(Session session, Button call, Runnable help) {
        nickname.getStyleClass().add("phone-name");
        nickname.setId("phone-name");
        model.getStyleClass().add("phone-model");
        model.setId("phone-model");
        model.setMinWidth(Region.USE_PREF_SIZE);
        // What tells least is what gives way in a narrow window.
        more.setMaxWidth(Double.MAX_VALUE);
        more.setMinWidth(0);
        HBox.setHgrow(more, Priority.ALWAYS);
        undo.setId("undo");
        undo.setOnAction(press -> session.undo());
        redo.setId("redo");
        redo.setOnAction(press -> session.redo());
        name(undo, "Undo", UNDO, Optional.empty());
        name(redo, "Redo", REDO, Optional.empty());
        Button asking = button(Feather.HELP_CIRCLE, "Help on this page (F1)", help);
        asking.setId("ask-help");
        List.of(nickname, model, more).forEach(one -> one.getStyleClass().add("may-be-cut"));
        node = new HBox(call, nickname, model, more, undo, redo, asking);
        node.getStyleClass().add("head");
    }

    /** A button with a picture, which words go with. */
    static Button button(Feather icon, String words, Runnable action) {
        Button button = new Button("", new FontIcon(icon));
        Texts.tip(button, words);
        Texts.aloud(button, words);
        button.setOnAction(press -> action.run());
        return button;
    }

    @Override
    public Region node() {
        return node;
    }

    @Override
    public void show(Snapshot snapshot) {
        show(snapshot.glance());
        name(undo, "Undo", UNDO, snapshot.undo());
        name(redo, "Redo", REDO, snapshot.redo());
    }

    void show(Glance glance) {
        Optional<Facts> facts = glance.phone().map(phone -> phone.identity().facts());
        Texts.say(
                nickname,
                glance.phone().map(phone -> phone.dossier().phone().nickname()).orElse("No phone on the desk"));
        Texts.tip(nickname, nickname.getText());
        Texts.say(model, facts.flatMap(known -> known.value(Fact.MODEL)).orElse(""));
        Texts.say(more, facts.map(PhoneHead::describe).orElse("Name a phone in the drawer to begin."));
        Texts.tip(more, more.getText());
    }

    private static void name(Button button, String verb, String keys, Optional<String> what) {
        String words = what.map(name -> verb + ": " + name).orElse("Nothing to " + verb.toLowerCase(Locale.ROOT));
        button.setDisable(what.isEmpty());
        Texts.tip(button, words + " (" + keys + ")");
        Texts.aloud(button, words);
    }

    private static String describe(Facts facts) {
        String maker = facts.value(Fact.MAKER).map(name -> name + " ").orElse("");
        String shop = facts.value(Fact.SHOP_NAME).orElse("");
        String os = facts.value(Fact.OS_VERSION)
                .map(version -> "OS version " + version)
                .orElse("");
        return Stream.of((maker + shop).strip(), os)
                .filter(part -> !part.isEmpty())
                .collect(Collectors.joining("  ·  "));
    }
}
