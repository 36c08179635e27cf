package org.mobrak.desktop.program;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.mobrak.app.Preferences;
import org.mobrak.app.Session;
import org.mobrak.core.catalogue.Habit;
import org.mobrak.core.proof.Strictness;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Flow;
import org.mobrak.desktop.parts.Sheet;
import org.mobrak.desktop.parts.Texts;

/** How a person likes to see things and to work. Each choice counts at once and is kept with the workspace. */
final class SettingsFace {
    private static final String AS_IT_COMES = "as the route has it";

    private final Session session;
    private final Map<Habit.Kind, ComboBox<String>> habits = new EnumMap<>(Habit.Kind.class);
    private final ComboBox<String> proof = new ComboBox<>();
    private final Label why = Texts.wrapped(Texts.soft(""));
    private final CheckBox sound = new CheckBox("Count keys out aloud");
    private final Sheet node;
    private boolean filling;

    SettingsFace(Session session, Looks looks, Path workspace) {
        this.session = session;
        VBox all = new VBox(look(looks), work(), place(workspace));
        all.getStyleClass().add("side");
        node = new Sheet(all);
        show(session.program().preferences().get());
        session.program().preferences().addListener((source, before, now) -> show(now));
    }

    Region node() {
        return node;
    }

    private static Card look(Looks looks) {
        FlowPane colours = row(
                button("look-light", "Light", () -> looks.choose().accept("light")),
                button("look-dark", "Dark", () -> looks.choose().accept("dark")),
                button("look-system", "As the computer", () -> looks.choose().accept("system")));
        FlowPane letters = row(
                button("letters-smaller", "Smaller", () -> looks.grow().accept(-1)),
                button("letters-usual", "As usual", () -> looks.grow().accept(0)),
                button("letters-larger", "Larger", () -> looks.grow().accept(1)));
        return new Card("What it looks like", Texts.soft("Colours"), colours, Texts.soft("Letters"), letters);
    }

    private Card work() {
        List<Node> lines = new ArrayList<>();
        for (Habit.Kind kind : Habit.Kind.values()) {
            ComboBox<String> box = new ComboBox<>();
            box.setId("habit-" + kind.name().toLowerCase(Locale.ROOT));
            box.setMaxWidth(Double.MAX_VALUE);
            box.getItems().add(AS_IT_COMES);
            Arrays.stream(Habit.values())
                    .filter(habit -> habit.kind() == kind)
                    .map(Habit::label)
                    .forEach(box.getItems()::add);
            Texts.aloud(box, words(kind));
            box.valueProperty().addListener((property, before, now) -> prefer());
            habits.put(kind, box);
            lines.add(Texts.soft(words(kind)));
            lines.add(box);
        }
        proof.setId("usual-proof");
        proof.setMaxWidth(Double.MAX_VALUE);
        Arrays.stream(Strictness.values()).map(Strictness::word).forEach(proof.getItems()::add);
        Texts.aloud(proof, "What counts as proof");
        proof.valueProperty().addListener((property, before, now) -> prefer());
        sound.setId("count-aloud-usually");
        sound.selectedProperty().addListener((property, before, now) -> prefer());
        lines.addAll(List.of(
                Texts.wrapped(Texts.soft("What counts as proof, where nothing else was said for a phone")),
                proof,
                why,
                sound));
        return new Card("How you work", lines.toArray(Node[]::new));
    }

    private static Card place(Path workspace) {
        Label where = Texts.wrapped(Texts.exact(workspace.toString()));
        where.setId("workspace-place");
        return new Card(
                "Where this workspace lies",
                where,
                Texts.wrapped(
                        Texts.soft("Another one is opened, made or moved with the folder at the foot of the drawer.")));
    }

    private static String words(Habit.Kind kind) {
        return switch (kind) {
            case ENTER -> "Into a mode";
            case RECOVERY -> "A recovery is worked";
            case RESTART -> "After something was written";
        };
    }

    private void show(Preferences now) {
        filling = true;
        habits.forEach(
                (kind, box) -> box.setValue(now.habit(kind).map(Habit::label).orElse(AS_IT_COMES)));
        proof.setValue(now.proof().word());
        Texts.say(why, now.proof().reason());
        sound.setSelected(now.sound());
        filling = false;
    }

    private void prefer() {
        if (filling) {
            return;
        }
        Preferences wanted = session.program().preferences().get();
        for (Habit.Kind kind : Habit.Kind.values()) {
            String label = Objects.requireNonNull(habits.get(kind)).getValue();
            Optional<Habit> habit = Arrays.stream(Habit.values())
                    .filter(one -> one.label().equals(label))
                    .findFirst();
            wanted = wanted.with(kind, habit);
        }
        Strictness strictness = Arrays.stream(Strictness.values())
                .filter(one -> one.word().equals(proof.getValue()))
                .findFirst()
                .orElse(Strictness.STRICT);
        session.program().prefer(wanted.with(strictness).with(sound.isSelected()));
    }

    private static FlowPane row(Button... buttons) {
        FlowPane row = new Flow(buttons);
        row.getStyleClass().add("buttons");
        return row;
    }

    private static Button button(String id, String words, Runnable action) {
        Button button = new Button(words);
        button.setId(id);
        button.setOnAction(press -> action.run());
        return button;
    }
}
