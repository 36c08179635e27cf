package org.mobrak.desktop.material;

import javafx.scene.control.Label;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import org.mobrak.core.material.Comparison;
import org.mobrak.desktop.parts.Texts;

/** Two files side by side; what differs stands out, what is the same stands back. */
final class ComparisonTable extends GridPane {
    ComparisonTable(Comparison comparison, String one, String other) {
        getStyleClass().add("compare");
        setId("comparison");
        for (double percent : new double[] {22, 39, 39}) {
            ColumnConstraints column = new ColumnConstraints();
            column.setPercentWidth(percent);
            getColumnConstraints().add(column);
        }
        addRow(0, Texts.soft(""), Texts.wrapped(Texts.heading(one)), Texts.wrapped(Texts.heading(other)));
        comparison.rows().forEach(this::row);
    }

    private void row(Comparison.Row row) {
        if (row.isSame()) {
            Label same = Texts.wrapped(Texts.soft(row.one()));
            addRow(getRowCount(), Texts.wrapped(Texts.soft(row.what())), same, Texts.soft("the same"));
        } else {
            Label name = Texts.wrapped(Texts.plain(row.what()));
            name.getStyleClass().add("text-doubt");
            addRow(getRowCount(), name, value(row.one()), value(row.other()));
        }
    }

    private static Label value(String text) {
        return Texts.wrapped(Texts.exact(text));
    }
}
