package org.mobrak.desktop.shell;

import java.util.function.BooleanSupplier;
import javafx.animation.AnimationTimer;

/** Makes the pages that are not seen, one a pulse, and none before the one that is seen was drawn: nobody who begins to work waits. */
final class OtherPages extends AnimationTimer {
    private static final int DRAWN = 2;

    private final BooleanSupplier makeAnother;
    private int pulses;

    /** @param makeAnother makes one; says whether there was one to make */
    OtherPages(BooleanSupplier makeAnother) {
        this.makeAnother = makeAnother;
    }

    @Override
    public void handle(long now) {
        pulses++;
        if (pulses > DRAWN && !makeAnother.getAsBoolean()) {
            stop();
        }
    }
}
