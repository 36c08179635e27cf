package org.mobrak.core.logbook;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Arrays;
import java.util.zip.CRC32;
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
        String shipped = "/org/sqlite/native/" + OSInfo.getNativeLibFolderPathForCurrentOS() + "/" + name;
        try (InputStream in = SQLiteJDBCLoader.class.getResourceAsStream(shipped)) {
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
        return "%08x-%d".formatted(sum.getValue(), bytes.length);
    }
}
