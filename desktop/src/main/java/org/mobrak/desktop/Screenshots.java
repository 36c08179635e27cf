package org.mobrak.desktop;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Predicate;
import java.util.stream.Stream;
import javafx.animation.AnimationTimer;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.embed.swing.SwingFXUtils;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ListView;
import javafx.scene.control.TitledPane;
import javafx.scene.image.WritableImage;
import javafx.scene.robot.Robot;
import javafx.stage.Stage;
import javafx.stage.Window;
import javax.imageio.ImageIO;
import org.apache.commons.io.file.PathUtils;
import org.mobrak.app.Desk;
import org.mobrak.app.DrawerEntry;
import org.mobrak.app.Session;
import org.mobrak.app.Snapshot.PastJob;
import org.mobrak.app.demo.DemoWorkspace;
import org.mobrak.app.demo.DrawerFile;
import org.mobrak.app.rehearsal.BenchView;
import org.mobrak.app.rehearsal.Practice;
import org.mobrak.core.catalogue.Gate;
import org.mobrak.core.catalogue.KeyChord.Key;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.job.Event;
import org.mobrak.core.job.Job;
import org.mobrak.core.job.Step;
import org.mobrak.core.logbook.PhoneRecord;
import org.mobrak.core.logbook.history.Timeline;
import org.mobrak.core.plan.Goal;
import org.mobrak.core.proof.Seen;
import org.mobrak.desktop.shell.Shell;

/** Takes one picture of each main view, at 1280×800, from the demo data and at a fixed time. */
// The toolkit makes it and calls start, which gives it all it has.
@SuppressWarnings("NullAway.Init")
public final class Screenshots extends Application {
    private static final int GATHERED = 4;
    private static final int GATES = 3;
    private static final double HESITATION = 0.8;
    private static final double HELD = 1.3;

    private static final Clock FIXED = Clock.fixed(Instant.parse("2026-11-24T09:30:00Z"), ZoneOffset.UTC);

    private static final int ENOUGH_FRAMES = 30;

    private final Deque<Shot> shots = new ArrayDeque<>();
    private Path folder;
    private Path friend;
    private static final int MOST_STEPS = 24;

    private Path out;
    private Session session;
    private Shell shell;

    /**
     * What to do before the picture, and its name. Several steps may go without a picture.
     *
     * @param awaited the id of what must be in the window before it goes on; a page works some things out in quiet
     */
    private record Shot(Optional<String> name, Runnable before, Optional<String> awaited) {}

    @Override
    public void start(Stage stage) throws IOException {
        List<String> parameters = getParameters().getRaw();
        out = Path.of(parameters.get(0));
        Path home = Path.of(parameters.get(1));
        folder = Files.createTempDirectory("mobrak-screenshots").resolve("demo");
        Path cache = folder.resolveSibling("cache");
        DemoWorkspace.create(home, folder, cache, FIXED);
        friend = home.resolve("demo/friend");
        session = new Session(folder, cache, DrawerFile.benchOf(folder), new Patient(), Platform::runLater);
        shell = new Shell(session, ZoneOffset.UTC);
        stage.setScene(shell.scene());
        stage.setX(0);
        stage.setY(0);
        stage.show();
        script();
        session.open();
        whenDrawn(Optional.empty(), this::next);
    }

    private void script() {
        shot("readings", () -> pick("Hive 3"));
        step(() -> pick("Hive 10"));
        shot("readings-stop", () -> press("ask-help"));
        step(() -> press("close-help"));
        step(() -> shell.scene().lookup("#phones").requestFocus());
        step(() -> pick("Hive 3"));
        step(() -> shell.open(org.mobrak.desktop.shell.Page.WAYS));
        shot("plans", () -> unfold("figure-risk-points"));
        shot("routes", () -> press("face-routes"));
        step(() -> session.readings().takeTyped(Fact.RECOVERY, "stock"));
        step(() -> session.wish(Goal.ofKey("root+recovery").orElseThrow()));
        shot("map", () -> press("face-map"));
        step(() -> session.wish(Goal.ofKey("recovery").orElseThrow()));
        step(() -> press("face-rehearsal"));
        shot("rehearsal", () -> press("rehearse"));
        practise();
        step(() -> press("face-plans"));
        step(() -> shell.open(org.mobrak.desktop.shell.Page.FILES));
        shot("gather", () -> lookInto("l210_rec_FINAL(2).tar", "bench-flasher-3.07.zip"));
        step(() -> lookInto("LN2-F09-131022-stock.tar.md5"));
        shot("file-on-the-table", () -> press("face-table"));
        step(() -> press("face-gather"));
        step(() -> shell.open(org.mobrak.desktop.shell.Page.WAYS));
        step(() -> pick("Hive 11"));
        step(() -> session.readings().takeTyped(Fact.LOCK, "locked"));
        step(() -> session.readings().takeTyped(Fact.RECOVERY, "stock"));
        step(() -> session.job().start(desk().orElseThrow().answer().plans().get(0)));
        walk(4);
        step(session::dismiss);
        walk(6);
        shot("run-sheet", session::dismiss);
        walk(1);
        step(() -> session.job().begin(nextStep(), desk().orElseThrow().confirmation()));
        shot("run-wait", () -> session.job().missed(nextStep(), ""));
        afterwards();
        step(() -> shell.open(org.mobrak.desktop.shell.Page.LOGBOOK));
        step(() -> session.logbook().lookAt(folder.resolve("bench/friend/club-year.zip")));
        step(() -> session.logbook().take(Set.of()));
        step(session::dismiss);
        shot("logbook", this::holdTwoJobs);
        step(() -> press("face-time"));
        step(() -> select("lives", life -> ((Timeline) life).phone().nickname().startsWith("Pond 7")));
        shot("over-time", () -> session.history().recall(life("Pond 7"), Instant.parse("2026-06-01T12:00:00Z")));
        step(() -> press("face-jobs"));
        step(() -> {
            session.compareCatalogue(friend);
            shell.open(org.mobrak.desktop.shell.Page.CATALOGUE);
        });
        await("entries");
        shot(
                "catalogue",
                () -> ((ListView<?>) shell.scene().lookup("#entries"))
                        .getSelectionModel()
                        .selectLast());
        step(session::dismiss);
        step(() -> shell.open(org.mobrak.desktop.shell.Page.WORKSHOP));
        shot("workshop", () -> session.workshop().readFiles(List.of(folder.resolve("bench/guides/wren-2.txt"))));
        step(() -> shell.setDark(true));
        step(() -> shell.open(org.mobrak.desktop.shell.Page.WAYS));
        shot("plans-unnamed-dark", () -> pick("Hive 9"));
    }

