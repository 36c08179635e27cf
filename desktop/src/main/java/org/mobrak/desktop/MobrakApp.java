package org.mobrak.desktop;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.Executor;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.image.Image;
import javafx.scene.layout.Pane;
import javafx.stage.Stage;
import org.mobrak.app.Notice;
import org.mobrak.app.RecentWorkspaces;
import org.mobrak.app.Session;
import org.mobrak.app.demo.DrawerFile;
import org.mobrak.desktop.parts.Drawn;
import org.mobrak.desktop.shell.Shell;
import org.slf4j.LoggerFactory;

/** A window on one workspace at a time. */
public final class MobrakApp {
    private static final double WIDTH = 1280;
    private static final double HEIGHT = 800;
    private static final double LEAST_WIDTH = 1024;
    private static final double LEAST_HEIGHT = 700;
    private static final int UNREADABLE = 3;

    private final Places places;

    /**
     * Where things lie.
     *
     * @param home the shipped catalogues and the demo
     * @param cache where what was read of catalogues may be kept
     * @param recent the workspaces that were open last
     * @param log what the program writes down of itself
     */
    public record Places(Path home, Path cache, RecentWorkspaces recent, Path log) {}

    MobrakApp(Places places) {
        this.places = places;
    }

    /**
     * Opens a workspace while the toolkit starts, so that neither waits for the other.
     *
     * @param files that are taken in once it is open
     */
    public static void start(Path folder, Places places, List<Path> files) {
        MobrakApp app = new MobrakApp(places);
        Drawing drawing = new Drawing();
        CompletableFuture<Session> opening = beside("opening", () -> app.opening(folder, drawing));
        Platform.startup(() -> {
            Stage stage = new Stage();
            endWith(stage, opening::join);
            frame(stage, folder);
            Scene scene = stage.getScene();
            CompletableFuture<Shell> shell =
                    beside("shell", () -> new Shell(opening.join(), ZoneId.systemDefault(), scene));
            stage.show();
            // The frame is drawn before it is filled.
            Drawn.then(() -> app.begin(stage, opening.join(), shell.join(), folder, drawing, files));
        });
    }

    private static <T> CompletableFuture<T> beside(String name, Supplier<T> work) {
        return CompletableFuture.supplyAsync(work, task -> new Thread(task, name).start());
    }

    private Session opening(Path folder, Executor drawing) {
        Session session = session(folder, drawing);
        session.notice().addListener((property, before, notice) -> refuse(session, notice));
        session.enter();
        return session;
    }

    private void begin(Stage stage, Session session, Shell shell, Path folder, Drawing drawing, List<Path> files) {
        fill(stage, session, shell, folder);
        drawing.begin();
        new Thread(() -> note(folder), "recent").start();
        if (!files.isEmpty()) {
            session.readings().takeWhatever(files);
        }
    }

    /** The window is gone at once; what is being written is written to its end. */
    static void endWith(Stage stage, Supplier<Session> session) {
        stage.setOnHidden(gone -> new Thread(() -> session.get().close(), "closing").start());
    }

    Places places() {
        return places;
    }

    /** A session that is not open yet. */
    Session session(Path folder, Executor drawing) {
        return new Session(folder, places.cache(), DrawerFile.benchOf(folder), Clock.systemUTC(), drawing);
    }

    /** Keeps in mind that a workspace was opened. */
    void note(Path folder) {
        try {
            places.recent().opened(folder);
        } catch (IOException unwritable) {
            // Not kept for the class: who writes the log is made ready by then, and not while a window waits for it.
            LoggerFactory.getLogger(MobrakApp.class)
                    .warn("The list of the last workspaces cannot be written", unwritable);
        }
    }

    /** A workspace that cannot be opened is told where the command was given, and leaves no window behind. */
    private static void refuse(Session session, Optional<Notice> notice) {
        if (session.glance().get() == null && notice.filter(Notice::bad).isPresent()) {
            System.err.println("mobrak: " + notice.get().text());
            System.exit(UNREADABLE);
        }
    }

    /** Opens the workspace in a window that knows no other. */
    static void show(Stage stage, Session session, Path folder) {
        session.open();
        frame(stage, folder);
        Shell shell = new Shell(session, ZoneId.systemDefault(), stage.getScene());
        shell.moveIn();
        shell.recall();
        stage.show();
    }

    static void frame(Stage stage, Path folder) {
        Shell.begin();
        stage.setScene(new Scene(new Pane(), WIDTH, HEIGHT));
        stage.setTitle("Mobrak: " + folder.getFileName());
        stage.setMinWidth(LEAST_WIDTH);
        stage.setMinHeight(LEAST_HEIGHT);
    }

    /** Fills a window's frame. */
    void fill(Stage stage, Session session, Path folder) {
        fill(stage, session, new Shell(session, ZoneId.systemDefault(), stage.getScene()), folder);
    }

    private void fill(Stage stage, Session session, Shell shell, Path folder) {
        shell.moveIn();
        shell.offer(new OtherWorkspaces(this, stage, session, folder));
        shell.recall();
        // Not before there is something to be seen: a picture takes its time.
        Optional.ofNullable(MobrakApp.class.getResource("icon.png"))
                .ifPresent(icon -> stage.getIcons().add(new Image(icon.toExternalForm(), true)));
    }
}
