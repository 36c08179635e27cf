package org.mobrak.core.logbook;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jdbi.v3.sqlobject.config.RegisterConstructorMapper;
import org.jdbi.v3.sqlobject.statement.GetGeneratedKeys;
import org.jdbi.v3.sqlobject.statement.SqlQuery;
import org.jdbi.v3.sqlobject.statement.SqlUpdate;
import org.mobrak.core.catalogue.PartitionClass;

/** The SQL of the files that were looked into, statement by statement. */
@RegisterConstructorMapper(MaterialRows.MaterialRow.class)
@RegisterConstructorMapper(MaterialRows.CopyRow.class)
@RegisterConstructorMapper(MaterialRows.CheckRow.class)
interface MaterialRows {
    /** A file; what was found is JSON. */
    record MaterialRow(long id, String path, Instant modified, String found, Instant seenAt) {}

    /** A stock copy without its file. */
    record CopyRow(long id, long phoneId, long materialId, PartitionClass covers, String model, String build) {}

    /** A look at a copy. */
    record CheckRow(Instant at, boolean whole) {}

    @SqlQuery(
            "SELECT id, path, modified, found, seen_at FROM material WHERE withdrawn_at IS NULL AND id BETWEEN :first AND :last ORDER BY id")
    List<MaterialRow> materials(long first, long last);

    @SqlQuery("SELECT id FROM material WHERE withdrawn_at IS NULL ORDER BY id")
    List<Long> materialNumbers();

    @SqlQuery("SELECT id, path, modified, found, seen_at FROM material WHERE id = :id")
    MaterialRow material(long id);

    @SqlUpdate("INSERT INTO material (path, modified, found, seen_at) VALUES (:path, :modified, :found, :at)")
    @GetGeneratedKeys
    long addMaterial(String path, Instant modified, String found, Instant at);

    @SqlUpdate("UPDATE material SET withdrawn_at = :at WHERE path = :path AND withdrawn_at IS NULL")
    void withdrawPath(String path, Instant at);

    @SqlUpdate("UPDATE material SET withdrawn_at = :at WHERE id = :id")
    void withdrawMaterial(long id, Optional<Instant> at);

    @SqlUpdate(
            "INSERT INTO stock_copy (phone_id, material_id, covers, model, build, at) VALUES (:phoneId, :materialId, :covers, :model, :build, :at)")
    @GetGeneratedKeys
    long addCopy(long phoneId, long materialId, PartitionClass covers, String model, String build, Instant at);

    @SqlQuery(
            "SELECT id, phone_id, material_id, covers, model, build FROM stock_copy WHERE phone_id = :phoneId AND withdrawn_at IS NULL AND id BETWEEN :first AND :last ORDER BY id")
    List<CopyRow> copies(long phoneId, long first, long last);

    @SqlQuery("SELECT id FROM stock_copy WHERE phone_id = :phoneId AND withdrawn_at IS NULL ORDER BY id")
    List<Long> copyNumbers(long phoneId);

    @SqlUpdate("UPDATE stock_copy SET withdrawn_at = :at WHERE id = :id")
    void withdrawCopy(long id, Optional<Instant> at);

    @SqlUpdate("INSERT INTO stock_check (copy_id, at, whole) VALUES (:copyId, :at, :whole)")
    void addCheck(long copyId, Instant at, boolean whole);

    @SqlQuery("SELECT at, whole FROM stock_check WHERE copy_id = :copyId ORDER BY id DESC LIMIT 1")
    Optional<CheckRow> lastCheck(long copyId);
}
