package org.mobrak.core.learn.reading;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** An amount in figures, words or fractions, with words beside it that make it the least that is asked for. */
final class ChargeWords {
    private static final Map<String, Integer> SHARES = Map.ofEntries(
            Map.entry("half", 50),
            Map.entry("1/2", 50),
            Map.entry("a quarter", 25),
            Map.entry("1/4", 25),
            Map.entry("a third", 33),
            Map.entry("two thirds", 66),
            Map.entry("2/3", 66),
            Map.entry("three quarters", 75),
            Map.entry("3/4", 75));
    private static final Pattern AMOUNT = Pattern.compile(
            "(?<![\\w.,/-])(?:(\\d{2,3})|(half|[1-3]/[2-4]|a (?:quarter|third)|two thirds|three quarters|twenty|thirty|forty|fifty|sixty|seventy|eighty|ninety))"
                    + "(?!\\s?-?(?:an hour|a minute|[kmg]i?b|min|sec|hour|mah|volt|day|week|step|time|euro|dollar|pound|[a-z]{0,2}\\d))(?![\\w/]|[.,]\\d)\\s?(?:%|percent|per cent|pct)?");
    private static final Pattern BEFORE = Pattern.compile(
            "(?:\\bat least|\\bat the least|\\bmin(?:imum)?(?:\\.|:| is| of| charge:?)?|\\b(?:not|never|don't|dont|wouldn't|would not|won't|shouldn't|must not)\\b[^.;]{0,36}\\b(?:less than|below|under)|\\bno less than|\\bover|\\babove|\\bmore than|>=?|≥)\\W{0,3}$");
    private static final Pattern AFTER = Pattern.compile(
            "^\\s?(?:\\+|(?:full |charged? )?(?:or|and) (?:more|better|up|higher|above|over)\\b|(?:is |as |was )?(?:the |a )?(?:minimum|least)\\b|(?:of (?:a |the )?)?(?:a )?(?:battery |charge )?(?:is|will be|should be|would be) (?:enough|plenty|fine|sufficient)\\b|(?:of )?(?:battery |charge )?at (?:the )?least\\b)");
    /** What somebody's own had, and how fast something goes. */
    private static final Pattern OWN = Pattern.compile(
            "\\b(?:i|mine|we|his|hers?) (?:had|was|were|has|have|am|are|stood|showed)\\b[^,.;]{0,14}$|\\b(?:drains?|loses?|lost|dropped|fell)\\b[^,.;]{0,20}$");

    private static final Cue ABOUT = Cue.of(
            "batt(?:ery)?", "batteries", "charged?", "charging", "charger", "juice", "accumulator", "plug it in");
    private static final int NEAR = 48;
    private static final int LEAST = 5;

    private ChargeWords() {}

    /** Whether a sentence speaks of the battery. */
    static boolean isAbout(Sentence sentence) {
        return ABOUT.in(sentence.lower());
    }

    /** How many percent such a word is, “half” or “sixty”; below zero where it is none. */
    static int share(String word) {
        return SHARES.getOrDefault(word, NumberWords.of(word));
    }

    /** The least that a sentence about the battery asks for, each time it does. */
    static List<Read<Integer>> least(Sentence sentence) {
        List<Read<Integer>> found = new ArrayList<>();
        String lower = sentence.lower();
        Matcher amounts = AMOUNT.matcher(lower);
        while (amounts.find()) {
            int value = amounts.group(1) != null ? Integer.parseInt(amounts.group(1)) : share(amounts.group(2));
            String before = lower.substring(Math.max(0, amounts.start() - NEAR), amounts.start());
            String after = lower.substring(amounts.end());
            boolean asked =
                    BEFORE.matcher(before).find() || AFTER.matcher(after).find();
            if (asked && value >= LEAST && value <= 100 && !OWN.matcher(before).find()) {
                found.add(Read.of(value, sentence, amounts.start(), Sure.LIKELY));
            }
        }
        return found;
    }
}
