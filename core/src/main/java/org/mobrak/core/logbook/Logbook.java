package org.mobrak.core.logbook;

import java.sql.Connection;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.identity.TypedReading;
import org.mobrak.core.identity.reader.Parsed;
import org.mobrak.core.identity.reader.RawText;
import org.mobrak.core.identity.reader.ReadTexts;
import org.mobrak.core.job.Event;
import org.mobrak.core.job.Job;
import org.mobrak.core.job.JobPlan;
import org.mobrak.core.job.RunSheet;
import org.mobrak.core.logbook.Chain.Kind;
import org.mobrak.core.logbook.ChainCheck.Changed;

/** The drawer of phones and what happened to them. Every method that adds returns only when it is on disk. */
public final class Logbook {
    /** The code of the finding that tells of an entry that is not as it was written down. */
    private static final String CHANGED = "changed-entry";

    private final Statements statements;
    private final LogbookRows rows;
    private final ReadTexts texts = new ReadTexts();
    private final Materials materials;
    private final Sequence sequence = new Sequence();
    /** Rows that are not as they were written down; found by a thread that looks through everything beside the work. */
    private volatile List<Changed> changed = List.of();

    Logbook(Connection held) {
        this.statements = new Statements(held);
        this.rows = new LogbookRows(statements);
        this.materials = new Materials(statements);
    }

    /** All of it or nothing: whatever is written by some work is undone if the work fails. */
    public <T> T together(Callable<T> work) throws Exception {
        return statements.together(work::call);
    }

    /** From now on these rows are marked where they are shown. */
    void mark(List<Changed> rows) {
        this.changed = List.copyOf(rows);
    }

    /** What of a kind is not as it was written down, told; empty where all is. */
    private Optional<Finding> changed(Kind kind, long row) {
        return changed.stream()
                .filter(one -> one.row() == row && one.table().equals(kind.table()))
                .findFirst()
                .map(one -> Finding.caution(
                        CHANGED,
                        "The logbook's %s. Read the phone again before you trust what it says.".formatted(one)));
    }

    /** What was read of texts so far, for whoever reads one that is then kept here. */
    public ReadTexts texts() {
        return texts;
    }

    /** The files that were looked into, and the stock copies. */
    public Materials materials() {
        return materials;
    }

    /** The phones that can be read, in the order in which they came. */
    public List<PhoneRecord> phones() {
        return drawer().rows();
    }

    /** What of the drawer, its files and stock copies cannot be read; of one phone's own entries its dossier tells. */
    public List<Finding> unread() {
        Legible<PhoneRecord> drawer = drawer();
        return Stream.of(drawer.told("phone", ""), materials.unread(drawer.rows()))
                .flatMap(List::stream)
                .toList();
    }

    private Legible<PhoneRecord> drawer() {
        return Legible.of(rows::phoneNumbers, rows::phones);
    }

    /** Puts a phone in the drawer; the name must not be blank. */
    public PhoneRecord addPhone(String nickname, Instant at) {
        return new PhoneRecord(rows.addPhone(nickname, at), nickname, at);
    }

    /** Everything of a phone that can be read; what cannot is named in it. */
    public Dossier dossier(PhoneRecord phone) {
        long id = phone.id();
        WrittenDown order = new WrittenDown(rows.written(id));
        Legible<Intake> intakes = Legible.of(
                () -> rows.intakeNumbers(id),
                (first, last) -> rows.intakes(id, first, last),
                intake -> intake.placed(
                        order.place(Kind.INTAKE, intake.id(), intake.takenAt()), changed(Kind.INTAKE, intake.id())));
        Legible<SetAside> aside = Legible.of(() -> rows.asideNumbers(id), (first, last) -> rows.aside(id, first, last));
        List<Finding> unread = new ArrayList<>(intakes.told("text", ""));
        unread.addAll(aside.told("“set aside” note", ", so that reading counts again"));
        Legible<Job> jobs = Legible.of(
                () -> rows.jobNumbers(id), (first, last) -> rows.jobs(id, first, last), row -> job(row, order, unread));
        unread.addAll(jobs.told("job", "; what was written to the phone then counts as not known"));
        List<Instant> lost = jobs.unread().stream()
                .flatMap(job -> lastKnown(job, order).stream())
                .toList();
        order.told().ifPresent(unread::add);
        Map<Long, Parsed> parsed =
                intakes.rows().stream().collect(Collectors.toMap(Intake::id, intake -> intake.parse(texts)));
        return new Dossier(phone, intakes.rows(), parsed, aside.rows(), jobs.rows(), new Dossier.Unread(unread, lost));
    }

    private Job job(LogbookRows.JobRow row, WrittenDown order, List<Finding> unread) {
        Legible<Event> journal = journal(row.id(), order);
        Legible<Event> events = events(row.id(), order, unread::add);
        unread.addAll(journal.told("journal line", ""));
        unread.addAll(events.told("event", ""));
        JobJson.Start start = JobJson.start(row.sheet());
        List<Event> all =
                Stream.concat(journal.rows().stream(), events.rows().stream()).toList();
        changed(Kind.JOB, row.id()).ifPresent(unread::add);
        Instant started = order.place(Kind.JOB, row.id(), row.startedAt());
        return new Job(row.id(), row.phoneId(), start.plan(), start.sheet(), started, all);
    }

