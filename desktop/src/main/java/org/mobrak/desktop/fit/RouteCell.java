package org.mobrak.desktop.fit;

import java.util.Locale;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.mobrak.core.fit.RouteFit;
import org.mobrak.desktop.parts.Sign;
import org.mobrak.desktop.parts.Texts;

/** Draws one route in the list: its verdict in shape and word, its name, and its strip of clauses. */
final class RouteCell extends ListCell<RouteFit> {
    @Override
    protected void updateItem(RouteFit fit, boolean empty) {
        super.updateItem(fit, empty);
        setText(null);
        setGraphic(empty || fit == null ? null : drawn(fit));
    }

    private HBox drawn(RouteFit fit) {
        Label name = Texts.plain(fit.route().name());
        name.getStyleClass().add("route-name");
        Label verdict = Texts.soft(fit.verdict().word());
        verdict.getStyleClass()
                .add("verdict-" + fit.verdict().name().toLowerCase(Locale.ROOT).replace('_', '-'));
        verdict.setMinWidth(Region.USE_PREF_SIZE);
        HBox second =
                new HBox(verdict, Texts.soft("  ·  " + fit.route().family()), spring(), new ClauseStrip(fit.clauses()));
        VBox lines = new VBox(name, second);
        lines.getStyleClass().add("route-lines");
        HBox.setHgrow(lines, Priority.ALWAYS);
        HBox drawn = new HBox(Sign.of(fit.verdict()), lines);
        drawn.getStyleClass().add("route-row");
        drawn.prefWidthProperty().bind(getListView().widthProperty().subtract(40));
        return drawn;
    }

    private static Region spring() {
        Region spring = new Region();
        HBox.setHgrow(spring, Priority.ALWAYS);
        return spring;
    }
}
