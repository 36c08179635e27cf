package org.mobrak.desktop.material;

import java.util.List;
import javafx.scene.Node;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.mobrak.core.identity.Finding;
import org.mobrak.desktop.parts.Sign;
import org.mobrak.desktop.parts.Texts;

/** Findings as these pages say them. */
final class Words {
    private Words() {}

    /** A line for each finding, the sign before the sentence. */
    static VBox findings(List<Finding> findings) {
        VBox lines = new VBox();
        lines.getStyleClass().add("lines");
        findings.forEach(finding -> lines.getChildren().add(signed(Sign.of(finding.severity()), finding.message())));
        return lines;
    }

    static HBox signed(Node sign, String sentence) {
        var said = Texts.wrapped(Texts.plain(sentence));
        HBox.setHgrow(said, Priority.ALWAYS);
        HBox line = new HBox(sign, said);
        line.getStyleClass().add("signed-line");
        return line;
    }
}
