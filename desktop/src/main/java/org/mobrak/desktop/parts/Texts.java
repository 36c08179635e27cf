package org.mobrak.desktop.parts;

import javafx.event.EventHandler;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.Labeled;
import javafx.scene.control.MenuItem;
import javafx.scene.control.Tooltip;
import javafx.scene.control.skin.LabelSkin;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Region;
import org.mobrak.core.identity.VisibleText;

/**
 * Lines of text in the few voices the screens have, and the one gate for text on its way to the window: whatever is shown of a
 * name, a file or a reading can be seen.
 */
public final class Texts {
    private static final String TIPPED = "mobrak.tipped";

    private Texts() {}

    public static Label plain(String text) {
        return voiced(text, "text-plain");
    }

    /** A heading within a page. */
    public static Label heading(String text) {
        return voiced(text, "text-heading");
    }

    /** What stands back: sources, hints, units. */
    public static Label soft(String text) {
        return voiced(text, "text-soft");
    }

    /** Build strings, model numbers and other text to be compared letter by letter. */
    public static Label exact(String text) {
        return voiced(text, "text-exact");
    }

    /** Lets a label, a button or a row of a list say something else. */
    public static void say(Labeled label, String text) {
        label.setText(VisibleText.of(text));
    }

    /** A text for a control that makes its own rows of it. */
    public static String oneLine(String text) {
        return VisibleText.oneLine(text);
    }

    /** What is read out instead of being seen. */
    public static void aloud(Node node, String text) {
        node.setAccessibleText(VisibleText.of(text));
    }

    /**
     * Tells what a node is for, to whoever rests on it or has the page read out. The small window for it is made when a pointer
     * first comes near: a page has dozens, and making each takes as long as a row of the page.
     */
    public static void tip(Node node, String text) {
        node.setAccessibleHelp(VisibleText.of(text));
        if (node.getProperties().putIfAbsent(TIPPED, true) == null) {
            node.addEventFilter(MouseEvent.MOUSE_ENTERED, new EventHandler<>() {
                @Override
                public void handle(MouseEvent near) {
                    node.removeEventFilter(MouseEvent.MOUSE_ENTERED, this);
                    Tooltip tip = new Tooltip();
                    tip.textProperty().bind(node.accessibleHelpProperty());
                    Tooltip.install(node, tip);
                }
            });
        }
    }

    /** A line of a menu. */
    public static MenuItem item(String text) {
        return new MenuItem(VisibleText.oneLine(text));
    }

    /** A text that runs over as many lines as it needs and is never cut. */
    public static Label wrapped(Label label) {
        label.setWrapText(true);
        label.setMinHeight(Region.USE_PREF_SIZE);
        return label;
    }

    private static Label voiced(String text, String style) {
        Label label = new Label(VisibleText.of(text));
        label.getStyleClass().add(style);
        // A control that gets its skin only when it is first styled is styled twice, and a page has a hundred of these.
        label.setSkin(new LabelSkin(label));
        return label;
    }
}
