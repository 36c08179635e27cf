package org.mobrak.app;

import java.io.IOException;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.logbook.Backups;
import org.mobrak.core.logbook.Output;
import org.mobrak.core.logbook.remind.Reminder;
import org.mobrak.core.logbook.remind.ReminderCalendar;
import org.mobrak.core.logbook.search.Found;
import org.mobrak.core.logbook.search.SearchIndex;
import org.mobrak.core.logbook.transfer.Export;
import org.mobrak.core.logbook.transfer.Import;
import org.mobrak.core.logbook.transfer.Imported;

/** What is done with the logbook as a whole: searched, sent out, joined with another's. Called on the thread that draws. */
public final class LogbookDesk {
    private final Workers workers;
    private final Supplier<Workbench> bench;
    private final Path cache;
    private final Observed<Optional<Due>> due = new Observed<>(Optional.empty());
    private final Observed<Optional<Found>> found = new Observed<>(Optional.empty());
    private final Observed<List<Path>> copies = new Observed<>(List.of());
    private final Observed<Optional<Offer>> offer = new Observed<>(Optional.empty());

    /**
     * An export that was looked at and waits for a yes.
     *
     * @param would what would come about
     */
    public record Offer(Path zip, Imported would) {}

    /** Work on the worker's thread for which nothing else may be begun. */
    private interface Alone<T> {
        T work(Workbench bench) throws IOException, Refusal;
    }

    LogbookDesk(Workers workers, Supplier<Workbench> bench, Path cache) {
        this.workers = workers;
        this.bench = bench;
        this.cache = cache;
    }

    /** What was found; empty while nothing is searched. */
    public Observed<Optional<Found>> found() {
        return found;
    }

    /** An export that waits for a yes. */
    public Observed<Optional<Offer>> offer() {
        return offer;
    }

    /** The copies of the logbook that were made by themselves, the newest first; empty until they were asked for. */
    public Observed<List<Path>> copies() {
        return copies;
    }

    public void listCopies() {
        workers.quietly(() -> {
            try {
                List<Path> now =
                        bench.get() == null ? List.of() : Backups.of(bench.get().folder());
                workers.draw(() -> copies.set(now));
            } catch (IOException unreadable) {
                workers.draw(() ->
                        workers.notice.set(Optional.of(new Notice(true, String.valueOf(unreadable.getMessage())))));
            }
        });
    }

    /** What is to be done again; empty until it was asked for. */
    public Observed<Optional<Due>> due() {
        return due;
    }

    /**
     * What is to be done again.
     *
     * @param all of every phone, the earliest first
     */
    public record Due(LocalDate today, List<Reminder> all) {
        public Due {
            all = List.copyOf(all);
        }
    }

    /** Works out what is to be done again. */
    public void askWhatIsDue() {
        telling("Looking what is due", () -> {});
    }

    /** Notes something to be reminded of, for the phone on the desk. */
    public void remind(LocalDate day, String what) {
        telling("Noting a reminder", () -> bench.get().reminders().remind(day, what));
    }

    /** Something of one's own is done. */
    public void forget(Reminder reminder) {
        telling("Taking a reminder off", () -> bench.get().reminders().forget(reminder));
    }

    private interface Change {
        void run() throws Refusal;
    }

    private void telling(String what, Change change) {
        workers.ask(what, () -> {
            change.run();
            List<Reminder> all = bench.get().reminders().all();
            LocalDate today = bench.get().today();
            workers.draw(() -> due.set(Optional.of(new Due(today, all))));
            return Outcome.NOTHING;
        });
    }

    public void putDueAway() {
        due.set(Optional.empty());
    }

    /** Writes everything that is to be done again as a calendar file. */
    public void saveCalendar(Path file) {
        workers.ask("Writing the calendar", () -> {
            Output.write(
                    file,
                    ReminderCalendar.of(
                            bench.get().reminders().all(), bench.get().now()));
            return Outcome.told(
                    "Saved: " + file + ". Take it into any calendar; a later one brings the same entries up to date.");
        });
    }

    /** Searches everything; without words the search is over. */
    public void search(String words) {
        if (words.isBlank()) {
            found.set(Optional.empty());
            return;
        }
        workers.read(
                "Searching the logbook",
                () -> {
                    Path folder = alone(Workbench::folder);
                    try (SearchIndex index = SearchIndex.open(folder, cache)) {
                        return index.find(words);
                    }
                },
                now -> {
                    workers.draw(() -> found.set(Optional.of(now)));
                    return Outcome.NOTHING;
                });
    }

    /**
     * Writes the whole workspace as a zip, or what is kept of the phone on the desk.
     *
     * @param withFiles whether the files that were looked into go along
     */
    public void export(Path zip, boolean onlyThePhone, boolean withFiles) {
        workers.read(
                "Writing the export",
                () -> {
                    // Only what is asked for is looked up on the worker's thread; the writing reads a state that stands
                    // still.
                    Optional<String> phone = alone(open -> phone(open, onlyThePhone));
                    Path folder = alone(Workbench::folder);
                    return Export.write(folder, phone, withFiles, zip, alone(Workbench::now));
                },
                (Map<String, Long> rows) -> Outcome.told("Written: %s, with %d phones and %d texts. %s"
                        .formatted(zip, rows.get("phones.jsonl"), rows.get("texts.jsonl"), files(rows))));
    }

    private static String files(Map<String, Long> rows) {
        long inside = rows.getOrDefault("inside", 0L);
        return inside == 0
                ? "The files on the bench stay where they are."
                : (inside == 1 ? "One file goes along." : inside + " files go along.");
    }

    /** Writes what is known of the phone on the desk and was done to it, as HTML, Markdown or CSV by the file's name. */
    public void report(Path file) {
        workers.read("Writing the report", () -> alone(Workbench::caseReport), report -> {
            CaseFile.write(report, file);
            return Outcome.told("Saved: " + file + ". Readings may hold serial numbers; look before you hand it on.");
        });
    }

    private static Optional<String> phone(Workbench open, boolean only) throws Refusal {
        return only
                ? Optional.of(open.picked()
                        .get()
                        .orElseThrow(() -> new Refusal("Lay a phone on the desk first."))
                        .nickname())
                : Optional.empty();
    }

    /** Looks at an export; nothing of it is taken before somebody says so. */
    public void lookAt(Path zip) {
        workers.read(
                "Looking at the export",
                () -> alone(open -> Import.look(zip, open.folder(), Set.of(), open.now())),
                would -> {
                    workers.draw(() -> offer.set(Optional.of(new Offer(zip, would))));
                    return Outcome.NOTHING;
                });
    }

    /**
     * Takes the export that was looked at.
     *
     * @param sameNames phones that the person says are the ones of that name here
     */
    public void take(Set<String> sameNames) {
        Optional<Offer> now = offer.get();
        offer.set(Optional.empty());
        now.ifPresent(one -> workers.read(
                "Taking the export in",
                () -> alone(open -> Import.take(one.zip(), open.folder(), open.folder(), sameNames, open.now())),
                done -> {
                    bench.get().joined();
                    return Outcome.told(
                            "Taken in: %d phones, %d rows, %d entries of the catalogue. What was here is as it was."
                                    .formatted(
                                            done.phones().size(),
                                            done.addedRows(),
                                            done.entries().size()));
                }));
    }

    public void leave() {
        offer.set(Optional.empty());
    }

    /** Nothing else is written meanwhile, and the logbook's own connection holds no lock. */
    private <T> T alone(Alone<T> work) throws IOException, Refusal {
        return workers.fromWorker(() -> work.work(bench.get()));
    }
}
