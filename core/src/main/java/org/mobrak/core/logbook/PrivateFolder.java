package org.mobrak.core.logbook;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermission;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.Set;

/** Folders and files that tell of a person's phones, and that nobody else on the computer need read (modes 0700 and 0600). */
public final class PrivateFolder {
    private static final Set<PosixFilePermission> FOLDER = PosixFilePermissions.fromString("rwx------");
    private static final Set<PosixFilePermission> FILE = PosixFilePermissions.fromString("rw-------");

    private PrivateFolder() {}

    /** Makes a folder, or closes one that is there to others. */
    public static Path make(Path folder) throws IOException {
        Files.createDirectories(folder);
        return close(folder, FOLDER);
    }

    /** Closes a file to others. */
    public static Path close(Path file) throws IOException {
        return close(file, FILE);
    }

    private static Path close(Path place, Set<PosixFilePermission> rights) throws IOException {
        boolean posix = place.getFileSystem().supportedFileAttributeViews().contains("posix");
        if (posix && !Files.getPosixFilePermissions(place).equals(rights)) {
            Files.setPosixFilePermissions(place, rights);
        }
        return place;
    }
}
