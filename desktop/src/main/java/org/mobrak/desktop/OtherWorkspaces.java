package org.mobrak.desktop;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import javafx.application.Platform;
import javafx.stage.Stage;
import org.apache.commons.io.FileUtils;
import org.mobrak.app.Notice;
import org.mobrak.app.Session;
import org.mobrak.app.demo.DemoWorkspace;
import org.mobrak.core.logbook.Workspace;
import org.mobrak.desktop.shell.Workspaces;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** What one window does with other workspaces: the next one takes its place once it is open, and not before. */
final class OtherWorkspaces implements Workspaces {
    private static final Logger LOG = LoggerFactory.getLogger(OtherWorkspaces.class);

    private final MobrakApp app;
    private final Stage stage;
    private final Session session;
    private final Path folder;

    OtherWorkspaces(MobrakApp app, Stage stage, Session session, Path folder) {
        this.app = app;
        this.stage = stage;
        this.session = session;
        this.folder = folder;
    }

    @Override
    public List<Path> recent() {
        return app.places().recent().all().stream()
                .filter(other -> !other.equals(folder))
                .toList();
    }

    @Override
    public Path here() {
        return folder;
    }

    @Override
    public Path log() {
        return app.places().log();
    }

    @Override
    public void open(Path other) {
        attempt("Opening " + other.getFileName(), () -> {
            if (!other.equals(folder)) {
                Workspace.create(other, List.of(app.places().home().resolve("catalogue")));
                if (Workspace.isOurs(other, app.places().cache())) {
                    takeThePlace(other);
                } else {
                    Platform.runLater(() -> new RefusedWindow(app, other, "").show());
                }
            }
        });
    }

    @Override
    public void demo() {
        attempt("Laying out the demo", () -> {
            Path demo = app.places().recent().forDemo();
            Files.createDirectories(demo.getParent());
            DemoWorkspace.create(app.places().home(), demo, app.places().cache(), Clock.systemDefaultZone());
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
            // While it lies nowhere for certain nothing can be done with it.
            Platform.runLater(() -> stage.getScene().getRoot().setDisable(true));
            session.close();
            Path lies = folder;
            try {
                FileUtils.moveDirectory(folder.toFile(), to.toFile());
                lies = to;
                Workspace.agree(to, app.places().cache());
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
        Runnable work = () -> {
            try {
                attempt.run();
            } catch (IOException refused) {
                LOG.info("{}: {}", what, refused.getMessage());
                Platform.runLater(() -> session.tell(new Notice(true, what + ": " + refused.getMessage())));
            }
        };
        new Thread(work, "workspaces").start();
    }

    private void takeThePlace(Path other) throws IOException {
        Session next = app.session(other, Platform::runLater);
        Platform.runLater(() -> {
            next.notice()
                    .addListener((source, before, notice) -> notice.filter(Notice::bad)
                            .filter(bad -> next.snapshot().get() == null)
                            .ifPresent(bad -> stay(next, bad)));
            next.snapshot().addListener((source, before, now) -> {
                if (before == null) {
                    instead(next, other);
                }
            });
            next.open();
        });
    }

    private void stay(Session next, Notice bad) {
        session.tell(bad);
        new Thread(next::close, "closing").start();
    }

    private void instead(Session next, Path other) {
        app.note(other);
        Stage window = new Stage();
        MobrakApp.endWith(window, () -> next);
        MobrakApp.frame(window, other);
        WindowPlaces places = new WindowPlaces(app.places().data());
        places.keep(WindowPlaces.Place.of(stage));
        places.follow(window);
        app.fill(window, next, other);
        window.show();
        stage.close();
    }
}
