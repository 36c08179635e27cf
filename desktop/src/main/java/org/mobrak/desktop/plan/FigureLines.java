package org.mobrak.desktop.plan;

import java.util.List;
import java.util.Locale;
import javafx.scene.control.Label;
import javafx.scene.control.TitledPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.plan.Figure;
import org.mobrak.desktop.parts.Sign;
import org.mobrak.desktop.parts.Texts;

/** The figures of a plan, each of which opens to the sum behind it. */
final class FigureLines extends VBox {
    FigureLines(List<Figure> figures) {
        getStyleClass().add("figures");
        figures.forEach(figure -> getChildren().add(line(figure)));
    }

    private static TitledPane line(Figure figure) {
        TitledPane pane = new TitledPane("", sum(figure));
        pane.getStyleClass().add("figure");
        pane.setId("figure-" + figure.name().toLowerCase(Locale.ROOT).replace(' ', '-'));
        pane.setExpanded(false);
        pane.setAnimated(false);
        Label name = Texts.soft(figure.name());
        name.getStyleClass().add("figure-name");
        HBox head = new HBox(name, Texts.plain(figure.total()));
        head.getStyleClass().add("figure-head");
        if (figure.enough() != Truth.YES) {
            head.getChildren()
                    .addAll(
                            Sign.of(figure.enough()),
                            Texts.soft(figure.enough() == Truth.NO ? "too little" : "not known"));
        }
        pane.setGraphic(head);
        Texts.aloud(pane, figure.name() + ": " + figure.total() + ". Opens to the sum behind it.");
        return pane;
    }

    private static VBox sum(Figure figure) {
        GridPane grid = new GridPane();
        grid.getStyleClass().add("figure-sum");
        for (Figure.Line line : figure.lines()) {
            var sum = Texts.wrapped(Texts.plain(line.sum()));
            GridPane.setHgrow(sum, Priority.ALWAYS);
            grid.addRow(grid.getRowCount(), Texts.wrapped(Texts.soft(line.what())), sum);
        }
        return new VBox(grid, Texts.wrapped(Texts.soft(figure.source())));
    }
}
