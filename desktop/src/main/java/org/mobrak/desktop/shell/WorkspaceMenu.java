package org.mobrak.desktop.shell;

import java.io.File;
import java.nio.file.Path;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.stage.DirectoryChooser;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.desktop.parts.Texts;

/** The workspaces: another one, a new one, one of the last, the demo; and this one somewhere else. */
final class WorkspaceMenu {
    private static final int SHOWN = 48;

    private final Workspaces workspaces;
    private final MenuButton button = new MenuButton("", new FontIcon(Feather.FOLDER));

    WorkspaceMenu(Workspaces workspaces) {
        this.workspaces = workspaces;
        button.setId("workspaces");
        Texts.tip(button, "Workspaces");
        Texts.aloud(button, "Workspaces");
        button.setOnShowing(opened -> fill());
        // Without a line it would not open.
        button.getItems().add(new SeparatorMenuItem());
    }

    MenuButton button() {
        return button;
    }

    private void fill() {
        button.getItems()
                .setAll(
                        item(
                                "workspace-open",
                                "Open a workspace, or make one in an empty folder …",
                                () -> choose("The folder of a workspace, or an empty one", workspaces::open)),
                        item("workspace-demo", "Open a fresh demo", workspaces::demo),
                        item(
                                "workspace-move",
                                "Move this workspace …",
                                () -> choose("The folder into which it goes", workspaces::move)));
        if (!workspaces.recent().isEmpty()) {
            button.getItems().add(new SeparatorMenuItem());
        }
        int number = 0;
        for (Path folder : workspaces.recent()) {
            button.getItems().add(item("workspace-" + number, shown(folder), () -> workspaces.open(folder)));
            number++;
        }
    }

    /** The end of a long path tells more than its beginning. */
    private static String shown(Path folder) {
        String path = folder.toString();
        return path.length() <= SHOWN ? path : "… " + path.substring(path.length() - SHOWN);
    }

    private static MenuItem item(String id, String words, Runnable action) {
        MenuItem item = Texts.item(words);
        item.setId(id);
        item.setOnAction(press -> action.run());
        return item;
    }

    private void choose(String title, Consumer<Path> taker) {
        DirectoryChooser chooser = new DirectoryChooser();
        chooser.setTitle(title);
        Optional.ofNullable(chooser.showDialog(button.getScene().getWindow()))
                .map(File::toPath)
                .ifPresent(taker);
    }
}
