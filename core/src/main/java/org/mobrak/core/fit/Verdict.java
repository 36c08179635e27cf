package org.mobrak.core.fit;

import java.util.List;

/** What the clauses of a route come to. The word is that of the command line and the screens. */
public enum Verdict {
    FITS("fits"),
    CAUTION("caution"),
    NEEDS_STEP("needs a step"),
    NEEDS_READING("needs a reading"),
    REFUSED("refused");

    private final String word;

    Verdict(String word) {
        this.word = word;
    }

    public String word() {
        return word;
    }

    /**
     * A no that nothing turns refuses. Otherwise what is unknown decides, since it may turn out to refuse; then what a
     * step must change first; then what is doubtful.
     */
    static Verdict of(List<Clause> clauses) {
        if (clauses.stream().anyMatch(Clause::refuses)) {
            return REFUSED;
        }
        if (clauses.stream().anyMatch(clause -> clause.result() == Truth.UNKNOWN)) {
            return NEEDS_READING;
        }
        if (clauses.stream().anyMatch(clause -> clause.result() == Truth.NO)) {
            return NEEDS_STEP;
        }
        return clauses.stream().anyMatch(clause -> clause.doubt().isPresent()) ? CAUTION : FITS;
    }
}
