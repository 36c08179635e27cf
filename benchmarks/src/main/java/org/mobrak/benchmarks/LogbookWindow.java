package org.mobrak.benchmarks;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.time.ZoneOffset;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import javafx.animation.AnimationTimer;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ListView;
import javafx.stage.Stage;
import org.mobrak.app.DrawerEntry;
import org.mobrak.app.Session;
import org.mobrak.app.demo.DrawerFile;
import org.mobrak.core.logbook.history.Timeline;
import org.mobrak.core.logbook.search.SearchIndex;
import org.mobrak.desktop.shell.Page;
import org.mobrak.desktop.shell.Shell;

/**
 * A large logbook in the window: how long it takes until a phone lies on the desk, until what is searched is found, and how long
 * the frames are while the lives of all phones are scrolled. Run by {@code benchmarks/logbook-window.sh}, which makes the logbook.
 */
public final class LogbookWindow extends Application {
    private static final int PHONES = 20;
    private static final int FRAMES = 400;
    private static final double MILLION = 1e6;
    private static final List<String> SEARCHES =
            List.of("KQB0123-E07", "orchard lamp 77", "KQB09", "quiet battery 512");

    private final Deque<Runnable> steps = new ArrayDeque<>();
    private final List<Double> opened = new ArrayList<>();
    private final List<Double> found = new ArrayList<>();
    private final List<Double> frames = new ArrayList<>();
    private Session session;
    private Shell shell;
    private long begun;

    @Override
    public void start(Stage stage) throws IOException {
        List<String> parameters = getParameters().getRaw();
        Path folder = Path.of(parameters.get(0));
        session = new Session(
                folder, Path.of(parameters.get(1)), DrawerFile.benchOf(folder), Clock.systemUTC(), Platform::runLater);
        shell = new Shell(session, ZoneOffset.UTC);
        stage.setScene(shell.scene());
        stage.show();
        script();
        session.open();
        whenRested();
    }

    private void script() {
        for (int i = 0; i < PHONES; i++) {
            int number = 37 * i;
            steps.add(() -> {
                DrawerEntry entry = session.snapshot().get().drawer().get(number);
                begun = System.nanoTime();
                session.pick(entry.phone());
            });
            steps.add(() -> opened.add((System.nanoTime() - begun) / MILLION));
        }
        steps.add(() -> shell.open(Page.LOGBOOK));
        session.logbook()
                .found()
                .addListener((source, before, now) -> now.ifPresent(hits -> {
                    found.add((System.nanoTime() - begun) / MILLION);
                }));
        // The first one makes the index.
        SEARCHES.forEach(words -> steps.add(() -> search(words)));
        SEARCHES.forEach(words -> steps.add(() -> search(words)));
        steps.add(() -> session.logbook().search(""));
        steps.add(() -> {
            begun = System.nanoTime();
            session.history()
                    .lives()
                    .addListener((source, before, now) -> System.out.printf(
                            "lives of %d phones drawn after %.0f ms%n",
                            now.size(), (System.nanoTime() - begun) / MILLION));
            ((ButtonBase) shell.scene().lookup("#face-time")).fire();
        });
    }

    private void search(String words) {
        begun = System.nanoTime();
        session.logbook().search(words);
    }

    private void whenRested() {
        new AnimationTimer() {
            private int rested;

            @Override
            public void handle(long now) {
                rested = session.work().get().isEmpty()
                                && Optional.ofNullable(session.snapshot().get()).isPresent()
                        ? rested + 1
                        : 0;
                // The frame after the one in which it came shows it.
                if (rested > 1) {
                    rested = 0;
                    Runnable next = steps.poll();
                    if (next == null) {
                        stop();
                        whenDrawn();
                    } else {
                        next.run();
                    }
                }
            }
        }.start();
    }

    private void whenDrawn() {
        new AnimationTimer() {
            @Override
            public void handle(long now) {
                if (!session.history().lives().get().isEmpty()) {
                    stop();
                    scroll();
                }
            }
        }.start();
    }

    @SuppressWarnings("unchecked")
    private void scroll() {
        ListView<Timeline> lives = (ListView<Timeline>) shell.scene().lookup("#lives");
        new AnimationTimer() {
            private long last;
            private int row;

            @Override
            public void handle(long now) {
                if (last > 0) {
                    frames.add((now - last) / MILLION);
                }
                last = now;
                row = (row + 2) % lives.getItems().size();
                lives.scrollTo(row);
                if (frames.size() == FRAMES) {
                    stop();
                    tell(
                            "a phone on the desk "
                                    + opened.stream().map(Double::intValue).toList(),
                            opened);
                    tell("found, the index made with the first: " + found, found.subList(1, found.size()));
                    tell("frames, the longest as the " + (1 + frames.indexOf(Collections.max(frames))) + ".", frames);
                    Platform.exit();
                }
            }
        }.start();
    }

    private static void tell(String what, List<Double> millis) {
        List<Double> sorted = new ArrayList<>(millis);
        Collections.sort(sorted);
        System.out.printf(
                "%s: median %.1f ms, longest %.1f ms, of %d%n",
                what, sorted.get(sorted.size() / 2), sorted.get(sorted.size() - 1), sorted.size());
    }

    @Override
    public void stop() {
        session.close();
    }

    /** Keeps JavaFX off the class path's start-up check. */
    public static final class Start {
        private Start() {}

        public static void main(String[] arguments) throws IOException {
            Application.launch(LogbookWindow.class, arguments);
            withoutTheWindow(Path.of(arguments[0]), Path.of(arguments[1]));
        }

        /** The same search with nobody who draws: the index opened, looked through for what is new, and asked. */
        private static void withoutTheWindow(Path folder, Path cache) throws IOException {
            for (String words : SEARCHES) {
                List<Double> millis = new ArrayList<>();
                int hits = 0;
                for (int i = 0; i < PHONES; i++) {
                    long before = System.nanoTime();
                    try (SearchIndex index = SearchIndex.open(folder, cache)) {
                        hits = index.find(words).hits().size();
                    }
                    millis.add((System.nanoTime() - before) / MILLION);
                }
                tell("“" + words + "” without the window, " + hits + " found", millis);
            }
        }
    }
}
