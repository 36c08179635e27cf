package org.mobrak.desktop.fit;

import java.util.Locale;
import javafx.css.PseudoClass;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.fit.RouteFit;
import org.mobrak.core.fit.Verdict;
import org.mobrak.core.plan.Evidence;
import org.mobrak.desktop.parts.Sign;
import org.mobrak.desktop.parts.Texts;
import org.mobrak.desktop.plan.Cell;

/**
 * Draws one row of the board: a verdict's heading, or a route with its family, its evidence, what it does to data and marks, and
 * its strip of clauses.
 */
final class RouteCell extends ListCell<BoardRow> {
    private static final PseudoClass HEADING = PseudoClass.getPseudoClass("heading");

    @Override
    protected void updateItem(BoardRow row, boolean empty) {
        super.updateItem(row, empty);
        setText(null);
        boolean heading = !empty && row instanceof BoardRow.Heading;
        pseudoClassStateChanged(HEADING, heading);
        setDisable(heading);
        if (heading) {
            setGraphic(drawn((BoardRow.Heading) row));
        } else {
            setGraphic(empty || row == null ? null : drawn(((BoardRow.Strip) row).fit()));
        }
    }

    private static HBox drawn(BoardRow.Heading heading) {
        Label words = Texts.plain(heading.verdict().word() + "  " + heading.count());
        words.getStyleClass().add(style(heading.verdict()));
        HBox drawn = new HBox(Sign.of(heading.verdict()), words);
        drawn.getStyleClass().add("board-heading");
        return drawn;
    }

    private static String style(Verdict verdict) {
        return "verdict-" + verdict.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    private HBox drawn(RouteFit fit) {
        Route route = fit.route();
        Label name = Texts.plain(route.name());
        name.getStyleClass().add("route-name");
        Label about = Texts.soft(evidence(route) + "  ·  " + route.family());
        about.setMinWidth(0);
        HBox second = new HBox(about, spring(), new ClauseStrip(fit.clauses()));
        VBox lines = new VBox(name, second);
        lines.getStyleClass().add("route-lines");
        lines.setMinWidth(0);
        HBox.setHgrow(lines, Priority.ALWAYS);
        Cell does =
                Cell.of(route.changes().wipesData(), !route.changes().marks().isEmpty());
        does.setAccessibleText(does(route));
        HBox drawn = new HBox(does, lines);
        drawn.getStyleClass().add("route-row");
        drawn.setAccessibleText(route.name() + ", " + fit.verdict().word() + ", " + does(route));
        drawn.prefWidthProperty().bind(getListView().widthProperty().subtract(40));
        return drawn;
    }

    private static String does(Route route) {
        return (route.changes().wipesData() ? "wipes the data" : "keeps the data")
                + (route.changes().marks().isEmpty() ? "" : ", leaves a mark for good");
    }

    private static String evidence(Route route) {
        Evidence evidence = Evidence.of(route);
        return evidence.tried() == 0 ? "no evidence" : "%d of %d worked".formatted(evidence.worked(), evidence.tried());
    }

    private static Region spring() {
        Region spring = new Region();
        HBox.setHgrow(spring, Priority.ALWAYS);
        return spring;
    }
}
