package org.mobrak.desktop.parts;

import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Button;
import javafx.scene.control.Control;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollBar;
import javafx.scene.control.Skin;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.skin.ButtonSkin;
import javafx.scene.control.skin.ListViewSkin;
import javafx.scene.control.skin.ScrollBarSkin;
import javafx.scene.control.skin.ToggleButtonSkin;
import org.jspecify.annotations.Nullable;

/**
 * What controls are drawn with. A control that is given it only when it is first styled is styled twice, and on the thread that
 * draws; what is made beside that thread can have it before.
 */
public final class Skins {
    private Skins() {}

    /** Gives the controls in a part of the window what they would be given anyway; those of other kinds wait for it. */
    public static void give(Node part) {
        if (part instanceof Control control && control.getSkin() == null) {
            @Nullable Skin<?> usual = usual(control);
            if (usual != null) {
                control.setSkin(usual);
            }
        }
        if (part instanceof Parent parent) {
            parent.getChildrenUnmodifiable().forEach(Skins::give);
        }
    }

    private static @Nullable Skin<?> usual(Control control) {
        if (control.getClass() == Button.class) {
            return new ButtonSkin((Button) control);
        }
        if (control.getClass() == ToggleButton.class) {
            return new ToggleButtonSkin((ToggleButton) control);
        }
        if (control instanceof ListView<?> list) {
            return new ListViewSkin<>(list);
        }
        return control instanceof ScrollBar bar ? new ScrollBarSkin(bar) : null;
    }
}
