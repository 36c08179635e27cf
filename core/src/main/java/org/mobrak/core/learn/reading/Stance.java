package org.mobrak.core.learn.reading;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Whether a guide speaks for or against what it names, by the words about it. */
enum Stance {
    FOR,
    /** It is told not to be for it, or to harm it. */
    AGAINST,
    /** Something bad is said beside it, which may be about something else. */
    WARY,
    /** Nobody has tried, or somebody asks. */
    UNSURE,
    NONE;

    /** Clauses end here; a dash and a colon hold together what stands on both sides. */
    private static final Pattern CLAUSE = Pattern.compile(
            "[;!?]|\\.(?=\\s|$)|,\\s(?:but|while|though|whereas|and then|so)\\s|\\s(?:but|whereas|although)\\s|,\\s(?:the|a|on) \\S*\\d\\S* (?=is|has|was|does|takes|needs|not)|\\s(?=(?:and )?(?:not|never|nor) (?:for |on )?the \\S*\\d)");

    private static final Pattern BRACKETS = Pattern.compile("\\([^()]*\\)|\\[[^\\[\\]]*\\]");
    private static final Pattern RIGHT_BEFORE = Pattern.compile(
            "(?:\\bnot?|\\bnever|\\bexcept|\\bother than|\\bexcluding|\\bunlike|\\bbut not|\\bwithout(?! (?:a |any )?(?:contract|brand|carrier|network))|\\bminus|n't|\\bnor|\\binstead of)(?:[,:])?\\s(?:\\w+ ){0,2}?(?:(?:for|on|with|of|the|a|an|his|her|your|any|to|also|it|try|use|work|works|support(?:ed)?|meant|made|compatible|this|model|type|phone|build|version|plain|older?|newer|one|file|package|follow|take|flash|sister|my|those|these|os)\\W{1,2}){0,5}[\"*(]?$");
    /** What is said of a phone that a guide is not for. */
    private static final Cue NOT = Cues.of("stance.not");

    private static final Cue NOT_BEFORE = Cues.of("stance.notBefore");
    /** “The sheet is wrong, it is for the AB-1”. */
    private static final Pattern OTHERS = Pattern.compile(
            "\\b(?:wrong|other|another|old|different|second|bigger|separate)\\b[^.]{0,40}\\b(?:is|'s|was|are)? ?for (?:the |an? )?$|\\bthe (?:file|one|package|zip|build|image|sheet)(?:'s| is)? (?:of|for) the $");

    private static final Cue WEAK = Cues.of("stance.weak");
    private static final Cue UNTRIED = Cues.of("stance.untried");
    private static final Cue GOOD = Cues.of("stance.good");

    /** “Unsupported: AB-1” says it in front. */
    private static final Pattern OUT_LABEL = Pattern.compile(
            "^\\W*(?:unsupported|not supported|not for|not compatible|incompatible|won't work(?: on)?|does not work(?: on)?|doesn't work(?: on)?|no|excluded|not)(?: models?| phones?| devices?)?:");

    private static final Pattern IN_LABEL = Pattern.compile(
            "^\\W*(?:a: |supported|works(?: on| with)?|for|models?|yes|ok|phones?|devices?|tested(?: on)?|compatible(?: with)?|confirmed)(?: models?| phones?| devices?)?:? ");
    /** “AB-1: never.” */
    private static final Pattern REFUSED =
            Pattern.compile("\\W{0,4}(?:never|no|nope|not at all|forget it)\\W*|\\s{0,3}[:=-]?\\s{0,2}[✗✘❌]\\W*");
    /** “For the AB-1, what do I need?” asks of something else. */
    private static final Pattern STATED =
            Pattern.compile("^\\W{0,3}(?:so |then )?(?:what|how|where|which|is there)\\b.{0,60}$");

    private static final Pattern NOT_ONLY = Pattern.compile("\\bnot only\\b[^.]{0,24}$");
    /** Somebody tells how it went with his own; that is no word of the author's. */
    /** Said of all that follows in its clause. */
    private static final Cue ABOUT = Cue.of(
            "(?:we are|i am|i'm|we're) speaking of",
            "this is",
            "(?:is|made|meant|intended|applies) (?:for|to)",
            "supports",
            "supported(?: on| are)?",
            "tested (?:on|with)",
            "the phone is",
            "works? (?:on|with|for)",
            "covers?",
            "roots?");
    /** Said right behind it. */
    private static final Cue GOOD_AFTER = Cue.of(
            "works?",
            "worked",
            "supported",
            "tested",
            "yes",
            "same phone",
            "same board",
            "right\\?",
            "goes on",
            "is covered",
            "as well",
            "too",
            "alike",
            "(?:is|are) fine",
            "ok(?:ay)?",
            "both",
            "with os",
            "os \\d.*",
            "got",
            "running",
            "stands?",
            "on the back");

