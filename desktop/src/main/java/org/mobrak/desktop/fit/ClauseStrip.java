package org.mobrak.desktop.fit;

import java.util.List;
import java.util.stream.Collectors;
import javafx.scene.AccessibleRole;
import javafx.scene.layout.HBox;
import org.mobrak.core.fit.Clause;
import org.mobrak.desktop.parts.Sign;

/** The clauses of a route as a row of pegs, met, open or unmet: how near a route is, at a glance. */
final class ClauseStrip extends HBox {
    ClauseStrip(List<Clause> clauses) {
        getStyleClass().add("clause-strip");
        setAccessibleRole(AccessibleRole.TEXT);
        setAccessibleText(clauses.stream()
                .map(clause -> clause.name() + ": " + clause.result().word())
                .collect(Collectors.joining(", ")));
        clauses.forEach(clause -> getChildren().add(Sign.of(clause.result())));
    }
}
