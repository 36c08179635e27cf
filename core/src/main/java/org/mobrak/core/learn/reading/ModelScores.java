package org.mobrak.core.learn.reading;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import org.mobrak.core.learn.page.Block;

/** How much speaks for a name being a model number: its shape, the words before it, the title, files that are called like it. */
final class ModelScores {
    private static final Pattern PART = Pattern.compile(
            "(?:\\bchip(?:set)?|\\bkernel|\\bprocessor|\\bcpu|\\brom|\\bport|\\bslot|\\bpage|\\bhandout|\\bno\\.|\\berror|\\bcode|\\broom|\\bpost|\\bstep|\\bmenu|\\bpress|\\bkey|\\bcom|\\bpatch|\\bthread|\\bissue|\\brule|\\breply|\\bversion|\\bver\\.?|\\brev(?:ision)?\\.?|\\brelease|\\bstage|\\bpin|\\bbus|\\broute|\\bmenus?|\\bbootloaders?|\\bboot loader|\\bloader|\\bpages?|\\bchapter|\\bsee)\\W{1,2}$");

    private final Map<String, List<Mention>> byKey;
    private final List<String> files;
    private final Map<String, Integer> scores = new LinkedHashMap<>();

    /**
     * @param files keys of the names of files
     */
    ModelScores(Map<String, List<Mention>> byKey, List<String> files) {
        this.byKey = byKey;
        this.files = files;
    }

    /** By the key of each name but those of builds, its score; {@code enough} makes a model. */
    Map<String, Integer> read(Set<String> builds, int enough) {
        byKey.forEach((key, mentions) -> {
            if (!builds.contains(key)) {
                scores.put(key, score(key, mentions));
            }
        });
        related(enough);
        return scores;
    }

    private int score(String key, List<Mention> mentions) {
        int best = -9;
        int repeated = 0;
        for (Mention mention : mentions) {
            String before = mention.before();
            int score = mention.shape();
            score += mention.isLabelled() ? 3 : Mention.ARTICLE.matcher(before).find() ? 1 : 0;
            score += mention.sentence().index() < 2 && mention.shape() > 1 ? 2 : 0;
            score += mention.sentence().is(Block.Kind.HEADING) && mention.shape() > 1 ? 1 : 0;
            score += isInBrackets(mention) || isBehindName(mention) ? 2 : 0;
            score += mention.stance() == Stance.AGAINST ? 1 : 0;
            score += isAlone(mention) ? 2 : 0;
            score -= PART.matcher(before).find() ? 6 : 0;
            score -= isBesidePart(mention) ? 5 : 0;
            best = Math.max(best, score);
            repeated = Math.min(2, repeated + (mention.shape() > 1 ? 1 : 0));
        }
        boolean inFile = key.length() >= 3 && files.stream().anyMatch(file -> file.contains(key));
        return best + (repeated > 1 ? 1 : 0) + (inFile ? 2 : 0);
    }

    private static boolean isInBrackets(Mention mention) {
        String text = mention.sentence().value();
        int at = mention.start();
        return at > 2
                && IN_BRACKET.matcher(text.substring(Math.max(0, at - 14), at)).find();
    }

    private static final Pattern IN_BRACKET =
            Pattern.compile("\\w ?\\((?:the |model |exactly |mine: ?|type |that's )?$");

    private static final Pattern NAMED = Pattern.compile(
            "(?:\\p{Lu}\\p{L}{2,}|\\p{L}{4,} \\p{L}{3,})(?: \\p{L}{1,3}| \\d{1,2})?[,:]? (?:the |exactly |model |\\()?$");

    /** A name of a phone stands before it. */
    private static boolean isBehindName(Mention mention) {
        String before = mention.sentence().value().substring(0, mention.start());
        Matcher named = NAMED.matcher(before.substring(Math.max(0, before.length() - 40)));
        return named.find()
                && mention.shape() > 0
                && !NamesReading.isCommon(named.group().strip().split("[\\s,:]")[0]);
    }

    /** A list of nothing but models. */
    private static boolean isAlone(Mention mention) {
        return mention.sentence().isListed() && mention.start() <= 2 && mention.shape() > 0
                || mention.sentence().value().length() - (mention.end() - mention.start()) < 12 && mention.shape() > 1;
    }

    private static boolean isBesidePart(Mention mention) {
        String lower = mention.sentence().lower();
        String after = lower.substring(mention.end(), Math.min(lower.length(), mention.end() + 12))
                .strip();
        return after.matches("(?:chip|chipset|processor|kernel|drivers?|page|firmware file|build|modem|radio).*");
    }

    /** What differs from a model in its end alone is a model as well. */
    private void related(int enough) {
        List<String> sure = scores.entrySet().stream()
                .filter(entry -> entry.getValue() >= enough)
                .map(Map.Entry::getKey)
                .toList();
        scores.replaceAll((key, score) -> {
            if (score >= enough || score < 0) {
                return score;
            }
            boolean sister = sure.stream().anyMatch(other -> isSister(key, other) || isOfOneLine(key, other));
            return sister ? score + 3 : score;
        });
    }

    /** “AB-10” and “AB-2x”: the letters before the dash are the same. */
    private boolean isOfOneLine(String one, String other) {
        String value = byKey.getOrDefault(one, List.of()).stream()
                .findFirst()
                .map(Mention::value)
                .orElse("");
        String known = byKey.getOrDefault(other, List.of()).stream()
                .findFirst()
                .map(Mention::value)
                .orElse("");
        int dash = value.indexOf('-');
        return dash > 0
                && known.indexOf('-') == dash
                && known.startsWith(value.substring(0, dash))
                && Math.abs(value.length() - known.length()) <= 2;
    }

    private static boolean isSister(String one, String other) {
        int same = IntStream.range(0, Math.min(one.length(), other.length()))
                .filter(i -> one.charAt(i) != other.charAt(i))
                .findFirst()
                .orElse(Math.min(one.length(), other.length()));
        return same >= 3 && same >= other.length() - 3 && Math.abs(one.length() - other.length()) <= 3
                || same >= 2 && one.length() == other.length() && same >= other.length() - 2;
    }
}
