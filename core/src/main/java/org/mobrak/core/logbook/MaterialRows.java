package org.mobrak.core.logbook;

import java.sql.SQLException;
import java.time.Instant;
import java.util.List;
import java.util.NoSuchElementException;
import java.util.Optional;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.logbook.Chain.Kind;

/** The SQL of the files that were looked into, statement by statement. */
final class MaterialRows {
    private final Statements rows;

    MaterialRows(Statements rows) {
        this.rows = rows;
    }

    /** A file; what was found is JSON. */
    record MaterialRow(long id, String path, Instant modified, String found, Instant seenAt) {}

    /** A stock copy without its file. */
    record CopyRow(long id, long phoneId, long materialId, PartitionClass covers, String model, String build) {}

    /** A look at a copy. */
    record CheckRow(Instant at, boolean whole) {}

    List<MaterialRow> materials(long first, long last) {
        return rows.list(
                "SELECT id, path, modified, found, seen_at FROM material WHERE withdrawn_at IS NULL AND id BETWEEN ? AND ? ORDER BY id",
                MaterialRows::file,
                first,
                last);
    }

    List<Long> materialNumbers() {
        return rows.list("SELECT id FROM material WHERE withdrawn_at IS NULL ORDER BY id", row -> row.number("id"));
    }

    MaterialRow material(long id) {
        return rows.first(
                        "SELECT id, path, modified, found, seen_at FROM material WHERE id = ?", MaterialRows::file, id)
                .orElseThrow(() -> new Legible.BadRow(new NoSuchElementException(String.valueOf(id))));
    }

    long addMaterial(String path, Instant modified, String found, Instant at) {
        return rows.write(
                Kind.MATERIAL,
                at,
                "INSERT INTO material (path, modified, found, seen_at) VALUES (?, ?, ?, ?)",
                path,
                modified,
                found,
                at);
    }

    void withdrawPath(String path, Instant at) {
        rows.list("SELECT id FROM material WHERE path = ? AND withdrawn_at IS NULL", row -> row.number("id"), path)
                .forEach(id -> withdrawMaterial(id, Optional.of(at)));
    }

    void withdrawMaterial(long id, Optional<Instant> at) {
        rows.rewrite(Kind.MATERIAL, id, at, "UPDATE material SET withdrawn_at = ? WHERE id = ?", at, id);
    }

    long addCopy(long phoneId, long materialId, PartitionClass covers, String model, String build, Instant at) {
        return rows.write(
                Kind.STOCK_COPY,
                at,
                "INSERT INTO stock_copy (phone_id, material_id, covers, model, build, at) VALUES (?, ?, ?, ?, ?, ?)",
                phoneId,
                materialId,
                covers,
                model,
                build,
                at);
    }

    List<CopyRow> copies(long phoneId, long first, long last) {
        return rows.list(
                "SELECT id, phone_id, material_id, covers, model, build FROM stock_copy WHERE phone_id = ? AND withdrawn_at IS NULL AND id BETWEEN ? AND ? ORDER BY id",
                MaterialRows::copy,
                phoneId,
                first,
                last);
    }

    List<Long> copyNumbers(long phoneId) {
        return rows.list(
                "SELECT id FROM stock_copy WHERE phone_id = ? AND withdrawn_at IS NULL ORDER BY id",
                row -> row.number("id"),
                phoneId);
    }

    void withdrawCopy(long id, Optional<Instant> at) {
        rows.rewrite(Kind.STOCK_COPY, id, at, "UPDATE stock_copy SET withdrawn_at = ? WHERE id = ?", at, id);
    }

    void addCheck(long copyId, Instant at, boolean whole) {
        rows.write(
                Kind.STOCK_CHECK,
                at,
                "INSERT INTO stock_check (copy_id, at, whole) VALUES (?, ?, ?)",
                copyId,
                at,
                whole);
    }

    Optional<CheckRow> lastCheck(long copyId) {
        return rows.first(
                "SELECT at, whole FROM stock_check WHERE copy_id = ? ORDER BY id DESC LIMIT 1",
                MaterialRows::check,
                copyId);
    }

    private static MaterialRow file(Cells row) throws SQLException {
        return new MaterialRow(
                row.number("id"), row.text("path"), row.time("modified"), row.text("found"), row.time("seen_at"));
    }

    private static CopyRow copy(Cells row) throws SQLException {
        return new CopyRow(
                row.number("id"),
                row.number("phone_id"),
                row.number("material_id"),
                row.oneOf(PartitionClass.class, "covers"),
                row.text("model"),
                row.text("build"));
    }

    private static CheckRow check(Cells row) throws SQLException {
        return new CheckRow(row.time("at"), row.truth("whole"));
    }
}
