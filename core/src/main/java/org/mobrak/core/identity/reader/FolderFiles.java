package org.mobrak.core.identity.reader;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.AccessDeniedException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.mobrak.core.identity.UnreadableInput;

/** The plain files of a folder and of those in it. */
public final class FolderFiles {
    private FolderFiles() {}

    /**
     * All of them, sorted by their paths.
     *
     * @param depth how many folders deep
     * @param most how many are too many to have been meant
     * @throws UnreadableInput if there are none or too many, or a folder may not be opened
     */
    public static List<Path> of(Path folder, int depth, int most) throws IOException {
        List<Path> files;
        try (Stream<Path> walk = Files.walk(folder, depth)) {
            files = walk.filter(Files::isRegularFile).limit(most + 1L).sorted().toList();
        } catch (AccessDeniedException denied) {
            throw shut(denied);
        } catch (UncheckedIOException within) {
            throw within.getCause() instanceof AccessDeniedException denied ? shut(denied) : within.getCause();
        }
        if (files.isEmpty()) {
            throw new UnreadableInput(folder + " holds no file; name another folder.");
        }
        if (files.size() > most) {
            throw new UnreadableInput(
                    "%s holds more than %,d files; take a folder further in.".formatted(folder, most));
        }
        return files;
    }

    private static UnreadableInput shut(AccessDeniedException denied) {
        return new UnreadableInput(denied.getFile() + " may not be opened by you; check its permissions.");
    }
}
