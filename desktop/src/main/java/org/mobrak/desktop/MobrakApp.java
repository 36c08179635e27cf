package org.mobrak.desktop;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.time.ZoneId;
import java.util.Optional;
import javafx.animation.AnimationTimer;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.layout.Pane;
import javafx.stage.Stage;
import org.mobrak.app.Notice;
import org.mobrak.app.Session;
import org.mobrak.app.demo.DrawerFile;
import org.mobrak.desktop.shell.Shell;

/** The window on one workspace. */
public final class MobrakApp {
    private static final double WIDTH = 1280;
    private static final double HEIGHT = 800;
    private static final double LEAST_WIDTH = 1024;
    private static final double LEAST_HEIGHT = 700;
    private static final int UNREADABLE = 3;
    /** After so many pulses what was shown has been seen. */
    private static final int FRAMES = 3;

    private MobrakApp() {}

    /** Opens a workspace while the toolkit starts, so that neither waits for the other. */
    public static void start(Path folder, Path cache) throws IOException {
        Drawing drawing = new Drawing();
        Session session = new Session(folder, cache, DrawerFile.benchOf(folder), Clock.systemUTC(), drawing);
        session.notice().addListener((property, before, notice) -> refuse(session, notice));
        session.open();
        Platform.startup(() -> {
            Stage stage = new Stage();
            // The window is gone at once; what is being written is written to its end.
            stage.setOnHidden(gone -> new Thread(session::close, "closing").start());
            frame(stage, folder);
            stage.show();
            whenDrawn(() -> {
                fill(stage, session);
                drawing.begin();
            });
        });
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

    /** Opens the workspace in a window. */
    static void show(Stage stage, Session session, Path folder) {
        session.open();
        frame(stage, folder);
        fill(stage, session);
        stage.show();
    }

    private static void frame(Stage stage, Path folder) {
        Shell.begin();
        stage.setScene(new Scene(new Pane(), WIDTH, HEIGHT));
        stage.setTitle("Mobrak: " + folder.getFileName());
        stage.setMinWidth(LEAST_WIDTH);
        stage.setMinHeight(LEAST_HEIGHT);
    }

    private static void fill(Stage stage, Session session) {
        new Shell(session, ZoneId.systemDefault(), stage.getScene()).recall();
    }
}
