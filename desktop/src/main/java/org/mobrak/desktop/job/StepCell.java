package org.mobrak.desktop.job;

import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import org.mobrak.desktop.parts.Texts;

/** Draws one line of the run sheet. */
final class StepCell extends ListCell<StepRow> {
    @Override
    protected void updateItem(StepRow row, boolean empty) {
        super.updateItem(row, empty);
        Texts.say(this, "");
        getStyleClass().remove("row-heading");
        setDisable(false);
        if (empty || row == null) {
            setGraphic(null);
        } else if (row instanceof StepRow.Line line) {
            setGraphic(drawn(line));
        } else if (row instanceof StepRow.Heading heading) {
            getStyleClass().add("row-heading");
            setDisable(true);
            setGraphic(Texts.soft("%s   %d of %d".formatted(heading.phase().label(), heading.ticked(), heading.all())));
        }
    }

    private HBox drawn(StepRow.Line line) {
        Region peg = new Region();
        peg.getStyleClass().addAll("sign", line.ticked() ? "sign-ticked" : line.next() ? "sign-next" : "sign-unknown");
        Label title = Texts.plain(line.step().title());
        title.getStyleClass().add(line.ticked() ? "text-soft" : line.next() ? "step-next" : "step-title");
        HBox.setHgrow(title, Priority.ALWAYS);
        HBox drawn = new HBox(peg, title);
        drawn.getStyleClass().add("fact-row");
        if (line.step().hasNoReturn()) {
            Label mark = Texts.plain("no way back");
            mark.getStyleClass().add("no-return");
            mark.setMinWidth(USE_PREF_SIZE);
            drawn.getChildren().add(mark);
        }
        drawn.prefWidthProperty().bind(getListView().widthProperty().subtract(40));
        return drawn;
    }
}
