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
 * @param unsure whether it asks, or says that nobody knows
 */
record Clause(GuideLine line, String text, String lower, boolean negated, boolean excluding, boolean unsure) {
    /** Sentences end, and what follows a turn is another thing. */
    private static final Pattern ENDS = Pattern.compile(
            "(?<=[.!?])\\s+|;\\s*|,?\\s+(?=(?:but|except|unlike|however|although|instead of|not on|not for|not the)\\b)|,\\s*(?=not\\b)|\\s*\\((?=not\\b)|\\s+[–—]\\s+");

    private static final Pattern BACKWARDS = Pattern.compile(
            "(?:not|isn't|don't use (?:it|this)) (?:for|on|with|meant for|made for) (?:you|it|them|that|that one|this one|those|these|him|her)\\b.{0,200}");

    /** Whether one of some phrases is said and not denied: no “no” stands before it, nor beside it between two commas. */
    boolean says(List<String> phrases, Wordings words) {
        return phrases.stream()
                .filter(phrase -> Wordings.contains(lower, phrase))
                .anyMatch(phrase -> !denies(phrase, words));
    }

    private boolean denies(String phrase, Wordings words) {
        if (!negated) {
            return false;
        }
        int at = lower.indexOf(phrase);
        int end = lower.indexOf(',', at + phrase.length());
        return Wordings.any(end < 0 ? lower : lower.substring(0, end), words.negations());
    }

    /** “… and this is not for you”: says no of what was named just before. */
    boolean refersBackwards() {
        return BACKWARDS.matcher(lower).matches();
    }

    /** “…, not the TY-55L”. */
    boolean isTurnedAway() {
        return lower.startsWith("not ") && negated;
    }

    boolean endsSentence() {
        return text.endsWith(".") || text.endsWith("!") || text.endsWith("?");
    }

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
        boolean unsure = text.endsWith("?") || Wordings.any(lower, words.unsure());
        boolean excluding = !unsure && Wordings.any(lower, words.excluding());
        boolean negated = excluding || Wordings.any(lower, words.negations());
        return new Clause(line, text, lower, negated, excluding, unsure);
    }
}
