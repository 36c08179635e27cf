package org.mobrak.desktop.job;

import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.layout.HBox;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.desktop.parts.Texts;

/** Something to type or pick elsewhere, to the letter: one press copies it. */
final class CopyLine extends HBox {
    CopyLine(String name, String exact) {
        getStyleClass().addAll("named-row", "copy-line");
        Label label = Texts.soft(name);
        label.getStyleClass().add("row-name");
        Button copy = new Button("", new FontIcon(Feather.COPY));
        copy.getStyleClass().add("copy");
        Texts.tip(copy, "Copy");
        Texts.aloud(copy, "Copy " + name);
        copy.setOnAction(press -> {
            ClipboardContent content = new ClipboardContent();
            content.putString(exact);
            Clipboard.getSystemClipboard().setContent(content);
        });
        getChildren().addAll(label, copy, Texts.wrapped(Texts.exact(exact)));
    }
}
