package org.mobrak.core.logbook;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.gather.Kept;
import org.mobrak.core.gather.StockCopy;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.material.Inspection;
import org.mobrak.core.material.Material;

/** The files that were looked into and the register of stock copies. What a method adds is on disk when it returns. */
public final class Materials {
    private final Statements statements;
    private final MaterialRows rows;

    Materials(Statements statements) {
        this.statements = statements;
        this.rows = new MaterialRows(statements);
    }

    /** Every file that was looked into and not put away again, with how it stands now. */
    public List<Kept> kept() {
        return files().rows();
    }

    /** What of the files and of these phones' copies cannot be read. */
    List<Finding> unread(List<PhoneRecord> phones) {
        return Stream.concat(
                        files().told("file", "").stream(),
                        phones.stream()
                                .flatMap(phone ->
                                        copiesOf(phone)
                                                .told("stock copy", "; do not rely on them as a way back")
                                                .stream()))
                .toList();
    }

    private Legible<Kept> files() {
        return Legible.of(rows::materialNumbers, rows::materials, Materials::kept);
    }

    /** Remembers what was found in files, all of it or nothing; what was found in the same files before is put away. */
    public List<Kept> keep(List<Inspection> found, Instant at) throws IOException {
        return statements.together(() -> {
            List<Kept> kept = new ArrayList<>();
            for (Inspection inspection : found) {
                kept.add(keep(inspection, at));
            }
            return kept;
        });
    }

    private Kept keep(Inspection inspection, Instant at) throws IOException {
        Path place = inspection.file().toAbsolutePath().normalize();
        Material material = Material.of(inspection);
        Instant modified = modified(place);
        rows.withdrawPath(place.toString(), at);
        long id = rows.addMaterial(place.toString(), modified, Json.write(material), at);
        return new Kept(id, place, material, modified, at, Kept.State.THERE);
    }

    /** Puts a file away: it no longer counts. The file itself stays. */
    public void withdraw(Kept kept, Instant at) {
        rows.withdrawMaterial(kept.id(), Optional.of(at));
    }

    public void restore(Kept kept) {
        rows.withdrawMaterial(kept.id(), Optional.empty());
    }

    /** Registers a file as a copy that brings a phone back and gives its number. */
    public long register(PhoneRecord phone, Kept kept, PartitionClass covers, String model, String build, Instant at) {
        return rows.addCopy(phone.id(), kept.id(), covers, model, build, at);
    }

    /** The copies of a phone. */
    public List<StockCopy> copies(PhoneRecord phone) {
        return copiesOf(phone).rows();
    }

    private Legible<StockCopy> copiesOf(PhoneRecord phone) {
        long id = phone.id();
        return Legible.of(() -> rows.copyNumbers(id), (first, last) -> rows.copies(id, first, last), this::copy);
    }

    /** Notes how a look at a copy went. */
    public void check(StockCopy copy, boolean whole, Instant at) {
        rows.addCheck(copy.id(), at, whole);
    }

    public void withdrawCopy(long copy, Instant at) {
        rows.withdrawCopy(copy, Optional.of(at));
    }

    public void restoreCopy(long copy) {
        rows.withdrawCopy(copy, Optional.empty());
    }

    private StockCopy copy(MaterialRows.CopyRow row) {
        return new StockCopy(
                row.id(),
                row.phoneId(),
                row.covers(),
                row.model(),
                row.build(),
                kept(rows.material(row.materialId())),
                rows.lastCheck(row.id()).map(check -> new StockCopy.Check(check.at(), check.whole())));
    }

    private static Kept kept(MaterialRows.MaterialRow row) {
        Path path = path(row.path());
        Material material = Json.material(row.found());
        return new Kept(row.id(), path, material, row.modified(), row.seenAt(), state(path, material, row.modified()));
    }

    private static Path path(String text) {
        try {
            return Path.of(text);
        } catch (InvalidPathException noPath) {
            throw new Legible.BadRow(noPath);
        }
    }

    private static Kept.State state(Path path, Material material, Instant modified) {
        if (!Files.isRegularFile(path)) {
            return Kept.State.GONE;
        }
        try {
            boolean same =
                    Files.size(path) == material.bytes() && modified(path).equals(modified);
            return same ? Kept.State.THERE : Kept.State.CHANGED;
        } catch (IOException vanished) {
            return Kept.State.GONE;
        }
    }

    /** File systems differ in how finely they keep times; a second is what all of them keep. */
    private static Instant modified(Path path) throws IOException {
        return Files.getLastModifiedTime(path).toInstant().truncatedTo(ChronoUnit.SECONDS);
    }
}
