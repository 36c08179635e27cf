package org.mobrak.core.learn;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;

/**
 * A part of a sentence that says one thing.
 *
 * @param negated whether it says no
 * @param excluding whether it is of phones the guide is not for
 */
record Clause(GuideLine line, String text, String lower, boolean negated, boolean excluding) {
    /** Sentences end, and what follows a turn is another thing. */
    private static final Pattern ENDS = Pattern.compile(
            "(?<=[.!?])\\s+|;\\s*|,?\\s+(?=(?:but|except|unlike|however|although|instead of|not on|not for|not the)\\b)|,\\s*(?=not\\b)|\\s*\\((?=not\\b)|\\s+[–—]\\s+");

    static List<Clause> of(GuideLine line, Wordings words) {
        List<Clause> clauses = new ArrayList<>();
        for (String part : ENDS.split(line.text())) {
            if (!part.isBlank()) {
                clauses.add(of(line, part.strip(), words));
            }
        }
        return clauses;
    }

    private static Clause of(GuideLine line, String text, Wordings words) {
        // Whoever says “not only” says yes.
        String lower = text.toLowerCase(Locale.ROOT).replace('’', '\'').replace("not only", "also");
        boolean excluding = Wordings.any(lower, words.excluding());
        return new Clause(line, text, lower, excluding || Wordings.any(lower, words.negations()), excluding);
    }
}
