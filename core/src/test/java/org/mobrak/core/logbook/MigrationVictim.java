package org.mobrak.core.logbook;

import java.nio.file.Path;
import java.time.LocalDate;

/** A process of its own that opens a workspace, whose logbook is brought up to date by that, and makes its daily copies; it is killed amid it. */
final class MigrationVictim {
    static final String BEGINS = "begins";
    private static final int DAYS = 200;

    private MigrationVictim() {}

    /** Takes the workspace and the cache. */
    public static void main(String[] arguments) throws Exception {
        System.out.println(BEGINS);
        try (Workspace open = Workspace.open(Path.of(arguments[0]), Path.of(arguments[1]))) {
            System.out.println(open.logbook().phones().size());
            Backups copies = new Backups(Path.of(arguments[0]));
            for (int day = 0; day < DAYS; day++) {
                copies.makeDaily(LocalDate.of(2026, 1, 1).plusDays(day));
            }
        }
    }
}
