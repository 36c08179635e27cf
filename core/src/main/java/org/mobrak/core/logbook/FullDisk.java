package org.mobrak.core.logbook;

import java.io.IOException;
import java.util.Optional;
import java.util.stream.Stream;
import org.sqlite.SQLiteErrorCode;
import org.sqlite.SQLiteException;

/** Whether something failed because nothing more goes on the disk. */
public final class FullDisk {
    /** As the C library says it; Java passes it on and has no name for it. */
    private static final String NO_SPACE = "No space left on device";

    private FullDisk() {}

    /** What to tell a person; empty if that was not why. */
    public static Optional<String> explains(Throwable failed) {
        return Stream.iterate(failed, cause -> cause != null, Throwable::getCause)
                        .anyMatch(FullDisk::isFull)
                ? Optional.of("There is no room left on the disk, so nothing was changed; make room and try again.")
                : Optional.empty();
    }

    private static boolean isFull(Throwable cause) {
        return cause instanceof SQLiteException database
                ? database.getResultCode() == SQLiteErrorCode.SQLITE_FULL
                : cause instanceof IOException
                        && String.valueOf(cause.getMessage()).contains(NO_SPACE);
    }
}
