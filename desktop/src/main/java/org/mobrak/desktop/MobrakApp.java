package org.mobrak.desktop;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.time.ZoneId;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.stage.Stage;
import org.mobrak.app.Session;
import org.mobrak.app.demo.DrawerFile;
import org.mobrak.desktop.shell.Shell;

/** The window on one workspace. */
public final class MobrakApp extends Application {
    private static final double LEAST_WIDTH = 1024;
    private static final double LEAST_HEIGHT = 700;

    private Session session;

    @Override
    public void start(Stage stage) throws IOException {
        Path folder = Path.of(getParameters().getRaw().get(0));
        session = new Session(
                folder,
                Path.of(getParameters().getRaw().get(1)),
                DrawerFile.benchOf(folder),
                Clock.systemUTC(),
                Platform::runLater);
        show(stage, session, folder);
    }

    @Override
    public void stop() {
        // The window is gone at once; what is being written is written to its end.
        new Thread(session::close, "closing").start();
    }

    /** Opens the workspace in a window. */
    static void show(Stage stage, Session session, Path folder) {
        Shell shell = new Shell(session, ZoneId.systemDefault());
        stage.setScene(shell.scene());
        stage.setTitle("Mobrak: " + folder.getFileName());
        stage.setMinWidth(LEAST_WIDTH);
        stage.setMinHeight(LEAST_HEIGHT);
        session.open();
        shell.recall();
        stage.show();
    }
}
