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
        Verdict verdict = FITS;
        for (Clause clause : clauses) {
            Verdict own = of(clause);
            verdict = own.compareTo(verdict) > 0 ? own : verdict;
        }
        return verdict;
    }

    private static Verdict of(Clause clause) {
        return switch (clause.result()) {
            case YES -> clause.doubt().isPresent() ? CAUTION : FITS;
            case UNKNOWN -> NEEDS_READING;
            case NO -> clause.refuses() ? REFUSED : NEEDS_STEP;
        };
    }
}
