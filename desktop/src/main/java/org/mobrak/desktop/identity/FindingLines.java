package org.mobrak.desktop.identity;

import java.util.List;
import java.util.Optional;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Severity;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Sign;
import org.mobrak.desktop.parts.Texts;

/** What is odd about a phone: what stops all work in a band of its own, the rest on a card. */
final class FindingLines {
    private FindingLines() {}

    /** A band across the page; empty where nothing stops the work. */
    static Optional<VBox> stops(List<Finding> findings) {
        List<Finding> stops = findings.stream()
                .filter(finding -> finding.severity() == Severity.STOP)
                .toList();
        if (stops.isEmpty()) {
            return Optional.empty();
        }
        VBox band = new VBox();
        stops.forEach(finding -> band.getChildren().add(line(finding)));
        band.getStyleClass().add("stop-band");
        return Optional.of(band);
    }

    /** A card; conflicts have cards of their own and are left out. */
    static Optional<VBox> odd(List<Finding> findings) {
        VBox lines = new VBox();
        lines.getStyleClass().add("lines");
        findings.stream()
                .filter(finding -> finding.severity() != Severity.STOP)
                .filter(finding -> !finding.code().equals("conflict"))
                .forEach(finding -> lines.getChildren().add(line(finding)));
        return lines.getChildren().isEmpty() ? Optional.empty() : Optional.of(new Card("What is odd", lines));
    }

    private static HBox line(Finding finding) {
        VBox said = new VBox(Texts.wrapped(Texts.plain(finding.message())));
        if (finding.sure() != Finding.Sureness.CERTAIN) {
            said.getChildren().add(Texts.soft("How sure: " + finding.sure().word()));
        }
        HBox.setHgrow(said, Priority.ALWAYS);
        HBox line = new HBox(Sign.of(finding.severity()), said);
        line.getStyleClass().add("signed-line");
        return line;
    }
}
