package org.mobrak.desktop.parts;

import javafx.geometry.Orientation;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Pane;

/** What a page says of itself, and the tabs of its faces: beside each other where both have room, else one below the other. */
public final class SummaryRow extends Pane {
    /** Letters that the sentence wants beside the tabs. */
    private static final double LEAST_SAID = 16;
    /** Between the two, in letters. */
    private static final double GAP = 0.7;

    private final Label said;
    private final FlowPane tabs;

    public SummaryRow(Label said, FlowPane tabs) {
        this.said = said;
        this.tabs = tabs;
        getStyleClass().add("page-summary");
        getChildren().addAll(said, tabs);
    }

    @Override
    public Orientation getContentBias() {
        return Orientation.HORIZONTAL;
    }

    @Override
    protected double computeMinWidth(double height) {
        return insets() + tabs.minWidth(-1);
    }

    @Override
    protected double computePrefWidth(double height) {
        return insets() + said.prefWidth(-1) + gap() + tabs.prefWidth(-1);
    }

    @Override
    protected double computePrefHeight(double width) {
        double room = width < 0 ? tabs.prefWidth(-1) : width - insets();
        double edges = snappedTopInset() + snappedBottomInset();
        double beside = beside(room);
        return edges
                + (beside > 0
                        ? Math.max(said.prefHeight(beside), tabs.prefHeight(tabs.prefWidth(-1)))
                        : said.prefHeight(room) + (tabs.isManaged() ? gap() + tabs.prefHeight(room) : 0));
    }

    @Override
    protected double computeMinHeight(double width) {
        return computePrefHeight(width);
    }

    @Override
    protected void layoutChildren() {
        double room = getWidth() - insets();
        double x = snappedLeftInset();
        double y = snappedTopInset();
        double beside = beside(room);
        if (beside > 0) {
            double width = tabs.isManaged() ? tabs.prefWidth(-1) : 0;
            double height = getHeight() - y - snappedBottomInset();
            double saying = said.prefHeight(beside);
            said.resizeRelocate(x, y + Math.max(0, (height - saying) / 2), beside, saying);
            tabs.resizeRelocate(x + room - width, y, width, tabs.prefHeight(width));
        } else {
            double saying = said.prefHeight(room);
            said.resizeRelocate(x, y, room, saying);
            tabs.resizeRelocate(x, y + saying + gap(), room, tabs.prefHeight(room));
        }
    }

    /** The width of the sentence beside the tabs; 0 where they have no room beside each other. */
    private double beside(double room) {
        if (!tabs.isManaged()) {
            return room;
        }
        double left = room - tabs.prefWidth(-1) - gap();
        return left >= LEAST_SAID * letter() ? left : 0;
    }

    private double gap() {
        return GAP * letter();
    }

    private double letter() {
        return said.getFont().getSize();
    }

    private double insets() {
        return snappedLeftInset() + snappedRightInset();
    }
}
