package org.mobrak.core.proof;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** What a person saw, or what happened to the phone in between. */
public enum Seen {
    ICON(Rung.ICON),
    MANAGER_SAYS(Rung.MANAGER_SAYS),
    PROOF_APP_YES(Rung.PROOF_APP),
    PROOF_APP_NO,
    GRANTED(Rung.GRANTED),
    /** The manager asked, or answered by itself, and the answer was no. */
    DENIED,
    UID0(Rung.SHELL),
    RESTART,
    UPDATE,
    UNROOTED;

    private final Optional<Rung> shows;

    Seen() {
        this.shows = Optional.empty();
    }

    Seen(Rung rung) {
        this.shows = Optional.of(rung);
    }

    /** The rung that this is a yes for. */
    public Optional<Rung> shows() {
        return shows;
    }

    /** For programs. */
    public String word() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    public static Optional<Seen> ofWord(String word) {
        return Arrays.stream(values()).filter(one -> one.word().equals(word)).findFirst();
    }

    /** Whether it shows that there is a root manager. */
    boolean showsManager() {
        return this == ICON || this == MANAGER_SAYS || this == GRANTED || this == DENIED;
    }
}
