package org.mobrak.desktop.parts;

import java.io.File;
import java.nio.file.Path;
import java.util.List;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.input.TransferMode;

/** Lets files be dropped on a part of the window, before what is around it sees them. */
public final class Drops {
    private Drops() {}

    /** Gives what is dropped on a node to its taker. */
    public static void onto(Node node, Consumer<List<Path>> taker) {
        node.setOnDragOver(drag -> {
            if (drag.getDragboard().hasFiles()) {
                drag.acceptTransferModes(TransferMode.COPY);
                drag.consume();
            }
        });
        node.setOnDragDropped(drag -> {
            taker.accept(
                    drag.getDragboard().getFiles().stream().map(File::toPath).toList());
            drag.setDropCompleted(true);
            drag.consume();
        });
    }
}
