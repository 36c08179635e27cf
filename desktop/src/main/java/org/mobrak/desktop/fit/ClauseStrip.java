package org.mobrak.desktop.fit;

import java.util.List;
import java.util.stream.Collectors;
import javafx.scene.AccessibleRole;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import org.mobrak.core.fit.Clause;
import org.mobrak.desktop.parts.Sign;
import org.mobrak.desktop.parts.Texts;

/**
 * The clauses of a route as a row of pegs, met, open or unmet: how near a route is, at a glance. It lives in a cell of a list, so
 * its pegs are used again for the next route.
 */
final class ClauseStrip extends HBox {
    ClauseStrip() {
        getStyleClass().add("clause-strip");
        setAccessibleRole(AccessibleRole.TEXT);
        setMinWidth(USE_PREF_SIZE);
    }

    void show(List<Clause> clauses) {
        while (getChildren().size() < clauses.size()) {
            Region peg = new Region();
            peg.getStyleClass().setAll("sign", "");
            getChildren().add(peg);
        }
        for (int i = 0; i < getChildren().size(); i++) {
            Region peg = (Region) getChildren().get(i);
            boolean used = i < clauses.size();
            peg.setVisible(used);
            peg.setManaged(used);
            if (used) {
                String style = Sign.styleOf(clauses.get(i).result());
                if (!peg.getStyleClass().get(1).equals(style)) {
                    peg.getStyleClass().set(1, style);
                }
            }
        }
        Texts.aloud(
                this,
                clauses.stream()
                        .map(clause -> clause.name() + ": " + clause.result().word())
                        .collect(Collectors.joining(", ")));
    }
}
