package org.mobrak.desktop.job;

import java.util.List;
import java.util.Optional;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import org.mobrak.app.Session;
import org.mobrak.core.catalogue.Habit;
import org.mobrak.core.job.Step;
import org.mobrak.desktop.parts.Flow;
import org.mobrak.desktop.parts.Texts;

/** The ways in which a step can be done, side by side; what is chosen holds for the whole job and is remembered. */
final class Ways extends HBox {
    Ways(Session session, Moment moment) {
        getStyleClass().add("named-row");
        var name = Texts.soft("Your way");
        name.getStyleClass().add("row-name");
        FlowPane row = new Flow();
        row.getStyleClass().add("ways");
        ToggleGroup group = new ToggleGroup();
        List<Habit> ways = moment.ways();
        Optional<Habit> now = moment.shown().how().flatMap(Step.Doing::by);
        for (Habit way : ways) {
            ToggleButton button = new ToggleButton(way.label());
            button.setId("way-" + way.word());
            button.setToggleGroup(group);
            button.setSelected(now.filter(way::equals).isPresent());
            button.setDisable(moment.ticked());
            button.setOnAction(press -> session.job().choose(way));
            row.getChildren().add(button);
        }
        getChildren().addAll(name, row);
    }
}
