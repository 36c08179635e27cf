package org.mobrak.desktop.session;

import java.util.Optional;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Identity;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.job.Job;
import org.mobrak.core.logbook.Dossier;
import org.mobrak.core.logbook.PhoneRecord;

/**
 * One phone as the drawer shows it.
 *
 * @param name model number and OS version, as far as they are known
 * @param waitsFor what it is waiting for, in a few words
 * @param rooted whether it is known to have permanent root
 */
public record DrawerEntry(PhoneRecord phone, String name, String waitsFor, boolean rooted) {

    static DrawerEntry of(Dossier dossier, Catalogue catalogue) {
        Identity identity = Identity.of(catalogue, dossier.ledger(), dossier.findings());
        Optional<String> model = identity.facts().value(Fact.MODEL);
        String version =
                identity.facts().value(Fact.OS_VERSION).map(os -> "  OS " + os).orElse("");
        boolean rooted =
                identity.facts().value(Fact.ROOT).filter("permanent"::equals).isPresent();
        return new DrawerEntry(
                dossier.phone(), model.orElse("model not known") + version, waitsFor(dossier, model, rooted), rooted);
    }

    private static String waitsFor(Dossier dossier, Optional<String> model, boolean rooted) {
        Optional<Job> job = dossier.runningJob();
        if (job.isPresent()) {
            return job.get().next().map(step -> "next: " + step.title()).orElse("waits for its result");
        }
        if (model.isEmpty()) {
            return "waits for a reading";
        }
        return rooted ? "rooted" : "waits for a way";
    }
}
