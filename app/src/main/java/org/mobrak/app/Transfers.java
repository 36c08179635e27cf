package org.mobrak.app;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.apache.commons.io.FileUtils;
import org.apache.commons.io.file.PathUtils;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.UnreadableInput;
import org.mobrak.core.logbook.CaseReport;
import org.mobrak.core.logbook.Dossier;
import org.mobrak.core.logbook.Leftovers;
import org.mobrak.core.logbook.Output;
import org.mobrak.core.logbook.PhoneRecord;
import org.mobrak.core.logbook.Workspace;
import org.mobrak.core.logbook.WorkspaceCheck;
import org.mobrak.core.logbook.WorkspaceCopy;
import org.mobrak.core.logbook.remind.Reminder;
import org.mobrak.core.logbook.remind.ReminderCalendar;
import org.mobrak.core.logbook.remind.Reminders;
import org.mobrak.core.logbook.search.Found;
import org.mobrak.core.logbook.search.SearchIndex;
import org.mobrak.core.logbook.transfer.Export;
import org.mobrak.core.logbook.transfer.Import;
import org.mobrak.core.logbook.transfer.Imported;
import org.mobrak.core.material.Scratch;

/** Workspaces that move: out as a zip, in again, and looked through. For whoever has none of them open. */
public final class Transfers {
    private static final String IMPORT = ".mobrak-import-";

    private final Path home;
    private final Path cache;
    private final Clock clock;

    /**
     * Transfers.
     *
     * @param home where the shipped catalogue is
     * @param cache where what was read of catalogues may be kept
     * @param clock under which what comes is written down
     */
    public Transfers(Path home, Path cache, Clock clock) {
        this.home = home;
        this.cache = cache;
        this.clock = clock;
    }

    /**
     * Writes a workspace, or what is kept of one phone, as a zip.
     *
     * @param withFiles whether the files that were looked into go along
     */
    public Map<String, Long> export(Path workspace, Optional<String> phone, boolean withFiles, Path zip)
            throws IOException {
        Output.check(workspace, zip);
        return reading(
                workspace,
                (open, ours) -> Export.write(open.folder(), workspace, phone, withFiles, zip, clock.instant()));
    }

    /** Work on an open workspace, with the folder in which may be kept what was read of it. */
    private interface Reading<T> {
        T of(Workspace open, Path cache) throws IOException;
    }

    /** Reads a workspace; one that was made elsewhere, and to which nobody agreed yet, in a copy that goes again. */
    private <T> T reading(Path workspace, Reading<T> work) throws IOException {
        if (!Files.isDirectory(workspace) || Workspace.isOurs(workspace, cache)) {
            try (Workspace open = Workspace.open(workspace, cache)) {
                return work.of(open, cache);
            }
        }
        try (Scratch scratch = Scratches.make()) {
            Path copy = scratch.path().resolve("look");
            Path own = scratch.path().resolve("cache");
            WorkspaceCopy.forALook(workspace, copy);
            Workspace.agree(copy, own);
            try (Workspace open = Workspace.open(copy, own)) {
                return work.of(open, own);
            }
        }
    }

    /** Notes that the person agrees to a workspace that was made elsewhere. */
    public void agree(Path workspace) throws IOException {
        Workspace.agree(workspace, cache);
    }

    /** Writes what is known of a phone and was done to it, as HTML, Markdown or CSV by each file's name. */
    public void report(Path workspace, String phone, List<Path> files) throws IOException {
        for (Path file : files) {
            Output.check(workspace, file);
        }
        reading(workspace, (open, ours) -> {
            PhoneRecord record = open.logbook().phones().stream()
                    .filter(one -> one.nickname().equals(phone))
                    .findFirst()
                    .orElseThrow(() -> new UnreadableInput("No phone in it is called “" + phone + "”."));
            Dossier dossier = open.logbook().dossier(record);
            Facts facts =
                    open.catalogue().catalogue().complete(dossier.ledger()).facts();
            for (Path file : files) {
                CaseFile.write(new CaseReport(dossier, facts, clock.getZone(), clock.instant()), file);
            }
            return true;
        });
    }

    /** What is to be done again with the phones of a workspace, the earliest first. */
    public List<Reminder> reminders(Path workspace) throws IOException {
        return reading(workspace, (open, ours) -> new Reminders(clock.getZone()).all(open.logbook()));
    }

