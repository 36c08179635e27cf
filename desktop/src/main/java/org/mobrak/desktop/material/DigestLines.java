package org.mobrak.desktop.material;

import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.mobrak.core.material.Digest;
import org.mobrak.core.material.Inspection;
import org.mobrak.desktop.parts.Texts;

/** The digests of a file, to be compared or copied. */
final class DigestLines extends VBox {
    DigestLines(Inspection file) {
        getStyleClass().add("lines");
        file.digests().ifPresent(digests -> digests.values().forEach(this::line));
        file.trailer()
                .ifPresent(trailer -> getChildren()
                        .add(Texts.plain(
                                trailer.valid()
                                        ? "The md5 line at its end is right."
                                        : "The md5 line at its end is wrong.")));
        if (getChildren().isEmpty()) {
            getChildren().add(Texts.soft("None were worked out."));
        }
    }

    private void line(Digest digest, String value) {
        TextField field = new TextField(value);
        field.setEditable(false);
        field.getStyleClass().addAll("exact-input", "digest");
        field.setId("digest-" + digest.word());
        HBox.setHgrow(field, Priority.ALWAYS);
        var name = Texts.soft(digest.label());
        name.getStyleClass().add("row-name");
        HBox line = new HBox(name, field);
        line.getStyleClass().add("typing");
        getChildren().add(line);
    }
}
