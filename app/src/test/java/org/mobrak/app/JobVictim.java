package org.mobrak.app;

import java.nio.file.Path;
import java.time.Clock;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.mobrak.app.demo.DrawerFile;
import org.mobrak.core.job.Job;
import org.mobrak.core.job.Step;
import org.mobrak.link.PhoneLink;

/** A process of its own that works at a job, says what was acknowledged, and is killed amid it. */
final class JobVictim {
    private final ExecutorService drawing = Executors.newSingleThreadExecutor();
    private final Session session;

    private JobVictim(Path folder, Path cache, PhoneLink link) {
        this.session = new Session(folder, cache, link, Clock.systemUTC(), drawing);
    }

    /** Takes the workspace and the cache; goes on until it is killed. */
    public static void main(String[] arguments) throws Exception {
        JobVictim victim =
                new JobVictim(Path.of(arguments[0]), Path.of(arguments[1]), DrawerFile.benchOf(Path.of(arguments[0])));
        victim.does(victim.session::open);
        while (true) {
            victim.goOn();
        }
    }

    private void does(Runnable command) throws Exception {
        drawing.submit(command).get();
        while (drawing.submit(() -> session.work().get().isPresent()).get()) {
            Thread.sleep(1);
        }
    }

    private Job job() {
        return session.snapshot()
                .get()
                .desk()
                .orElseThrow()
                .dossier()
                .runningJob()
                .orElseThrow();
    }

    private void goOn() throws Exception {
        Optional<Step> next = job().next();
        if (next.isEmpty()) {
            // Nothing is left to promise.
            Thread.sleep(Long.MAX_VALUE);
        }
        Step step = next.orElseThrow();
        String model = session.snapshot().get().desk().orElseThrow().confirmation();
        if (step instanceof Step.Ready || step instanceof Step.Fetch) {
            does(() -> session.job().override(step, "for the test"));
        }
        does(() -> session.job().tick(step, model));
        // What is shown is on disk: so it counts as promised from here on.
        System.out.println("job " + job().id() + " ticked " + job().tickedCount() + " events "
                + job().events().size());
    }
}
