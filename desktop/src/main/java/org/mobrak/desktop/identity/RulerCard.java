package org.mobrak.desktop.identity;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.geometry.HPos;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Control;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.mobrak.app.Desk;
import org.mobrak.app.Glance;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.build.Overlay;
import org.mobrak.core.identity.build.Ruler;
import org.mobrak.core.identity.build.Ruler.Segment;
import org.mobrak.desktop.parts.Along;
import org.mobrak.desktop.parts.Escape;
import org.mobrak.desktop.parts.Flow;
import org.mobrak.desktop.parts.Texts;

/** The phone's build strings taken apart, one at a time, and another laid over it. */
final class RulerCard {
    /** Longer strings are drawn smaller, so that they stay on one line. */
    private static final int LONG = 34;

    private final Flow kinds = new Flow();
    private final Button lay = new Button("Lay another build over it");
    private final HBox body = new HBox();
    private final HBox head;
    private final VBox node;
    private Optional<Glance.Phone> phone = Optional.empty();
    /** What knows other builds; it comes after the phone. */
    private Optional<Desk> desk = Optional.empty();
    /** There is none before it is wanted: few look for it, and with its list it is a twentieth of all that is drawn at the start. */
    private Optional<ComboBox<String>> other = Optional.empty();

    private String kind = "";
    private boolean filling;

    RulerCard() {
        kinds.getStyleClass().add("ruler-kinds");
        lay.setId("lay-over");
        lay.setOnAction(press -> layOver());
        kinds.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(kinds, Priority.ALWAYS);
        lay.setMinWidth(Region.USE_PREF_SIZE);
        head = new HBox(kinds, lay);
        head.getStyleClass().add("ruler-head");
        body.getStyleClass().add("ruler-body");
        body.setId("ruler");
        node = new VBox(body);
        node.getStyleClass().addAll("card", "ruler-card");
    }

    Region node() {
        return node;
    }

    /** What is laid over is typed or chosen where the button was. */
    private void layOver() {
        ComboBox<String> box = new ComboBox<>();
        box.setId("other-build");
        box.setEditable(true);
        box.setPromptText("Another build");
        box.getEditor().getStyleClass().add("exact-input");
        Texts.aloud(box, "Another build, to lay over this one");
        other = Optional.of(box);
        offer(desk);
        box.valueProperty().addListener((property, old, text) -> {
            if (!filling) {
                draw();
            }
        });
        Escape.from(box, () -> {
            putAway();
            draw();
            lay.requestFocus();
        });
        putAtTheEnd(box);
        box.requestFocus();
    }

    private void putAway() {
        other = Optional.empty();
        putAtTheEnd(lay);
    }

    private void putAtTheEnd(Control control) {
        head.getChildren().set(head.getChildren().size() - 1, control);
    }

    /** Other builds are offered by what is known of them now. */
    void offer(Optional<Desk> now) {
        desk = now;
        List<String> known = now.map(Desk::otherBuilds).orElse(List.of());
        other.ifPresent(box -> {
            if (!box.getItems().equals(known)) {
                filling = true;
                String chosen = box.getValue();
                box.getItems().setAll(known);
                box.setValue(chosen);
                filling = false;
            }
            draw();
        });
    }

    private String laidOver() {
        return other.flatMap(box -> Optional.ofNullable(box.getValue())).orElse("");
    }

    void show(Optional<Glance.Phone> now) {
        boolean samePhone = number(now).equals(number(phone));
        phone = now;
        if (!samePhone) {
            putAway();
        }
        List<Ruler> rulers = rulers();
        if (rulers.stream().noneMatch(ruler -> ruler.kind().equals(kind))) {
            kind = rulers.isEmpty() ? "" : rulers.get(0).kind();
        }
        fillKinds(rulers);
        draw();
    }

    private static Optional<Long> number(Optional<Glance.Phone> phone) {
        return phone.map(one -> one.dossier().phone().id());
    }

    private List<Ruler> rulers() {
        return phone.map(one -> one.identity().rulers()).orElse(List.of());
    }

