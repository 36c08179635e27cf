package org.mobrak.app;

import java.nio.file.Path;
import java.time.Clock;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.io.TempDir;
import org.mobrak.app.demo.DemoWorkspace;
import org.mobrak.app.demo.DrawerFile;
import org.mobrak.core.job.Job;

/** Sessions on the demo's workspace, without a window. */
abstract class DemoSessions {
    static final Path HOME = Path.of(System.getProperty("mobrak.home"));

    @TempDir
    Path top;

    final ExecutorService drawing = Executors.newSingleThreadExecutor();

    void does(Session session, Consumer<Session> command) throws Exception {
        drawing.submit(() -> command.accept(session)).get(60, TimeUnit.SECONDS);
        while (drawing.submit(() -> session.work().get().isPresent()).get(60, TimeUnit.SECONDS)) {
            Thread.sleep(1);
        }
    }

    @AfterEach
    void end() {
        drawing.shutdownNow();
    }

    static Desk desk(Session session) {
        return session.snapshot().get().desk().orElseThrow();
    }

    static Job job(Session session) {
        return desk(session).dossier().runningJob().orElseThrow();
    }

    void pick(Session session, String nickname) throws Exception {
        does(
                session,
                one -> one.snapshot().get().drawer().stream()
                        .map(DrawerEntry::phone)
                        .filter(phone -> phone.nickname().startsWith(nickname))
                        .findFirst()
                        .ifPresent(one::pick));
    }

    /** The demo's workspace with one of its phones on the desk. */
    Session openDemo(String nickname) throws Exception {
        Path folder = top.resolve("demo");
        DemoWorkspace.create(HOME, folder, top.resolve("cache"), Clock.systemUTC());
        return open(folder, nickname);
    }

    /** A workspace that is there, with one of its phones on the desk. */
    Session open(Path folder, String nickname) throws Exception {
        Session session =
                new Session(folder, top.resolve("cache"), DrawerFile.benchOf(folder), Clock.systemUTC(), drawing);
        does(session, Session::open);
        does(session, Session::settle);
        pick(session, nickname);
        return session;
    }
}
