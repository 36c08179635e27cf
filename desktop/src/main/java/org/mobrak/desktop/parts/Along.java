package org.mobrak.desktop.parts;

import javafx.scene.control.ScrollPane;
import javafx.scene.control.skin.ScrollPaneSkin;
import javafx.scene.layout.Region;

/** One long word, which is not broken: as high as it is, and scrolled along where it has no room. */
public final class Along extends ScrollPane {
    /** The bar below it, in pixels. */
    private static final double BAR = 14;

    private final Region content;

    public Along(Region content) {
        super(content);
        this.content = content;
        setSkin(new ScrollPaneSkin(this));
        setVbarPolicy(ScrollBarPolicy.NEVER);
        setFocusTraversable(false);
        getStyleClass().addAll("sheet", "sideways");
    }

    @Override
    protected double computeMinHeight(double width) {
        return snappedTopInset() + snappedBottomInset() + content.prefHeight(-1) + BAR;
    }

    @Override
    protected double computePrefHeight(double width) {
        return computeMinHeight(width);
    }
}
