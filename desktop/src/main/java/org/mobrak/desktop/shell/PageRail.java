package org.mobrak.desktop.shell;

import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import javafx.beans.property.ObjectProperty;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.mobrak.app.Snapshot;
import org.mobrak.core.plan.Plan;
import org.mobrak.desktop.parts.Texts;
import org.mobrak.desktop.parts.View;
import org.mobrak.desktop.plan.Choice;

/** The stages of the work side by side; the one that is open is marked, and each says how it stands. */
final class PageRail implements View {
    private final Map<Page, ToggleButton> pegs = new EnumMap<>(Page.class);
    private final Map<Page, Label> standings = new EnumMap<>(Page.class);
    private final EqualColumns node = new EqualColumns();
    private final Choice choice;
    private Optional<Snapshot> shown = Optional.empty();
    private boolean rehearsing;

    PageRail(ObjectProperty<Page> open, Choice choice) {
        this.choice = choice;
        choice.plan().addListener((property, old, plan) -> shown.ifPresent(this::show));
        ToggleGroup group = new ToggleGroup();
        node.getStyleClass().add("stage-rail");
        for (Page stage : Page.values()) {
            ToggleButton peg = peg(stage);
            peg.setToggleGroup(group);
            peg.setOnAction(press -> open.set(stage));
            pegs.put(stage, peg);
            node.getChildren().add(peg);
        }
        open.addListener((property, old, stage) ->
                Objects.requireNonNull(pegs.get(stage)).setSelected(true));
        // A second press on the open stage must not leave none open.
        group.selectedToggleProperty().addListener((property, old, now) -> {
            if (now == null) {
                old.setSelected(true);
            }
        });
        Objects.requireNonNull(pegs.get(open.get())).setSelected(true);
    }

    private ToggleButton peg(Page stage) {
        Label name = Texts.plain(stage.label());
        name.getStyleClass().add("stage-name");
        Label standing = Texts.soft("");
        standings.put(stage, standing);
        ToggleButton peg = new ToggleButton();
        peg.setId("stage-" + stage.name().toLowerCase(Locale.ROOT));
        peg.setGraphic(new VBox(name, standing));
        Texts.tip(peg, "Ctrl+" + (stage.ordinal() + 1));
        peg.getStyleClass().add("stage-peg");
        peg.setMaxWidth(Double.MAX_VALUE);
        Texts.aloud(peg, stage.label());
        return peg;
    }

    @Override
    public Region node() {
        return node;
    }

    @Override
    public void show(Snapshot snapshot) {
        shown = Optional.of(snapshot);
        Optional<Plan> plan = Optional.ofNullable(choice.plan().get());
        standings.forEach((stage, label) -> Texts.say(label, stage.standing(snapshot, plan)));
        if (rehearsing) {
            Texts.say(Objects.requireNonNull(standings.get(Page.RUN_SHEET)), "rehearsal");
        }
    }

    /** A rehearsal stands where the run sheet would. */
    void setRehearsing(boolean now) {
        rehearsing = now;
        shown.ifPresent(this::show);
    }
}
