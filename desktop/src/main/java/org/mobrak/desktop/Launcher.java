package org.mobrak.desktop;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Locale;
import javafx.application.Application;
import org.mobrak.app.demo.DemoWorkspace;
import org.mobrak.core.identity.UnreadableInput;
import org.mobrak.core.logbook.Workspace;

/** Starts the desktop. It is no JavaFX application itself, so that the class path is enough to start it. */
public final class Launcher {
    private static final int WRONG_USAGE = 2;
    private static final int UNREADABLE = 3;

    private Launcher() {}

    /** {@code demo DIR}, {@code open DIR} or {@code screenshots DIR}; the system property mobrak.home names the shipped data. */
    public static void main(String[] arguments) {
        // Numbers and days are written in one way, whatever the computer's locale; the words are English anyway.
        Locale.setDefault(Locale.ROOT);
        if (arguments.length != 2) {
            System.err.println("mobrak: give a command and a folder: demo DIR, open DIR or screenshots DIR.");
            System.exit(WRONG_USAGE);
        }
        Path home = Path.of(System.getProperty("mobrak.home", "."));
        try {
            start(arguments[0], Path.of(arguments[1]).toAbsolutePath(), home);
        } catch (IOException refused) {
            System.err.println("mobrak: " + refused.getMessage());
            System.exit(UNREADABLE);
        }
    }

    private static void start(String command, Path folder, Path home) throws IOException {
        Path cache = Path.of(System.getProperty(
                "mobrak.cache", home.resolve("desktop/target/cache").toString()));
        switch (command) {
            case "demo" -> DemoWorkspace.create(home, folder, cache, Clock.systemUTC());
            case "open" -> Workspace.create(folder, List.of(home.resolve("catalogue")));
            case "screenshots" -> {
                Application.launch(Screenshots.class, folder.toString(), home.toString());
                return;
            }
            default -> throw new UnreadableInput("“" + command + "” is no command of the desktop.");
        }
        MobrakApp.start(folder, cache);
    }
}
