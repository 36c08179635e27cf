package org.mobrak.core.material.check;

import java.time.Instant;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.identity.UnreadableInput;
import org.mobrak.core.identity.reader.ReadingParser;
import org.mobrak.core.identity.reader.TextIntake;
import org.mobrak.core.material.Material;

/** What a file says of the software in it, in the facts of a phone that ran it: kernel, OS version, patch level. */
final class Contents {
    /** An ISO 8601 day, and a year and month. */
    private static final int DAY = 10;
    /** A boot image gives the patch level as year and month only. */
    private static final int MONTH = 7;

    private Contents() {}

    static Map<Fact, String> of(Material file) {
        Map<Fact, String> contents = new EnumMap<>(Fact.class);
        file.release().ifPresent(release -> contents.put(Fact.KERNEL_RELEASE, release));
        file.banner().flatMap(Contents::built).ifPresent(built -> contents.put(Fact.KERNEL_BUILT, built));
        file.osVersion().ifPresent(version -> contents.put(Fact.OS_VERSION, version));
        file.patchLevel().ifPresent(month -> contents.put(Fact.PATCH_LEVEL, month));
        return contents;
    }

    /** A value as coarse as both sides have it: dates are told apart by the day, patch levels by the month. */
    static String coarse(Fact fact, String value) {
        return switch (fact) {
            case KERNEL_BUILT -> first(value, DAY);
            case PATCH_LEVEL -> first(value, MONTH);
            default -> value;
        };
    }

    private static String first(String value, int length) {
        return value.substring(0, Math.min(length, value.length()));
    }

    private static Optional<String> built(String banner) {
        try {
            // When it was read does not matter here: only what the banner itself says is used.
            return ReadingParser.parse(TextIntake.pasted(banner), Instant.EPOCH).readings().stream()
                    .filter(reading -> reading.fact() == Fact.KERNEL_BUILT)
                    .map(Reading::value)
                    .findFirst();
        } catch (UnreadableInput noBanner) {
            return Optional.empty();
        }
    }
}