    static final Cue REPORT = Cues.of("stance.report");

    /** What is said of the words between two places of a sentence. */
    static Stance of(Sentence sentence, int start, int end) {
        String lower = sentence.lower();
        int from = clauseStart(lower, start);
        int to = clauseEnd(lower, end);
        String before = lower.substring(from, start);
        String after = outside(lower.substring(end, to));
        if (OUT_LABEL.matcher(lower).find()) {
            return AGAINST;
        }
        if (REPORT.in(lower)) {
            return NONE;
        }
        if (RIGHT_BEFORE.matcher(before).find() && !NOT_ONLY.matcher(before).find()) {
            return AGAINST;
        }
        if (REFUSED.matcher(after).matches()) {
            return AGAINST;
        }
        if (UNTRIED.in(before + " " + after)
                || lower.strip().endsWith("?")
                        && to == lower.strip().length() - 1
                        && !isAnswered(lower)
                        && !STATED.matcher(after).find()) {
            return UNSURE;
        }
        if (says(NOT, after) || NOT_USE.matcher(before).find()) {
            return AGAINST;
        }
        // “The AB-1 is the same, but I have not tried it” goes on behind the clause.
        String rest = lower.substring(to);
        boolean goesOn = rest.startsWith(" but ") && !NUMBERED.matcher(rest).find();
        if (goesOn && UNTRIED.in(rest)) {
            return UNSURE;
        }
        if (goesOn && OTHERWISE.matcher(rest).lookingAt()) {
            return AGAINST;
        }
        int not = lastAt(NOT_BEFORE, before);
        if (not >= 0 && before.length() - not < 50 && !before.substring(not).matches(".*[,:-] .*")
                || OTHERS.matcher(before).find()) {
            return AGAINST;
        }
        if (says(WEAK, after)) {
            return WARY;
        }
        boolean listed = sentence.section() == Sentence.Section.PHONES
                || IN_LABEL.matcher(lower).find();
        return listed
                        || ABOUT.in(before)
                        || GOOD.in(before.substring(Math.max(0, before.length() - 25)))
                        || GOOD_AFTER.in(after)
                ? FOR
                : NONE;
    }

    /** Without what stands in brackets; of a bracket that was opened before only what stands behind it. */
    private static String outside(String after) {
        String plain = BRACKETS.matcher(after).replaceAll(" ");
        return plain.replaceFirst("^([^()]*)\\)", "$1 ");
    }

    /** Whether words stand there that are not said of the number that follows them. */
    private static boolean says(Cue cue, String after) {
        Matcher found = cue.matcher(after);
        while (found.find()) {
            if (!NEXT_ONE.matcher(after.substring(found.end())).lookingAt()) {
                return true;
            }
        }
        return false;
    }

    private static final Pattern NEXT_ONE = Pattern.compile(
            "\\W{0,3}(?:for |on |with |the |a |an |your |any |of |model |type ){0,3}(?=[\\w.-]{0,12}\\d)[a-z\\d]{1,8}[-_.]?[a-z\\d]");

    /** “… looks the same but has another board.” */
    private static final Pattern OTHERWISE = Pattern.compile(
            " but (?:it |that one |this one )?(?:has|have|with|uses|comes with|is|got) (?:got )?(?:an? )?(?:another|other|different)\\b");

    /** “Do not use any of these files on the AB-1.” */
    private static final Pattern NOT_USE = Pattern.compile(
            "\\b(?:do not|don't|dont|never|must not|mustn't|cannot|can't|should not|shouldn't)\\b[^.;:,]{0,50}\\b(?:on|for|with) (?:the |an? |any |your |model ){0,2}$");

    private static final Pattern NUMBERED = Pattern.compile("[a-z][-_.]?\\d{2,}");

    /** What the next sentence says of what was named last. */
    static boolean isTurnedAwayBy(String lower) {
        return NOT.in(lower);
    }

    private static boolean isAnswered(String lower) {
        return lower.startsWith("is it the right") || lower.startsWith("which ") || lower.contains(", right?");
    }

    private static int lastAt(Cue cue, String text) {
        Matcher found = cue.matcher(text);
        int last = -1;
        while (found.find()) {
            last = found.start();
        }
        return last;
    }

    static int clauseStart(String lower, int at) {
        Matcher ends = CLAUSE.matcher(lower).region(0, at);
        int start = 0;
        while (ends.find()) {
            start = ends.end();
        }
        return start;
    }

    static int clauseEnd(String lower, int from) {
        Matcher ends = CLAUSE.matcher(lower);
        return ends.find(from) ? ends.start() : lower.length();
    }
}
