package org.mobrak.app;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.gather.Kept;
import org.mobrak.core.gather.StockCopy;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.logbook.Materials;
import org.mobrak.core.logbook.PhoneRecord;
import org.mobrak.core.material.Inspection;

/** The files that were looked into and the copies that bring phones back; on the worker thread only. */
final class FileRegister {
    private final Materials materials;
    private final UndoStack undo;
    private Optional<Snapshot.Table> table = Optional.empty();

    FileRegister(Materials materials, UndoStack undo) {
        this.materials = materials;
        this.undo = undo;
    }

    List<Kept> kept() {
        return materials.kept();
    }

    List<StockCopy> copies(PhoneRecord phone) {
        return materials.copies(phone);
    }

    /** The file on the table, if it is still among those that were looked into. */
    Optional<Snapshot.Table> table(List<Kept> kept) {
        return table.filter(
                one -> kept.stream().anyMatch(file -> file.id() == one.kept().id()));
    }

    /** Remembers files and lays the last of them on the table. */
    Notice keep(List<Inspection> found, Instant at) throws IOException {
        List<Kept> before = materials.kept();
        List<Kept> added = materials.keep(found, at);
        Kept last = added.get(added.size() - 1);
        lay(last, found.get(found.size() - 1));
        String name = added.size() == 1 ? last.material().name() : added.size() + " files";
        undo.did(new UndoStack.Step(
                "looking into " + name,
                () -> added.forEach(file -> materials.withdraw(file, at)),
                () -> added.forEach(materials::restore)));
        return new Notice(false, told(name, added, before));
    }

    private static String told(String name, List<Kept> added, List<Kept> before) {
        Optional<Kept> twin = before.stream()
                .filter(file -> added.stream()
                        .anyMatch(one -> one.isSame(file) && !one.path().equals(file.path())))
                .filter(Kept::isThere)
                .findFirst();
        return name + " looked into."
                + twin.map(file -> " The same bytes lie at " + file.path() + " already.")
                        .orElse("");
    }

    void lay(Kept file, Inspection inspection) {
        table = Optional.of(new Snapshot.Table(file, inspection, Optional.empty()));
    }

    /** Lays another file beside the one on the table. */
    void layBeside(Inspection other) {
        table = table.map(one -> new Snapshot.Table(one.kept(), one.inspection(), Optional.of(other)));
    }

    /** Puts a file away; it stays on the disk. */
    void putAway(Kept file, Instant at) {
        materials.withdraw(file, at);
        undo.did(new UndoStack.Step(
                "putting " + file.material().name() + " away",
                () -> materials.restore(file),
                () -> materials.withdraw(file, at)));
    }

    /** Registers a file as a copy that brings a phone back. */
    Notice register(PhoneRecord phone, Kept file, PartitionClass covers, String model, String build, Instant at)
            throws Refusal {
        if (!Files.isRegularFile(file.path())) {
            throw new Refusal(file.path() + " is not there any more; drop it here again.");
        }
        long copy = materials.register(phone, file, covers, model, build, at);
        undo.did(new UndoStack.Step(
                "registering " + file.material().name(),
                () -> materials.withdrawCopy(copy, at),
                () -> materials.restoreCopy(copy)));
        return new Notice(
                false,
                "Registered: %s as the stock %s of %s."
                        .formatted(file.material().name(), covers.label(), phone.nickname()));
    }

    Notice checked(StockCopy copy, boolean whole, Instant at) {
        materials.check(copy, whole, at);
        String name = copy.file().material().name();
        return whole
                ? new Notice(false, name + " is whole: its SHA-256 is the one it was registered with.")
                : new Notice(true, name + " is damaged: its SHA-256 is another. Do not write it; take a new copy.");
    }

    Notice unregister(StockCopy copy, Instant at) {
        materials.withdrawCopy(copy.id(), at);
        undo.did(new UndoStack.Step(
                "taking " + copy.file().material().name() + " off the register",
                () -> materials.restoreCopy(copy.id()),
                () -> materials.withdrawCopy(copy.id(), at)));
        return new Notice(false, "Taken off the register; the file stays where it is.");
    }

    /** The folder in which all jobs' files lie. */
    static Path files(Path workspace) {
        return workspace.resolve("files");
    }
}
