package org.mobrak.core.logbook;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Arrays;
import java.util.zip.CRC32;
import org.jspecify.annotations.Nullable;
import org.sqlite.SQLiteJDBCLoader;
import org.sqlite.util.OSInfo;

/**
 * The database's native part, unpacked once into the user's cache instead of anew by each program into the temporary folder,
 * where a killed one leaves it. It is used only if it is to the byte what the driver ships; else the driver does as it always
 * does.
 */
final class NativeLibrary {
    private static final String FOLDER = "org.sqlite.lib.path";
    private static final String NAME = "org.sqlite.lib.name";

    private NativeLibrary() {}

    /** Must come before the database is first used; later it has no effect. */
    static void keepIn(Path cache) {
        String name = System.mapLibraryName("sqlitejdbc");
        try (InputStream in = shipped(cache.resolve("native"), name)) {
            if (in != null && System.getProperty(FOLDER) == null) {
                Path folder = kept(cache, name, in.readAllBytes());
                System.setProperty(NAME, name);
                System.setProperty(FOLDER, folder.toString());
            }
        } catch (IOException | UnsupportedOperationException noCache) {
            // Losing the cache loses nothing.
            return;
        }
    }

    private static @Nullable InputStream shipped(Path natives, String name) throws IOException {
        Path place = natives.resolve(System.getProperty("os.name") + " " + System.getProperty("os.arch"));
        String known = Files.isRegularFile(place, LinkOption.NOFOLLOW_LINKS) ? Files.readString(place) : "";
        InputStream kept = known.isEmpty() ? null : shipped(known + "/" + name);
        if (kept != null) {
            return kept;
        }
        // To know where it runs the driver starts another program, so its answer is kept. A wrong one does no harm:
        // what cannot be loaded is looked for as always.
        String asked = OSInfo.getNativeLibFolderPathForCurrentOS();
        Files.createDirectories(natives);
        Files.writeString(place, asked);
        return shipped(asked + "/" + name);
    }

    private static @Nullable InputStream shipped(String name) {
        return SQLiteJDBCLoader.class.getResourceAsStream("/org/sqlite/native/" + name);
    }

    private static Path kept(Path cache, String name, byte[] shipped) throws IOException {
        Path folder = Files.createDirectories(cache.resolve("native").resolve(sum(shipped)));
        Path file = folder.resolve(name);
        boolean whole = Files.isRegularFile(file, LinkOption.NOFOLLOW_LINKS)
                && Files.size(file) == shipped.length
                && Arrays.equals(Files.readAllBytes(file), shipped);
        if (!whole) {
            Path fresh = Files.createTempFile(folder, name, ".new");
            Files.write(fresh, shipped);
            Files.move(fresh, file, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
        }
        return folder;
    }

    /** Tells one driver's from another's; that a file is the right one is told by all its bytes. */
    private static String sum(byte[] bytes) {
        CRC32 sum = new CRC32();
        sum.update(bytes);
        return Long.toHexString(sum.getValue()) + "-" + bytes.length;
    }
}
