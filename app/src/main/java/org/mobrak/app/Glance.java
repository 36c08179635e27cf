package org.mobrak.app;

import java.util.List;
import java.util.Optional;
import org.mobrak.core.catalogue.match.Identity;
import org.mobrak.core.logbook.Dossier;

/**
 * Who is there. It is known before anything is weighed, so a window that opens shows it while the ways are still looked for.
 *
 * @param phone the one on the desk
 */
public record Glance(List<DrawerEntry> drawer, Optional<Phone> phone) {
    public Glance {
        drawer = List.copyOf(drawer);
    }

    /** A phone, and who it is by all that is on disk of it. */
    public record Phone(Dossier dossier, Identity identity) {
        /** Whether the same was read of the same phone; what a job or a file adds may differ. */
        public boolean tellsTheSame(Phone other) {
            return identity.equals(other.identity)
                    && dossier.phone().equals(other.dossier.phone())
                    && dossier.intakes().equals(other.dossier.intakes())
                    && dossier.parsed().equals(other.dossier.parsed());
        }
    }
}
