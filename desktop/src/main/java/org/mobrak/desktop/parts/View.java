package org.mobrak.desktop.parts;

import javafx.scene.layout.Region;
import org.mobrak.app.Snapshot;

/** A part of the window that shows the snapshot. */
public interface View {
    Region node();

    /** Shows this snapshot instead of the one before; called on the thread that draws. */
    void show(Snapshot snapshot);
}
