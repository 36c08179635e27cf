package org.mobrak.desktop.parts;

import java.util.List;
import javafx.scene.layout.Region;
import org.mobrak.app.Snapshot;

/** A part of the window that shows the snapshot. */
public interface View {
    Region node();

    /** The faces it has, to be found by their names. */
    default List<Faces.Face> faces() {
        return List.of();
    }

    /** Shows this snapshot instead of the one before; called on the thread that draws. */
    void show(Snapshot snapshot);
}
