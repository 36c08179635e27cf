package org.mobrak.desktop.logbook;

import java.time.format.DateTimeFormatter;
import java.util.List;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;
import org.mobrak.core.job.Job;
import org.mobrak.core.logbook.history.JobPair;
import org.mobrak.core.logbook.history.JobPair.About;
import org.mobrak.core.logbook.history.JobPair.Row;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Texts;

/** Two jobs side by side, what differs first to be seen. */
final class PairTable extends VBox {
    private final JobPair pair;
    private final GridPane grid = new GridPane();
    private final CheckBox onlyDiffering = new CheckBox("Only what differs");

    PairTable(JobPair pair, DateTimeFormatter minute) {
        this.pair = pair;
        getStyleClass().add("side");
        Card card = new Card(
                pair.differing() == 1 ? "They differ in one thing" : "They differ in " + pair.differing() + " things");
        card.setId("pair");
        onlyDiffering.setId("only-differing");
        onlyDiffering.setSelected(true);
        onlyDiffering.selectedProperty().addListener((property, old, now) -> fill());
        grid.getStyleClass().add("pair-grid");
        card.getChildren()
                .addAll(
                        Texts.wrapped(Texts.plain("Left: " + told(pair.one(), minute))),
                        Texts.wrapped(Texts.plain("Right: " + told(pair.other(), minute))),
                        onlyDiffering,
                        grid);
        getChildren().add(card);
        fill();
    }

    private static String told(Job job, DateTimeFormatter minute) {
        return job.sheet().title() + ", " + minute.format(job.startedAt()) + ", "
                + job.end().orElseThrow().end().word();
    }

    private void fill() {
        grid.getChildren().clear();
        List<Row> rows = pair.rows().stream()
                .filter(row -> row.differs() || !onlyDiffering.isSelected())
                .toList();
        if (rows.isEmpty()) {
            grid.addRow(0, Texts.wrapped(Texts.plain("All was done in the same way.")));
        }
        for (Row row : rows) {
            Label what = Texts.wrapped(Texts.plain(heading(row)));
            what.getStyleClass().add("pair-what");
            Label one = side(row.one(), row.differs());
            Label other = side(row.other(), row.differs());
            grid.addRow(grid.getRowCount(), what, one, other);
        }
    }

    private static String heading(Row row) {
        return row.about() == About.FILE ? "File for " + row.what() : row.what();
    }

    private static Label side(String text, boolean differs) {
        Label label = Texts.wrapped(Texts.plain(text.isEmpty() ? "not there" : text));
        label.getStyleClass().add(differs ? "pair-differs" : "pair-same");
        return label;
    }
}
