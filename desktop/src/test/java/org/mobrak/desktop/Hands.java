package org.mobrak.desktop;

import java.util.Arrays;
import java.util.Collection;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.atomic.AtomicInteger;
import javafx.application.Platform;
import javafx.collections.ListChangeListener;
import javafx.event.Event;
import javafx.event.EventType;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.stage.Stage;
import javafx.stage.Window;
import org.testfx.api.FxRobot;
import org.testfx.robot.KeyboardRobot;
import org.testfx.robot.Motion;
import org.testfx.robot.MouseRobot;
import org.testfx.util.WaitForAsyncUtils;

/**
 * Mouse and keys of the display. What they do is over when the window has seen it and was laid out; the robot this stands on waits a
 * twentieth of a second after each press, move and release instead, which was more than half of what the tests took.
 */
final class Hands extends FxRobot {
    private static final int LIMIT = 30_000;
    /** What a popup takes is seen by no filter of the window. */
    private static final long UNSEEN_NANOS = TimeUnit.SECONDS.toNanos(1);

    private final Stage stage;
    private final AtomicInteger seen = new AtomicInteger();
    private final ListChangeListener<Window> windows = change -> {
        while (change.next()) {
            watch(change.getAddedSubList());
        }
    };

    Hands(Stage stage) {
        this.stage = stage;
        WaitForAsyncUtils.waitForAsyncFx(LIMIT, () -> {
            watch(Window.getWindows());
            Window.getWindows().addListener(windows);
        });
    }

    /** The list of windows outlives the test. */
    void putAway() {
        interact(() -> Window.getWindows().removeListener(windows));
    }

    private void watch(Collection<? extends Window> windows) {
        for (Window window : windows) {
            for (EventType<? extends Event> type :
                    List.of(MouseEvent.MOUSE_RELEASED, KeyEvent.KEY_PRESSED, KeyEvent.KEY_RELEASED)) {
                window.addEventFilter(type, event -> seen.incrementAndGet());
            }
        }
    }

    @Override
    public FxRobot interact(Runnable act) {
        WaitForAsyncUtils.waitForAsyncFx(LIMIT, act);
        settle();
        return this;
    }

    @Override
    public <T> FxRobot interact(Callable<T> act) {
        WaitForAsyncUtils.waitForAsyncFx(LIMIT, act);
        settle();
        return this;
    }

    @Override
    public FxRobot clickOn(String query, Motion motion, MouseButton... buttons) {
        settle();
        return clickOn(point(query).query());
    }

    @Override
    public FxRobot clickOn(Node node, Motion motion, MouseButton... buttons) {
        settle();
        return clickOn(point(node).query());
    }

    private FxRobot clickOn(Point2D place) {
        MouseRobot mouse = robotContext().getMouseRobot();
        return done(1, () -> {
            mouse.moveNoWait(place);
            mouse.pressNoWait(MouseButton.PRIMARY);
            mouse.releaseNoWait(MouseButton.PRIMARY);
        });
    }

    @Override
    public FxRobot press(KeyCode... keys) {
        return done(keys.length, () -> keyboard().pressNoWait(keys));
    }

    @Override
    public FxRobot release(KeyCode... keys) {
        return done(keys.length, () -> keyboard().releaseNoWait(keys));
    }

    @Override
    public FxRobot push(KeyCode... keys) {
        KeyCode[] back = keys.clone();
        Collections.reverse(Arrays.asList(back));
        return done(2 * keys.length, () -> {
            keyboard().pressNoWait(keys);
            keyboard().releaseNoWait(back);
        });
    }

    private KeyboardRobot keyboard() {
        return robotContext().getKeyboardRobot();
    }

    private FxRobot done(int events, Runnable act) {
        int wanted = seen.get() + events;
        act.run();
        long begun = System.nanoTime();
        while (seen.get() < wanted && System.nanoTime() - begun < UNSEEN_NANOS) {
            WaitForAsyncUtils.sleep(1, TimeUnit.MILLISECONDS);
        }
        settle();
        return this;
    }

    /** Until what was asked for on the toolkit's thread is done, and the window laid out once more. */
    void settle() {
        CompletableFuture<Void> laidOut = new CompletableFuture<>();
        WaitForAsyncUtils.waitForAsyncFx(LIMIT, () -> {
            if (!stage.isShowing()) {
                laidOut.complete(null);
                return;
            }
            stage.getScene().addPostLayoutPulseListener(new Runnable() {
                @Override
                public void run() {
                    stage.getScene().removePostLayoutPulseListener(this);
                    laidOut.complete(null);
                }
            });
            Platform.requestNextPulse();
        });
        try {
            WaitForAsyncUtils.waitFor(LIMIT, TimeUnit.MILLISECONDS, laidOut);
        } catch (TimeoutException late) {
            throw new AssertionError("The window was not laid out", late);
        }
        WaitForAsyncUtils.waitForAsyncFx(LIMIT, () -> {});
    }
}
