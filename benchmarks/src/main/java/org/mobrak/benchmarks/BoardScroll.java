package org.mobrak.benchmarks;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import javafx.animation.AnimationTimer;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ListView;
import javafx.stage.Stage;
import org.apache.commons.io.file.PathUtils;
import org.mobrak.app.Session;
import org.mobrak.app.demo.DrawerFile;
import org.mobrak.core.logbook.Workspace;
import org.mobrak.desktop.shell.Shell;

/**
 * Scrolls the board of a large catalogue by some rows in every frame and tells how long the frames took. Run by
 * {@code benchmarks/board.sh}, which gives it a display.
 */
public final class BoardScroll extends Application {
    private static final int FRAMES = 600;
    private static final int ROWS_A_FRAME = 5;
    private static final double MILLION = 1e6;
    private static final double SKIPPED = 34;

    private final List<Double> frames = new ArrayList<>();
    private Path folder;
    private Session session;
    private Shell shell;

    @Override
    public void start(Stage stage) throws IOException {
        List<String> parameters = getParameters().getRaw();
        Path home = Path.of(parameters.get(0));
        folder = Files.createTempDirectory("board");
        Path catalogue = Files.createDirectory(folder.resolve("catalogue"));
        ManyRoutes.write(
                List.of(home.resolve("catalogue"), home.resolve("demo/catalogue")),
                catalogue,
                Integer.parseInt(parameters.get(1)));
        Workspace.create(folder.resolve("workspace"), List.of(catalogue));
        session = new Session(
                folder.resolve("workspace"),
                folder.resolve("cache"),
                DrawerFile.benchOf(folder.resolve("workspace")),
                Clock.systemUTC(),
                Platform::runLater);
        shell = new Shell(session, ZoneOffset.UTC);
        stage.setScene(shell.scene());
        stage.show();
        session.open();
        session.addPhone("Board");
        session.readings().takeFiles(List.of(home.resolve("demo/readings/hive-03-listing.txt")));
        shell.open(org.mobrak.desktop.shell.Page.WAYS);
        whenRested();
    }

    private void whenRested() {
        new AnimationTimer() {
            @Override
            public void handle(long now) {
                if (session.work().get().isEmpty()) {
                    stop();
                    ((ButtonBase) shell.scene().lookup("#face-routes")).fire();
                    Platform.runLater(BoardScroll.this::scroll);
                }
            }
        }.start();
    }

    private void scroll() {
        ListView<?> routes = (ListView<?>) shell.scene().lookup("#routes");
        new AnimationTimer() {
            private long last;
            private int row;

            @Override
            public void handle(long now) {
                if (last > 0) {
                    frames.add((now - last) / MILLION);
                }
                last = now;
                row += ROWS_A_FRAME;
                routes.scrollTo(row);
                if (frames.size() == FRAMES) {
                    stop();
                    tell(routes.getItems().size());
                    Platform.exit();
                }
            }
        }.start();
    }

    private void tell(int rows) {
        Collections.sort(frames);
        System.out.printf(
                "%d rows, %d frames: median %.1f ms, 95 %% under %.1f ms, longest %.1f ms, over %.0f ms: %d%n",
                rows,
                frames.size(),
                frames.get(frames.size() / 2),
                frames.get(frames.size() * 95 / 100),
                frames.get(frames.size() - 1),
                SKIPPED,
                frames.stream().filter(frame -> frame > SKIPPED).count());
    }

    @Override
    public void stop() throws IOException {
        session.close();
        PathUtils.deleteDirectory(folder);
    }

    /** Keeps JavaFX off the class path's start-up check. */
    public static final class Start {
        private Start() {}

        public static void main(String[] arguments) {
            Application.launch(BoardScroll.class, arguments);
        }
    }
}
