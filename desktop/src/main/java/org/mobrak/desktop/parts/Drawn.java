package org.mobrak.desktop.parts;

import javafx.animation.AnimationTimer;

/** What waits until something was drawn. */
public final class Drawn extends AnimationTimer {
    /** After so many pulses what was shown has been seen. */
    private static final int PULSES = 2;

    private final Runnable next;
    private int pulses;

    private Drawn(Runnable next) {
        this.next = next;
    }

    /** Goes on when what stands in the window now can be seen. */
    public static void then(Runnable next) {
        new Drawn(next).start();
    }

    @Override
    public void handle(long now) {
        pulses++;
        if (pulses == PULSES) {
            stop();
            next.run();
        }
    }
}
