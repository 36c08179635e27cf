package org.mobrak.core.material;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Optional;
import java.util.function.Consumer;
import org.apache.commons.io.file.PathUtils;

/**
 * A private folder for what must be unpacked to be looked into. It goes when it is closed or the program is told to end; one that
 * a killed program left is swept by the next. A lock in it tells the living from the dead.
 */
public final class Scratch implements AutoCloseable {
    private static final String NAME = "mobrak-";
    private static final String LOCK = ".in-use";

    private final Path path;
    private final FileChannel lock;

    private Scratch(Path path, FileChannel lock) {
        this.path = path;
        this.lock = lock;
    }

    /**
     * Makes one, after sweeping those of programs that are gone.
     *
     * @param temporary the system's folder for temporary files
     * @param atEnd is given what must be done if the program is told to end before the folder is closed
     */
    public static Scratch in(Path temporary, Consumer<Runnable> atEnd) throws IOException {
        sweep(temporary);
        Scratch made = locked(temporary);
        atEnd.accept(made::closeQuietly);
        return made;
    }

    /** Another program that just starts may take the folder for one left behind, until its lock is held; then a new one is made. */
    private static Scratch locked(Path temporary) throws IOException {
        while (true) {
            Path path = Files.createTempDirectory(temporary, own());
            Optional<FileChannel> lock = lock(path.resolve(LOCK));
            if (lock.isPresent()) {
                return new Scratch(path, lock.get());
            }
        }
    }

    /** Empty where it was swept before it could be held. */
    private static Optional<FileChannel> lock(Path file) throws IOException {
        FileChannel channel;
        try {
            channel = FileChannel.open(file, StandardOpenOption.CREATE, StandardOpenOption.WRITE);
        } catch (NoSuchFileException swept) {
            return Optional.empty();
        }
        channel.lock();
        if (Files.exists(file)) {
            return Optional.of(channel);
        }
        channel.close();
        return Optional.empty();
    }

    public Path path() {
        return path;
    }

    private static String own() {
        return NAME + ProcessHandle.current().pid() + "-";
    }

    private static void sweep(Path temporary) throws IOException {
        try (DirectoryStream<Path> found = Files.newDirectoryStream(temporary, NAME + "*")) {
            for (Path folder : found) {
                Path lock = folder.resolve(LOCK);
                // To open and close the lock of one's own would give it away, as some systems have it.
                boolean others = !folder.getFileName().toString().startsWith(own());
                boolean sweepable = others
                        && Files.isDirectory(folder, LinkOption.NOFOLLOW_LINKS)
                        && Files.isRegularFile(lock, LinkOption.NOFOLLOW_LINKS)
                        && Files.isWritable(lock);
                if (sweepable) {
                    sweepUnlessAlive(folder, lock);
                }
            }
        }
    }

    private static void sweepUnlessAlive(Path folder, Path lock) {
        try (FileChannel channel = FileChannel.open(lock, StandardOpenOption.WRITE);
                FileLock held = channel.tryLock()) {
            if (held != null) {
                PathUtils.deleteDirectory(folder);
            }
        } catch (IOException | OverlappingFileLockException notOursToSweep) {
            // Another is just sweeping it, or this very program uses it.
            return;
        }
    }

    private void closeQuietly() {
        try {
            close();
        } catch (IOException left) {
            // The next start sweeps it.
            return;
        }
    }

    /** What is inside goes while the lock is held: once it is let go, another program may sweep the folder at the same time. */
    @Override
    public void close() throws IOException {
        if (lock.isOpen() && Files.exists(path)) {
            try (DirectoryStream<Path> inside = Files.newDirectoryStream(path, one -> !one.endsWith(LOCK))) {
                for (Path one : inside) {
                    PathUtils.delete(one);
                }
            }
        }
        lock.close();
        Files.deleteIfExists(path.resolve(LOCK));
        Files.deleteIfExists(path);
    }
}
