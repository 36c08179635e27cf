package org.mobrak.core.logbook;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jdbi.v3.sqlobject.config.RegisterConstructorMapper;
import org.jdbi.v3.sqlobject.statement.GetGeneratedKeys;
import org.jdbi.v3.sqlobject.statement.SqlQuery;
import org.jdbi.v3.sqlobject.statement.SqlUpdate;

/** The logbook's SQL, statement by statement. */
@RegisterConstructorMapper(PhoneRecord.class)
@RegisterConstructorMapper(Intake.class)
@RegisterConstructorMapper(SetAside.class)
@RegisterConstructorMapper(OldJob.Entry.class)
@RegisterConstructorMapper(LogbookRows.JobRow.class)
interface LogbookRows {

    /** A job without its journal; the sheet is JSON. */
    record JobRow(long id, long phoneId, String sheet, Instant startedAt) {}

    @SqlQuery(
            "SELECT id, nickname, added_at FROM phone WHERE withdrawn_at IS NULL AND id BETWEEN :first AND :last ORDER BY id")
    List<PhoneRecord> phones(long first, long last);

    @SqlQuery("SELECT id FROM phone WHERE withdrawn_at IS NULL ORDER BY id")
    List<Long> phoneNumbers();

    @SqlUpdate("INSERT INTO phone (nickname, added_at) VALUES (:nickname, :at)")
    @GetGeneratedKeys
    long addPhone(String nickname, Instant at);

    @SqlUpdate("UPDATE phone SET withdrawn_at = :at WHERE id = :id")
    void withdrawPhone(long id, Optional<Instant> at);

    @SqlQuery(
            "SELECT id, phone_id, name, kind, text, findings, taken_at, withdrawn_at, proved_by FROM intake WHERE phone_id = :phoneId AND id BETWEEN :first AND :last ORDER BY id")
    List<Intake> intakes(long phoneId, long first, long last);

    @SqlQuery("SELECT id FROM intake WHERE phone_id = :phoneId ORDER BY id")
    List<Long> intakeNumbers(long phoneId);

    @SqlUpdate(
            "INSERT INTO intake (phone_id, name, kind, text, findings, taken_at) VALUES (:phoneId, :name, :kind, :text, :findings, :at)")
    @GetGeneratedKeys
    long addIntake(long phoneId, String name, Intake.Kind kind, String text, String findings, Instant at);

    @SqlUpdate("UPDATE intake SET withdrawn_at = :at WHERE id = :id")
    void withdraw(long id, Optional<Instant> at);

    @SqlQuery(
            "SELECT id, intake_id, fact, value, reason, at FROM set_aside WHERE withdrawn_at IS NULL AND intake_id IN (SELECT id FROM intake WHERE phone_id = :phoneId) AND id BETWEEN :first AND :last ORDER BY id")
    List<SetAside> aside(long phoneId, long first, long last);

    @SqlQuery(
            "SELECT id FROM set_aside WHERE withdrawn_at IS NULL AND intake_id IN (SELECT id FROM intake WHERE phone_id = :phoneId) ORDER BY id")
    List<Long> asideNumbers(long phoneId);

    @SqlUpdate(
            "INSERT INTO set_aside (intake_id, fact, value, reason, at) VALUES (:intakeId, :fact, :value, :reason, :at)")
    @GetGeneratedKeys
    long addAside(long intakeId, String fact, String value, String reason, Instant at);

    @SqlUpdate("UPDATE set_aside SET withdrawn_at = :at WHERE id = :id")
    void withdrawAside(long id, Optional<Instant> at);

    @SqlQuery(
            "SELECT id, phone_id, sheet, started_at FROM job WHERE phone_id = :phoneId AND id BETWEEN :first AND :last ORDER BY id")
    List<JobRow> jobs(long phoneId, long first, long last);

    @SqlQuery("SELECT id FROM job WHERE phone_id = :phoneId ORDER BY id")
    List<Long> jobNumbers(long phoneId);

    @SqlUpdate("INSERT INTO job (phone_id, sheet, started_at) VALUES (:phoneId, :sheet, :at)")
    @GetGeneratedKeys
    long addJob(long phoneId, String sheet, Instant at);

    @SqlQuery(
            "SELECT at, kind, step_id, note FROM journal WHERE job_id = :jobId AND id BETWEEN :first AND :last ORDER BY id")
    List<OldJob.Entry> journal(long jobId, long first, long last);

    @SqlQuery("SELECT id FROM journal WHERE job_id = :jobId ORDER BY id")
    List<Long> journalNumbers(long jobId);

    @SqlQuery("SELECT event FROM event WHERE job_id = :jobId AND id BETWEEN :first AND :last ORDER BY id")
    List<String> events(long jobId, long first, long last);

    @SqlQuery("SELECT id FROM event WHERE job_id = :jobId ORDER BY id")
    List<Long> eventNumbers(long jobId);

    @SqlUpdate("INSERT INTO event (job_id, at, event) VALUES (:jobId, :at, :event)")
    void addEvent(long jobId, Instant at, String event);

    /** The times of the last entry of each kind, as they stand there. */
    @SqlQuery("""
            SELECT * FROM (SELECT taken_at FROM intake WHERE phone_id = :phoneId ORDER BY id DESC LIMIT 1)
            UNION ALL SELECT * FROM (SELECT started_at FROM job WHERE phone_id = :phoneId ORDER BY id DESC LIMIT 1)
            UNION ALL SELECT * FROM (SELECT at FROM journal
                WHERE job_id IN (SELECT id FROM job WHERE phone_id = :phoneId) ORDER BY id DESC LIMIT 1)
            UNION ALL SELECT * FROM (SELECT at FROM event
                WHERE job_id IN (SELECT id FROM job WHERE phone_id = :phoneId) ORDER BY id DESC LIMIT 1)
            """)
    List<String> lastEntries(long phoneId);

    @SqlQuery("SELECT value FROM setting WHERE name = :name")
    Optional<String> setting(String name);

    @SqlUpdate(
            "INSERT INTO setting (name, value) VALUES (:name, :value) ON CONFLICT (name) DO UPDATE SET value = :value")
    void putSetting(String name, String value);
}
