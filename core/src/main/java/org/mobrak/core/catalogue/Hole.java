package org.mobrak.core.catalogue;

import com.fasterxml.jackson.annotation.JsonIgnoreProperties;
import java.util.Optional;

/**
 * A hole in kernel or OS, by its public identifier: which versions had it, when it became known, and what closed it. Facts of
 * the public record and nothing else.
 *
 * @param published the day it became known, ISO 8601: what was built before cannot have it closed
 * @param fixedByPatchLevel the patch level from which on it is closed
 * @param fixedByBuildDate the day from which on every build has it closed
 * @param source where this was read, or {@code from memory}
 */
@JsonIgnoreProperties("origin")
public record Hole(
        String id,
        String summary,
        Optional<Range> kernel,
        Optional<Range> osVersion,
        String published,
        Optional<String> fixedByPatchLevel,
        Optional<String> fixedByBuildDate,
        String source) {

    /** Versions from one to another, both included; at least one is there. */
    public record Range(Optional<String> atLeast, Optional<String> atMost) {
        /** For a person: {@code 2.6 to 3.5.4}. */
        public String words() {
            if (atLeast.isPresent() && atMost.isPresent()) {
                return atLeast.get() + " to " + atMost.get();
            }
            return atLeast.map(least -> least + " or newer").orElseGet(() -> atMost.orElse("any") + " or older");
        }
    }
}