    /** The job walked to its end, what was read since, and what comes after it. */
    private void afterwards() {
        for (int i = 0; i < MOST_STEPS; i++) {
            step(() -> desk().flatMap(one -> one.dossier().runningJob())
                    .flatMap(Job::next)
                    .ifPresent(this::makeReady));
            step(() -> desk().flatMap(one -> one.dossier().runningJob())
                    .flatMap(Job::next)
                    .ifPresent(next ->
                            session.job().tick(next, desk().orElseThrow().confirmation())));
        }
        step(() -> session.job().end(Event.End.WORKED, ""));
        step(() -> session.readings().takeFiles(List.of(folder.resolve("bench/readings/hive-11-listing.txt"))));
        step(() -> session.readings().takeTyped(Fact.RECOVERY, "custom"));
        step(() -> session.readings().takeTyped(Fact.LOCK, "unlocked"));
        step(() -> session.readings().takeTyped(Fact.BASEBAND, "J6-RAD-2.07"));
        step(() -> shell.open(org.mobrak.desktop.shell.Page.AFTER));
        await("face-compare");
        shot("before-and-after", () -> press("face-compare"));
        step(() -> press("face-proof"));
        step(() -> session.aftercare().saw(Seen.ICON));
        shot("proof", () -> session.aftercare().saw(Seen.GRANTED));
        step(() -> pick("Hive 5"));
        step(() -> session.readings().takeTyped(Fact.ROOT, "permanent"));
        step(() -> session.readings().takeTyped(Fact.ROOT_MANAGER, "present"));
        step(() -> press("face-trouble"));
        shot("trouble", () -> session.aftercare().turn("app-refuses-custom-state"));
        step(() -> pick("Hive 11"));
    }

    /** The same plan played by hand, up to keys that are held just then. */
    private void practise() {
        step(() -> press("practise"));
        step(() -> press("pace-still"));
        for (int step = 0; step < GATHERED; step++) {
            step(() -> practice().session().job().tick(practised()));
        }
        for (int gate = 0; gate < GATES; gate++) {
            step(() -> practice().take(BenchView.Doing.NOTE_IT));
            step(() -> practice().session().job().tick(practised()));
        }
        step(() -> practice().switchOff());
        step(() -> practice().skip());
        step(() -> List.of(Key.VOLUME_DOWN, Key.HOME).forEach(practice()::press));
        step(() -> practice().pass(HESITATION));
        step(() -> practice().press(Key.POWER));
        shot("practice", () -> practice().pass(HELD));
        step(() -> press("leave-rehearsal"));
        step(() -> shell.open(org.mobrak.desktop.shell.Page.WAYS));
    }

    private Practice practice() {
        return session.rehearsals().practice().get().orElseThrow();
    }

    private Step practised() {
        return practice()
                .session()
                .snapshot()
                .get()
                .desk()
                .flatMap(one -> one.dossier().runningJob())
                .flatMap(job -> job.next())
                .orElseThrow();
    }

    private void lookInto(String... names) {
        session.files()
                .lookInto(Stream.of(names)
                        .map(name -> folder.resolve("bench/files").resolve(name))
                        .toList());
    }

    /** The two newest of one phone, which went differently. */
    private void holdTwoJobs() {
        ListView<?> jobs = (ListView<?>) shell.scene().lookup("#jobs");
        jobs.getSelectionModel().clearSelection();
        for (int i = 0, held = 0; i < jobs.getItems().size() && held < 2; i++) {
            if (((PastJob) jobs.getItems().get(i)).phone().nickname().startsWith("Pond 3")) {
                jobs.getSelectionModel().select(i);
                held++;
            }
        }
    }

