package org.mobrak.benchmarks;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import javafx.animation.AnimationTimer;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.Pane;
import javafx.scene.layout.StackPane;
import javafx.stage.Stage;
import javafx.stage.Window;
import org.mobrak.app.RecentWorkspaces;
import org.mobrak.desktop.MobrakApp;

/**
 * How long a window takes from the start of its process: {@code empty} is a window of the same toolkit and theme with one word in
 * it, {@code FOLDER CACHE} the desktop on a workspace. Prints the milliseconds to the second frame, to the first filled page, and
 * until that also says what to do next.
 */
public final class StartUp {
    private StartUp() {}

    public static void main(String[] arguments) throws IOException {
        if (arguments[0].equals("empty")) {
            Platform.startup(StartUp::empty);
        } else {
            MobrakApp.start(
                    Path.of(arguments[0]),
                    new MobrakApp.Places(
                            Path.of(arguments[0]),
                            Path.of(arguments[1]),
                            new RecentWorkspaces(Path.of(arguments[1])),
                            Path.of(arguments[1]).resolve("mobrak.log"),
                            Path.of(arguments[1])),
                    List.of());
        }
        Platform.runLater(() -> new Watch(arguments[0].equals("empty")).start());
    }

    private static void empty() {
        Application.setUserAgentStylesheet(
                MobrakApp.class.getResource("theme-light.css").toExternalForm());
        Stage stage = new Stage();
        stage.setScene(new Scene(new StackPane(new Label("empty")), 1280, 800));
        stage.show();
    }

    private static final class Watch extends AnimationTimer {
        private final boolean empty;
        private int frames;
        private long frame;
        private long filled;
        private int weighed;

        Watch(boolean empty) {
            this.empty = empty;
        }

        @Override
        public void handle(long now) {
            if (Window.getWindows().isEmpty()) {
                return;
            }
            frames++;
            if (frames == 2) {
                frame = sinceStart();
            }
            if (frames >= 2 && filled == 0 && (empty || isFilled())) {
                filled = sinceStart();
            }
            if (filled > 0 && isWeighed()) {
                weighed++;
            }
            // What is told in one pulse was drawn by the next.
            if (filled > 0 && (empty || weighed > 1)) {
                System.out.printf("frame %d ms, filled %d ms, weighed %d ms%n", frame, filled, sinceStart());
                Platform.exit();
                System.exit(0);
            }
        }

        /** How each stage stands was told, which is done when the ways were looked for. */
        private static boolean isWeighed() {
            return Window.getWindows().get(0).getScene().lookup("#stage-ways") instanceof ToggleButton peg
                    && peg.getGraphic() instanceof Pane name
                    && name.getChildren().stream()
                            .allMatch(line -> line instanceof Label told
                                    && !told.getText().isEmpty());
        }

        /** The phones in the drawer and what is known of the one on the desk are there to be read. */
        private static boolean isFilled() {
            Window window = Window.getWindows().get(0);
            return hasRows(window, "#phones") && hasRows(window, "#facts");
        }

        private static boolean hasRows(Window window, String list) {
            return window.getScene().lookup(list) instanceof ListView<?> rows
                    && !rows.getItems().isEmpty()
                    && rows.lookup(".list-cell:filled") != null;
        }

        private static long sinceStart() {
            Instant start = ProcessHandle.current().info().startInstant().orElseThrow();
            return Duration.between(start, Instant.now()).toMillis();
        }
    }
}
