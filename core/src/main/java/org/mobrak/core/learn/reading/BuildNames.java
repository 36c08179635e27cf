package org.mobrak.core.learn.reading;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;

/** Which of the names in a guide are builds: by the word for them, by their shape, by the model they go on from. */
final class BuildNames {
    private final Map<String, List<Mention>> byKey;

    BuildNames(Map<String, List<Mention>> byKey) {
        this.byKey = byKey;
    }

    /** Ends of builds that stand alone, though another build is named whole: “S121” beside “AB_5.0_S117”. */
    List<List<Mention>> ends() {
        return byKey.values().stream()
                .filter(mentions -> isEndOfAnother(mentions.get(0).value())
                        && mentions.stream().noneMatch(Mention::isLabelled))
                .toList();
    }

    /** What stands behind the word for builds, or in a shape that only builds have. */
    Set<String> labelled() {
        Set<String> found = new LinkedHashSet<>();
        byKey.forEach((key, mentions) -> {
            for (Mention mention : mentions) {
                if (mention.isOfABuild()
                        || mention.value()
                                .matches(
                                        "[A-Z0-9]{2,}(?:[._]\\d{1,4}){3,6}[A-Za-z]?|\\d{1,2}(?:\\.\\d{1,3})?\\.[A-Z]{1,2}(?:\\.\\d{1,4}){1,3}|[A-Z]\\d{1,3}\\.\\d{1,3}(?:-\\w+)?|[A-Z]{2,4}(?:\\.\\d{2,4}){2,4}[a-z]?|\\w+_[A-Z]{1,3}_\\d{2,5}")) {
                    found.add(key);
                }
            }
        });
        return found;
    }

    /** A model with more behind a mark is one of its builds; so is what is written like the end of a build. */
    Set<String> of(Set<String> known, Map<String, Integer> scores, int enough) {
        Set<String> found = new LinkedHashSet<>();
        for (String key : byKey.keySet()) {
            String value = byKey.get(key).get(0).value();
            boolean labelled = byKey.get(key).stream().anyMatch(Mention::isLabelled);
            boolean longer = !labelled
                    && IntStream.range(1, Math.max(1, key.length() - 2))
                            .filter(length -> known.contains(key.substring(0, length)))
                            .anyMatch(length -> value.substring(Math.min(value.length(), lengthOf(value, length)))
                                    .matches("[._-].*\\d.*"));
            if (longer) {
                found.add(key);
            }
        }
        Set<String> whole = new LinkedHashSet<>(found);
        byKey.forEach((key, mentions) -> {
            String value = mentions.get(0).value();
            Matcher shape = END_OF_BUILD.matcher(value);
            boolean end = shape.matches()
                    && (whole.stream()
                                    .anyMatch(build -> build.matches(
                                            ".*[._-]" + shape.group(1).toLowerCase(Locale.ROOT) + "\\d{1,3}"))
                            || mentions.stream().anyMatch(Mention::isOfABuild));
            if (end && scores.getOrDefault(key, 0) < enough + 3) {
                found.add(key);
            }
        });
        return found;
    }

    private static final Pattern END_OF_BUILD = Pattern.compile("([A-Z]{1,2})\\d{1,3}[a-z]?");

    /** The part behind the last mark of a build that is named whole is of the same form. */
    private boolean isEndOfAnother(String value) {
        Matcher shape = END_OF_BUILD.matcher(value);
        if (!shape.matches()) {
            return false;
        }
        Pattern end = Pattern.compile("(?i).*[._-]" + shape.group(1) + "\\d{"
                + (value.length() - shape.group(1).length()) + "}");
        return byKey.values().stream()
                .map(mentions -> mentions.get(0).value())
                .anyMatch(other -> other.length() > value.length() + 4
                        && end.matcher(other).matches());
    }

    /** How many characters of a value make up so many of its key. */
    private static int lengthOf(String value, int keyLength) {
        int seen = 0;
        int at = 0;
        while (at < value.length() && seen < keyLength) {
            seen += "_- ".indexOf(value.charAt(at)) < 0 ? 1 : 0;
            at++;
        }
        return at;
    }
}
