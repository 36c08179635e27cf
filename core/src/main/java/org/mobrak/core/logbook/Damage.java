package org.mobrak.core.logbook;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.logbook.ChainCheck.Changed;

/**
 * What is wrong inside a logbook.
 *
 * @param changed the rows that are not as they were written down, the first one first; none where the database itself is broken
 */
record Damage(Finding told, List<Changed> changed) {
    Damage {
        changed = List.copyOf(changed);
    }

    /** The database itself is broken. */
    static Damage inside(Path logbook, String fault) {
        return new Damage(
                Finding.stop(
                        "logbook-damaged",
                        "The logbook is damaged inside (%s). What you see can still be read: close Mobrak, copy the whole folder %s, and go on with a copy from before if you have one."
                                .formatted(fault, logbook.getParent())),
                List.of());
    }

    /** Some rows say something else than they did; empty where none does. */
    static Optional<Damage> of(Path logbook, List<Changed> changed) {
        return changed.stream()
                .findFirst()
                .map(first -> new Damage(
                        Finding.stop(
                                "logbook-changed",
                                "In the logbook %s%s. The disk may be failing. Nothing is left out: what is concerned is marked; copy the whole folder %s, and read those phones again before you trust it."
                                        .formatted(
                                                first,
                                                changed.size() == 1
                                                        ? ""
                                                        : ", and %d more are not as they were"
                                                                .formatted(changed.size() - 1),
                                                logbook.getParent())),
                        changed));
    }
}
