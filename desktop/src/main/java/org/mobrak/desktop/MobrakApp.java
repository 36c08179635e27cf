package org.mobrak.desktop;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.Executor;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.Supplier;
import java.util.regex.Pattern;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.image.Image;
import javafx.scene.layout.Pane;
import javafx.stage.Stage;
import org.mobrak.app.Glance;
import org.mobrak.app.Notice;
import org.mobrak.app.RecentWorkspaces;
import org.mobrak.app.Session;
import org.mobrak.app.demo.DrawerFile;
import org.mobrak.desktop.parts.Drawn;
import org.mobrak.desktop.parts.Texts;
import org.mobrak.desktop.shell.Shell;
import org.mobrak.desktop.shell.Workspaces;
import org.slf4j.LoggerFactory;

/** A window on one workspace at a time. */
public final class MobrakApp {
    /** So long the window waits for what is done beside it; hundreds of times what it takes. */
    private static final long LONGEST_SECONDS = 20;
    /** A day, a time and a process, as they are hung on the name of a folder that must not be there yet. */
    private static final Pattern NUMBERED = Pattern.compile("(?<=.)-\\d{8}(?:-\\d{1,9}){0,3}$");

    private final Places places;

    /**
     * Where things lie.
     *
     * @param home the shipped catalogues and the demo
     * @param cache where what was read of catalogues may be kept
     * @param recent the workspaces that were open last
     * @param log what the program writes down of itself
     * @param data the folder of the user's own
     */
    public record Places(Path home, Path cache, RecentWorkspaces recent, Path log, Path data) {}

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
        Start start = app.beginning(folder, files);
        StartWatch watch = StartWatch.over(Thread.currentThread());
        Platform.startup(() -> {
            app.show(start);
            watch.windowIsThere();
        });
    }

    /** Tells in a window why a workspace cannot be opened, and what can be done then; nothing is open yet. */
    static void tell(Path folder, String reason, Places places) {
        Platform.startup(() -> new MobrakApp(places).refused(folder, reason));
    }

    /** Opens a workspace from a window that is about to go. */
    void startAnew(Path folder) {
        show(beginning(folder, List.of()));
    }

    /** What is under way while a window is not there yet. */
    private record Start(Path folder, List<Path> files, Drawing drawing, CompletableFuture<Session> opening) {}

    private Start beginning(Path folder, List<Path> files) {
        Drawing drawing = new Drawing();
        return new Start(folder, files, drawing, beside("opening", () -> session(folder, drawing)));
    }

    private void show(Start start) {
        Stage stage = new Stage();
        endWith(stage, start.opening()::join);
        frame(stage, start.folder());
        new WindowPlaces(places.data()).follow(stage);
        Scene scene = stage.getScene();
        CompletableFuture<Shell> shell = start.opening().thenCompose(session -> {
            session.notice().addListener((property, before, notice) -> refuse(stage, session, notice, start.folder()));
            session.enter();
            return beside("shell", () -> new Shell(session, ZoneId.systemDefault(), scene));
        });
        stage.show();
        // The frame is drawn before it is filled.
        Drawn.then(() -> begin(stage, start, made(shell, start, scene)));
    }

    /** The shell is made beside this thread; should that stand still, it is made here. */
    private static Shell made(CompletableFuture<Shell> shell, Start start, Scene scene) {
        try {
            return shell.get(LONGEST_SECONDS, TimeUnit.SECONDS);
        } catch (TimeoutException | InterruptedException | ExecutionException late) {
            LoggerFactory.getLogger(MobrakApp.class)
                    .warn("The window was not filled beside the thread that draws", late);
            return new Shell(start.opening().join(), ZoneId.systemDefault(), scene);
        }
    }

    private static <T> CompletableFuture<T> beside(String name, Supplier<T> work) {
        return CompletableFuture.supplyAsync(work, task -> new Thread(task, name).start());
    }

    private void begin(Stage stage, Start start, Shell shell) {
        fill(stage, start.opening().join(), shell, start.folder());
        start.drawing().begin();
        new Thread(() -> note(start.folder()), "recent").start();
        if (!start.files().isEmpty()) {
            start.opening().join().readings().takeWhatever(start.files());
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
        return new Session(folder, places.cache(), DrawerFile.benchOf(folder), Clock.systemDefaultZone(), drawing);
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

    /** A workspace that cannot be opened is told where the command was given, and in a window with what can be done then. */
    private void refuse(Stage stage, Session session, Optional<Notice> notice, Path folder) {
        if (session.glance().get() == null && notice.filter(Notice::bad).isPresent()) {
            String reason = notice.get().text();
            refused(folder, reason);
            stage.close();
        }
    }

    private void refused(Path folder, String reason) {
        System.err.println("mobrak: " + reason);
        new RefusedWindow(this, folder, reason).show();
    }

    /** Opens the workspace in a window that knows no other. */
    static void show(Stage stage, Session session, Path folder, Workspaces others) {
        session.open();
        frame(stage, folder);
        WindowPlaces.place(Optional.empty(), WindowPlaces.workAreas()).give(stage, () -> {});
        Shell shell = new Shell(session, ZoneId.systemDefault(), stage.getScene());
        shell.moveIn();
        shell.offer(others);
        shell.recall();
        stage.show();
    }

    static void frame(Stage stage, Path folder) {
        Shell.begin();
        stage.setScene(new Scene(new Pane()));
        stage.setTitle(title(Optional.empty(), folder));
    }

    /** What a list of windows says of this one: the phone, and the workspace by its name without numbers that only keep names apart. */
    static String title(Optional<String> phone, Path folder) {
        String workspace = NUMBERED.matcher(folder.getFileName().toString())
                .replaceFirst("")
                .replace('-', ' ');
        return phone.map(name -> name + " (" + workspace + ")").orElse(workspace) + " – Mobrak";
    }

    private static void entitle(Stage stage, Glance glance, Path folder) {
        Optional<String> phone = glance.phone().map(one -> one.dossier().phone().nickname());
        stage.setTitle(title(phone.map(Texts::oneLine), folder));
    }

    /** Fills a window's frame. */
    void fill(Stage stage, Session session, Path folder) {
        fill(stage, session, new Shell(session, ZoneId.systemDefault(), stage.getScene()), folder);
    }

    private void fill(Stage stage, Session session, Shell shell, Path folder) {
        shell.moveIn();
        shell.offer(new OtherWorkspaces(this, stage, session, folder));
        session.glance().addListener((property, before, glance) -> entitle(stage, glance, folder));
        session.snapshot().addListener((property, before, now) -> entitle(stage, now.glance(), folder));
        Optional.ofNullable(session.glance().get()).ifPresent(glance -> entitle(stage, glance, folder));
        shell.recall();
        // Not before there is something to be seen: a picture takes its time.
        Optional.ofNullable(MobrakApp.class.getResource("icon.png"))
                .ifPresent(icon -> stage.getIcons().add(new Image(icon.toExternalForm(), true)));
    }
}
