package org.mobrak.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.Consumer;
import java.util.function.Predicate;
import java.util.stream.Stream;
import javafx.event.ActionEvent;
import javafx.event.EventType;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Labeled;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.DragEvent;
import javafx.scene.input.Dragboard;
import javafx.scene.input.KeyCode;
import javafx.scene.input.TransferMode;
import javafx.stage.Stage;
import org.mobrak.app.Session;
import org.mobrak.app.demo.DrawerFile;
import org.mobrak.core.job.Job;
import org.mobrak.desktop.shell.Page;
import org.mobrak.desktop.shell.Workspaces;
import org.mobrak.link.PhoneLink;
import org.testfx.api.FxToolkit;
import org.testfx.util.WaitForAsyncUtils;

/** The real window as a person uses it; every step waits for what it should bring about, never for time. */
final class Desktop implements AutoCloseable {
    /** With Ctrl each of these opens a page; together all of them. */
    static final List<KeyCode> PAGES = Stream.of(Page.values())
            .map(page -> KeyCode.getKeyCode(String.valueOf(page.ordinal() + 1)))
            .toList();

    static final Path HOME = Path.of(System.getProperty("mobrak.home"));

    private final Hands robot;
    private final Stage stage;
    private final Session session;

    private Desktop(Path folder, PhoneLink link, Consumer<Desktop> begun) throws TimeoutException {
        FxToolkit.registerPrimaryStage();
        session = new Session(folder, cache(folder), link, Clock.systemUTC(), javafx.application.Platform::runLater);
        stage = WaitForAsyncUtils.waitForAsyncFx(20_000, (Callable<Stage>) Stage::new);
        robot = new Hands(stage);
        robot.interact(() -> {
            MobrakApp.show(stage, session, folder, new Alone(folder));
            stage.setX(0);
            stage.setY(0);
            begun.accept(this);
        });
        until("all pages are made", () -> session.settled().get());
        rest();
    }

    static Path cache(Path folder) {
        return folder.resolveSibling("cache");
    }

    static Desktop open(Path folder) throws IOException, TimeoutException {
        return open(folder, DrawerFile.benchOf(folder));
    }

    static Desktop open(Path folder, PhoneLink link) throws TimeoutException {
        return new Desktop(folder, link, shown -> {});
    }

    /** @param begun is called in the turn of the toolkit in which the window is shown, before anything was read of its workspace */
    static Desktop open(Path folder, Consumer<Desktop> begun) throws IOException, TimeoutException {
        return new Desktop(folder, DrawerFile.benchOf(folder), begun);
    }

    @Override
    public void close() {
        robot.interact(stage::close);
        robot.putAway();
        session.close();
    }

    Session session() {
        return session;
    }

    Stage stage() {
        return stage;
    }

    Hands robot() {
        return robot;
    }

    /** Until the session has nothing left to do and the window shows it. */
    void rest() {
        until("the session rests", () -> session.work().get().isEmpty());
        robot.settle();
    }

    void until(String what, Callable<Boolean> condition) {
        try {
            WaitForAsyncUtils.waitFor(60, TimeUnit.SECONDS, () -> holds(condition));
        } catch (TimeoutException late) {
            throw new AssertionError("Waited in vain until " + what, late);
        }
    }

    /** Where the window does not come to answer, it does not hold yet; a machine may have more to do. */
    private static boolean holds(Callable<Boolean> condition) {
        try {
            return WaitForAsyncUtils.waitForAsyncFx(10_000, condition);
        } catch (RuntimeException busy) {
            if (busy.getCause() instanceof TimeoutException) {
                return false;
            }
            throw busy;
        }
    }

    <T extends Node> T find(String id) {
        until(id + " is there", () -> robot.lookup("#" + id).tryQuery().isPresent());
        return robot.lookup("#" + id).query();
    }

    String text(String id) {
        return this.<Labeled>find(id).getText();
    }

    /** Clicks a button once it can be clicked. */
    void click(String id) {
        until(
                id + " can be clicked",
                () -> robot.lookup("#" + id)
                        .tryQuery()
                        .filter(node -> !node.isDisabled())
                        .isPresent());
        robot.interact(() -> scrollTo(robot.lookup("#" + id).query()));
        robot.clickOn("#" + id);
        rest();
    }

    /** As somebody does before a click: what lies beyond the edge of its page is scrolled to. */
    private static void scrollTo(Node target) {
        for (Node part = target.getParent(); part != null; part = part.getParent()) {
            if (part instanceof ScrollPane pane && pane.getContent() != null) {
                Bounds place = pane.getContent().sceneToLocal(target.localToScene(target.getBoundsInLocal()));
                double seen = pane.getViewportBounds().getHeight();
                double more = pane.getContent().getLayoutBounds().getHeight() - seen;
                double top = pane.getVvalue() * Math.max(0, more);
                if (more > 0 && (place.getMinY() < top || place.getMaxY() > top + seen)) {
                    pane.setVvalue(Math.min(1, Math.max(0, (place.getCenterY() - seen / 2) / more)));
                }
            }
        }
    }

