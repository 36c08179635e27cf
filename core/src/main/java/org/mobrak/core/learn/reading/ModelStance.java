package org.mobrak.core.learn.reading;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.mobrak.core.learn.page.Block;

/** Whether a guide is for a phone that it names, by the sentence, the next one and the answer to a question. */
final class ModelStance {
    private static final int MOST_TOKENS = 60;
    /** The first post of a thread may name the phone, though others answer. */
    private static final int ASIDE_HEAD = 6;

    private final List<Sentence> sentences;
    private final Map<Integer, List<ModelTokens.Token>> tokens = new HashMap<>();

    ModelStance(List<Sentence> sentences) {
        this.sentences = sentences;
    }

    private static final Pattern WHICH =
            Pattern.compile(".*\\b(?:which|what) (?:phones?|models?|devices?|ones)\\b.*\\?\\s*");

    Stance of(Sentence sentence, int start, int end) {
        if (sentence.quoted() || sentence.aside() && sentence.index() > ASIDE_HEAD) {
            Stance said = Stance.of(sentence, start, end);
            return said == Stance.FOR ? Stance.NONE : said;
        }
        boolean qualified =
                QUALIFIED.matcher(sentence.lower().substring(end)).lookingAt() || isOfAFile(sentence, start);
        if (sentence.section() == Sentence.Section.EXCLUDED) {
            return qualified ? Stance.UNSURE : Stance.AGAINST;
        }
        Stance said = Stance.of(sentence, start, end);
        if (said == Stance.AGAINST && qualified) {
            return Stance.UNSURE;
        }
        // “On the AB-1 with 6.0 it does not help” is said of the version.
        boolean version = said == Stance.AGAINST
                && WITH_VERSION.matcher(sentence.lower().substring(end)).lookingAt();
        if (version) {
            return Stance.NONE;
        }
        if (said == Stance.UNSURE
                && sentence.lower().strip().endsWith("?")
                && sentence.index() + 1 < sentences.size()) {
            String answer = sentences.get(sentence.index() + 1).lower();
            return REFUSED.begins(answer) ? Stance.AGAINST : GRANTED.begins(answer) ? Stance.FOR : said;
        }
        if (said == Stance.AGAINST || said == Stance.UNSURE) {
            return said;
        }
        if (TAKES.matcher(sentence.lower().substring(end)).lookingAt()) {
            return Stance.FOR;
        }
        boolean asked = said == Stance.NONE
                && sentence.index() > 0
                && WHICH.matcher(sentences.get(sentence.index() - 1).lower()).matches();
        return turnedAwayByNext(sentence, end) ? Stance.AGAINST : asked ? Stance.FOR : said;
    }

    /** “AB-1 with build 12 or newer” is out with that build alone, and what an old file does to a phone is said of the file. */
    private static final Pattern QUALIFIED = Pattern.compile(
            "\\W{0,3}(?:with|on|from|running|after|since|if on) (?:the |a )?(?:[\\w'’-]{3,14} )?(?:builds?|firmware|kernel|software|boot ?loader|loader|update|patch(?: level)?)\\b");

    private static final Cue OLD_FILE = Cue.of(
            "old",
            "older",
            "throw (?:it|that) away",
            "delete (?:it|that)",
            "withdrawn",
            "superseded",
            "replaced",
            "earlier");

    private static boolean isOfAFile(Sentence sentence, int start) {
        return OLD_FILE.in(sentence.lower())
                && FileNames.names(sentence.value()).stream()
                        .anyMatch(file -> file.end() < start && start - file.end() < Mention.NEAR);
    }

    /** “AB-1 takes that.zip”. */
    private static final Pattern TAKES = Pattern.compile(
            "\\W{0,2}(?:takes?|needs?|gets?|uses?|wants?|->|=>|=|:)\\W{1,3}(?:the )?[\\w.-]+\\.(?:zip|img|tar|apk|md5|bin)\\b");

    /** “The AB-1? No.” */
    private static final Cue REFUSED = Cues.of("modelsReading.refused");

    private static final Cue GRANTED = Cues.of("modelsReading.granted");

    private static final Pattern WITH_VERSION =
            Pattern.compile("\\W{0,3}(?:(?:with|on|running|and) )(?:os )?\\d+\\.\\d");

    private boolean hasTokenBehind(Sentence sentence, int from) {
        return tokens(sentence).stream().anyMatch(token -> token.start() >= from);
    }

    List<ModelTokens.Token> tokens(Sentence sentence) {
        return tokens.computeIfAbsent(sentence.index(), none -> {
            List<ModelTokens.Token> found = ModelTokens.in(sentence.value());
            return found.size() <= MOST_TOKENS ? found : found.subList(0, MOST_TOKENS);
        });
    }

    /** “The other is sold as well. It has another loader; it dies.” */
    private boolean turnedAwayByNext(Sentence sentence, int end) {
        int next = sentence.index() + 1;
        if (next >= sentences.size() || hasTokenBehind(sentence, end)) {
            return false;
        }
        Sentence after = sentences.get(next);
        boolean same = after.block() == sentence.block() || after.is(Block.Kind.CAPTION);
        boolean refers = REFERS.begins(after.lower());
        return same && refers && !hasTokenBehind(after, 0) && Stance.isTurnedAwayBy(after.lower());
    }

    private static final Cue REFERS = Cues.of("modelsReading.refers");
}
