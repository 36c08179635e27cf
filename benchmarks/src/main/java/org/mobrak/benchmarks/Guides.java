package org.mobrak.benchmarks;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.mobrak.core.learn.Learner;
import org.mobrak.core.learn.Lesson;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** Learning from long texts, each in a process that has just started: what a person waits for after a paste. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SingleShotTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 0)
@Measurement(iterations = 1)
@Fork(value = 5, jvmArgs = "-Xmx256m")
public class Guides {
    private static final LocalDate DAY = LocalDate.of(2026, 11, 26);
    private static final int THREAD = 200_000;
    private static final int PROSE = 5_000_000;
    private static final int ROWS = 5_000;
    private static final int FILES = 500;
    private static final String GUIDE = """
            Root for the Quail 3 (QL-300, QL-301), not for the QL-305
            You need: battery at least 50 %, USB debugging, flasher 3.07
            quail3-root.tar, md5 900150983cd24fb0d6963f7d28e17f72
            1. Switch the phone off.
            2. Hold volume down + home + power until the warning, then press volume up.
            3. Give quail3-root.tar to the flasher and start. It takes about 5 minutes.
            4. Check root with a proof app.
            """;
    private static final List<String> WORDS = List.of(
            "yesterday",
            "my",
            "sister",
            "asked",
            "whether",
            "the",
            "old",
            "phone",
            "could",
            "still",
            "be",
            "of",
            "use",
            "and",
            "I",
            "said",
            "that",
            "it",
            "depends",
            "on",
            "what",
            "she",
            "wants",
            "from",
            "a",
            "screen",
            "with",
            "green",
            "lines",
            "so",
            "we",
            "tried",
            "once",
            "more",
            "after",
            "lunch",
            "but",
            "nothing",
            "new",
            "came");

    private byte[] thread;
    private byte[] prose;
    private byte[] table;

    @Setup
    public void prepare() {
        thread = talk(THREAD);
        prose = talk(PROSE);
        StringBuilder rows = new StringBuilder("model,file,MD5\n");
        for (int i = 0; i < ROWS; i++) {
            rows.append("QL-%04d,quail-%03d.tar,%032x%n".formatted(i, i % FILES, i % FILES + 1L));
        }
        table = rows.toString().getBytes(StandardCharsets.UTF_8);
    }

    /** People who talk, and a guide in the middle of it. */
    private static byte[] talk(int length) {
        Random random = new Random(length);
        StringBuilder text = new StringBuilder(GUIDE);
        while (text.length() < length) {
            int words = 5 + random.nextInt(15);
            for (int i = 0; i < words; i++) {
                text.append(WORDS.get(random.nextInt(WORDS.size()))).append(' ');
            }
            text.append(random.nextInt(20) == 0 ? "\n\n" : "\n");
        }
        return text.toString().getBytes(StandardCharsets.UTF_8);
    }

    private static Lesson learn(byte[] text) {
        return new Learner().learn(List.of(new Learner.Source("guide", text)), DAY);
    }

    @Benchmark
    public Lesson threadOf200kB() {
        return learn(thread);
    }

    @Benchmark
    public Lesson tableOf5000Rows() {
        return learn(table);
    }

    @Benchmark
    public Lesson proseOf5MB() {
        return learn(prose);
    }
}
