package org.mobrak.core.learn;

import java.util.List;

/**
 * A line that is listened to, and where it stands.
 *
 * @param section what the heading above it is about, by its name in the wordings; empty where none is known
 * @param report whether somebody tells how it went
 * @param remedy whether it says what to do if something else is seen
 */
record Here(GuideLine line, List<Clause> clauses, String section, boolean report, boolean remedy) {
    boolean isIn(String... sections) {
        return List.of(sections).contains(section);
    }
}
