package org.mobrak.app;

import java.io.IOException;
import java.util.List;
import org.mobrak.link.PhoneLink;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Which phones hang on the cable. Until it is begun none are shown, and nobody waits for a cable to begin. */
final class CableWatch {
    private static final Logger LOG = LoggerFactory.getLogger(CableWatch.class);

    private final PhoneLink link;
    private List<String> seen = List.of();
    private boolean watching;

    CableWatch(PhoneLink link) {
        this.link = link;
    }

    void begin() throws IOException {
        seen = link.seen();
        watching = true;
    }

    /** Phones come and go; what a cable said last stays where it says nothing. */
    List<String> seen() {
        if (watching) {
            try {
                seen = link.seen();
            } catch (IOException silent) {
                LOG.info("The cable cannot be asked: {}", silent.getMessage());
            }
        }
        return seen;
    }
}
