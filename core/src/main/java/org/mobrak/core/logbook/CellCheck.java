package org.mobrak.core.logbook;

import java.nio.file.Path;

/** Whether the logbook can make a value of what a cell holds, before it is put there. */
public final class CellCheck {
    private CellCheck() {}

    /** @param column by its name in the database */
    public static boolean isReadable(String column, String value) {
        try {
            switch (column) {
                case "sheet" -> JobJson.start(value);
                case "event" -> JobJson.event(value);
                case "findings" -> Json.findings(value);
                case "found" -> Json.material(value);
                case "path" -> Path.of(value);
                case "added_at", "started_at", "taken_at", "seen_at", "at", "withdrawn_at", "modified" ->
                    Times.of(value);
                default -> {
                    // Any text will do.
                }
            }
            return true;
        } catch (RuntimeException | StackOverflowError noValue) {
            return false;
        }
    }
}
