package org.mobrak.desktop.shell;

import java.io.File;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.scene.Scene;
import javafx.scene.control.TextField;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.DragEvent;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.Region;
import org.mobrak.app.Session;
import org.mobrak.desktop.parts.Pasting;

/** What comes into the window from outside, wherever in it: keys, files that are dropped, lines that are pasted into a field for one. */
final class Inputs {
    private final Scene scene;
    private final Session session;
    private final SideSheets sides;
    private final Supplier<List<Shortcut>> shortcuts;
    private final Consumer<Page> open;
    private final PastedLines pasted = new PastedLines();

    Inputs(Scene scene, Session session, SideSheets sides, Supplier<List<Shortcut>> shortcuts, Consumer<Page> open) {
        this.scene = scene;
        this.session = session;
        this.sides = sides;
        this.shortcuts = shortcuts;
        this.open = open;
    }

    /** The question about pasted lines, where there is one. */
    Region node() {
        return pasted.node();
    }

    void listen() {
        scene.addEventFilter(KeyEvent.KEY_PRESSED, this::onKey);
        scene.setOnDragOver(this::onDrag);
        scene.setOnDragDropped(drag -> {
            session.readings()
                    .takeFiles(drag.getDragboard().getFiles().stream()
                            .map(File::toPath)
                            .toList());
            open.accept(Page.READINGS);
            drag.setDropCompleted(true);
        });
    }

    private void onDrag(DragEvent drag) {
        if (drag.getDragboard().hasFiles()) {
            drag.acceptTransferModes(TransferMode.COPY);
        }
    }

    private void onKey(KeyEvent key) {
        if (key.getCode() == KeyCode.ESCAPE && sides.takesEscape()) {
            sides.close();
            key.consume();
            return;
        }
        if (Pasting.isPaste(key) && scene.getFocusOwner() instanceof TextField field && Pasting.takesOneLine(field)) {
            Optional<String> lines = Pasting.lines();
            if (lines.isPresent()) {
                ask(field, lines.get());
                key.consume();
                return;
            }
        }
        boolean typing = scene.getFocusOwner() instanceof TextInputControl;
        for (Shortcut shortcut : shortcuts.get()) {
            if (shortcut.keys().match(key) && !(typing && shortcut.leftToFields())) {
                shortcut.action().run();
                key.consume();
                return;
            }
        }
    }

    private void ask(TextField field, String lines) {
        pasted.ask(
                field,
                lines,
                () -> {
                    open.accept(Page.READINGS);
                    session.readings().takePasted(lines);
                },
                () -> {
                    open.accept(Page.WORKSHOP);
                    session.workshop().readPasted(lines);
                },
                () -> {
                    field.requestFocus();
                    field.replaceSelection(lines.replaceAll("\\R", " "));
                });
    }
}