    void press(KeyCode... keys) {
        robot.push(keys);
        rest();
    }

    /** Long texts are set at once, as a paste does; a robot types a letter at a time. */
    void fill(String id, String text) {
        TextInputControl field = find(id);
        robot.interact(() -> field.setText(text));
    }

    void choose(String id, String word) {
        ComboBox<String> box = find(id);
        robot.interact(() -> box.setValue(word));
        rest();
    }

    /** Drops files on a part of the window, as another program's window would. */
    void drop(String id, Path... files) {
        Node target = find(id);
        Dragboard board = mock(Dragboard.class);
        when(board.hasFiles()).thenReturn(true);
        when(board.getFiles()).thenReturn(Stream.of(files).map(Path::toFile).toList());
        robot.interact(() -> {
            for (EventType<DragEvent> type : List.of(DragEvent.DRAG_OVER, DragEvent.DRAG_DROPPED)) {
                target.fireEvent(
                        new DragEvent(target, target, type, board, 0, 0, 0, 0, TransferMode.COPY, null, null, null));
            }
        });
    }

    /** Picks the row of a list that a condition tells. */
    <T> void pick(String id, Class<T> type, Predicate<T> wanted) {
        ListView<?> list = find(id);
        until(
                "a row of " + id + " fits",
                () -> list.getItems().stream().anyMatch(row -> type.isInstance(row) && wanted.test(type.cast(row))));
        robot.interact(() -> {
            for (int i = 0; i < list.getItems().size(); i++) {
                if (type.isInstance(list.getItems().get(i))
                        && wanted.test(type.cast(list.getItems().get(i)))) {
                    list.getSelectionModel().select(i);
                    list.scrollTo(i);
                }
            }
        });
        rest();
    }

    /** Whether a text stands anywhere in the window where it can be seen. */
    boolean shows(String words) {
        return robot.from(stage.getScene().getRoot())
                .lookup((Node node) -> node instanceof Labeled label
                        && label.getText() != null
                        && label.getText().contains(words)
                        && isSeen(label))
                .tryQuery()
                .isPresent();
    }

    void assertShows(String words) {
        until("the window shows “" + words + "”", () -> shows(words));
    }

    /** Whether neither the node nor anything around it is hidden. */
    static boolean isSeen(Node node) {
        for (Node part = node; part != null; part = part.getParent()) {
            if (!part.isVisible()) {
                return false;
            }
        }
        return true;
    }

    boolean isShown(String id) {
        return robot.lookup("#" + id).tryQuery().isPresent();
    }

    Optional<Job> runningJob() {
        return session.snapshot().get().desk().flatMap(desk -> desk.dossier().runningJob());
    }

    /** Starts the job of the first plan for the phone on the desk. */
    void startFirstPlan() {
        robot.interact(() -> session.job()
                .start(session.snapshot()
                        .get()
                        .desk()
                        .orElseThrow()
                        .answer()
                        .plans()
                        .get(0)));
        rest();
    }

    /** Ticks the step that is next, giving its gate the reading it wants. */
    void tickNext() {
        var step = runningJob().flatMap(Job::next).orElseThrow();
        long before = runningJob().orElseThrow().tickedCount();
        step.gate().ifPresent(gate -> {
            if (!isShown("gate-value")) {
                return;
            }
            if (find("gate-value") instanceof TextField) {
                fill(
                        "gate-value",
                        gate.atLeast()
                                .map(String::valueOf)
                                .orElseGet(() -> gate.is().get(0)));
                robot.interact(() -> this.<TextField>find("gate-value").fireEvent(new ActionEvent()));
                rest();
            } else {
                choose("gate-value", gate.is().get(0));
            }
        });
        if (step.file().isPresent() && find("tick").isDisabled()) {
            // The file is not there; what a person says who has it elsewhere.
            click("pass");
            fill("override-reason", "compared elsewhere");
            click("override");
        }
        if (isShown("confirm")) {
            fill("confirm", session.snapshot().get().desk().orElseThrow().confirmation());
        }
        click("tick");
        assertThat(runningJob().orElseThrow().tickedCount()).as(step.title()).isEqualTo(before + 1);
    }

    /** Where the workspace of a test lies; there are no others. */
    private record Alone(Path here) implements Workspaces {
        @Override
        public List<Path> recent() {
            return List.of();
        }

        @Override
        public Path log() {
            return here.resolve("mobrak.log");
        }

        @Override
        public void open(Path folder) {
            throw new AssertionError("No other workspace is opened here");
        }

        @Override
        public void demo() {
            throw new AssertionError("No demo is laid out here");
        }

        @Override
        public void move(Path to) {
            throw new AssertionError("This workspace stays where it is");
        }
    }
}
