package org.mobrak.desktop.material;

import java.util.Locale;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.OverrunStyle;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.mobrak.core.gather.GatherItem;
import org.mobrak.core.gather.Need;
import org.mobrak.core.plan.Sizes;
import org.mobrak.desktop.parts.Texts;

/** A line of the gathering list. */
final class GatherCell extends ListCell<GatherItem> {
    @Override
    protected void updateItem(GatherItem item, boolean empty) {
        super.updateItem(item, empty);
        Texts.say(this, "");
        setGraphic(empty || item == null ? null : row(item));
    }

    private static HBox row(GatherItem item) {
        Label name = Texts.plain(item.need().title());
        name.getStyleClass().add("route-name");
        name.setTextOverrun(OverrunStyle.CENTER_ELLIPSIS);
        String size = item.bytes() > 0 ? ", " + Sizes.words(item.bytes()) : "";
        Label what = Texts.soft(item.standing().word() + "  ·  " + kind(item.need()) + size);
        VBox lines = new VBox(name, what);
        lines.getStyleClass().add("route-lines");
        lines.setMinWidth(0);
        HBox.setHgrow(lines, Priority.ALWAYS);
        HBox row = new HBox(StandingSign.of(item.standing()), lines);
        row.getStyleClass().add("route-row");
        row.setPrefWidth(0);
        return row;
    }

    private static String kind(Need need) {
        if (need instanceof Need.OfFile file) {
            return file.file().role().toLowerCase(Locale.ROOT);
        }
        return need instanceof Need.OfTool ? "for the computer" : "on the bench";
    }
}
