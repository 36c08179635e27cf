package org.mobrak.core.logbook;

import java.time.Instant;
import org.mobrak.core.identity.Reading;

/**
 * A reading that the user does not let count, and why.
 *
 * @param intakeId the text it stands in
 * @param fact the fact's key
 */
public record SetAside(long id, long intakeId, String fact, String value, String reason, Instant at) {
    boolean isOf(Reading reading) {
        return reading.fact().key().equals(fact) && reading.value().equals(value);
    }
}
