package org.mobrak.desktop;

import java.nio.file.Path;
import java.util.concurrent.CountDownLatch;
import javafx.scene.input.KeyCode;

/** A desktop in a process of its own: it ticks two steps of the running job, says so, and waits to be killed. */
final class KilledDesktop {
    static final String TICKED = "two steps are ticked";

    private KilledDesktop() {}

    public static void main(String[] arguments) throws Exception {
        Desktop desktop = Desktop.open(Path.of(arguments[0]));
        desktop.press(KeyCode.CONTROL, KeyCode.DIGIT4);
        desktop.tickNext();
        desktop.tickNext();
        System.out.println(TICKED);
        new CountDownLatch(1).await();
    }
}
