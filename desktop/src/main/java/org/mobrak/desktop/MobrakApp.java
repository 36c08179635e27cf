package org.mobrak.desktop;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executor;
import javafx.animation.AnimationTimer;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.image.Image;
import javafx.scene.layout.Pane;
import javafx.stage.Stage;
import org.apache.commons.io.FileUtils;
import org.mobrak.app.Notice;
import org.mobrak.app.RecentWorkspaces;
import org.mobrak.app.Session;
import org.mobrak.app.demo.DemoWorkspace;
import org.mobrak.app.demo.DrawerFile;
import org.mobrak.core.logbook.Workspace;
import org.mobrak.desktop.shell.Shell;
import org.mobrak.desktop.shell.Workspaces;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** A window on one workspace at a time. */
public final class MobrakApp {
    private static final Logger LOG = LoggerFactory.getLogger(MobrakApp.class);
    private static final double WIDTH = 1280;
    private static final double HEIGHT = 800;
    private static final double LEAST_WIDTH = 1024;
    private static final double LEAST_HEIGHT = 700;
    private static final int UNREADABLE = 3;
    /** After so many pulses what was shown has been seen. */
    private static final int FRAMES = 3;

    private final Places places;

    /**
     * Where things lie.
     *
     * @param home the shipped catalogues and the demo
     * @param cache where what was read of catalogues may be kept
     * @param recent the workspaces that were open last
     */
    public record Places(Path home, Path cache, RecentWorkspaces recent) {}

    private MobrakApp(Places places) {
        this.places = places;
    }

    /**
     * Opens a workspace while the toolkit starts, so that neither waits for the other.
     *
     * @param files that are taken in once it is open
     */
    public static void start(Path folder, Places places, List<Path> files) throws IOException {
        MobrakApp app = new MobrakApp(places);
        Drawing drawing = new Drawing();
        Session session = app.session(folder, drawing);
        session.notice().addListener((property, before, notice) -> refuse(session, notice));
        session.open();
        Platform.startup(() -> {
            Stage stage = new Stage();
            frame(stage, folder);
            stage.show();
            whenDrawn(() -> {
                app.fill(stage, session, folder);
                drawing.begin();
                new Thread(() -> app.note(folder), "recent").start();
                if (!files.isEmpty()) {
                    session.takeWhatever(files);
                }
            });
        });
    }

    private Session session(Path folder, Executor drawing) throws IOException {
        return new Session(folder, places.cache(), DrawerFile.benchOf(folder), Clock.systemUTC(), drawing);
    }

    private void note(Path folder) {
        try {
            places.recent().opened(folder);
        } catch (IOException unwritable) {
            LOG.warn("The list of the last workspaces cannot be written", unwritable);
        }
    }

    /** The frame is drawn before it is filled. */
    private static void whenDrawn(Runnable then) {
        new AnimationTimer() {
            private int frames;

            @Override
            public void handle(long now) {
                frames++;
                if (frames == FRAMES) {
                    stop();
                    then.run();
                }
            }
        }.start();
    }

    /** A workspace that cannot be opened is told where the command was given, and leaves no window behind. */
    private static void refuse(Session session, Optional<Notice> notice) {
        if (session.snapshot().get() == null && notice.filter(Notice::bad).isPresent()) {
            System.err.println("mobrak: " + notice.get().text());
            System.exit(UNREADABLE);
        }
    }

    /** Opens the workspace in a window that knows no other. */
    static void show(Stage stage, Session session, Path folder) {
        session.open();
        frame(stage, folder);
        new Shell(session, ZoneId.systemDefault(), stage.getScene()).recall();
        stage.show();
    }

    private static void frame(Stage stage, Path folder) {
        Shell.begin();
        stage.setScene(new Scene(new Pane(), WIDTH, HEIGHT));
        stage.setTitle("Mobrak: " + folder.getFileName());
        stage.setMinWidth(LEAST_WIDTH);
        stage.setMinHeight(LEAST_HEIGHT);
    }

    private void fill(Stage stage, Session session, Path folder) {
        // The window is gone at once; what is being written is written to its end.
        stage.setOnHidden(gone -> new Thread(session::close, "closing").start());
        Shell shell = new Shell(session, ZoneId.systemDefault(), stage.getScene());
        shell.offer(new Window(stage, session, folder));
        shell.recall();
        // Not before there is something to be seen: a picture takes its time.
        Optional.ofNullable(MobrakApp.class.getResource("icon.png"))
                .ifPresent(icon -> stage.getIcons().add(new Image(icon.toExternalForm(), true)));
    }

    /** What one window does with workspaces: the next one takes its place when it is open, and not before. */
    private final class Window implements Workspaces {
        private final Stage stage;
        private final Session session;
        private final Path folder;

        Window(Stage stage, Session session, Path folder) {
            this.stage = stage;
            this.session = session;
            this.folder = folder;
        }

        @Override
        public List<Path> recent() {
            return places.recent().all().stream()
                    .filter(other -> !other.equals(folder))
                    .toList();
        }

        @Override
        public void open(Path other) {
            attempt("Opening " + other.getFileName(), () -> {
                if (!other.equals(folder)) {
                    Workspace.create(other, List.of(places.home().resolve("catalogue")));
                    takeThePlace(other);
                }
            });
        }

        @Override
        public void demo() {
            attempt("Laying out the demo", () -> {
                Path demo = places.recent().forDemo();
                Files.createDirectories(demo.getParent());
                DemoWorkspace.create(places.home(), demo, places.cache(), Clock.systemUTC());
                takeThePlace(demo);
            });
        }

        @Override
        public void move(Path into) {
            Path to = into.resolve(folder.getFileName());
            attempt("Moving the workspace", () -> {
                if (Files.exists(to)) {
                    throw new IOException(to + " is there already; choose another folder.");
                }
                session.close();
                Path lies = folder;
                try {
                    FileUtils.moveDirectory(folder.toFile(), to.toFile());
                    lies = to;
                } finally {
                    takeThePlace(lies);
                }
            });
        }

        private interface Attempt {
            void run() throws IOException;
        }

        /** Beside the thread that draws; what goes wrong is told in this window, which stays. */
        private void attempt(String what, Attempt attempt) {
            new Thread(
                            () -> {
                                try {
                                    attempt.run();
                                } catch (IOException refused) {
                                    LOG.info("{}: {}", what, refused.getMessage());
                                    Platform.runLater(
                                            () -> session.tell(new Notice(true, what + ": " + refused.getMessage())));
                                }
                            },
                            "workspaces")
                    .start();
        }

        private void takeThePlace(Path other) throws IOException {
            Session next = session(other, Platform::runLater);
            Platform.runLater(() -> {
                next.notice()
                        .addListener((source, before, notice) -> notice.filter(Notice::bad)
                                .filter(bad -> next.snapshot().get() == null)
                                .ifPresent(session::tell));
                next.snapshot().addListener((source, before, now) -> {
                    if (before == null) {
                        instead(next, other);
                    }
                });
                next.open();
            });
        }

        private void instead(Session next, Path other) {
            note(other);
            Stage window = new Stage();
            frame(window, other);
            window.setX(stage.getX());
            window.setY(stage.getY());
            window.setWidth(stage.getWidth());
            window.setHeight(stage.getHeight());
            fill(window, next, other);
            window.show();
            stage.close();
        }
    }
}
