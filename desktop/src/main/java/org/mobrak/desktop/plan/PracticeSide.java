package org.mobrak.desktop.plan;

import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import org.mobrak.app.RehearsalDesk;
import org.mobrak.app.rehearsal.Drill;
import org.mobrak.app.rehearsal.Exercises;
import org.mobrak.app.rehearsal.WhatNow;
import org.mobrak.desktop.parts.Texts;

/** What of a plan can be practised apart: its keys, and what to do when something goes wrong; each says how much of it is due today. */
final class PracticeSide extends VBox {
    private final RehearsalDesk desk;
    private final DrillBox drill;
    private final WhatNowBox whatNow;
    private final ToggleButton keys = new ToggleButton("Keys");
    private final ToggleButton mishaps = new ToggleButton("Mishaps");
    private List<Drill.Lesson> lessons = List.of();
    private List<WhatNow> questions = List.of();

    PracticeSide(RehearsalDesk desk) {
        this.desk = desk;
        this.drill = new DrillBox(desk);
        this.whatNow = new WhatNowBox(desk);
        ToggleGroup one = new ToggleGroup();
        List.of(keys, mishaps).forEach(button -> {
            button.setToggleGroup(one);
            button.getStyleClass().add("ruler-kind");
            button.setOnAction(press -> turnTo(button));
        });
        keys.setId("practise-keys");
        mishaps.setId("practise-mishaps");
        HBox choice = new HBox(keys, mishaps);
        choice.getStyleClass().add("ruler-kinds");
        getChildren().setAll(choice, drill);
        getStyleClass().addAll("side", "practice-side");
        keys.setSelected(true);
        desk.drills().addListener((source, before, now) -> tellDue());
        desk.exercises().addListener((source, before, now) -> now.ifPresent(this::offer));
        setVisible(false);
        setManaged(false);
    }

    /** What there is to practise now. */
    private void offer(Exercises now) {
        lessons = now.keys();
        questions = now.mishaps();
        drill.offer(now.outlook(), lessons);
        whatNow.offer(questions);
        setVisible(!now.isEmpty());
        setManaged(!now.isEmpty());
        keys.setDisable(lessons.isEmpty());
        mishaps.setDisable(questions.isEmpty());
        ToggleButton seen = mishaps.isSelected() ? mishaps : keys;
        turnTo(seen.isDisabled() ? other(seen) : seen);
        tellDue();
    }

    private ToggleButton other(ToggleButton button) {
        return button == keys ? mishaps : keys;
    }

    private void turnTo(ToggleButton button) {
        button.setSelected(true);
        Node shown = button == keys ? drill : whatNow;
        if (!getChildren().contains(shown)) {
            getChildren().set(1, shown);
        }
    }

    private void tellDue() {
        tell(
                keys,
                "Keys",
                lessons.stream().filter(lesson -> desk.isDue(lesson.chord())).count());
        tell(mishaps, "Mishaps", questions.stream().filter(desk::isDue).count());
    }

    private static void tell(ToggleButton button, String name, long due) {
        Texts.say(button, due == 0 ? name : name + ": " + due + " today");
    }
}
