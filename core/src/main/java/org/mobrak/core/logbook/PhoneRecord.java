package org.mobrak.core.logbook;

import java.time.Instant;
import org.mobrak.core.identity.VisibleText;

/** A phone in the drawer, by the name its keeper gave it. */
public record PhoneRecord(long id, String nickname, Instant addedAt) {
    public PhoneRecord {
        nickname = VisibleText.oneLine(nickname);
    }
}
