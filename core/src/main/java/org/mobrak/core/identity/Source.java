package org.mobrak.core.identity;

import java.util.List;

/** Where a reading comes from. The word is what the command line, the logbook and the screens show. */
public enum Source {
    PROPERTY_LISTING("property list"),
    PROPERTY_FILE("property file"),
    KERNEL_BANNER("kernel banner"),
    TYPED("typed in"),
    CATALOGUE("catalogue");

    /** What the running system answers outranks a file that can be edited; the person outranks only the catalogue. */
    private static final List<Source> USUAL = List.of(PROPERTY_LISTING, PROPERTY_FILE, KERNEL_BANNER, TYPED, CATALOGUE);

    /** The kernel speaks for itself. */
    private static final List<Source> OF_THE_KERNEL =
            List.of(KERNEL_BANNER, PROPERTY_LISTING, PROPERTY_FILE, TYPED, CATALOGUE);

    /** Condition and switches: whoever stands in front of the phone sees them last. */
    private static final List<Source> OF_WHAT_CHANGES =
            List.of(TYPED, PROPERTY_LISTING, PROPERTY_FILE, KERNEL_BANNER, CATALOGUE);

    private final String word;

    Source(String word) {
        this.word = word;
    }

    public String word() {
        return word;
    }

    /** This source's place among those that can speak about a fact; 0 leads (common practice, no published source). */
    int rankFor(Fact fact) {
        return order(fact).indexOf(this);
    }

    private static List<Source> order(Fact fact) {
        if (fact.changes()) {
            return OF_WHAT_CHANGES;
        }
        return fact == Fact.KERNEL_RELEASE || fact == Fact.KERNEL_BUILT ? OF_THE_KERNEL : USUAL;
    }
}
