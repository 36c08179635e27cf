package org.mobrak.app;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;

/** What somebody opens with this program: a text to be read, or a file to be looked into. */
final class OpenedWith {
    private static final int FIRST = 4096;

    private OpenedWith() {}

    /** Those that are text. */
    static List<Path> texts(List<Path> all) {
        return all.stream().filter(OpenedWith::isText).toList();
    }

    /** Text has no NUL in its first few bytes; a file that cannot be read is told by whoever reads it. */
    static boolean isText(Path file) {
        try (InputStream in = Files.newInputStream(file)) {
            for (byte one : in.readNBytes(FIRST)) {
                if (one == 0) {
                    return false;
                }
            }
            return true;
        } catch (IOException unreadable) {
            return true;
        }
    }
}
