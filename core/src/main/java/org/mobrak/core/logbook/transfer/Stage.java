package org.mobrak.core.logbook.transfer;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.FileTime;
import java.security.DigestOutputStream;
import java.security.MessageDigest;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.commons.io.file.PathUtils;
import org.mobrak.core.identity.UnreadableInput;
import org.mobrak.core.logbook.Checksum;
import org.mobrak.core.logbook.Leftovers;

/**
 * Where the files of an import lie until all of it was checked: a folder of its own in the workspace, so that each then goes to its
 * place by one rename. What was not settled is gone with it; a folder that a killed program left is swept by the next import.
 */
final class Stage implements AutoCloseable {
    private static final String NAME = ".mobrak-import-";

    private final Path workspace;
    private final Path folder;
    /** Where each file is to go, by where it lies. */
    private final Map<Path, Path> waiting = new LinkedHashMap<>();

    private final List<Path> settled = new ArrayList<>();

    private Stage(Path workspace, Path folder) {
        this.workspace = workspace;
        this.folder = folder;
    }

    static Stage in(Path workspace) throws IOException {
        Leftovers.sweep(workspace, NAME);
        Path folder = Files.createTempDirectory(workspace, Leftovers.named(NAME));
        // A program that is told to end takes it along; the files in it, told of later, go first.
        folder.toFile().deleteOnExit();
        return new Stage(workspace, folder);
    }

    /** A place in the workspace that no link leads out of; an {@link UnreadableInput} tells which one would. */
    Path place(String name) throws UnreadableInput {
        Path place = workspace;
        for (Path part : workspace.relativize(workspace.resolve(name).normalize())) {
            place = place.resolve(part);
            if (Files.isSymbolicLink(place)) {
                throw new UnreadableInput(
                        place + " is a link, and nothing is written through it. Delete it; nothing was changed.");
            }
        }
        return place;
    }

    /**
     * Takes a file in.
     *
     * @param name where it is to go, from the workspace
     * @param sha256 what it must be; empty where nobody said
     * @param modified the time it is to bear; empty for that of now
     * @return whether it is what it must be
     */
    boolean add(String name, InputStream content, Optional<String> sha256, Optional<Instant> modified)
            throws IOException {
        Path place = place(name);
        Path here = folder.resolve(String.valueOf(waiting.size()));
        here.toFile().deleteOnExit();
        MessageDigest digest = Checksum.begin();
        try (OutputStream out = new DigestOutputStream(Files.newOutputStream(here), digest)) {
            content.transferTo(out);
        }
        if (sha256.isPresent() && !sha256.get().equals(Checksum.hex(digest))) {
            return false;
        }
        if (modified.isPresent()) {
            Files.setLastModifiedTime(here, FileTime.from(modified.get()));
        }
        waiting.put(here, place);
        return true;
    }

    /** Puts every file in its place. */
    void settle() throws IOException {
        for (Map.Entry<Path, Path> file : waiting.entrySet()) {
            Files.createDirectories(file.getValue().getParent());
            Files.move(file.getKey(), file.getValue(), StandardCopyOption.ATOMIC_MOVE);
            settled.add(file.getValue());
        }
    }

    /** Takes away again what was put in its place. */
    void takeBack() throws IOException {
        for (Path file : settled) {
            Files.deleteIfExists(file);
        }
    }

    @Override
    public void close() throws IOException {
        PathUtils.deleteDirectory(folder);
    }
}
