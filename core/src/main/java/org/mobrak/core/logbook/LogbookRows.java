package org.mobrak.core.logbook;

import java.sql.SQLException;
import java.time.Instant;
import java.util.List;
import java.util.Optional;

/** The logbook's SQL, statement by statement. */
final class LogbookRows {
    private final Statements rows;

    LogbookRows(Statements rows) {
        this.rows = rows;
    }

    /** A job without its journal; the sheet is JSON. */
    record JobRow(long id, long phoneId, String sheet, Instant startedAt) {}

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
        return rows.add("INSERT INTO phone (nickname, added_at) VALUES (?, ?)", nickname, at);
    }

    void withdrawPhone(long id, Optional<Instant> at) {
        rows.change("UPDATE phone SET withdrawn_at = ? WHERE id = ?", at, id);
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
        return rows.add(
                "INSERT INTO intake (phone_id, name, kind, text, findings, taken_at) VALUES (?, ?, ?, ?, ?, ?)",
                phoneId,
                name,
                kind,
                text,
                findings,
                at);
    }

    void withdraw(long id, Optional<Instant> at) {
        rows.change("UPDATE intake SET withdrawn_at = ? WHERE id = ?", at, id);
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
        return rows.add(
                "INSERT INTO set_aside (intake_id, fact, value, reason, at) VALUES (?, ?, ?, ?, ?)",
                intakeId,
                fact,
                value,
                reason,
                at);
    }

    void withdrawAside(long id, Optional<Instant> at) {
        rows.change("UPDATE set_aside SET withdrawn_at = ? WHERE id = ?", at, id);
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
        return rows.add("INSERT INTO job (phone_id, sheet, started_at) VALUES (?, ?, ?)", phoneId, sheet, at);
    }

    List<OldJob.Entry> journal(long jobId, long first, long last) {
        return rows.list(
                "SELECT at, kind, step_id, note FROM journal WHERE job_id = ? AND id BETWEEN ? AND ? ORDER BY id",
                LogbookRows::entry,
                jobId,
                first,
                last);
    }

    List<Long> journalNumbers(long jobId) {
        return rows.list("SELECT id FROM journal WHERE job_id = ? ORDER BY id", row -> row.number("id"), jobId);
    }

    List<String> events(long jobId, long first, long last) {
        return rows.list(
                "SELECT event FROM event WHERE job_id = ? AND id BETWEEN ? AND ? ORDER BY id",
                row -> row.text("event"),
                jobId,
                first,
                last);
    }

    List<Long> eventNumbers(long jobId) {
        return rows.list("SELECT id FROM event WHERE job_id = ? ORDER BY id", row -> row.number("id"), jobId);
    }

    void addEvent(long jobId, Instant at, String event) {
        rows.change("INSERT INTO event (job_id, at, event) VALUES (?, ?, ?)", jobId, at, event);
    }

    /** The times of the last entry of each kind, as they stand there. */
    List<String> lastEntries(long phoneId) {
        return rows.list("""
            SELECT * FROM (SELECT taken_at FROM intake WHERE phone_id = ? ORDER BY id DESC LIMIT 1)
            UNION ALL SELECT * FROM (SELECT started_at FROM job WHERE phone_id = ? ORDER BY id DESC LIMIT 1)
            UNION ALL SELECT * FROM (SELECT at FROM journal
                WHERE job_id IN (SELECT id FROM job WHERE phone_id = ?) ORDER BY id DESC LIMIT 1)
            UNION ALL SELECT * FROM (SELECT at FROM event
                WHERE job_id IN (SELECT id FROM job WHERE phone_id = ?) ORDER BY id DESC LIMIT 1)
            """, row -> row.text("taken_at"), phoneId, phoneId, phoneId, phoneId);
    }

    Optional<String> setting(String name) {
        return rows.first("SELECT value FROM setting WHERE name = ?", row -> row.text("value"), name);
    }

    void putSetting(String name, String value) {
        rows.change(
                "INSERT INTO setting (name, value) VALUES (?, ?) ON CONFLICT (name) DO UPDATE SET value = ?",
                name,
                value,
                value);
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

    private static OldJob.Entry entry(Cells row) throws SQLException {
        return new OldJob.Entry(
                row.time("at"), row.oneOf(OldJob.Kind.class, "kind"), row.maybeText("step_id"), row.text("note"));
    }
}
