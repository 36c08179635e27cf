package org.mobrak.core.logbook;

import java.sql.SQLException;
import java.time.DateTimeException;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.mobrak.core.logbook.Chain.Kind;

/** The logbook's SQL, statement by statement. */
final class LogbookRows {
    private final Statements rows;

    LogbookRows(Statements rows) {
        this.rows = rows;
    }

    /** A job without its journal; the sheet is JSON. */
    record JobRow(long id, long phoneId, String sheet, Instant startedAt) {}

    /** An event; JSON. */
    record EventRow(long id, String event) {}

    /** A line of an old journal. */
    record JournalRow(long id, OldJob.Entry entry) {}

    List<PhoneRecord> phones(long first, long last) {
        return rows.list(
                "SELECT id, nickname, added_at FROM phone WHERE withdrawn_at IS NULL AND id BETWEEN ? AND ? ORDER BY id",
                LogbookRows::phone,
                first,
                last);
    }

    List<Long> phoneNumbers() {
        return rows.list("SELECT id FROM phone WHERE withdrawn_at IS NULL ORDER BY id", row -> row.number("id"));
    }

    long addPhone(String nickname, Instant at) {
        return rows.write(Kind.PHONE, at, "INSERT INTO phone (nickname, added_at) VALUES (?, ?)", nickname, at);
    }

    void withdrawPhone(long id, Optional<Instant> at) {
        rows.rewrite(Kind.PHONE, id, at, "UPDATE phone SET withdrawn_at = ? WHERE id = ?", at, id);
    }

    List<Intake> intakes(long phoneId, long first, long last) {
        return rows.list(
                "SELECT id, phone_id, name, kind, text, findings, taken_at, withdrawn_at, proved_by FROM intake WHERE phone_id = ? AND id BETWEEN ? AND ? ORDER BY id",
                LogbookRows::intake,
                phoneId,
                first,
                last);
    }

    List<Long> intakeNumbers(long phoneId) {
        return rows.list("SELECT id FROM intake WHERE phone_id = ? ORDER BY id", row -> row.number("id"), phoneId);
    }

    long addIntake(long phoneId, String name, Intake.Kind kind, String text, String findings, Instant at) {
        return rows.write(
                Kind.INTAKE,
                at,
                "INSERT INTO intake (phone_id, name, kind, text, findings, taken_at) VALUES (?, ?, ?, ?, ?, ?)",
                phoneId,
                name,
                kind,
                text,
                findings,
                at);
    }

    void withdraw(long id, Optional<Instant> at) {
        rows.rewrite(Kind.INTAKE, id, at, "UPDATE intake SET withdrawn_at = ? WHERE id = ?", at, id);
    }

    List<SetAside> aside(long phoneId, long first, long last) {
        return rows.list(
                "SELECT id, intake_id, fact, value, reason, at FROM set_aside WHERE withdrawn_at IS NULL AND intake_id IN (SELECT id FROM intake WHERE phone_id = ?) AND id BETWEEN ? AND ? ORDER BY id",
                LogbookRows::aside,
                phoneId,
                first,
                last);
    }

    List<Long> asideNumbers(long phoneId) {
        return rows.list(
                "SELECT id FROM set_aside WHERE withdrawn_at IS NULL AND intake_id IN (SELECT id FROM intake WHERE phone_id = ?) ORDER BY id",
                row -> row.number("id"),
                phoneId);
    }

    long addAside(long intakeId, String fact, String value, String reason, Instant at) {
        return rows.write(
                Kind.SET_ASIDE,
                at,
                "INSERT INTO set_aside (intake_id, fact, value, reason, at) VALUES (?, ?, ?, ?, ?)",
                intakeId,
                fact,
                value,
                reason,
                at);
    }

    void withdrawAside(long id, Optional<Instant> at) {
        rows.rewrite(Kind.SET_ASIDE, id, at, "UPDATE set_aside SET withdrawn_at = ? WHERE id = ?", at, id);
    }

    List<JobRow> jobs(long phoneId, long first, long last) {
        return rows.list(
                "SELECT id, phone_id, sheet, started_at FROM job WHERE phone_id = ? AND id BETWEEN ? AND ? ORDER BY id",
                LogbookRows::job,
                phoneId,
                first,
                last);
    }

    List<Long> jobNumbers(long phoneId) {
        return rows.list("SELECT id FROM job WHERE phone_id = ? ORDER BY id", row -> row.number("id"), phoneId);
    }

    long addJob(long phoneId, String sheet, Instant at) {
        return rows.write(
                Kind.JOB, at, "INSERT INTO job (phone_id, sheet, started_at) VALUES (?, ?, ?)", phoneId, sheet, at);
    }

    List<JournalRow> journal(long jobId, long first, long last) {
        return rows.list(
                "SELECT id, at, kind, step_id, note FROM journal WHERE job_id = ? AND id BETWEEN ? AND ? ORDER BY id",
                LogbookRows::entry,
                jobId,
                first,
                last);
    }

    List<Long> journalNumbers(long jobId) {
        return rows.list("SELECT id FROM journal WHERE job_id = ? ORDER BY id", row -> row.number("id"), jobId);
    }

