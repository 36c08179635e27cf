package org.mobrak.app;

import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/** What concerns the program and not a phone: how a person likes to work, and what the program wrote down of itself. */
public final class ProgramDesk {
    private final Workers workers;
    private final Supplier<@Nullable Workbench> bench;
    private final Observed<Preferences> preferences = new Observed<>(Preferences.usual());
    private final Observed<Optional<String>> log = new Observed<>(Optional.empty());

    ProgramDesk(Workers workers, Supplier<@Nullable Workbench> bench) {
        this.workers = workers;
        this.bench = bench;
    }

    public Observed<Preferences> preferences() {
        return preferences;
    }

    /** The end of the log as it may be given to others; empty until it was asked for. */
    public Observed<Optional<String>> log() {
        return log;
    }

    /** What was kept; on the worker thread. */
    void recall() {
        Preferences kept = Optional.ofNullable(bench.get())
                .map(open -> Preferences.read(open.logbook()::setting))
                .orElse(Preferences.usual());
        workers.draw(() -> preferences.set(kept));
    }

    /** Looks what is kept now: a job may have chosen a habit since. */
    public void look() {
        workers.quietly(this::recall);
    }

    public void prefer(Preferences wanted) {
        preferences.set(wanted);
        workers.quietly(
                () -> Optional.ofNullable(bench.get()).ifPresent(open -> wanted.keep(open.logbook()::putSetting)));
    }

    /**
     * Reads the end of the log; names of phones, people and folders are taken out.
     *
     * @param owner whose home and name must not be told
     */
    public void readLog(Path file, Owner owner) {
        LogText text = new LogText(owner.home(), owner.name());
        workers.read("Reading the log", () -> text.of(file, workers.fromWorker(this::names)), clean -> {
            workers.draw(() -> log.set(Optional.of(clean)));
            return Outcome.NOTHING;
        });
    }

    /** Who sits at the computer, by its own account. */
    public record Owner(String home, String name) {}

    /** Whether the computer's own windows are dark, told on the thread that draws. */
    public void askSystemLook(Path home, Map<String, String> environment, Consumer<Boolean> told) {
        workers.quietly(() -> {
            boolean dark = SystemLook.isDark(home, environment);
            workers.draw(() -> told.accept(dark));
        });
    }

    private List<String> names() {
        return Optional.ofNullable(bench.get())
                .map(open -> open.phones().names())
                .orElse(List.of());
    }
}
