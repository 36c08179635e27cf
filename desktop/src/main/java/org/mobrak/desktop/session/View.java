package org.mobrak.desktop.session;

import javafx.scene.layout.Region;

/** A part of the window that shows the snapshot. */
public interface View {
    Region node();

    /** Shows this snapshot instead of the one before; called on the thread that draws. */
    void show(Snapshot snapshot);
}