    private void fillKinds(List<Ruler> rulers) {
        ToggleGroup group = new ToggleGroup();
        kinds.getChildren().clear();
        for (Ruler ruler : rulers) {
            ToggleButton button = new ToggleButton(ruler.kind());
            button.setId("ruler-" + ruler.kind().toLowerCase(Locale.ROOT).replace(' ', '-'));
            button.getStyleClass().add("ruler-kind");
            button.setToggleGroup(group);
            button.setSelected(ruler.kind().equals(kind));
            button.setOnAction(press -> {
                kind = ruler.kind();
                button.setSelected(true);
                draw();
            });
            kinds.getChildren().add(button);
        }
        if (rulers.isEmpty()) {
            node.getChildren().remove(head);
        } else if (!node.getChildren().contains(head)) {
            node.getChildren().add(0, head);
        }
    }

    private void draw() {
        body.getChildren().clear();
        Optional<Ruler> chosen =
                rulers().stream().filter(ruler -> ruler.kind().equals(kind)).findFirst();
        if (chosen.isEmpty()) {
            body.getChildren().setAll(new VBox(Texts.heading("Build number"), Texts.wrapped(Texts.soft(whyEmpty()))));
            return;
        }
        String text = laidOver().strip();
        Optional<Overlay> overlay =
                text.isEmpty() ? Optional.empty() : desk.flatMap(one -> one.overlay(chosen.get(), text));
        Along along = new Along(ruler(chosen.get(), overlay));
        HBox.setHgrow(along, Priority.ALWAYS);
        body.getChildren().add(along);
        List<String> said = overlay.map(Overlay::sentences).orElse(List.of());
        if (!text.isEmpty() && overlay.isEmpty()) {
            said = List.of("“%s” is not built like this %s.".formatted(text, kind.toLowerCase(Locale.ROOT)));
        }
        VBox sentences = new VBox();
        sentences.getStyleClass().add("ruler-sentences");
        said.forEach(one -> sentences.getChildren().add(sentence(one)));
        if (!said.isEmpty()) {
            body.getChildren().add(sentences);
            HBox.setHgrow(sentences, Priority.ALWAYS);
        }
    }

    private static Label sentence(String text) {
        Label label = Texts.wrapped(Texts.plain(text));
        label.getStyleClass().add("ruler-sentence");
        return label;
    }

    private String whyEmpty() {
        Optional<String> number = phone.flatMap(one -> one.identity().facts().value(Fact.BUILD_NUMBER));
        return number.map(text ->
                        text + " cannot be taken apart: the catalogue has no grammar for this maker's build numbers.")
                .orElse("Once a build number is known, it is taken apart here. It stands on the about screen.");
    }

    private static GridPane ruler(Ruler ruler, Optional<Overlay> overlay) {
        GridPane grid = new GridPane();
        grid.getStyleClass().add("ruler");
        String size = ruler.text().length() > LONG ? "ruler-small" : "ruler-large";
        int column = 0;
        for (int i = 0; i < ruler.segments().size(); i++) {
            Segment segment = ruler.segments().get(i);
            if (segment.text().isEmpty()) {
                continue;
            }
            boolean differs = overlay.isPresent() && overlay.get().differing().contains(i);
            grid.add(letters(segment, size, differs), column, 0);
            if (overlay.isPresent()) {
                grid.add(letters(overlay.get().other().segments().get(i), size, differs), column, 1);
            }
            if (segment.isPart()) {
                addLegend(grid, segment, column);
            }
            column++;
        }
        return grid;
    }

    private static Label letters(Segment segment, String size, boolean differs) {
        Label letters = Texts.exact(segment.text());
        letters.getStyleClass().addAll("ruler-letters", size);
        letters.setMinWidth(Region.USE_PREF_SIZE);
        if (!segment.isPart()) {
            letters.getStyleClass().add("ruler-mark");
        }
        if (differs) {
            letters.getStyleClass().add("ruler-differs");
        }
        GridPane.setHalignment(letters, HPos.CENTER);
        return letters;
    }

    private static void addLegend(GridPane grid, Segment segment, int column) {
        Region bracket = new Region();
        bracket.getStyleClass().add("ruler-bracket");
        grid.add(bracket, column, 2);
        Label label = Texts.soft(segment.label());
        label.getStyleClass().add("ruler-label");
        Label meaning = Texts.plain(segment.meaning());
        meaning.getStyleClass().add("ruler-meaning");
        for (Label line : List.of(label, meaning)) {
            line.setMinWidth(Region.USE_PREF_SIZE);
            GridPane.setHalignment(line, HPos.CENTER);
        }
        grid.add(label, column, 3);
        grid.add(meaning, column, 4);
    }
}
