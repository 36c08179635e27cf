package org.mobrak.desktop.parts;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Supplier;
import javafx.scene.Node;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** Several faces of one page, of which one is seen: a row of tabs, and the body they turn. */
public final class Faces {
    private final Map<ToggleButton, Supplier<Region>> faces = new LinkedHashMap<>();
    private final ToggleGroup turn = new ToggleGroup();
    private final FlowPane tabs = new Tabs();
    private final StackPane body = new StackPane();

    public Faces() {
        tabs.getStyleClass().add("ruler-kinds");
        VBox.setVgrow(body, Priority.ALWAYS);
        turn.selectedToggleProperty().addListener((property, old, now) -> {
            if (now == null) {
                // One is always seen.
                turn.selectToggle(old);
            } else {
                body.getChildren().setAll(Objects.requireNonNull(faces.get(now)).get());
            }
        });
    }

    /**
     * Adds a face behind the others; the first is seen at once.
     *
     * @param id of its tab
     * @param face asked each time the face is turned to
     * @return turns to it
     */
    public Runnable add(String id, String label, Supplier<Region> face) {
        ToggleButton tab = new ToggleButton(label);
        tab.setId(id);
        tab.getStyleClass().add("ruler-kind");
        tab.setToggleGroup(turn);
        faces.put(tab, face);
        tabs.getChildren().add(tab);
        if (faces.size() == 1) {
            tab.setSelected(true);
        }
        return () -> tab.setSelected(true);
    }

    /**
     * One of them, by its name.
     *
     * @param turn shows it
     */
    public record Face(String id, String label, Runnable turn) {}

    /** All of them, in their order. */
    public List<Face> all() {
        return faces.keySet().stream()
                .map(tab -> new Face(tab.getId(), tab.getText(), () -> tab.setSelected(true)))
                .toList();
    }

    /** They wish for one row, and take more where there is less room. */
    private static final class Tabs extends FlowPane {
        @Override
        protected double computePrefWidth(double height) {
            List<Node> all = getManagedChildren();
            double sum = all.stream()
                    .mapToDouble(tab -> snapSizeX(tab.prefWidth(-1)) + 1)
                    .sum();
            return snappedLeftInset() + snappedRightInset() + sum + getHgap() * Math.max(0, all.size() - 1);
        }
    }

    public FlowPane tabs() {
        return tabs;
    }

    public StackPane body() {
        return body;
    }
}
