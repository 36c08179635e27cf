package org.mobrak.benchmarks;

import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.mobrak.core.identity.reader.RawText;
import org.mobrak.core.job.Event;
import org.mobrak.core.job.Job;
import org.mobrak.core.job.JobPlan;
import org.mobrak.core.job.RunSheet;
import org.mobrak.core.logbook.Logbook;
import org.mobrak.core.logbook.PhoneRecord;
import org.mobrak.core.logbook.Workspace;

/** Makes a workspace with a thousand phones and a hundred thousand entries, for {@code benchmarks/logbook.sh}. */
public final class BigLogbook {
    private static final int PHONES = 1_000;
    private static final int TEXTS = 10;
    private static final int NOTES = 90;
    private static final List<String> WORDS = List.of(
            "logo",
            "warm",
            "restarted",
            "cable",
            "pulled",
            "waited",
            "recovery",
            "orchard",
            "battery",
            "quiet",
            "again",
            "lamp");

    private BigLogbook() {}

    /** Takes the folder to make, the shipped catalogue's folder and the cache. */
    public static void main(String[] arguments) throws Exception {
        Path folder = Path.of(arguments[0]);
        Workspace.create(folder, List.of(Path.of(arguments[1])));
        try (Workspace workspace = Workspace.open(folder, Path.of(arguments[2]))) {
            Random random = new Random(20261126);
            Logbook logbook = workspace.logbook();
            for (int number = 0; number < PHONES; number++) {
                int phone = number;
                logbook.together(() -> fill(logbook, phone, random));
            }
        }
    }

    private static Void fill(Logbook logbook, int number, Random random) throws Exception {
        Instant at = Instant.parse("2024-01-01T08:00:00Z").plusSeconds(number * 3_600L);
        PhoneRecord phone = logbook.addPhone("Phone %04d, shelf %d".formatted(number, number % 40), at);
        for (int i = 0; i < TEXTS; i++) {
            String text =
                    "[ro.product.model]: [KQ-B%04d]%n[ro.build.display.id]: [KQB%04d-E%02d-24%02d%02d]%n[ro.serialno]: [S%08d]%nBattery level: %d %%%n"
                            .formatted(number, number, i, 1 + i, 1 + number % 28, number, random.nextInt(100));
            logbook.take(phone, new RawText("listing-" + i + ".txt", text, List.of()), at.plusSeconds(i * 60L));
        }
        JobPlan plan = new JobPlan("Permanent root", Optional.empty(), List.of(), List.of(), Map.of());
        Job job = logbook.start(
                phone, plan, new RunSheet("A long job", List.of(), Set.of(), Optional.empty(), Optional.empty()), at);
        for (int i = 0; i < NOTES; i++) {
            String note = WORDS.get(random.nextInt(WORDS.size())) + " " + WORDS.get(random.nextInt(WORDS.size())) + " "
                    + number;
            job = logbook.record(job, new Event.Noted(at.plusSeconds(3_000 + i), "do-1", note));
        }
        logbook.record(job, new Event.Ended(at.plusSeconds(9_000), Event.End.WORKED, "Well."));
        return null;
    }
}
