package org.mobrak.desktop.workshop;

import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Control;
import javafx.scene.control.Hyperlink;
import javafx.scene.control.Label;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.control.TextInputControl;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.app.workshop.WorkshopView.OnTable;
import org.mobrak.core.catalogue.file.Trial;
import org.mobrak.core.identity.Severity;
import org.mobrak.core.learn.Lesson;
import org.mobrak.core.learn.form.Field;
import org.mobrak.desktop.parts.Flow;
import org.mobrak.desktop.parts.Sign;
import org.mobrak.desktop.parts.Texts;

/** One field of the draft: its name, its value, where that was read, and what is wrong or open with it. */
final class FieldRow {
    private static final String NOT_SAID = "not said";
    private static final int MOST_ROWS = 6;
    /** The place of the source in the line. */
    private static final int SOURCE = 3;

    private final Consumer<String> changed;
    private final Runnable leave;
    private final Runnable takeOut;
    private final BiConsumer<String, Integer> goToLine;
    private final String id;
    private final Label label = Texts.wrapped(Texts.soft(""));
    private final HBox line = new HBox();
    private final VBox notes = new VBox();
    private final VBox node = new VBox(line, notes);
    private @Nullable Node control;
    private @Nullable Field shown;
    private boolean showing;

    /**
     * A row.
     *
     * @param changed takes what was typed or picked
     * @param leave leaves the question open, or takes that back
     * @param takeOut takes the step or file out that the field is of
     * @param goToLine shows a line of a guide
     */
    FieldRow(
            String id,
            Consumer<String> changed,
            Runnable leave,
            Runnable takeOut,
            BiConsumer<String, Integer> goToLine) {
        this.id = id;
        this.changed = changed;
        this.leave = leave;
        this.takeOut = takeOut;
        this.goToLine = goToLine;
        label.getStyleClass().add("field-label");
        line.getStyleClass().add("field");
        notes.getStyleClass().add("field-notes");
        node.getStyleClass().add("field-row");
    }

    Region node() {
        return node;
    }

    void focus() {
        Node now = Objects.requireNonNull(control);
        (now instanceof FlowPane boxes ? boxes.getChildren().get(0) : now).requestFocus();
    }

    void show(Field field, OnTable draft) {
        boolean first = control == null;
        Field before = shown;
        shown = field;
        if (first) {
            control = make(field);
            control.setId("field-" + id.replace(':', '-'));
            Texts.aloud(control, field.label());
            HBox.setHgrow(control, Priority.ALWAYS);
            Texts.say(label, field.label());
            Region between = new Region();
            HBox.setHgrow(between, Priority.SOMETIMES);
            line.getChildren().addAll(label, control, between, source());
        } else {
            line.getChildren().set(SOURCE, source());
        }
        showing = true;
        put(field, before == null || !field.value().equals(before.value()));
        showing = false;
        showNotes(draft);
    }

    private Node make(Field field) {
        return switch (field.kind()) {
            case LINE, NUMBER -> text(new TextField());
            case TEXT, LIST -> area();
            case CHOICE -> choice(field);
            case SEVERAL -> boxes(field);
        };
    }

    /** What was typed counts when the field is left, or with Enter. */
    private TextInputControl text(TextField field) {
        field.setOnAction(enter -> take(field));
        field.focusedProperty().addListener((source, before, now) -> {
            if (!now) {
                take(field);
            }
        });
        field.getStyleClass().add("exact-input");
        field.setMaxWidth(Double.MAX_VALUE);
        return field;
    }

    private TextArea area() {
        TextArea area = new TextArea();
        area.setWrapText(true);
        area.focusedProperty().addListener((source, before, now) -> {
            if (!now) {
                take(area);
            }
        });
        return area;
    }

    private void take(TextInputControl field) {
        if (!showing && !field.getText().strip().equals(shown().value())) {
            changed.accept(field.getText());
        }
    }

    private ComboBox<String> choice(Field field) {
        ComboBox<String> box = new ComboBox<>();
        box.getItems().add(NOT_SAID);
        box.getItems().addAll(field.choices());
        box.valueProperty().addListener((source, before, now) -> {
            if (!showing && now != null) {
                changed.accept(now.equals(NOT_SAID) ? "" : now);
            }
        });
        return box;
    }

