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
            "[;!?]|\\.(?=\\s|$)|,\\s(?:but|while|though|whereas|and then|so)\\s|\\s(?:but|whereas|although)\\s|,\\s(?:the|a|on) \\S*\\d\\S* (?=is|has|was|does|takes|needs|not)");

    private static final Pattern BRACKETS = Pattern.compile("\\([^()]*\\)|\\[[^\\[\\]]*\\]");
    private static final Pattern RIGHT_BEFORE = Pattern.compile(
            "(?:\\bnot?|\\bnever|\\bexcept|\\bother than|\\bexcluding|\\bunlike|\\bbut not|\\bwithout|\\bminus|n't|\\bnor|\\binstead of)(?:[,:])?\\s(?:\\w+ ){0,2}?(?:(?:for|on|with|of|the|a|an|his|her|your|any|to|also|it|try|use|work|works|support(?:ed)?|meant|made|compatible|this|model|type|phone|build|version|plain|older?|newer|one|file|package|follow|take|flash|sister|my|those|these|os)\\W{1,2}){0,5}[\"*(]?$");
    /** What is said of a phone that a guide is not for. */
    private static final Cue NOT = Cue.of(
            "not for",
            "not on",
            "not supported",
            "unsupported",
            "not compatible",
            "incompatible",
            "not meant(?: for| here)?",
            "keep away",
            "stay away",
            "hands away",
            "hands off",
            "leave (?:it|them|that|this) alone",
            "leave it",
            "leave them",
            "must not",
            "mustn't",
            "will brick",
            "bricks?",
            "bricked",
            "kills?",
            "will kill",
            "(?:does|do|will|would|did)(?: not|n't) (?:work|go|fit|help|boot|start|even|find|see|like|run|come|take|power)",
            "wo(?:n't|nt) (?:work|go|fit|help|boot|start|even|find|run|take)",
            "dont work",
            "doesnt work",
            "can(?:not|'t) be (?:un)?(?:locked|rooted|used|saved)",
            "is not (?:the same|enough|for|supported|covered|this)",
            "isn't (?:the same|for|supported)",
            "are not (?:the same|covered)",
            "no good",
            "stop here",
            "stop reading",
            "out of luck",
            "excluded",
            "except",
            "dead",
            "useless",
            "upside down",
            "forget it",
            "(?:an? )?other (?:kernel|chip|chipset|loader|modem|recovery|files?|partitions?|layout|screen|radio|board|memory|hardware|number)",
            "another (?:kernel|chip|chipset|loader|modem|recovery|file|partition|layout|screen|board|one|phone)",
            "different (?:kernel|chip|chipset|loader|modem|recovery|file|partition|layout|screen|board|arrangement|hardware|memory|radio|phone)",
            "(?:kernel|chips?|loader|modem|recovery|memory|layout|screen|board|hardware)(?: \\w+){0,2} (?:is|are) (?:different|another|other)",
            "its own (?:file|thread|build|package|zip|page)",
            "separate (?:file|thread|build|package)",
            "half the",
            "has half",
            "double memory",
            "security chip",
            "company property",
            "not offered",
            "hole (?:is )?(?:closed|patched|shut)",
            "no root for",
            "nope",
            "takes the file",
            "(?:has|have) to (?:use|take) (?:an?)?other",
            "use (?:the )?other",
            "support (?:was )?(?:removed|dropped)",
            "dropped for good",
            "would get",
            "no wi-?fi",
            "has no",
            "other case",
            "not it",
            "don't even",
            "do not buy",
            "don't bother",
            "is another",
            "another thing",
            "for the big",
            "won't do");

    private static final Cue NOT_BEFORE = Cue.of(
            "not for",
            "not on",
            "not supported",
            "unsupported",
            "incompatible with",
            "(?:does|do|will|would)(?: not|n't) (?:work|go|fit|help|boot|start|run)(?: on| with| for)?",
            "bricks?",
            "will kill",
            "kills?",
            "no root for",
            "stay away",
            "keep away",
            "no good (?:on|for)",
            "hangs on",
            "except",
            "excluding",
            "must not",
            "dropped",
            "without support for",
            "never on");
    /** “The sheet is wrong, it is for the AB-1”. */
    private static final Pattern OTHERS = Pattern.compile(
            "\\b(?:wrong|other|another|old|different|second|bigger|separate)\\b[^.]{0,40}\\b(?:is|'s|was|are)? ?for (?:the |an? )?$|\\bthe (?:file|one|package|zip|build|image|sheet)(?:'s| is)? (?:of|for) the $");

    private static final Cue WEAK = Cue.of(
            "never",
            "do not",
            "don't",
            "dont",
            "won't",
            "will not",
            "cannot",
            "can't",
            "sorry",
            "refuses?",
            "fails?",
            "failed",
            "aborts?",
            "wrong",
            "locked",
            "patched",
            "closed",
            "dies",
            "white screen",
            "black screen",
            "too new",
            "no root",
            "not tested",
            "shut",
            "not vulnerable",
            "do nothing",
            "does nothing",
            "not this",
            "without",
            "withdrawn",
            "not",
            "stays? white",
            "error",
            "blind");
    private static final Cue UNTRIED = Cue.of(
            "not sure",
            "unsure",
            "untested",
            "not tested",
            "not tried",
            "haven't tried",
            "have not tried",
            "haven't checked",
            "not checked",
            "have not checked",
            "nobody tried",
            "nobody has tried",
            "no idea",
            "don't know",
            "dont know",
            "idk",
            "colleague says",
            "reported to work",
            "i'd not bet",
            "by one person",
            "somebody says",
            "one person told",
            "did not see",
            "might work",
            "may work",
            "allegedly",
            "said nobody",
            "will there be",
            "not in the table");
    private static final Cue GOOD = Cue.of(
            "only",
            "for the",
            "for",
            "works?",
            "worked",
            "mine",
            "my",
            "this is",
            "is for",
            "exactly",
            "it's the",
            "its the",
            "it is the",
            "that's",
            "must be",
            "should be",
            "should say",
            "should be telling",
            "supported",
            "supports",
            "made for",
            "meant for",
            "intended for",
            "applies",
            "model",
            "models",
            "type",
            "label",
            "sticker",
            "yes",
            "same phone",
            "same board",
            "tested",
            "the whole series",
            "both",
            "we are speaking of",
            "the phone is",
            "called",
            "number is",
            "phone =",
            "it's",
            "our",
            "goes on",
            "covers?",
            "roots?",
            "named",
            "engraved",
            "got",
            "running",
            "writes? behind",
            "say",
            "stands?",
            "on the back",
            "right\\?",
            "with os",
            "os \\d.*");

    /** “Unsupported: AB-1” says it in front. */
    private static final Pattern OUT_LABEL = Pattern.compile(
            "^\\W*(?:unsupported|not supported|not for|not compatible|incompatible|won't work(?: on)?|does not work(?: on)?|doesn't work(?: on)?|no|excluded|not)(?: models?| phones?| devices?)?:");

    private static final Pattern IN_LABEL = Pattern.compile(
            "^\\W*(?:a: |supported|works(?: on| with)?|for|models?|yes|ok|phones?|devices?|tested(?: on)?|compatible(?: with)?|confirmed)(?: models?| phones?| devices?)?:? ");
    private static final Pattern NOT_ONLY = Pattern.compile("\\bnot only\\b[^.]{0,24}$");
    /** Somebody tells how it went with his own; that is no word of the author's. */
    static final Cue REPORT = Cue.of(
            "worked (?:on|for|with) (?:my|me|our|his|her)",
            "works (?:fine |great |well )?(?:on|for) (?:my|me)(?: too| as well)?",
            "(?:bricked|killed|hangs? on|died on|hung on|did not work on|didn't work on|failed on|no luck on|rooted) my",
            "success on my",
            "thanks?,? works on my");

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
        if (UNTRIED.in(before + " " + after)
                || lower.strip().endsWith("?") && to == lower.strip().length() - 1 && !isAnswered(lower)) {
            return UNSURE;
        }
        if (NOT.in(after)) {
            return AGAINST;
        }
        int not = lastAt(NOT_BEFORE, before);
        if (not >= 0 && before.length() - not < 50 && !before.substring(not).matches(".*[,:-] .*")
                || OTHERS.matcher(before).find()) {
            return AGAINST;
        }
        if (WEAK.in(after)) {
            return WARY;
        }
        boolean listed = sentence.section() == Sentence.Section.PHONES
                || IN_LABEL.matcher(lower).find();
        return listed || GOOD.in(before) || GOOD.in(after) ? FOR : NONE;
    }

    /** Without what stands in brackets; of a bracket that was opened before only what stands behind it. */
    private static String outside(String after) {
        String plain = BRACKETS.matcher(after).replaceAll(" ");
        return plain.replaceFirst("^([^()]*)\\)", "$1 ");
    }

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
