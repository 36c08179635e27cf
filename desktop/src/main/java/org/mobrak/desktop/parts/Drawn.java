package org.mobrak.desktop.parts;

import javafx.animation.AnimationTimer;
import javafx.application.Platform;

/** What waits until something was drawn. */
public final class Drawn extends AnimationTimer {
    /** After so many pulses what was shown has been seen. */
    private static final int PULSES = 2;

    private final int wanted;
    private final Runnable next;
    private int pulses;

    private Drawn(int wanted, Runnable next) {
        this.wanted = wanted;
        this.next = next;
    }

    /** Goes on when what stands in the window now can be seen. */
    public static void then(Runnable next) {
        after(PULSES, next);
    }

    /** Goes on after some pulses, of which a window at rest has sixty a second. */
    public static void after(int pulses, Runnable next) {
        new Drawn(pulses, next).start();
    }

    @Override
    public void handle(long now) {
        pulses++;
        if (pulses == wanted) {
            stop();
            // Not within the pulse, whose picture would wait for it.
            Platform.runLater(next);
        }
    }
}
