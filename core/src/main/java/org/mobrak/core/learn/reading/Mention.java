package org.mobrak.core.learn.reading;

import java.util.regex.Pattern;
import org.mobrak.core.learn.page.Block;

/** A place where a model or build is named, and what is said of it. */
record Mention(String value, Sentence sentence, int start, int end, int shape, Stance stance, boolean worked) {
    static final int NEAR = 30;
    private static final Pattern LABEL = Pattern.compile(
            "(?:\\bmodels?|\\bmodell|\\bmine is|\\bmine\\b|\\bmy\\b|\\bit's the|\\btypes?|\\bmodel (?:no|number|name)|\\bnumber|\\bsticker|\\blabel|\\bvariants?|\\bphones?|\\bdevices?|\\btablets?|\\bexactly|\\bcalled|\\bengraved|\\bnamed|\\bit says|\\btelling|\\bsay)\\W{0,3}(?:(?:is|are|no|the|a|=|of|for|in|on|this|number|with|whose|must be|should be|it should be)\\W{1,3}){0,3}$");

    static final Pattern ARTICLE = Pattern.compile(
            "(?:\\bthe|\\bmy|\\bmine is|\\ba|\\ban|\\bonly|\\bfor|\\bon|\\bour|\\bits?|\\bis|\\bplain|\\byour|\\bthis|\\bboth|\\ball|\\band|\\bor|\\bhis|\\bher|\\bnot)\\W{1,3}$");

    private static final Pattern BUILD = Pattern.compile(
            "(?:\\bbuilds?|\\bbuild (?:number|no)|\\bfirmwares?|\\bkompilacja|\\bbaseband|\\bsoftware(?: version)?|\\bfw|\\bradio|\\bincremental|\\bbuild id|\\bbuildnumber|\\bmodem|\\brelease)\\W{1,3}(?:(?:is|are|number|no|of|the|seen|working|known|tested|that|which|works?|good|fine|ok|end(?:s|ing)?(?: in| with)?|up to|from|version|will|should|must|then|says?|reads?|be|becomes?|shows?|=)\\W{1,2}){0,3}$");

    private static final Cue LATER = Cues.of("modelsReading.later");

    private static final Pattern MODEL_NUMBER =
            Pattern.compile("\\bmodel (?:number|no\\.?)\\W{1,2}(?:is |says |reads )?(?:the )?$");

    /** The words right before it, in small letters. */
    String before() {
        return before(NEAR);
    }

    String before(int most) {
        return sentence.lower().substring(Math.max(0, start - most), start);
    }

    /** A word for a model number stands before it. */
    boolean isLabelled() {
        return LABEL.matcher(before()).find();
    }

    /** The words “model number” stand before it. */
    boolean isNumbered() {
        return MODEL_NUMBER.matcher(before()).find();
    }

    /** The word for builds stands right before it. */
    boolean isOfABuild() {
        return BUILD.matcher(before()).find();
    }

    boolean isHead() {
        return sentence.is(Block.Kind.HEADING) || sentence.index() < 2;
    }

    /** A build that only others speak of is their phone's. */
    boolean isAside() {
        return sentence.aside();
    }

    /** Whether a build is what the phone has only afterwards. */
    boolean isLater() {
        return LATER.in(before(40));
    }
}
