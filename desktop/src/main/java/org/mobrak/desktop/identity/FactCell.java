package org.mobrak.desktop.identity;

import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.OverrunStyle;
import javafx.scene.control.skin.ListCellSkin;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import org.mobrak.core.identity.Belief;
import org.mobrak.desktop.parts.Sign;
import org.mobrak.desktop.parts.Texts;

/** Draws one line of the list of facts. What it is made of stays, whatever row it comes to show. */
final class FactCell extends ListCell<FactRow> {
    private static final double ROOM_FOR_SOURCE = 440;
    private static final String HEADING = "row-heading";

    private final Label heading = Texts.soft("");
    private final Label name = Texts.plain("");
    private final Label value = Texts.soft("");
    private final Label source = Texts.soft("");
    private final HBox line = new HBox(new Region(), name, value, source);

    FactCell(ListView<FactRow> list) {
        name.getStyleClass().add("fact-name");
        value.setTextOverrun(OverrunStyle.CENTER_ELLIPSIS);
        value.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(value, Priority.ALWAYS);
        source.setMinWidth(USE_PREF_SIZE);
        // In a narrow window the value matters more than who said it; that is one click away.
        source.visibleProperty().bind(list.widthProperty().greaterThan(ROOM_FOR_SOURCE));
        source.managedProperty().bind(source.visibleProperty());
        line.getStyleClass().add("fact-row");
        line.prefWidthProperty().bind(list.widthProperty().subtract(40));
        setGraphic(line);
        setSkin(new ListCellSkin<>(this));
    }

    @Override
    protected void updateItem(FactRow row, boolean empty) {
        super.updateItem(row, empty);
        boolean headed = row instanceof FactRow.Heading;
        getStyleClass().remove(HEADING);
        if (headed) {
            getStyleClass().add(HEADING);
        }
        setDisable(headed);
        if (row instanceof FactRow.Heading one) {
            Texts.say(heading, one.text());
            setGraphic(heading);
        } else if (row instanceof FactRow.Line one) {
            say(one);
            setGraphic(line);
        } else {
            setGraphic(null);
        }
    }

    private void say(FactRow.Line row) {
        Belief belief = row.belief();
        line.getChildren().set(0, Sign.of(belief));
        Texts.say(name, row.fact().label());
        belief.value()
                .ifPresentOrElse(
                        known -> sayValue("text-exact", known.replace('\n', ' ')),
                        () -> sayValue("text-soft", withoutValue(belief)));
        Texts.say(source, source(belief));
    }

    private static String withoutValue(Belief belief) {
        if (belief instanceof Belief.Absent none) {
            return none.because();
        }
        return belief instanceof Belief.Impossible odd
                ? "“" + odd.reading().value() + "” was read, which cannot be"
                : "not known";
    }

    private void sayValue(String voice, String words) {
        if (!value.getStyleClass().contains(voice)) {
            value.getStyleClass().setAll("label", voice);
        }
        Texts.say(value, words);
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
