package org.mobrak.app.rehearsal;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Executor;
import org.mobrak.app.Desk;
import org.mobrak.app.FilesFrom;
import org.mobrak.app.Scratches;
import org.mobrak.app.Session;
import org.mobrak.app.Snapshot;
import org.mobrak.core.catalogue.KeyChord;
import org.mobrak.core.catalogue.KeyChord.Key;
import org.mobrak.core.catalogue.file.CatalogueCache;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.job.Event;
import org.mobrak.core.job.Job;
import org.mobrak.core.job.Step;
import org.mobrak.core.logbook.Workspace;
import org.mobrak.core.logbook.WorkspaceCopy;
import org.mobrak.core.material.Scratch;
import org.mobrak.core.plan.Plan;
import org.mobrak.link.Mode;
import org.mobrak.link.bench.BenchTruth;
import org.mobrak.link.bench.Cable;
import org.mobrak.link.bench.Stimulus;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * A rehearsal played by hand: the sheet of a plan in a copy of the workspace, with the same session as a real job, and beside it
 * the phone on the bench. The copy goes when it is closed, and nothing of it reaches the real logbook. Used on the thread that
 * draws; time goes by only when it is told to.
 */
public final class Practice implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(Practice.class);

    private final Scratch scratch;
    private final BenchFiles files;
    private final Setting setting;
    private final Plan plan;
    private final BenchClock clock;
    private final Session session;
    private final PlayedBench bench;
    private final Diary diary = new Diary();
    private final BenchWork work;
    private final Set<String> slips = new LinkedHashSet<>();
    private Optional<Step> current = Optional.empty();
    private Optional<Job> job = Optional.empty();

    /**
     * What a rehearsal is made of.
     *
     * @param workspace the real one, which is copied
     * @param cache where what was read of catalogues may be kept
     */
    public record Place(Path workspace, Path cache, Clock clock, Executor drawing) {}

    private Practice(Place place, Desk desk, Plan plan, Bench laid, List<Fault.At> faults) throws IOException {
        this.scratch = laid.scratch();
        this.files = laid.files();
        Path copy = scratch.path().resolve("rehearsal");
        WorkspaceCopy.make(place.workspace(), copy);
        // What is kept of a copy goes with it.
        Path cache = scratch.path().resolve("cache");
        new CatalogueCache(place.cache())
                .copied(place.workspace().resolve("catalogue"), copy.resolve("catalogue"), new CatalogueCache(cache));
        Workspace.agree(copy, cache);
        this.plan = plan;
        this.setting = new Setting(desk.outlook(), plan, laid.phone());
        this.clock = new BenchClock(place.clock().instant());
        this.session = new Session(copy, cache, new NoPhones(), clock, place.drawing(), FilesFrom.BENCH);
        Hands hands = new Hands(setting.phone(), diary);
        this.bench = new PlayedBench(hands, clock);
        this.work = new BenchWork(setting, hands, bench, diary, Faults.placed(faults, setting.sheet()));
        work.fetch(files);
    }

    /** What must be put away again, whatever happens. */
    private record Bench(Scratch scratch, BenchFiles files, BenchTruth phone) {
        void putAway() throws IOException {
            files.close();
            scratch.close();
        }
    }

    /** Lays a phone on the bench for a plan. Takes its time: the workspace is copied, files are made and looked into. */
    public static Practice lay(Place place, Desk desk, Plan plan, long seed, List<Fault.At> faults) throws IOException {
        Scratch scratch = Scratches.make();
        String name = desk.dossier().phone().nickname();
        Bench laid = new Bench(scratch, new BenchFiles(), OnBench.of(name, desk.outlook(), seed));
        try {
            return new Practice(place, desk, plan, laid, faults);
        } catch (IOException | RuntimeException failed) {
            laid.putAway();
            throw failed;
        }
    }

    /** Opens the copy and writes the sheet. */
    public void begin(Desk desk) {
        session.snapshot().addListener((source, before, now) -> follow(now));
        session.open();
        session.pick(desk.dossier().phone());
        if (desk.dossier().runningJob().isPresent()) {
            session.job().end(Event.End.STOPPED, "");
        }
        session.job().start(plan);
    }

    /** Where the sheet is worked through: the same commands and snapshots as of a real job. */
    public Session session() {
        return session;
    }

    /** The keys this phone has. */
    public List<Key> keys() {
        Set<Key> all = new LinkedHashSet<>();
        setting.phone().ways().forEach(way -> all.addAll(way.chord().keys()));
        all.add(Key.POWER);
        all.remove(Key.ALL);
        return List.copyOf(all);
    }

    /** The sheet says another step is next, or that one was begun. */
    private void follow(Snapshot snapshot) {
        Optional<Job> now = snapshot.desk().flatMap(one -> one.dossier().runningJob());
        job = now.or(() -> job.isPresent() ? endedOf(snapshot) : Optional.empty());
        Optional<Step> next = now.flatMap(Job::next).map(work::known);
        if (!next.map(Step::id).equals(current.map(Step::id))) {
            current.filter(step -> job.filter(one -> one.tick(step).isPresent()).isPresent())
                    .flatMap(work::slip)
                    .ifPresent(slips::add);
            current = next;
            current.ifPresent(work::before);
        }
        current.filter(step -> now.flatMap(one -> one.begun(step)).isPresent()).ifPresent(work::beginOnce);
    }

    private Optional<Job> endedOf(Snapshot snapshot) {
        return snapshot.past().stream()
                .map(Snapshot.PastJob::job)
                .filter(one -> one.id() == job.orElseThrow().id())
                .findFirst();
    }

    public void press(Key key) {
        bench.press(key);
    }

    public void release(Key key) {
        bench.release(key);
    }

    /** All keys come up: whoever held them looks elsewhere. */
    public void releaseAll() {
        bench.down().forEach(bench::release);
    }

    /** Time goes by, in seconds of the bench. */
    public void pass(double seconds) {
        bench.pass(seconds);
    }

    /** To the end of what the phone is busy with. */
    public void skip() {
        bench.skip();
    }

    public void plug(BenchView.Lead lead) {
        bench.plug(Cable.valueOf(lead.name()));
    }

    public void installDriver() {
        bench.driver(true);
    }

    public void switchOff() {
        bench.begin("it goes off", new Stimulus.SwitchOff(), done -> {});
    }

    /** From a menu on its screen, where it shows one. */
    public void restart(boolean intoRecovery) {
        Mode mode = intoRecovery ? Mode.RECOVERY : Mode.OS;
        bench.begin("it starts", new Stimulus.Restart(mode), done -> {});
    }

    /** What a recovery offers where a start loops. */
    public void wipeLightly() {
        bench.begin("it wipes", new Stimulus.LightWipe(), done -> {});
    }

    /** Stock firmware over what does not run: the way back. */
    public void writeStock() {
        work.writeStock();
    }

    /** Does what is offered for the step that is next. */
    public void take(BenchView.Doing doing) {
        current.ifPresent(step -> work.take(doing, step, job.orElseThrow(), session));
    }

    /** The keys the step that is next asks for; empty where it asks for none. */
    public Optional<KeyChord> chord() {
        return current.map(this::shown).flatMap(Step::how).flatMap(Step.Doing::keys);
    }

    /** The keys that are down. */
    public Set<Key> held() {
        return bench.down();
    }

    /** Since it was begun, in the bench's time. */
    public double seconds() {
        return clock.seconds();
    }

    /** How everything stands on the bench. */
    public BenchView view() {
        return work.view(clock.seconds(), current, job, new BenchWork.Ending(verdict(), List.copyOf(slips)));
    }

    private Step shown(Step step) {
        return job.map(one -> one.shown(step)).orElse(step);
    }

    private Optional<String> verdict() {
        boolean over =
                job.filter(one -> one.end().isPresent() || one.next().isEmpty()).isPresent();
        if (bench.state().mode() == Mode.DEAD) {
            return Optional.of("This phone is lost.");
        }
        if (!over) {
            return Optional.empty();
        }
        return Optional.of(
                isReached()
                        ? "The goal is reached, on the phone itself."
                        : "The sheet is over, and the phone is not where it should be.");
    }

    /** Whether the phone truly is where the plan leads, whatever the sheet says. */
    private boolean isReached() {
        return plan.goal().wanted().entrySet().stream()
                .allMatch(want -> want.getValue().equals(bench.state().facts().get(want.getKey())));
    }

    /** Whether what was done led to the goal, step by step, so that it counts as rehearsed. */
    public boolean isDone() {
        return isReached() && job.filter(one -> one.next().isEmpty()).isPresent();
    }

    public Plan plan() {
        return plan;
    }

    /** What is so of the phone in truth, for whoever holds the job's claims against it. */
    public Map<Fact, String> truth() {
        return bench.state().facts();
    }

    @Override
    public void close() {
        session.close();
        try {
            files.close();
            scratch.close();
        } catch (IOException left) {
            LOG.info("Left for the next start to sweep", left);
        }
    }
}