    private FlowPane boxes(Field field) {
        FlowPane boxes = new Flow();
        boxes.getStyleClass().add("buttons");
        for (String word : field.choices()) {
            CheckBox box = new CheckBox(word);
            box.setId("field-" + id + "-" + word);
            box.selectedProperty().addListener((source, before, now) -> {
                if (!showing) {
                    changed.accept(ticked(boxes));
                }
            });
            boxes.getChildren().add(box);
        }
        return boxes;
    }

    private static String ticked(FlowPane boxes) {
        return boxes.getChildren().stream()
                .map(CheckBox.class::cast)
                .filter(CheckBox::isSelected)
                .map(CheckBox::getText)
                .collect(Collectors.joining("\n"));
    }

    /** What somebody is typing is not taken from under their hands. */
    private void put(Field field, boolean isNew) {
        if (control instanceof TextInputControl input) {
            if (isNew || !input.isFocused()) {
                input.setText(field.value());
            }
            if (input instanceof TextArea area) {
                int rows = (int) field.value().lines().count();
                area.setPrefRowCount(Math.min(MOST_ROWS, Math.max(field.kind() == Field.Kind.TEXT ? 2 : 1, rows)));
            }
        } else if (control instanceof ComboBox<?>) {
            @SuppressWarnings("unchecked")
            ComboBox<String> box = (ComboBox<String>) control;
            box.setValue(field.value().isEmpty() ? NOT_SAID : field.value());
        } else if (control instanceof FlowPane boxes) {
            Set<String> on = Set.copyOf(field.value().lines().toList());
            boxes.getChildren().forEach(box -> ((CheckBox) box).setSelected(on.contains(((CheckBox) box).getText())));
        }
    }

    /** Where it was read and how sure that is; what a person said has no line. */
    private Node source() {
        HBox source = new HBox();
        source.getStyleClass().add("field-source");
        source.setMinWidth(Region.USE_PREF_SIZE);
        shown().read().ifPresent(read -> source.getChildren().add(link(read)));
        if (isFirstOfAPart()) {
            Button out = new Button("", new FontIcon(Feather.X));
            String words = "Take out: " + shown().label().split(":")[0];
            Texts.tip(out, words);
            Texts.aloud(out, words);
            out.setId("take-out-" + id.replace(':', '-'));
            out.setOnAction(press -> takeOut.run());
            source.getChildren().add(out);
        }
        return source;
    }

    private boolean isFirstOfAPart() {
        return id.startsWith("step:") && id.endsWith(":text") || id.startsWith("file:") && id.endsWith(":name");
    }

    private Hyperlink link(Lesson.Evidence read) {
        Hyperlink link = new Hyperlink("%s, %s"
                .formatted(
                        read.clock().map("said at "::concat).orElse("line " + read.line()),
                        read.sure().word()));
        link.getStyleClass().add("sure-" + read.sure().word());
        link.setOnAction(press -> goToLine.accept(read.file(), read.line()));
        return link;
    }

    private void showNotes(OnTable draft) {
        List<Node> all = draft.found().stream()
                .filter(found -> found.pointer().equals(shown().path()))
                .map(FieldRow::found)
                .collect(Collectors.toList());
        shown().question().ifPresent(ask -> all.add(0, asked(ask, draft.left().contains(id))));
        notes.getChildren().setAll(all);
    }

    private static Node found(Trial.Found found) {
        return told(
                found.fault().isWarning() ? Severity.CAUTION : Severity.STOP,
                found.fault().what() + " " + found.fault().remedy());
    }

    private static HBox told(Severity severity, String words) {
        HBox line = new HBox(Sign.of(severity), Texts.wrapped(Texts.soft(words)));
        line.getStyleClass().add("signed-line");
        return line;
    }

    private Node asked(String ask, boolean left) {
        Button leaving = new Button(left ? "Ask me again" : "Leave it open");
        leaving.setId("leave-" + id.replace(':', '-'));
        leaving.setMinWidth(Region.USE_PREF_SIZE);
        leaving.setOnAction(press -> leave.run());
        HBox line = told(left ? Severity.NOTE : Severity.CAUTION, left ? "Left open: " + ask : ask);
        HBox.setHgrow(line.getChildren().get(1), Priority.ALWAYS);
        ((Control) line.getChildren().get(1)).setMaxWidth(Double.MAX_VALUE);
        line.getChildren().add(leaving);
        return line;
    }

    /** What is shown; nothing is asked of it before. */
    private Field shown() {
        return Objects.requireNonNull(shown);
    }
}
