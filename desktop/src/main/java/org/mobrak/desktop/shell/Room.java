package org.mobrak.desktop.shell;

import javafx.css.PseudoClass;
import javafx.scene.control.Button;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.skin.ScrollPaneSkin;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.Region;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.desktop.parts.Texts;

/**
 * How the window's room is given out. Where it is too narrow for its letters the drawer makes way and is called with a button;
 * what does not fit all the same is scrolled to, and never cut off.
 */
final class Room {
    /** Letters side by side below which two things do not stand beside each other; our own choice. */
    private static final double NARROW = 60;

    /** Letters side by side below which the drawer leaves more of the width to the page. */
    private static final double SLIM_BELOW = 80;

    private static final PseudoClass SLIM = PseudoClass.getPseudoClass("slim");

    private final BorderPane bench = new BorderPane();
    private final ScrollPane root = new ScrollPane(bench);
    private final Button call = new Button("", new FontIcon(Feather.SIDEBAR));
    private final Region drawer;
    private double letters = 1;
    private boolean called;
    private boolean wanted;

    Room(Region drawer) {
        this.drawer = drawer;
        bench.getStyleClass().add("bench");
        // Everything hangs in it, and would be held against the style sheets anew if its skin came later.
        root.setSkin(new ScrollPaneSkin(root));
        root.setFitToWidth(true);
        root.setFitToHeight(true);
        root.getStyleClass().add("room");
        call.setId("call-drawer");
        Texts.tip(call, "The drawer (F9)");
        Texts.aloud(call, "The drawer");
        call.setOnAction(press -> callDrawer());
        call.managedProperty().bind(call.visibleProperty());
        root.widthProperty().addListener(now -> giveOut());
        giveOut();
    }

    ScrollPane root() {
        return root;
    }

    /** Stands where the drawer has made way. */
    Button call() {
        return call;
    }

    void setCenter(Region center) {
        bench.setCenter(center);
    }

    /** @param size of the letters, in pixels */
    void setLetters(double size) {
        letters = size;
        giveOut();
    }

    /** All room is for something that goes on beside its page. */
    void setAllForThePage(boolean all) {
        if (wanted != all) {
            wanted = all;
            called = false;
            giveOut();
        }
    }

    /** Shows the drawer where it has made way, or puts it back. */
    void callDrawer() {
        called = !called;
        giveOut();
    }

    void openDrawer() {
        called = true;
        giveOut();
    }

    /** A phone was picked: what was wanted of the drawer is done. */
    void closeDrawer() {
        called = false;
        giveOut();
    }

    private void giveOut() {
        boolean narrow = wanted || root.getWidth() > 0 && root.getWidth() < NARROW * letters;
        call.setVisible(narrow);
        drawer.pseudoClassStateChanged(SLIM, root.getWidth() > 0 && root.getWidth() < SLIM_BELOW * letters);
        Region left = narrow && !called ? null : drawer;
        if (bench.getLeft() != left) {
            bench.setLeft(left);
        }
    }
}
