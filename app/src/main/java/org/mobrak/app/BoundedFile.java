package org.mobrak.app;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.AccessDeniedException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import org.mobrak.core.identity.UnreadableInput;

/** A file read whole, but never more of it than a bound; what it says of its size is not believed, since a device has none. */
final class BoundedFile {
    private BoundedFile() {}

    /**
     * At most one byte more than the bound, by which whoever reads sees that there is more.
     *
     * @param instead what to give where a folder was given
     * @throws UnreadableInput if it is a folder, is not there or may not be read, in a sentence with the remedy
     */
    static byte[] read(Path file, int most, String instead) throws IOException {
        if (Files.isDirectory(file)) {
            throw new UnreadableInput(file + " is a folder; " + instead);
        }
        try (InputStream in = Files.newInputStream(file)) {
            return in.readNBytes(most + 1);
        } catch (NoSuchFileException missing) {
            throw new UnreadableInput(file + " does not exist; check the path.");
        } catch (AccessDeniedException denied) {
            throw new UnreadableInput(file + " may not be read; change its permissions or copy it.");
        }
    }
}
