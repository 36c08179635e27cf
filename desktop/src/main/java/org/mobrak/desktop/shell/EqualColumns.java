package org.mobrak.desktop.shell;

import java.util.List;
import javafx.geometry.Orientation;
import javafx.scene.Node;
import javafx.scene.layout.Pane;

/** Parts of one width side by side; where they have no room in one row they stand in two or four, and none is cut. */
final class EqualColumns extends Pane {
    /** Between two columns and two rows, in pixels. */
    private static final double GAP = 5;

    @Override
    public Orientation getContentBias() {
        return Orientation.HORIZONTAL;
    }

    @Override
    protected double computePrefWidth(double height) {
        List<Node> parts = getManagedChildren();
        return insets() + parts.size() * widest() + Math.max(0, parts.size() - 1) * GAP;
    }

    @Override
    protected double computeMinWidth(double height) {
        return insets() + 2 * widest() + GAP;
    }

    @Override
    protected double computePrefHeight(double width) {
        int rows = rows(width - insets());
        return snappedTopInset() + snappedBottomInset() + rows * highest() + (rows - 1) * GAP;
    }

    @Override
    protected double computeMinHeight(double width) {
        return computePrefHeight(width);
    }

    @Override
    protected void layoutChildren() {
        List<Node> parts = getManagedChildren();
        double room = getWidth() - insets();
        int columns = Math.max(1, (parts.size() + rows(room) - 1) / rows(room));
        double width = (room - (columns - 1) * GAP) / columns;
        double height = highest();
        for (int i = 0; i < parts.size(); i++) {
            double x = snappedLeftInset() + i % columns * (width + GAP);
            double y = snappedTopInset() + i / columns * (height + GAP);
            parts.get(i).resizeRelocate(snapPositionX(x), snapPositionY(y), snapSizeX(width), height);
        }
    }

    /** As few as leave each part its width; of eight parts one, two or four. */
    private int rows(double room) {
        int count = getManagedChildren().size();
        int rows = 1;
        while (room >= 0 && rows * 2 < count && columnWidth(room, count, rows) < widest()) {
            rows *= 2;
        }
        return rows;
    }

    private static double columnWidth(double room, int count, int rows) {
        int columns = (count + rows - 1) / rows;
        return (room - (columns - 1) * GAP) / columns;
    }

    private double insets() {
        return snappedLeftInset() + snappedRightInset();
    }

    private double widest() {
        return getManagedChildren().stream()
                .mapToDouble(part -> Math.ceil(part.prefWidth(-1)))
                .max()
                .orElse(0);
    }

    private double highest() {
        return getManagedChildren().stream()
                .mapToDouble(part -> Math.ceil(part.prefHeight(-1)))
                .max()
                .orElse(0);
    }
}
