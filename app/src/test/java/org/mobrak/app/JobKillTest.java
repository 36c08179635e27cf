package org.mobrak.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.LockSupport;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.job.Job;
import org.mobrak.core.plan.Goal;

/** A program that is killed at any tick of a job has every event that was shown, and goes on at that step. */
class JobKillTest extends DemoSessions {
    private static final int SIGKILL = 137;
    /** After so many ticks more each time, through the gathering, the gates and the work. */
    private static final List<Integer> TICKS = List.of(1, 3, 2, 5);

    /** What was shown last before a process died. */
    private record Promised(long job, long ticked, int events) {
        static Promised of(String line) {
            String[] words = line.split(" ");
            return new Promised(Long.parseLong(words[1]), Long.parseLong(words[3]), Integer.parseInt(words[5]));
        }
    }

    @Test
    @Timeout(value = 3, unit = TimeUnit.MINUTES)
    void everyEventThatWasShownIsThere() throws Exception {
        try (Session session = openDemo("Hive 3")) {
            does(session, one -> one.readings().takeTyped(Fact.RECOVERY, "stock"));
            does(session, one -> one.wish(Goal.RECOVERY));
            does(session, one -> one.job().start(desk(one).answer().plans().get(0)));
        }
        for (int ticks : TICKS) {
            Promised promised = killedAfter(ticks);
            try (Session session = open(top.resolve("demo"), "Hive 3")) {
                Job job = job(session);
                assertThat(job.id()).isEqualTo(promised.job());
                // The next step may have been done and not yet shown: one reason and one tick.
                assertThat(job.events().size()).isBetween(promised.events(), promised.events() + 2);
                assertThat(job.tickedCount()).isBetween(promised.ticked(), promised.ticked() + 1);
            }
        }
    }

    private Promised killedAfter(int ticks) throws Exception {
        Path said = top.resolve("said.txt");
        Process process = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-XX:TieredStopAtLevel=1",
                        "-Dmobrak.home=" + System.getProperty("mobrak.home"),
                        "-cp",
                        System.getProperty("java.class.path"),
                        JobVictim.class.getName(),
                        top.resolve("demo").toString(),
                        top.resolve("cache").toString())
                .redirectError(ProcessBuilder.Redirect.DISCARD)
                .redirectOutput(said.toFile())
                .start();
        while (promises(said).size() < ticks) {
            assertThat(process.isAlive()).isTrue();
            LockSupport.parkNanos(TimeUnit.MILLISECONDS.toNanos(2));
        }
        process.destroyForcibly();
        assertThat(process.waitFor()).isEqualTo(SIGKILL);
        List<String> all = promises(said);
        return Promised.of(all.get(all.size() - 1));
    }

    /** Whole lines only: the last may have been cut off by the kill. */
    private static List<String> promises(Path said) throws Exception {
        String text = Files.exists(said) ? Files.readString(said) : "";
        return text.substring(0, text.lastIndexOf('\n') + 1)
                .lines()
                .filter(line -> line.startsWith("job "))
                .toList();
    }
}
