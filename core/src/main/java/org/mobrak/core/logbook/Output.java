package org.mobrak.core.logbook;

import java.io.Closeable;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFileAttributeView;
import java.util.Optional;
import java.util.UUID;
import org.mobrak.core.identity.UnreadableInput;

/**
 * A file that goes out: there whole or not at all, what was there before stays until then. A pipe or a device is written to as it is.
 * Nothing is written among a workspace's own files.
 */
public final class Output implements Closeable {
    private static final String NAME = ".mobrak-out-";

    private final Path target;
    /** Where it is written until it is whole; empty for a pipe or a device. */
    private final Optional<Path> beside;

    private final OutputStream stream;

    private Output(Path target, Optional<Path> beside, OutputStream stream) {
        this.target = target;
        this.beside = beside;
        this.stream = stream;
    }

    /** An {@link UnreadableInput} tells why nothing can be written there. */
    public static Output to(Path file) throws IOException {
        if (Files.isDirectory(file)) {
            throw new UnreadableInput(file + " is a folder; name a file in it.");
        }
        Path folder = file.toAbsolutePath().getParent();
        if (folder == null || !Files.isDirectory(folder)) {
            throw new UnreadableInput(file + " cannot be written; its folder is not there. Make it, or name another.");
        }
        if (Files.exists(file) && !Files.isRegularFile(file)) {
            return new Output(file, Optional.empty(), Files.newOutputStream(file, StandardOpenOption.WRITE));
        }
        Path target = Files.exists(file) ? file.toRealPath() : file.toAbsolutePath();
        // A file of one's own making, whose rights are those that the system gives to new files.
        Leftovers.sweep(folder, NAME);
        Path beside = target.resolveSibling(Leftovers.named(NAME) + UUID.randomUUID());
        beside.toFile().deleteOnExit();
        try {
            return new Output(
                    target,
                    Optional.of(beside),
                    Files.newOutputStream(beside, StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE));
        } catch (IOException refused) {
            throw new IOException(file + " cannot be written; choose another folder.", refused);
        }
    }

    /** Refuses a place among the files of a workspace, which are its own. */
    public static void check(Path workspace, Path file) throws IOException {
        Path folder = file.toAbsolutePath().normalize().getParent();
        Path real = folder != null && Files.isDirectory(folder) ? folder.toRealPath() : file.toAbsolutePath();
        Path target = Files.exists(file) ? file.toRealPath() : real;
        Path own = workspace.toRealPath();
        if (real.startsWith(own) || target.startsWith(own)) {
            throw new UnreadableInput(file + " lies in the workspace " + workspace + "; name a place outside of it.");
        }
    }

    /** Writes a text, all of it or nothing. */
    public static void write(Path file, String text) throws IOException {
        write(file, text.getBytes(StandardCharsets.UTF_8));
    }

    /** Writes bytes, all of them or none. */
    public static void write(Path file, byte[] bytes) throws IOException {
        try (Output out = to(file)) {
            out.stream().write(bytes);
            out.commit();
        }
    }

    public OutputStream stream() {
        return stream;
    }

    /** Where the bytes are that were written so far; empty for a pipe or a device. */
    public Optional<Path> written() {
        return beside;
    }

    /** It is whole: it takes the place of what was there. */
    public void commit() throws IOException {
        stream.close();
        if (beside.isPresent()) {
            keepRights(target, beside.get());
            Files.move(beside.get(), target, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        }
    }

    /** A file that makes way leaves who may read it to the one that comes. */
    private static void keepRights(Path old, Path now) throws IOException {
        PosixFileAttributeView view = Files.getFileAttributeView(now, PosixFileAttributeView.class);
        if (view != null && Files.isRegularFile(old)) {
            view.setPermissions(Files.getPosixFilePermissions(old));
        }
    }

    @Override
    public void close() throws IOException {
        stream.close();
        if (beside.isPresent()) {
            Files.deleteIfExists(beside.get());
        }
    }
}