    private PhoneRecord life(String nickname) {
        return session.history().lives().get().stream()
                .map(Timeline::phone)
                .filter(phone -> phone.nickname().startsWith(nickname))
                .findFirst()
                .orElseThrow();
    }

    private void select(String id, Predicate<Object> wanted) {
        ListView<?> list = (ListView<?>) shell.scene().lookup("#" + id);
        for (int i = 0; i < list.getItems().size(); i++) {
            if (wanted.test(list.getItems().get(i))) {
                list.getSelectionModel().clearAndSelect(i);
                list.scrollTo(Math.max(0, i - 5));
                return;
            }
        }
    }

    private void press(String id) {
        ((ButtonBase) shell.scene().lookup("#" + id)).fire();
    }

    private void unfold(String id) {
        Optional.ofNullable((TitledPane) shell.scene().lookup("#" + id)).ifPresent(pane -> pane.setExpanded(true));
    }

    private void shot(String name, Runnable before) {
        shots.add(new Shot(Optional.of(name), before, Optional.empty()));
    }

    private void step(Runnable before) {
        shots.add(new Shot(Optional.empty(), before, Optional.empty()));
    }

    private void await(String id) {
        shots.add(new Shot(Optional.empty(), () -> {}, Optional.of(id)));
    }

    private void pick(String nickname) {
        session.snapshot().get().drawer().stream()
                .map(DrawerEntry::phone)
                .filter(phone -> phone.nickname().startsWith(nickname + ","))
                .findFirst()
                .ifPresent(session::pick);
    }

    private Optional<Desk> desk() {
        return session.snapshot().get().desk();
    }

    /** Does the next steps, each with the reading its gate asks for. */
    private void walk(int steps) {
        for (int i = 0; i < steps; i++) {
            step(() -> makeReady(nextStep()));
            step(() -> session.job().tick(nextStep(), desk().orElseThrow().confirmation()));
        }
    }

    /** Opens its gate; a file that does not lie here was compared elsewhere. */
    private void makeReady(Step step) {
        step.gate().ifPresent(this::open);
        if (step.file().isPresent()) {
            session.job().override(step, "compared on the other computer");
        }
    }

    private void open(Gate gate) {
        session.readings()
                .takeTyped(
                        gate.fact(),
                        gate.atLeast()
                                .map(String::valueOf)
                                .orElseGet(() -> gate.is().get(0)));
    }

    private Step nextStep() {
        return desk().flatMap(one -> one.dossier().runningJob())
                .flatMap(job -> job.next())
                .orElseThrow();
    }

    private void next() {
        Shot shot = shots.poll();
        if (shot == null) {
            Platform.exit();
            return;
        }
        shot.before().run();
        whenDrawn(shot.awaited(), () -> {
            shot.name().ifPresent(this::save);
            next();
        });
    }

    /** Goes on when the session rests and the window has been drawn often enough to show what it said. */
    private void whenDrawn(Optional<String> awaited, Runnable then) {
        new AnimationTimer() {
            private int drawn;

            @Override
            public void handle(long now) {
                boolean there = awaited.map(id -> shell.scene().lookup("#" + id) != null)
                        .orElse(true);
                drawn = isAtWork() || !there ? 0 : drawn + 1;
                if (drawn > ENOUGH_FRAMES) {
                    stop();
                    then.run();
                }
            }
        }.start();
    }

    private boolean isAtWork() {
        return session.work().get().isPresent()
                || session.rehearsals()
                        .practice()
                        .get()
                        .filter(one -> one.session().work().get().isPresent())
                        .isPresent();
    }

    /** From the screen itself, so that what is over the window is in it too. */
    private void save(String name) {
        try {
            Files.createDirectories(out);
            Robot robot = new Robot();
            Window window = shell.scene().getWindow();
            WritableImage image =
                    robot.getScreenCapture(null, window.getX(), window.getY(), window.getWidth(), window.getHeight());
            ImageIO.write(
                    SwingFXUtils.fromFXImage(image, null),
                    "png",
                    out.resolve(name + ".png").toFile());
            System.err.println("mobrak: " + out.resolve(name + ".png"));
        } catch (IOException refused) {
            System.err.println("mobrak: " + refused.getMessage());
            Platform.exit();
        }
    }

    @Override
    public void stop() throws IOException {
        session.close();
        PathUtils.deleteDirectory(folder.getParent());
    }

    /** Goes on by a millisecond whenever it is asked: what is read after a step is later, and every run shows the same times. */
    private static final class Patient extends Clock {
        private final AtomicLong asked = new AtomicLong();

        @Override
        public Instant instant() {
            return FIXED.instant().plusMillis(asked.incrementAndGet());
        }

        @Override
        public ZoneId getZone() {
            return FIXED.getZone();
        }

        @Override
        public Clock withZone(ZoneId zone) {
            return this;
        }
    }
}
