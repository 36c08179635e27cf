package org.mobrak.benchmarks;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.time.ZoneOffset;
import java.util.ArrayDeque;
import java.util.Arrays;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.IntConsumer;
import javafx.animation.AnimationTimer;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.control.ButtonBase;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Rectangle;
import javafx.stage.Stage;
import org.mobrak.app.DrawerEntry;
import org.mobrak.app.Session;
import org.mobrak.app.demo.DrawerFile;
import org.mobrak.app.rehearsal.BenchView;
import org.mobrak.app.rehearsal.Practice;
import org.mobrak.core.catalogue.KeyChord.Key;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.job.Step;
import org.mobrak.core.plan.Goal;
import org.mobrak.desktop.shell.Shell;

/**
 * The frames of a rehearsal played by hand, with keys held and the score counting: {@code FOLDER CACHE}, a demo workspace; or
 * {@code empty}, a window in which nothing but a square moves, which is what toolkit and machine can do. Prints frames a second and
 * the longest frame.
 */
public final class Frames {
    private static final int FRAMES = 600;
    private static final int WARM = 120;
    private static final double MILLION = 1e6;
    private static final double SQUARE = 40;
    private static final double WIDTH = 1280;
    private static final double HEIGHT = 800;

    private final Session session;
    private final Shell shell;
    private final Deque<Runnable> script = new ArrayDeque<>();

    private Frames(Path folder, Path cache) throws IOException {
        session = new Session(folder, cache, DrawerFile.benchOf(folder), Clock.systemUTC(), Platform::runLater);
        shell = new Shell(session, ZoneOffset.UTC);
        Stage stage = new Stage();
        stage.setScene(shell.scene());
        stage.show();
        session.open();
        write();
        next();
    }

    public static void main(String[] arguments) {
        if (arguments[0].equals("empty")) {
            Platform.startup(Frames::empty);
            return;
        }
        AtomicReference<Frames> kept = new AtomicReference<>();
        Platform.startup(() -> {
            try {
                kept.set(new Frames(Path.of(arguments[0]), Path.of(arguments[1])));
            } catch (IOException unreadable) {
                throw new IllegalStateException(unreadable);
            }
        });
    }

    private static void empty() {
        Rectangle square = new Rectangle(SQUARE, SQUARE);
        Stage stage = new Stage();
        stage.setScene(new Scene(new Pane(square), WIDTH, HEIGHT));
        stage.show();
        measure(drawn -> square.setTranslateX(drawn));
    }

    private void write() {
        script.add(() -> session.pick(session.snapshot().get().drawer().stream()
                .map(DrawerEntry::phone)
                .filter(phone -> phone.nickname().startsWith("Hive 3"))
                .findFirst()
                .orElseThrow()));
        script.add(() -> session.readings().takeTyped(Fact.RECOVERY, "stock"));
        script.add(() -> session.wish(Goal.RECOVERY));
        script.add(() -> {
            var desk = session.snapshot().get().desk().orElseThrow();
            session.rehearsals().practise(desk, desk.answer().plans().get(0), 1, Optional.empty());
        });
        // Up to the step with the keys: four files, three gates.
        for (int step = 0; step < 7; step++) {
            script.add(() -> practice().take(BenchView.Doing.NOTE_IT));
            script.add(() -> practice().session().job().tick(nextStep()));
        }
        script.add(() -> practice().switchOff());
        script.add(() -> practice().skip());
        script.add(() -> ((ButtonBase) shell.scene().lookup("#count-out")).fire());
        script.add(() -> List.of(Key.VOLUME_DOWN, Key.HOME).forEach(practice()::press));
    }

    private Practice practice() {
        return session.rehearsals().practice().get().orElseThrow();
    }

    private Step nextStep() {
        return practice()
                .session()
                .snapshot()
                .get()
                .desk()
                .flatMap(desk -> desk.dossier().runningJob())
                .flatMap(job -> job.next())
                .orElseThrow();
    }

    private boolean rests() {
        return session.work().get().isEmpty()
                && session.rehearsals()
                        .practice()
                        .get()
                        .filter(one -> one.session().work().get().isPresent())
                        .isEmpty();
    }

    private void next() {
        new AnimationTimer() {
            private int drawn;

            @Override
            public void handle(long now) {
                drawn = rests() ? drawn + 1 : 0;
                if (drawn > 5) {
                    stop();
                    if (script.isEmpty()) {
                        measure(drawn -> {});
                    } else {
                        script.poll().run();
                        Frames.this.next();
                    }
                }
            }
        }.start();
    }

    /** @param move what moves with each frame, told its number; what is played by hand moves by itself */
    private static void measure(IntConsumer move) {
        long[] at = new long[WARM + FRAMES];
        new AnimationTimer() {
            private int drawn;

            @Override
            public void handle(long now) {
                at[drawn++] = System.nanoTime();
                move.accept(drawn);
                if (drawn == at.length) {
                    stop();
                    tell(at);
                    System.exit(0);
                }
            }
        }.start();
    }

    private static void tell(long[] at) {
        long[] gaps = new long[FRAMES - 1];
        for (int i = 0; i < gaps.length; i++) {
            gaps[i] = at[WARM + i + 1] - at[WARM + i];
        }
        double seconds = Arrays.stream(gaps).sum() / 1e9;
        Arrays.sort(gaps);
        System.out.printf(
                "%.1f frames a second; half of them within %.1f ms, 99 of 100 within %.1f, the longest %.1f%n",
                gaps.length / seconds,
                gaps[gaps.length / 2] / MILLION,
                gaps[gaps.length * 99 / 100] / MILLION,
                gaps[gaps.length - 1] / MILLION);
    }
}
