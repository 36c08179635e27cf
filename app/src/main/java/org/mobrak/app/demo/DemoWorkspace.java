package org.mobrak.app.demo;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import org.apache.commons.io.file.PathUtils;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Gate;
import org.mobrak.core.catalogue.match.Identity;
import org.mobrak.core.gather.Kept;
import org.mobrak.core.gather.StockCopy;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.identity.TypedReading;
import org.mobrak.core.identity.reader.RawText;
import org.mobrak.core.identity.reader.TextIntake;
import org.mobrak.core.job.Event;
import org.mobrak.core.job.Job;
import org.mobrak.core.job.JobPlan;
import org.mobrak.core.job.RunSheet;
import org.mobrak.core.job.Step;
import org.mobrak.core.logbook.Logbook;
import org.mobrak.core.logbook.PhoneRecord;
import org.mobrak.core.logbook.Workspace;
import org.mobrak.core.material.Digest;
import org.mobrak.core.material.Inspection;
import org.mobrak.core.material.PartitionNames;
import org.mobrak.core.material.Watch;
import org.mobrak.core.material.reader.Inspector;
import org.mobrak.core.plan.Goal;
import org.mobrak.core.plan.Limits;
import org.mobrak.core.plan.Plan;
import org.mobrak.core.plan.Planner;

/** Lays the demo out in a fresh folder; everything in it is invented. */
public final class DemoWorkspace {
    private static final Duration PER_STEP = Duration.ofMinutes(2);

    private final Path demo;
    private final Clock clock;
    private final Logbook logbook;
    private final Catalogue catalogue;

    private DemoWorkspace(Path demo, Clock clock, Workspace workspace) {
        this.demo = demo;
        this.clock = clock;
        this.logbook = workspace.logbook();
        this.catalogue = workspace.catalogue().catalogue();
    }

    /**
     * Makes the demo workspace.
     *
     * @param home the folder with Mobrak's own {@code catalogue} and {@code demo}
     * @param folder a folder that does not exist yet
     * @param cache where what was read of catalogues may be kept
     */
    public static void create(Path home, Path folder, Path cache, Clock clock) throws IOException {
        Workspace.create(folder, List.of(home.resolve("catalogue"), home.resolve("demo/catalogue")));
        PathUtils.copyDirectory(home.resolve("demo"), folder.resolve("bench"));
        try (Workspace workspace = Workspace.open(folder, cache)) {
            new DemoWorkspace(folder.resolve("bench"), clock, workspace).fill();
        } catch (Refusal wrong) {
            throw new IllegalStateException("The demo's own data is refused", wrong);
        }
    }

    private void fill() throws IOException, Refusal {
        for (DrawerFile.Phone phone : DrawerFile.read(demo).phones()) {
            Instant then = clock.instant()
                    .minus(Duration.ofDays(
                            phone.done().map(DrawerFile.Done::days).orElse(0)));
            PhoneRecord record = logbook.addPhone(phone.nickname(), then);
            for (String name : phone.readings()) {
                RawText text = TextIntake.of(demo.resolve("readings").resolve(name));
                logbook.take(record, new RawText(name, text.text(), text.findings()), then);
            }
            for (String word : phone.typed()) {
                logbook.take(record, TypedReading.parse(word, then));
            }
            if (phone.done().isPresent()) {
                work(record, phone.done().get(), then);
            }
            lookInto(record, phone);
        }
    }

    private void lookInto(PhoneRecord record, DrawerFile.Phone phone) throws IOException {
        Facts facts = identity(record).facts();
        PartitionNames names = PartitionNames.usual();
        Inspector inspector = new Inspector(demo, Runnable::run, names);
        for (String name : phone.files()) {
            Path file = demo.resolve("files").resolve(name);
            Inspection inspection = inspector.inspect(file, EnumSet.allOf(Digest.class), Watch.NONE);
            Kept kept = logbook.materials()
                    .keep(List.of(inspection), clock.instant())
                    .get(0);
            for (DrawerFile.Copy copy : phone.copies()) {
                if (copy.file().equals(name)) {
                    register(record, kept, copy, facts);
                }
            }
        }
    }

    private void register(PhoneRecord record, Kept kept, DrawerFile.Copy copy, Facts facts) {
        String model = facts.value(Fact.MODEL).orElseThrow();
        String build = facts.value(Fact.BUILD_NUMBER).orElseThrow();
        logbook.materials().register(record, kept, copy.covers(), model, build, clock.instant());
        if (copy.verified()) {
            List<StockCopy> copies = logbook.materials().copies(record);
            logbook.materials().check(copies.get(copies.size() - 1), true, clock.instant());
        }
    }

    private Identity identity(PhoneRecord phone) {
        return Identity.of(catalogue, logbook.dossier(phone).ledger(), List.of());
    }

    private void work(PhoneRecord phone, DrawerFile.Done done, Instant then) throws Refusal {
        Plan plan = plan(phone, done);
        Facts before = identity(phone).facts();
        JobPlan keeping = JobPlan.of(plan, Optional.empty(), List.of(), before);
        Job job = logbook.start(phone, keeping, RunSheet.of(plan, catalogue, before), then);
        Instant at = then;
        for (Step step : job.sheet().steps()) {
            at = at.plus(PER_STEP);
            if (step.gate().isPresent()) {
                logbook.take(phone, TypedReading.parse(opening(step.gate().get()), at));
            }
            job = logbook.record(job, job.ticking(step, identity(phone).facts(), at));
        }
        logbook.record(job, new Event.Ended(at.plus(PER_STEP), Event.End.WORKED, "Logs all night since."));
    }

    private Plan plan(PhoneRecord phone, DrawerFile.Done done) {
        Identity identity = identity(phone);
        Goal goal = Goal.ofKey(done.goal()).orElseThrow();
        return Planner.plan(goal, catalogue, identity.facts(), Optional.empty(), Limits.none()).plans().stream()
                .filter(plan -> plan.routes().get(0).id().equals(done.route()))
                .findFirst()
                .orElseThrow(() -> new IllegalStateException("The demo's route no longer fits: " + done.route()));
    }

    private static String opening(Gate gate) {
        return TypedReading.text(
                gate.fact(),
                gate.atLeast().map(String::valueOf).orElseGet(() -> gate.is().get(0)));
    }
}