    private Legible<Event> journal(long job, WrittenDown order) {
        return Legible.of(
                () -> rows.journalNumbers(job),
                (first, last) -> rows.journal(job, first, last),
                row -> row.entry()
                        .event()
                        .at(order.place(Kind.JOURNAL, row.id(), row.entry().at())));
    }

    private Legible<Event> events(long job, WrittenDown order, Consumer<Finding> told) {
        return Legible.of(() -> rows.eventNumbers(job), (first, last) -> rows.events(job, first, last), row -> {
            Event event = JobJson.event(row.event());
            changed(Kind.EVENT, row.id()).ifPresent(told);
            return event.at(order.place(Kind.EVENT, row.id(), event.at()));
        });
    }

    /**
     * When a job that cannot be read was last at work: never, where its journal is empty; where the journal cannot be read
     * either, at no time that has passed.
     */
    private Optional<Instant> lastKnown(long job, WrittenDown order) {
        Legible<Event> journal = journal(job, order);
        Legible<Event> events = events(job, order, told -> {});
        Optional<Instant> last = Stream.concat(journal.rows().stream(), events.rows().stream())
                .map(Event::at)
                .max(Comparator.naturalOrder());
        boolean all = journal.unread().isEmpty() && events.unread().isEmpty();
        return all ? last : Optional.of(last.orElse(Instant.MAX));
    }

    /** Keeps a text with readings in it and gives its number. */
    public long take(PhoneRecord phone, RawText text, Instant at) {
        return keep(phone, Intake.Kind.TEXT, text, at);
    }

    /** Keeps what a person said of a phone and gives its number. */
    public long take(PhoneRecord phone, Reading typed) {
        String text = TypedReading.text(typed.fact(), typed.value());
        return keep(phone, Intake.Kind.TYPED, new RawText("typed in", text, List.of()), typed.takenAt());
    }

    private long keep(PhoneRecord phone, Intake.Kind kind, RawText text, Instant clock) {
        Instant at = sequence.place(clock, rows.lastWritten(phone.id()));
        List<Finding> findings = Stream.concat(text.findings().stream(), Sequence.oddClock(clock, at).stream())
                .toList();
        return rows.addIntake(phone.id(), text.name(), kind, text.text(), Json.write(findings), at);
    }

    /** Takes an intake back; it stays in the logbook but no longer counts. */
    public void withdraw(long intake, Instant at) {
        rows.withdraw(intake, Optional.of(at));
    }

    /** Lets a withdrawn intake count again. */
    public void restore(long intake) {
        rows.withdraw(intake, Optional.empty());
    }

    /**
     * No longer lets a reading count and gives the entry's number. A {@link Refusal} tells that it stands in
     * no text of this phone.
     */
    public long setAside(PhoneRecord phone, Reading reading, String reason, Instant at) throws Refusal {
        Intake intake = dossier(phone)
                .intakeOf(reading)
                .orElseThrow(
                        () -> new Refusal("Only what was read can be set aside; this follows from something else."));
        return rows.addAside(intake.id(), reading.fact().key(), reading.value(), reason, at);
    }

    /** Lets a reading count again. */
    public void takeBackAside(long aside, Instant at) {
        rows.withdrawAside(aside, Optional.of(at));
    }

    /** Sets a reading aside once more, under the same entry. */
    public void repeatAside(long aside) {
        rows.withdrawAside(aside, Optional.empty());
    }

    /** Takes a phone out of the drawer; it stays in the logbook. */
    public void withdraw(PhoneRecord phone, Instant at) {
        rows.withdrawPhone(phone.id(), Optional.of(at));
    }

    /** Puts a phone back into the drawer. */
    public void restore(PhoneRecord phone) {
        rows.withdrawPhone(phone.id(), Optional.empty());
    }

    /** Starts a job; a {@link Refusal} tells that one runs on this phone already. */
    public Job start(PhoneRecord phone, JobPlan plan, RunSheet sheet, Instant at) throws Refusal {
        if (dossier(phone).runningJob().isPresent()) {
            throw new Refusal("A job runs on this phone already; finish or stop it first.");
        }
        Instant start = sequence.place(at, rows.lastWritten(phone.id()));
        long id = rows.addJob(phone.id(), JobJson.write(plan, sheet), start);
        return new Job(id, phone.id(), plan, sheet, start, List.of());
    }

    /** Writes down what happened in a job, all of it or nothing. */
    public Job record(Job job, List<Event> happened) {
        return job.with(statements.together(() -> {
            Instant at = sequence.placeAfter(happened.get(0).at(), rows.lastWritten(job.phoneId()));
            List<Event> placed = happened.stream().map(event -> event.at(at)).toList();
            placed.forEach(event -> rows.addEvent(job.id(), at, JobJson.write(event)));
            return placed;
        }));
    }

    public Job record(Job job, Event happened) {
        return record(job, List.of(happened));
    }

    public Optional<String> setting(String name) {
        return rows.setting(name);
    }

    public void putSetting(String name, String value) {
        rows.putSetting(name, value);
    }
}
