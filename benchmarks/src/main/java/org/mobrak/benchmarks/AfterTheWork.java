package org.mobrak.benchmarks;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.trouble.Cause;
import org.mobrak.core.catalogue.trouble.Question;
import org.mobrak.core.catalogue.trouble.Symptom;
import org.mobrak.core.catalogue.trouble.Troubles;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Ledger;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.identity.reader.RawText;
import org.mobrak.core.identity.reader.ReadingParser;
import org.mobrak.core.mend.Complaint;
import org.mobrak.core.mend.Diagnosis;
import org.mobrak.core.mend.Diagnostics;
import org.mobrak.core.mend.patch.PropertyChange;
import org.mobrak.core.mend.patch.PropertyFile;
import org.mobrak.core.mend.patch.PropertyPatch;
import org.mobrak.core.proof.Comparison;
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

/** Ten thousand causes weighed, a property file of 200,000 lines patched, two listings of 1,500 lines compared. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(value = 1, jvmArgs = "-Xmx256m")
public class AfterTheWork {
    private static final int CAUSES = 10_000;
    private static final int QUESTIONS = 40;
    private static final int LINES = 200_000;
    private static final int LISTED = 1_500;

    private final Catalogue catalogue = new Catalogue(List.of(), List.of());
    private Diagnostics diagnostics;
    private Complaint complaint;
    private PropertyFile file;
    private PropertyChange change;
    private String before;
    private String after;

    @Setup
    public void prepare() throws Refusal {
        List<Question> questions = new ArrayList<>();
        for (int i = 0; i < QUESTIONS; i++) {
            questions.add(new Question("q" + i, "?", "look", List.of("yes", "no"), Optional.empty(), false));
        }
        Random random = new Random(15);
        List<Cause> causes = new ArrayList<>();
        for (int i = 0; i < CAUSES; i++) {
            Map<String, Map<String, Double>> answers = new HashMap<>();
            for (int j = 0; j < 4; j++) {
                answers.put("q" + random.nextInt(QUESTIONS), Map.of("yes", random.nextDouble()));
            }
            causes.add(new Cause(
                    "c" + i,
                    "cause",
                    1 + random.nextInt(9),
                    Map.of("s", random.nextDouble()),
                    List.of(),
                    Map.of(),
                    List.of(),
                    answers,
                    List.of(),
                    Optional.of("wait"),
                    false));
        }
        Symptom symptom = new Symptom("s", "seen", List.of(), List.of(), List.of());
        diagnostics = new Diagnostics(catalogue, new Troubles(List.of(symptom), causes, questions, List.of()));
        complaint = diagnostics.complete(
                new Complaint(List.of("s"), Map.of("q1", "yes"), List.of(), Facts.none(), Optional.empty()));
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < LINES; i++) {
            text.append("persist.example.").append(i).append("=value\n");
        }
        file = PropertyFile.of(text.append("ro.wanted=1\n").toString().getBytes(StandardCharsets.US_ASCII));
        change = PropertyChange.parse("ro.wanted=0", "1");
        before = listing("1");
        after = listing("2");
    }

    private static String listing(String incremental) {
        StringBuilder text = new StringBuilder(
                "[ro.product.model]: [OV-L210F]\n[ro.build.version.release]: [4.1.2]\n[ro.build.version.incremental]: ["
                        + incremental + "]\n");
        for (int i = 0; i < LISTED; i++) {
            text.append("[persist.example.").append(i).append("]: [value]\n");
        }
        return text.toString();
    }

    @Benchmark
    public Diagnosis tenThousandCauses() {
        return diagnostics.diagnose(complaint);
    }

    @Benchmark
    public PropertyPatch twoHundredThousandLines() {
        return PropertyPatch.of(file, change);
    }

    @Benchmark
    public Comparison twoListings() {
        return Comparison.of(facts(before), facts(after), List.of());
    }

    private static Facts facts(String text) {
        return new Ledger(ReadingParser.parse(new RawText("x", text, List.of()), Instant.EPOCH)
                        .readings())
                .facts();
    }
}