    /** Writes reminders as a calendar file. */
    public void writeCalendar(Path workspace, List<Reminder> reminders, Path file) throws IOException {
        Output.check(workspace, file);
        Output.write(file, ReminderCalendar.of(reminders, clock.instant()));
    }

    /** What an export would add to a workspace; one that is not there yet is not made. */
    public Imported look(Path zip, Path workspace, Set<String> sameNames) throws IOException {
        if (isThere(workspace)) {
            return reading(workspace, (open, ours) -> Import.look(zip, open.folder(), sameNames, clock.instant()));
        }
        try (Scratch scratch = Scratches.make()) {
            Path made = make(scratch.path().resolve("workspace"));
            try (Workspace open = Workspace.open(made, scratch.path().resolve("cache"))) {
                return Import.look(zip, open.folder(), sameNames, clock.instant());
            }
        }
    }

    /** Takes an export into a workspace; one that is not there yet comes into being whole or not at all. */
    public Imported take(Path zip, Path workspace, Set<String> sameNames) throws IOException {
        if (isThere(workspace)) {
            return takeInto(zip, workspace, workspace, sameNames);
        }
        Path folder = workspace.toAbsolutePath().normalize().getParent();
        if (folder == null || !Files.isDirectory(folder)) {
            throw new UnreadableInput(workspace + " cannot be made; its folder is not there.");
        }
        Leftovers.sweep(folder, IMPORT);
        Path beside = Files.createTempDirectory(folder, Leftovers.named(IMPORT));
        Runtime.getRuntime().addShutdownHook(new Thread(() -> FileUtils.deleteQuietly(beside.toFile())));
        try {
            Path made = make(beside.resolve("workspace"));
            Imported done = takeInto(zip, made, workspace, sameNames);
            addWhatLacks(made);
            Files.deleteIfExists(workspace);
            Files.move(made, workspace, StandardCopyOption.ATOMIC_MOVE);
            agree(workspace);
            return done;
        } finally {
            PathUtils.deleteDirectory(beside);
        }
    }

    private Imported takeInto(Path zip, Path workspace, Path home, Set<String> sameNames) throws IOException {
        try (Workspace open = Workspace.open(workspace, cache)) {
            return Import.take(zip, open.folder(), home, sameNames, clock.instant());
        }
    }

    private static boolean isThere(Path workspace) throws IOException {
        if (!Files.exists(workspace) || Files.isDirectory(workspace) && PathUtils.isEmptyDirectory(workspace)) {
            return false;
        }
        if (!isWorkspace(workspace)) {
            throw new UnreadableInput(workspace + " holds other things and is no workspace; name another folder.");
        }
        return true;
    }

    /** One that nobody has opened yet has a catalogue and nothing else. */
    private static boolean isWorkspace(Path folder) throws IOException {
        if (!Files.isDirectory(folder.resolve("catalogue"))) {
            return false;
        }
        try (Stream<Path> inside = Files.list(folder)) {
            return Files.isRegularFile(folder.resolve("logbook.db"))
                    || inside.allMatch(one -> one.endsWith("catalogue") || one.endsWith("workspace.lock"));
        }
    }

    private static Path make(Path workspace) throws IOException {
        Workspace.create(workspace, List.of());
        Files.createDirectories(workspace.resolve("catalogue/routes"));
        return workspace;
    }

    /** The export of one phone brings no catalogue along; then the one for every phone serves. */
    private void addWhatLacks(Path workspace) throws IOException {
        Path catalogue = workspace.resolve("catalogue");
        try (var inside = Files.walk(catalogue)) {
            if (inside.anyMatch(Files::isRegularFile)) {
                return;
            }
        }
        PathUtils.copyDirectory(home.resolve("catalogue"), catalogue);
    }

    /** Finds words in everything that was ever read, done or noted. */
    public Found search(Path workspace, String words) throws IOException {
        return reading(workspace, (open, ours) -> {
            try (SearchIndex index = SearchIndex.open(open.folder(), ours)) {
                return index.find(words);
            }
        });
    }

    /** Looks a workspace through from end to end. */
    public WorkspaceCheck check(Path workspace) throws IOException {
        return reading(workspace, (open, ours) -> WorkspaceCheck.of(open));
    }
}
