package org.mobrak.desktop;

import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextArea;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.VBox;
import javafx.stage.DirectoryChooser;
import javafx.stage.Stage;
import org.mobrak.app.demo.DemoWorkspace;
import org.mobrak.core.logbook.Backups;
import org.mobrak.core.logbook.Workspace;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Empty;
import org.mobrak.desktop.parts.Flow;
import org.mobrak.desktop.parts.Sheet;
import org.mobrak.desktop.parts.Texts;
import org.mobrak.desktop.shell.Shell;

/** Why a workspace is not open yet, and what can be done then: one that cannot be, and one that nobody agreed to. */
final class RefusedWindow {
    private static final double WIDTH = 760;
    private static final double HEIGHT = 560;
    private static final int MOST_COPIES = 5;
    private static final int MOST_OF_THE_LOG = 40_000;
    private static final int UNREADABLE = 3;

    private final MobrakApp app;
    private final Path folder;
    private final Stage stage = new Stage();
    private final Label reason = Texts.wrapped(Texts.plain(""));
    private final VBox content = new VBox();

    RefusedWindow(MobrakApp app, Path folder, String why) {
        this.app = app;
        this.folder = folder;
        reason.setId("refused-reason");
        Texts.say(reason, why);
    }

    void show() {
        Shell.begin();
        boolean elsewhere = isFromElsewhere();
        content.getChildren().addAll(elsewhere ? fromElsewhere() : refused(), others(elsewhere));
        if (!elsewhere) {
            copies().ifPresent(content.getChildren()::add);
        }
        Flow last = new Flow(
                Empty.action("refused-log", "Show the log", this::showLog),
                Empty.action("refused-close", "Close", stage::close));
        last.getStyleClass().add("buttons");
        content.getChildren().add(last);
        content.getStyleClass().addAll("side", "refused");
        Scene scene = new Scene(new BorderPane(new Sheet(content)));
        Shell.dress(scene);
        stage.setScene(scene);
        stage.setTitle(
                (elsewhere ? "Open " : "Cannot open ") + folder.getFileName() + (elsewhere ? "?" : "") + " – Mobrak");
        stage.setOnHidden(closed -> end());
        WindowPlaces.middle(WIDTH, HEIGHT).give(stage, () -> {});
        stage.show();
    }

    private Node refused() {
        Card told = new Card("This workspace cannot be opened", reason, Texts.wrapped(Texts.exact(folder.toString())));
        told.setId("refused");
        return told;
    }

    private boolean isFromElsewhere() {
        try {
            return Files.isDirectory(folder)
                    && !Workspace.isOurs(folder, app.places().cache());
        } catch (IOException notToBeLookedAt) {
            return false;
        }
    }

    private Node fromElsewhere() {
        Texts.say(reason, "");
        reason.managedProperty().bind(reason.textProperty().isNotEmpty());
        return new VBox(
                new ElsewhereCard(
                        app.places(),
                        folder,
                        () -> attempt(() -> {
                            Workspace.agree(folder, app.places().cache());
                            return folder;
                        })),
                reason);
    }

    /** Where nothing else was opened from here the program has not done what it was asked for. */
    private void end() {
        if (Stage.getWindows().stream().noneMatch(window -> window != stage && window.isShowing())) {
            Platform.exit();
            System.exit(UNREADABLE);
        }
    }

    private Node others(boolean elsewhere) {
        Button choose = Empty.action("refused-other", "Open another workspace …", this::choose);
        if (!elsewhere) {
            choose.getStyleClass().add("do-this");
        }
        Flow buttons = new Flow(choose, Empty.action("refused-demo", "Open a fresh demo", this::demo));
        buttons.getStyleClass().add("buttons");
        Card card = new Card("Open something else", buttons);
        List<Path> recent = app.places().recent().all().stream()
                .filter(other -> !other.equals(folder))
                .toList();
        for (int i = 0; i < recent.size(); i++) {
            Path other = recent.get(i);
            Button button = Empty.action("refused-recent-" + i, "", () -> open(other));
            Texts.say(button, other.toString());
            card.getChildren().add(button);
        }
        return card;
    }

    private Optional<Node> copies() {
        try {
            List<Path> all = Backups.of(folder);
            if (all.isEmpty()) {
                return Optional.empty();
            }
            Flow buttons = new Flow();
            buttons.getStyleClass().add("buttons");
            all.stream().limit(MOST_COPIES).forEach(copy -> {
                Button button =
                        Empty.action("refused-copy-" + buttons.getChildren().size(), "", () -> putBack(copy));
                Texts.say(button, copy.getFileName().toString().replaceAll("^logbook-|\\.db$", ""));
                buttons.getChildren().add(button);
            });
            return Optional.of(new Card(
                    "Put a copy of its logbook back",
                    Texts.wrapped(Texts.plain(
                            "What is there now is kept beside the copies. Copies by day, the newest first:")),
                    buttons));
        } catch (IOException unreadable) {
            return Optional.empty();
        }
    }

    private void putBack(Path copy) {
        attempt(() -> {
            Workspace.putBack(
                    folder,
                    app.places().cache(),
                    copy,
                    String.valueOf(Clock.systemUTC().millis()));
            return folder;
        });
    }

    private void choose() {
        DirectoryChooser chooser = new DirectoryChooser();
        chooser.setTitle("The folder of a workspace, or an empty one");
        Optional.ofNullable(chooser.showDialog(stage)).map(File::toPath).ifPresent(this::open);
    }

    private void open(Path other) {
        attempt(() -> {
            Workspace.create(other, List.of(app.places().home().resolve("catalogue")));
            return other;
        });
    }

    private void demo() {
        attempt(() -> {
            Path demo = app.places().recent().forDemo();
            Files.createDirectories(demo.getParent());
            DemoWorkspace.create(app.places().home(), demo, app.places().cache(), Clock.systemDefaultZone());
            return demo;
        });
    }

    private interface Way {
        Path take() throws IOException;
    }

    /** Beside the thread that draws; what goes wrong is told here. */
    private void attempt(Way way) {
        content.setDisable(true);
        new Thread(
                        () -> {
                            try {
                                Path ready = way.take();
                                Platform.runLater(() -> {
                                    app.startAnew(ready);
                                    stage.close();
                                });
                            } catch (IOException | RuntimeException refused) {
                                Platform.runLater(() -> {
                                    content.setDisable(false);
                                    Texts.say(reason, FileWords.of(refused));
                                });
                            }
                        },
                        "refused")
                .start();
    }

    private void showLog() {
        content.lookupAll("#refused-log-text").forEach(content.getChildren()::remove);
        TextArea text = new TextArea();
        text.setId("refused-log-text");
        text.setEditable(false);
        text.getStyleClass().add("exact-input");
        try {
            String log = Files.readString(app.places().log());
            text.setText(log.substring(Math.max(0, log.length() - MOST_OF_THE_LOG)));
            text.positionCaret(text.getLength());
        } catch (IOException none) {
            text.setText("Nothing was written down: " + app.places().log());
        }
        content.getChildren().add(text);
    }
}
