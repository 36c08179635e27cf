package org.mobrak.benchmarks;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Stream;
import org.apache.commons.io.file.PathUtils;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.match.Identity;
import org.mobrak.core.fit.School;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.TypedReading;
import org.mobrak.core.identity.reader.RawText;
import org.mobrak.core.identity.reader.TextIntake;
import org.mobrak.core.job.Job;
import org.mobrak.core.job.JobPlan;
import org.mobrak.core.job.RunSheet;
import org.mobrak.core.logbook.Logbook;
import org.mobrak.core.logbook.PhoneRecord;
import org.mobrak.core.logbook.Workspace;
import org.mobrak.core.logbook.transfer.Export;
import org.mobrak.core.plan.Goal;
import org.mobrak.core.plan.Limits;
import org.mobrak.core.plan.Plan;
import org.mobrak.core.plan.Planner;

/**
 * A year in the logbook of another club, as an export that can be taken in: phones like the demo's own, looked after month by month,
 * rooted, brought back, and now and then given up. The same seed gives the same year.
 */
public final class ClubYear {
    private static final List<String> PLACES = List.of(
            "sluice",
            "reed bed",
            "boat house",
            "island",
            "weir",
            "footbridge",
            "mill race",
            "otter holt",
            "ferry stage",
            "lock gate",
            "water meadow",
            "spring");
    private static final List<Goal> GOALS = List.of(Goal.ROOT, Goal.RECOVERY, Goal.UNROOTED, Goal.ROOT, Goal.STOCK);
    private static final Instant END = Instant.parse("2026-11-20T18:00:00Z");
    private static final long SEED = 26;
    /** The demo's phones of which there is one to be rooted, by the beginning of the names of their readings. */
    private static final List<String> LIKE = List.of("hive-03", "hive-11", "hive-04", "hive-12", "hive-06", "hive-07");

    private static final Duration YEAR = Duration.ofDays(365);
    private static final int MONTHS = 12;
    private static final Duration MONTH = Duration.ofDays(30);
    private static final double READS_BATTERY = 0.7;
    private static final double WORKS = 0.7;

    private final Path demo;
    private final Logbook logbook;
    private final Catalogue catalogue;
    private final Instant end;
    private final Random random;

    private ClubYear(Path demo, Workspace workspace, Instant end, long seed) {
        this.demo = demo;
        this.logbook = workspace.logbook();
        this.catalogue = workspace.catalogue().catalogue();
        this.end = end;
        this.random = new Random(seed);
    }

    /** Takes Mobrak's own folder, the zip to write and the cache. */
    public static void main(String[] arguments) throws Exception {
        Path home = Path.of(arguments[0]);
        Path beside = Files.createTempDirectory("mobrak-club");
        try {
            Path folder = beside.resolve("club");
            Workspace.create(folder, List.of(home.resolve("catalogue"), home.resolve("demo/catalogue")));
            try (Workspace workspace = Workspace.open(folder, Path.of(arguments[2]))) {
                ClubYear year = new ClubYear(home.resolve("demo"), workspace, END, SEED);
                workspace.logbook().together(year::fill);
                Export.write(workspace.folder(), Optional.empty(), false, Path.of(arguments[1]), END);
            }
        } finally {
            PathUtils.deleteDirectory(beside);
        }
    }

    private Void fill() throws Exception {
        for (int number = 0; number < PLACES.size(); number++) {
            String like = LIKE.get(number % LIKE.size());
            Instant begun = end.minus(YEAR).plus(Duration.ofHours(random.nextInt(24 * 40)));
            PhoneRecord phone = logbook.addPhone("Pond %d, %s".formatted(number + 1, PLACES.get(number)), begun);
            for (Path reading : readings(like)) {
                RawText text = TextIntake.of(reading);
                String name = reading.getFileName().toString().replace(like, "pond-%02d".formatted(number + 1));
                logbook.take(phone, new RawText(name, anotherSerial(text.text(), number), text.findings()), begun);
            }
            live(phone, begun);
        }
        return null;
    }

    private List<Path> readings(String like) throws IOException {
        try (Stream<Path> all = Files.list(demo.resolve("readings"))) {
            return all.filter(one -> one.getFileName().toString().startsWith(like))
                    .sorted()
                    .toList();
        }
    }

    /** Phones of the same model are not the same phone. */
    private static String anotherSerial(String text, int number) {
        return text.replaceAll("(serialno\\]?[:=] ?\\[?)[0-9a-z]+", "$1b0%02dpond".formatted(number));
    }

    private void live(PhoneRecord phone, Instant begun) throws Exception {
        int goal = random.nextInt(GOALS.size());
        for (int month = 0; month < MONTHS; month++) {
            Instant at = begun.plus(MONTH.multipliedBy(month)).plus(Duration.ofHours(2 + random.nextInt(24 * 20)));
            if (at.isBefore(end) && random.nextDouble() < READS_BATTERY) {
                logbook.take(phone, TypedReading.parse("batteryPercent=" + (30 + random.nextInt(66)), at));
            }
            if (at.isBefore(end) && random.nextDouble() < WORKS) {
                work(phone, GOALS.get(goal % GOALS.size()), at.plus(Duration.ofMinutes(20)));
                goal++;
            }
        }
    }

    private void work(PhoneRecord phone, Goal goal, Instant at) throws Exception {
        Facts facts = Identity.of(catalogue, logbook.dossier(phone).ledger(), List.of())
                .facts();
        Optional<Plan> plan =
                Planner.plan(goal, catalogue, facts, Optional.of(School.PRACTICAL), Limits.none()).plans().stream()
                        .filter(one -> !one.routes().isEmpty())
                        .findFirst();
        if (plan.isPresent()) {
            JobPlan keeping = JobPlan.of(plan.get(), Optional.of("practical"), List.of(), facts);
            Job job = logbook.start(phone, keeping, RunSheet.of(plan.get(), catalogue, facts), at);
            new PastWork(logbook, job, phone, facts, at, random).work();
        }
    }
}
