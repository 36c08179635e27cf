package org.mobrak.desktop.material;

import java.util.List;
import java.util.function.Function;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.OverrunStyle;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.mobrak.core.gather.Kept;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Severity;
import org.mobrak.core.material.Material;
import org.mobrak.core.plan.Sizes;
import org.mobrak.desktop.parts.Sign;
import org.mobrak.desktop.parts.Texts;

/** A file that was looked into. */
final class KeptCell extends ListCell<Kept> {
    private final Function<Material, List<Finding>> judge;

    /**
     * A cell.
     *
     * @param judge what there is to say of a file for the phone on the desk, the gravest first
     */
    KeptCell(Function<Material, List<Finding>> judge) {
        this.judge = judge;
    }

    @Override
    protected void updateItem(Kept file, boolean empty) {
        super.updateItem(file, empty);
        Texts.say(this, "");
        setGraphic(empty || file == null ? null : row(file));
    }

    private HBox row(Kept file) {
        Material material = file.material();
        Label name = Texts.plain(material.name());
        name.getStyleClass().add("route-name");
        // What tells two downloads apart stands at the end as often as at the start.
        name.setTextOverrun(OverrunStyle.CENTER_ELLIPSIS);
        Label what = Texts.soft(material.kind().label() + ", " + Sizes.words(material.bytes()) + state(file));
        VBox lines = new VBox(name, what);
        lines.getStyleClass().add("route-lines");
        lines.setMinWidth(0);
        HBox.setHgrow(lines, Priority.ALWAYS);
        Severity gravest = judge.apply(material).stream()
                .map(Finding::severity)
                .findFirst()
                .orElse(Severity.NOTE);
        HBox row = new HBox(Sign.of(gravest), lines);
        row.getStyleClass().add("route-row");
        row.setPrefWidth(0);
        return row;
    }

    private static String state(Kept file) {
        return switch (file.state()) {
            case THERE -> "";
            case CHANGED -> ", changed since";
            case GONE -> ", no longer there";
        };
    }
}
