package org.mobrak.desktop.fit;

import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import javafx.css.PseudoClass;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.fit.Evidence;
import org.mobrak.core.fit.RouteFit;
import org.mobrak.core.fit.Verdict;
import org.mobrak.desktop.parts.Sign;
import org.mobrak.desktop.parts.Texts;
import org.mobrak.desktop.plan.Cell;

/**
 * Draws one row of the board: a verdict's heading, or a route with its family, its evidence, what it does to data and marks, and
 * its strip of clauses. Its parts are made once and used for whatever route comes by, so that thousands of them scroll.
 */
final class RouteCell extends ListCell<BoardRow> {
    private static final PseudoClass HEADING = PseudoClass.getPseudoClass("heading");

    private final Map<String, Cell> cells = new HashMap<>();
    private final Label name = Texts.plain("");
    private final Label about = Texts.soft("");
    private final ClauseStrip strip = new ClauseStrip();
    private final HBox row;
    private final Function<Route, Evidence> evidence;

    /**
     * A cell of a list, which gives it its width.
     *
     * @param evidence what is reported of a route
     */
    RouteCell(ListView<BoardRow> list, Function<Route, Evidence> evidence) {
        this.evidence = evidence;
        name.getStyleClass().add("route-name");
        about.setMinWidth(0);
        VBox lines = new VBox(name, new HBox(about, spring(), strip));
        lines.getStyleClass().add("route-lines");
        lines.setMinWidth(0);
        HBox.setHgrow(lines, Priority.ALWAYS);
        row = new HBox(new Region(), lines);
        row.getStyleClass().add("route-row");
        row.prefWidthProperty().bind(list.widthProperty().subtract(40));
    }

    @Override
    protected void updateItem(BoardRow item, boolean empty) {
        super.updateItem(item, empty);
        boolean heading = !empty && item instanceof BoardRow.Heading;
        pseudoClassStateChanged(HEADING, heading);
        setDisable(heading);
        if (heading) {
            setGraphic(drawn((BoardRow.Heading) item));
        } else if (empty || item == null) {
            setGraphic(null);
        } else {
            show(((BoardRow.Strip) item).fit());
            setGraphic(row);
        }
    }

    private void show(RouteFit fit) {
        Route route = fit.route();
        Texts.say(name, route.name());
        Texts.say(about, told(evidence.apply(route)) + "  ·  " + route.family());
        strip.show(fit.clauses());
        boolean wipes = route.changes().wipesData();
        boolean marks = !route.marks().isEmpty();
        Cell does = cells.computeIfAbsent(does(route), fresh -> Cell.of(wipes, marks));
        if (row.getChildren().get(0) != does) {
            row.getChildren().set(0, does);
        }
        Texts.aloud(row, route.name() + ", " + fit.verdict().word() + ", " + does(route));
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

    private static String does(Route route) {
        return (route.changes().wipesData() ? "wipes the data" : "keeps the data")
                + (route.marks().isEmpty() ? "" : ", leaves a mark for good");
    }

    private static String told(Evidence evidence) {
        return evidence.tried() == 0
                ? "no reports"
                : "%d of %d worked, %s"
                        .formatted(
                                evidence.worked(),
                                evidence.tried(),
                                evidence.group().inShort());
    }

    private static Region spring() {
        Region spring = new Region();
        HBox.setHgrow(spring, Priority.ALWAYS);
        return spring;
    }
}