    List<EventRow> events(long jobId, long first, long last) {
        return rows.list(
                "SELECT id, event FROM event WHERE job_id = ? AND id BETWEEN ? AND ? ORDER BY id",
                row -> new EventRow(row.number("id"), row.text("event")),
                jobId,
                first,
                last);
    }

    List<Long> eventNumbers(long jobId) {
        return rows.list("SELECT id FROM event WHERE job_id = ? ORDER BY id", row -> row.number("id"), jobId);
    }

    void addEvent(long jobId, Instant at, String event) {
        rows.write(Kind.EVENT, at, "INSERT INTO event (job_id, at, event) VALUES (?, ?, ?)", jobId, at, event);
    }

    /** When the entry of a phone that came last was written down. */
    Optional<Instant> lastWritten(long phoneId) {
        return rows.list("""
            SELECT clock FROM (
                SELECT seq, clock FROM entry WHERE kind = 'intake'
                    AND row = (SELECT max(id) FROM intake WHERE phone_id = ?)
                UNION ALL SELECT seq, clock FROM entry WHERE kind = 'job'
                    AND row = (SELECT max(id) FROM job WHERE phone_id = ?)
                UNION ALL SELECT seq, clock FROM entry WHERE kind = 'journal'
                    AND row = (SELECT max(id) FROM journal WHERE job_id IN (SELECT id FROM job WHERE phone_id = ?))
                UNION ALL SELECT seq, clock FROM entry WHERE kind = 'event'
                    AND row = (SELECT max(id) FROM event WHERE job_id IN (SELECT id FROM job WHERE phone_id = ?)))
            ORDER BY seq DESC
            """, row -> time(row.text("clock")), phoneId, phoneId, phoneId, phoneId).stream()
                .flatMap(Optional::stream)
                .findFirst();
    }

    /** When each entry of a phone was written down, in the order in which they were. */
    List<WrittenDown.Entry> written(long phoneId) {
        return rows.list("""
            SELECT kind, row, min(seq) AS seq, clock FROM (
                SELECT * FROM entry WHERE kind = 'intake' AND row IN (SELECT id FROM intake WHERE phone_id = ?)
                UNION ALL SELECT * FROM entry WHERE kind = 'job'
                    AND row IN (SELECT id FROM job WHERE phone_id = ?)
                UNION ALL SELECT * FROM entry WHERE kind = 'journal'
                    AND row IN (SELECT id FROM journal WHERE job_id IN (SELECT id FROM job WHERE phone_id = ?))
                UNION ALL SELECT * FROM entry WHERE kind = 'event'
                    AND row IN (SELECT id FROM event WHERE job_id IN (SELECT id FROM job WHERE phone_id = ?)))
            GROUP BY kind, row ORDER BY seq
            """, LogbookRows::written, phoneId, phoneId, phoneId, phoneId).stream()
                .flatMap(Optional::stream)
                .toList();
    }

    /** A line of the chain that cannot be read orders nothing. */
    private static Optional<WrittenDown.Entry> written(Cells row) throws SQLException {
        Kind kind = Kind.valueOf(row.text("kind").toUpperCase(Locale.ROOT));
        long number = row.number("row");
        return time(row.text("clock")).map(clock -> new WrittenDown.Entry(kind, number, clock));
    }

    private static Optional<Instant> time(String text) {
        try {
            return Optional.of(Times.of(text));
        } catch (DateTimeException noTime) {
            return Optional.empty();
        }
    }

    Optional<String> setting(String name) {
        return rows.first("SELECT value FROM setting WHERE name = ?", row -> row.text("value"), name);
    }

    void putSetting(String name, String value) {
        rows.change(
                "INSERT INTO setting (name, value, sum) VALUES (?, ?, ?) ON CONFLICT (name) DO UPDATE SET value = excluded.value, sum = excluded.sum",
                name,
                value,
                Checksum.of(name, value));
    }

    private static PhoneRecord phone(Cells row) throws SQLException {
        return new PhoneRecord(row.number("id"), row.text("nickname"), row.time("added_at"));
    }

    private static Intake intake(Cells row) throws SQLException {
        return new Intake(
                row.number("id"),
                row.number("phone_id"),
                row.text("name"),
                row.oneOf(Intake.Kind.class, "kind"),
                row.text("text"),
                Json.findings(row.text("findings")),
                row.time("taken_at"),
                row.maybeTime("withdrawn_at"),
                row.maybeNumber("proved_by"));
    }

    private static SetAside aside(Cells row) throws SQLException {
        return new SetAside(
                row.number("id"),
                row.number("intake_id"),
                row.text("fact"),
                row.text("value"),
                row.text("reason"),
                row.time("at"));
    }

    private static JobRow job(Cells row) throws SQLException {
        return new JobRow(row.number("id"), row.number("phone_id"), row.text("sheet"), row.time("started_at"));
    }

    private static JournalRow entry(Cells row) throws SQLException {
        return new JournalRow(
                row.number("id"),
                new OldJob.Entry(
                        row.time("at"),
                        row.oneOf(OldJob.Kind.class, "kind"),
                        row.maybeText("step_id"),
                        row.text("note")));
    }
}
