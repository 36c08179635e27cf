package org.mobrak.desktop;

import java.io.FileDescriptor;
import java.io.FileOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.application.Application;
import org.mobrak.app.RecentWorkspaces;
import org.mobrak.app.demo.DemoWorkspace;
import org.mobrak.core.logbook.Workspace;

/** Starts the desktop. It is no JavaFX application itself, so that the class path is enough to start it. */
public final class Launcher {
    private static final int WRONG_USAGE = 2;
    private static final int UNREADABLE = 3;

    private Launcher() {}

    /** What was asked for cannot be meant. */
    private static final class WrongUsage extends Exception {
        private static final long serialVersionUID = 1L;

        WrongUsage(String message) {
            super(message);
        }
    }

    /**
     * Without arguments the workspace that was open last; {@code demo [DIR]}, {@code open DIR} or {@code screenshots DIR}; or files,
     * which the last workspace takes in. The system property {@code mobrak.home} names the shipped data, {@code mobrak.data} the
     * folder of the user's own.
     */
    public static void main(String[] arguments) {
        // Numbers and days are written in one way, whatever the computer's locale; the words are English anyway.
        Locale.setDefault(Locale.ROOT);
        // In a computer that is set to no language at all, quotation marks would come out as question marks.
        System.setErr(new PrintStream(new FileOutputStream(FileDescriptor.err), true, StandardCharsets.UTF_8));
        Path home = Path.of(System.getProperty("mobrak.home", "."));
        Path user = Path.of(System.getProperty("user.home", "."));
        Path cache = Path.of(
                System.getProperty("mobrak.cache", user.resolve(".cache/mobrak").toString()));
        Path data = Path.of(System.getProperty(
                "mobrak.data", user.resolve(".local/share/mobrak").toString()));
        MobrakApp.Places places = new MobrakApp.Places(
                home,
                cache,
                new RecentWorkspaces(data),
                Path.of(System.getProperty(
                        "mobrak.log",
                        user.resolve(".local/state/mobrak/mobrak.log").toString())),
                data);
        try {
            start(List.of(arguments), places);
        } catch (WrongUsage wrong) {
            System.err.println("mobrak: " + wrong.getMessage());
            System.exit(WRONG_USAGE);
        } catch (IOException refused) {
            System.err.println("mobrak: " + FileWords.of(refused));
            System.exit(UNREADABLE);
        }
    }

    /** What was open last was agreed to, also where the notes of it are gone or were not made yet. */
    private static void knowTheLast(MobrakApp.Places places) {
        if (Files.exists(places.cache().resolve("workspaces"))) {
            return;
        }
        for (Path folder : places.recent().all()) {
            try {
                Workspace.agree(folder, places.cache());
            } catch (IOException gone) {
                // Then it is asked once more.
                continue;
            }
        }
    }

    private static void start(List<String> arguments, MobrakApp.Places places) throws IOException, WrongUsage {
        knowTheLast(places);
        String command = arguments.isEmpty() ? "" : arguments.get(0);
        Optional<Path> named = arguments.stream()
                .skip(1)
                .findFirst()
                .map(folder -> Path.of(folder).toAbsolutePath());
        switch (command) {
            case "demo" -> {
                Path demo = named.orElseGet(() -> places.recent().forDemo());
                Files.createDirectories(Optional.ofNullable(demo.getParent()).orElse(demo));
                DemoWorkspace.create(places.home(), demo, places.cache(), Clock.systemDefaultZone());
                MobrakApp.start(demo, places, List.of());
            }
            case "open" ->
                open(named.orElseThrow(() -> new WrongUsage("give the folder to open: open DIR.")), places, List.of());
            case "screenshots" ->
                Application.launch(
                        Screenshots.class,
                        named.orElseThrow(() -> new WrongUsage("give a folder: screenshots DIR."))
                                .toString(),
                        places.home().toString());
            default -> open(places.recent().last(), places, files(arguments));
        }
    }

    private static void open(Path folder, MobrakApp.Places places, List<Path> files) throws IOException {
        try {
            Files.createDirectories(Optional.ofNullable(folder.getParent()).orElse(folder));
            Workspace.create(folder, List.of(places.home().resolve("catalogue")));
        } catch (IOException refused) {
            MobrakApp.tell(folder, FileWords.of(refused), places);
            return;
        }
        MobrakApp.start(folder, places, files);
    }

    private static List<Path> files(List<String> arguments) throws WrongUsage {
        List<Path> files =
                arguments.stream().map(name -> Path.of(name).toAbsolutePath()).toList();
        for (Path file : files) {
            if (!Files.isRegularFile(file)) {
                throw new WrongUsage("“" + file.getFileName()
                        + "” is no file and no command; give demo [DIR], open DIR, files to take in, or nothing.");
            }
        }
        return files;
    }
}
