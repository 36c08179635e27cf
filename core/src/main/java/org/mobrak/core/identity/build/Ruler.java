package org.mobrak.core.identity.build;

import java.util.List;
import java.util.Optional;

/**
 * A build string taken apart. The segments, put together again, are the text.
 *
 * @param kind what the string is, for a person: build number, build id …
 */
public record Ruler(String kind, String text, List<Segment> segments) {
    public Ruler {
        segments = List.copyOf(segments);
    }

    /**
     * One part of the string.
     *
     * @param label what the part is; empty for the marks between parts
     * @param meaning what this value of it says; empty where nobody knows
     */
    public record Segment(String text, String label, String meaning, Role role) {
        static Segment mark(String text) {
            return new Segment(text, "", "", Role.MARK);
        }

        /** Whether it says something and is not just a mark between parts. */
        public boolean isPart() {
            return role != Role.MARK;
        }

        /** The meaning, or the text where there is none. */
        public String told() {
            return meaning.isEmpty() ? text : meaning;
        }
    }

    /** What a part stands for, which decides what a difference in it means. */
    public enum Role {
        MARK,
        MODEL,
        REGION,
        CARRIER,
        OS_VERSION,
        BOOTLOADER_REVISION,
        YEAR,
        MONTH,
        DAY,
        DATE,
        SERIAL,
        OTHER;

        /** Whether a later build has a higher value, all roles before it being equal. */
        boolean tellsAge() {
            return this == YEAR || this == MONTH || this == DAY || this == DATE || this == SERIAL;
        }

        /** Whether a difference means another phone or another market. */
        boolean tellsWhose() {
            return this == MODEL || this == REGION || this == CARRIER;
        }
    }

    /** The first part with a role. */
    public Optional<Segment> part(Role role) {
        return segments.stream().filter(segment -> segment.role() == role).findFirst();
    }
}
