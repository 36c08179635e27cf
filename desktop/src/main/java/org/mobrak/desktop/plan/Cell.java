package org.mobrak.desktop.plan;

import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import org.mobrak.core.plan.Cost;
import org.mobrak.desktop.parts.Flow;
import org.mobrak.desktop.parts.Texts;

/**
 * A cell of a comb with a plan's number in it: full where the data is kept, hollow where it is wiped, and with a bar under it
 * where something stays for good.
 */
public final class Cell extends VBox {
    private Cell(boolean wipes, boolean marks, String number) {
        Region comb = new Region();
        comb.getStyleClass().addAll("comb", wipes ? "comb-hollow" : "comb-full");
        Label inside = new Label(number);
        inside.getStyleClass().add(wipes ? "comb-number-hollow" : "comb-number");
        Region bar = new Region();
        bar.getStyleClass().add(marks ? "comb-bar" : "comb-no-bar");
        getStyleClass().add("comb-cell");
        getChildren().addAll(new StackPane(comb, inside), bar);
    }

    static Cell of(Cost cost, int number) {
        return new Cell(cost.dataLoss(), !cost.marks().isEmpty(), number > 0 ? String.valueOf(number) : "");
    }

    /** The same for a single route, without a number. */
    public static Cell of(boolean wipes, boolean marks) {
        return new Cell(wipes, marks, "");
    }

    /** What the shapes mean. */
    static FlowPane legend() {
        FlowPane legend = new Flow(
                named(new Cell(false, false, ""), "data kept"),
                named(new Cell(true, false, ""), "data wiped"),
                named(new Cell(false, true, ""), "something stays for good"));
        legend.getStyleClass().add("legend");
        return legend;
    }

    private static HBox named(Cell cell, String words) {
        HBox named = new HBox(cell, Texts.soft(words));
        named.getStyleClass().add("legend-part");
        return named;
    }

    static String words(Cost cost) {
        return (cost.dataLoss() ? "data wiped" : "data kept")
                + (cost.marks().isEmpty() ? ", nothing for good" : ", for good: " + String.join(", ", cost.marks()));
    }
}
