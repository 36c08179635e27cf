package org.mobrak.core.identity;

import java.util.List;

/**
 * Where a reading comes from. The word is what the command line, the logbook and the screens show; the reason says why the
 * source may be believed. Ranks and reasons are common practice, no published source.
 */
public enum Source {
    DOWNLOAD_SCREEN("download-mode screen", "the firmware itself draws it, and another OS cannot rewrite it"),
    BOOTLOADER_VARIABLES("bootloader variables", "the bootloader itself answers, below any OS"),
    LABEL("label", "it was printed when the phone was made, though covers and boards get swapped"),
    KERNEL_BANNER("kernel banner", "the running kernel names itself"),
    PROPERTY_LISTING("property list", "the running system answers it"),
    PROPERTY_FILE("property file", "the system starts from it, but a file can be edited"),
    ABOUT_SCREEN("about screen", "the running OS shows it, and a ported OS rewrites it"),
    ROOT_PROOF("root proof", "a shell showed it"),
    BATTERY_STATUS("battery status", "the running system measures it"),
    VOLUMES("volume listing", "the running system counts it"),
    TYPED("typed in", "a person read it"),
    PROVED("job", "a job on this phone ended so"),
    CATALOGUE("catalogue", "it follows from the model number"),
    WORKED_OUT("worked out", "it follows from another reading");

    /** What the running system answers outranks a file that can be edited; a person outranks what is only inferred. */
    private static final List<Source> USUAL = List.of(
            PROPERTY_LISTING,
            PROPERTY_FILE,
            BOOTLOADER_VARIABLES,
            DOWNLOAD_SCREEN,
            ABOUT_SCREEN,
            KERNEL_BANNER,
            LABEL,
            ROOT_PROOF,
            BATTERY_STATUS,
            VOLUMES,
            PROVED,
            TYPED,
            CATALOGUE,
            WORKED_OUT);

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
        return leadersFor(fact).contains(this) ? leadersFor(fact).indexOf(this) - USUAL.size() : USUAL.indexOf(this);
    }

    /** Who goes before the usual order. */
    private static List<Source> leadersFor(Fact fact) {
        if (fact.changes()) {
            // Whoever stands in front of the phone sees condition and switches last.
            return List.of(PROVED, TYPED, ROOT_PROOF, BATTERY_STATUS, VOLUMES, BOOTLOADER_VARIABLES, DOWNLOAD_SCREEN);
        }
        return switch (fact) {
            case MODEL, SERIAL, PRODUCT, DEVICE -> List.of(DOWNLOAD_SCREEN, BOOTLOADER_VARIABLES, LABEL);
            case BOOTLOADER, BASEBAND -> List.of(BOOTLOADER_VARIABLES, DOWNLOAD_SCREEN);
            case KERNEL_RELEASE, KERNEL_BUILT, KERNEL_BUILDER, KERNEL_BUILD -> List.of(KERNEL_BANNER);
            default -> List.of();
        };
    }
}
