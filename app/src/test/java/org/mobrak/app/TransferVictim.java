package org.mobrak.app;

import java.nio.file.Path;
import java.time.Clock;
import java.util.Optional;
import java.util.Set;
import org.mobrak.core.logbook.Backups;

/** A process of its own that does one thing with a workspace, says when it begins, and is killed amid it. */
final class TransferVictim {
    static final String BEGINS = "begins";

    private TransferVictim() {}

    /** Takes what to do, the folder of Mobrak, the cache, the workspace and the zip or copy. */
    public static void main(String[] arguments) throws Exception {
        Transfers transfers = new Transfers(Path.of(arguments[1]), Path.of(arguments[2]), Clock.systemUTC());
        Path workspace = Path.of(arguments[3]);
        Path file = Path.of(arguments[4]);
        System.out.println(BEGINS);
        while (true) {
            switch (arguments[0]) {
                case "import" -> transfers.take(file, workspace, Set.of());
                case "export" -> transfers.export(workspace, Optional.empty(), false, file);
                default -> Backups.restore(workspace, file, String.valueOf(System.nanoTime()));
            }
        }
    }
}
