package org.mobrak.desktop.identity;

import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.OverrunStyle;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import org.mobrak.core.identity.Belief;
import org.mobrak.desktop.parts.Sign;
import org.mobrak.desktop.parts.Texts;

/** Draws one line of the list of facts. */
final class FactCell extends ListCell<FactRow> {
    private static final double ROOM_FOR_SOURCE = 440;

    @Override
    protected void updateItem(FactRow row, boolean empty) {
        super.updateItem(row, empty);
        Texts.say(this, "");
        getStyleClass().remove("row-heading");
        setDisable(false);
        if (empty || row == null) {
            setGraphic(null);
        } else if (row instanceof FactRow.Line line) {
            setGraphic(drawn(line));
        } else if (row instanceof FactRow.Heading heading) {
            getStyleClass().add("row-heading");
            setDisable(true);
            setGraphic(Texts.soft(heading.text()));
        }
    }

    private HBox drawn(FactRow.Line line) {
        Label name = Texts.plain(line.fact().label());
        name.getStyleClass().add("fact-name");
        Label value = line.belief()
                .value()
                .map(known -> Texts.exact(known.replace('\n', ' ')))
                .orElseGet(
                        () -> Texts.soft(line.belief() instanceof Belief.Absent none ? none.because() : "not known"));
        value.setTextOverrun(OverrunStyle.CENTER_ELLIPSIS);
        value.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(value, Priority.ALWAYS);
        Label source = Texts.soft(source(line.belief()));
        source.setMinWidth(USE_PREF_SIZE);
        // In a narrow window the value matters more than who said it; that is one click away.
        source.visibleProperty().bind(getListView().widthProperty().greaterThan(ROOM_FOR_SOURCE));
        source.managedProperty().bind(source.visibleProperty());
        HBox drawn = new HBox(Sign.of(line.belief()), name, value, source);
        drawn.getStyleClass().add("fact-row");
        drawn.prefWidthProperty().bind(getListView().widthProperty().subtract(40));
        return drawn;
    }

    private static String source(Belief belief) {
        if (belief.readings().isEmpty()) {
            return "";
        }
        String leader = belief.readings().get(0).source().word();
        return belief.readings().size() == 1
                ? leader
                : leader + " +" + (belief.readings().size() - 1);
    }
}
