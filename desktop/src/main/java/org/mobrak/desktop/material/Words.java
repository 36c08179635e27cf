package org.mobrak.desktop.material;

import java.util.List;
import java.util.Locale;
import javafx.scene.Node;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.mobrak.core.identity.Finding;
import org.mobrak.desktop.parts.Sign;
import org.mobrak.desktop.parts.Texts;

/** Sizes and findings as these pages say them. */
final class Words {
    private static final double KILO = 1e3;
    private static final double MEGA = 1e6;
    private static final double GIGA = 1e9;

    private Words() {}

    /** In powers of ten, as the SI has them. */
    static String size(long bytes) {
        if (bytes >= GIGA) {
            return String.format(Locale.ROOT, "%.2f GB", bytes / GIGA);
        }
        if (bytes >= MEGA) {
            return String.format(Locale.ROOT, "%.1f MB", bytes / MEGA);
        }
        return bytes >= KILO ? String.format(Locale.ROOT, "%.1f kB", bytes / KILO) : bytes + " bytes";
    }

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
