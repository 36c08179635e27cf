package org.mobrak.app;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.mobrak.core.catalogue.match.Identity;
import org.mobrak.core.identity.Belief;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Severity;
import org.mobrak.core.job.Job;
import org.mobrak.core.logbook.Dossier;
import org.mobrak.core.logbook.PhoneRecord;

/**
 * One phone as the drawer shows it.
 *
 * @param name model number and OS version, as far as they are known
 * @param marks in what state it is, a word or two each
 * @param waitsFor what it is waiting for, in a few words
 * @param worst the gravest thing that is odd about it
 */
public record DrawerEntry(PhoneRecord phone, String name, List<Mark> marks, String waitsFor, Optional<Severity> worst) {
    public DrawerEntry {
        marks = List.copyOf(marks);
    }

    /** A state worth seeing from afar. The word stands on it, so that the colour is never alone. */
    public enum Mark {
        ROOTED("rooted"),
        ROOT_NOW("root for now"),
        UNLOCKED("unlocked"),
        CUSTOM_RECOVERY("own recovery"),
        CUSTOM_KERNEL("own kernel"),
        FUSE_BLOWN("fuse blown");

        private final String word;

        Mark(String word) {
            this.word = word;
        }

        public String word() {
            return word;
        }
    }

    static DrawerEntry of(Dossier dossier, Identity identity) {
        Facts facts = identity.facts();
        String version = facts.value(Fact.OS_VERSION).map(os -> "  OS " + os).orElse("");
        String name = facts.value(Fact.MODEL)
                .or(() -> facts.value(Fact.SHOP_NAME).map(shop -> shop + " ?"))
                .orElse("model not known");
        Optional<Severity> worst =
                identity.findings().stream().map(Finding::severity).findFirst();
        return new DrawerEntry(dossier.phone(), name + version, marks(facts), waitsFor(dossier, identity), worst);
    }

    private static List<Mark> marks(Facts facts) {
        List<Mark> marks = new ArrayList<>();
        mark(facts, Fact.ROOT, "permanent", Mark.ROOTED, marks);
        mark(facts, Fact.ROOT, "temporary", Mark.ROOT_NOW, marks);
        mark(facts, Fact.LOCK, "unlocked", Mark.UNLOCKED, marks);
        mark(facts, Fact.RECOVERY, "custom", Mark.CUSTOM_RECOVERY, marks);
        mark(facts, Fact.KERNEL_KIND, "custom", Mark.CUSTOM_KERNEL, marks);
        mark(facts, Fact.WARRANTY_FUSE, "blown", Mark.FUSE_BLOWN, marks);
        return marks;
    }

    private static void mark(Facts facts, Fact fact, String value, Mark mark, List<Mark> marks) {
        facts.value(fact).filter(value::equals).ifPresent(same -> marks.add(mark));
    }

    private static String waitsFor(Dossier dossier, Identity identity) {
        Optional<Finding> stop = identity.findings().stream()
                .filter(finding -> finding.severity() == Severity.STOP)
                .findFirst();
        if (stop.isPresent()) {
            return "stop: " + stop.get().code().replace('-', ' ');
        }
        Optional<Job> job = dossier.runningJob();
        if (job.isPresent()) {
            return job.get().next().map(step -> "next: " + step.title()).orElse("waits for its result");
        }
        if (identity.facts().belief(Fact.MODEL) instanceof Belief.Conflicting) {
            return "sources disagree on the model";
        }
        if (identity.candidates().areOpen()) {
            return "which of " + identity.candidates().variants().size() + " variants?";
        }
        if (identity.facts().value(Fact.MODEL).isEmpty()) {
            return "waits for a reading";
        }
        boolean rooted =
                identity.facts().value(Fact.ROOT).filter("permanent"::equals).isPresent();
        return rooted ? "nothing to do" : "waits for a way";
    }
}
