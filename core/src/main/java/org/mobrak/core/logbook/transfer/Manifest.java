package org.mobrak.core.logbook.transfer;

import com.fasterxml.jackson.annotation.JsonIgnoreProperties;
import java.util.Map;
import java.util.Optional;

/**
 * What an export says of itself.
 *
 * @param exportedAt ISO 8601
 * @param phone the nickname of the one phone it is of; empty for a whole workspace
 * @param rows how many there are of each kind
 */
@JsonIgnoreProperties(ignoreUnknown = true)
record Manifest(String format, int version, String exportedAt, Optional<String> phone, Map<String, Long> rows) {
    static final String FILE = "mobrak.json";
    static final String FORMAT = "mobrak-workspace";
    /** With files inside; without, an export is as it always was. */
    static final int VERSION = 2;

    static final int WITHOUT_FILES = 1;
}
