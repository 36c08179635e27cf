package org.mobrak.desktop.parts;

import java.util.List;
import javafx.geometry.Orientation;
import javafx.scene.Node;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;

/** Columns beside each other; where the narrowest they may be has no room, they stand one below the other. */
public final class Columns extends HBox {
    public Columns(Node... columns) {
        super(columns);
        getStyleClass().addAll("page-columns", "columns");
    }

    @Override
    public Orientation getContentBias() {
        return Orientation.HORIZONTAL;
    }

    @Override
    protected double computeMinWidth(double height) {
        return insets()
                + columns().stream().mapToDouble(one -> one.minWidth(-1)).max().orElse(0);
    }

    @Override
    protected double computeMinHeight(double width) {
        return isBeside(width) ? super.computeMinHeight(-1) : edges() + gaps() + sumOfLeastHeights(width - insets());
    }

    @Override
    protected double computePrefHeight(double width) {
        return isBeside(width) ? super.computePrefHeight(-1) : computeMinHeight(width);
    }

    @Override
    protected void layoutChildren() {
        if (isBeside(getWidth())) {
            super.layoutChildren();
            return;
        }
        List<Node> all = columns();
        double room = getWidth() - insets();
        double spare = Math.max(0, getHeight() - edges() - gaps() - sumOfLeastHeights(room));
        long growing = Math.max(1, all.stream().filter(Columns::grows).count());
        double y = snappedTopInset();
        for (Node one : all) {
            double height = one.minHeight(room) + (grows(one) ? spare / growing : 0);
            layoutInArea(
                    one,
                    snappedLeftInset(),
                    y,
                    room,
                    height,
                    0,
                    getAlignment().getHpos(),
                    getAlignment().getVpos());
            y += height + getSpacing();
        }
    }

    private static boolean grows(Node column) {
        return HBox.getHgrow(column) == Priority.ALWAYS;
    }

    private boolean isBeside(double width) {
        double least = columns().stream().mapToDouble(one -> one.minWidth(-1)).sum();
        return width < 0 || insets() + gaps() + least <= width;
    }

    private List<Node> columns() {
        return getManagedChildren();
    }

    /** What folds itself where there is little room is higher then. */
    private double sumOfLeastHeights(double room) {
        return columns().stream().mapToDouble(one -> one.minHeight(room)).sum();
    }

    private double gaps() {
        return Math.max(0, columns().size() - 1) * getSpacing();
    }

    private double insets() {
        return snappedLeftInset() + snappedRightInset();
    }

    private double edges() {
        return snappedTopInset() + snappedBottomInset();
    }

    /** Lets a column take what width the others leave. */
    public static void grow(Region column) {
        HBox.setHgrow(column, Priority.ALWAYS);
    }
}
