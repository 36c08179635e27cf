package org.mobrak.core.identity;

import java.util.List;

/**
 * Where a reading comes from. The word is what the command line, the logbook and the screens show; the reason says why the
 * source may be believed. Ranks and reasons are common practice, no published source.
 *
 * <p>The sources stand in the order of their usual rank, the best first, so that none can be left out of it: what the running
 * system answers outranks a file that can be edited; what was seen outranks what was typed, and that what is only inferred.
 */
public enum Source {
    PROPERTY_LISTING("property list", "the running system answers it"),
    PROPERTY_FILE("property file", "the system starts from it, but a file can be edited"),
    BOOTLOADER_VARIABLES("bootloader variables", "the bootloader itself answers, below any OS"),
    DOWNLOAD_SCREEN("download-mode screen", "the firmware itself draws it, and another OS cannot rewrite it"),
    ABOUT_SCREEN("about screen", "the running OS shows it, and a ported OS rewrites it"),
    KERNEL_BANNER("kernel banner", "the running kernel names itself"),
    LABEL("label", "it was printed when the phone was made, though covers and boards get swapped"),
    ROOT_PROOF("root proof", "a shell showed it"),
    BATTERY_STATUS("battery status", "the running system measures it"),
    VOLUMES("volume listing", "the running system counts it"),
    PROVED("job", "a job on this phone ended so"),
    TYPED("typed in", "a person read it"),
    CATALOGUE("catalogue", "it follows from the model number"),
    WORKED_OUT("worked out", "it follows from another reading");

    private final String word;
    private final String reason;

    Source(String word, String reason) {
        this.word = word;
        this.reason = reason;
    }

    public String word() {
        return word;
    }

    /** Why it may be believed, as part of a sentence. */
    public String reason() {
        return reason;
    }

    /** This source's place among those that can speak about a fact; the lowest leads. */
    int rankFor(Fact fact) {
        List<Source> leaders = leadersFor(fact);
        return leaders.contains(this) ? leaders.indexOf(this) - leaders.size() : ordinal();
    }

    /** Who goes before the usual order. */
    private static List<Source> leadersFor(Fact fact) {
        if (fact.changes()) {
            // What was seen: a proof, a shell, a measurement, the firmware's own screens.
            return List.of(PROVED, ROOT_PROOF, BATTERY_STATUS, VOLUMES, BOOTLOADER_VARIABLES, DOWNLOAD_SCREEN);
        }
        return switch (fact) {
            case MODEL, SERIAL, PRODUCT, DEVICE -> List.of(DOWNLOAD_SCREEN, BOOTLOADER_VARIABLES, LABEL);
            case BOOTLOADER, BASEBAND -> List.of(BOOTLOADER_VARIABLES, DOWNLOAD_SCREEN);
            case KERNEL_RELEASE, KERNEL_BUILT, KERNEL_BUILDER, KERNEL_BUILD -> List.of(KERNEL_BANNER);
            default -> List.of();
        };
    }

    /** Whether it answers from below any OS, so that another OS cannot rewrite what it says. */
    public boolean isBelowTheOs() {
        return this == DOWNLOAD_SCREEN || this == BOOTLOADER_VARIABLES || this == LABEL;
    }

    /** Whether a running system, or a file of it, says it. */
    public boolean isOfTheOs() {
        return this == ABOUT_SCREEN || this == PROPERTY_LISTING || this == PROPERTY_FILE;
    }
}
