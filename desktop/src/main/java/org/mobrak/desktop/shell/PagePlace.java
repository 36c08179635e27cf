package org.mobrak.desktop.shell;

import javafx.scene.control.ScrollPane;
import javafx.scene.control.skin.ScrollPaneSkin;
import javafx.scene.layout.Region;

/**
 * Where the page stands that is seen. A page fills it; one that needs more height than there is scrolls within it and never runs over
 * what stands above or below.
 */
final class PagePlace {
    private final ScrollPane node = new ScrollPane();

    PagePlace() {
        node.setSkin(new ScrollPaneSkin(node));
        node.setFitToWidth(true);
        node.setFitToHeight(true);
        node.getStyleClass().addAll("sheet", "page-place");
        node.setId("page-place");
        // A page has what takes the keyboard; its place would only be one more stop on the way there.
        node.setFocusTraversable(false);
    }

    Region node() {
        return node;
    }

    void put(Region page) {
        if (node.getContent() != page) {
            node.setContent(page);
            node.setVvalue(0);
        }
    }
}
