package org.mobrak.core.learn;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.mobrak.core.catalogue.KeyChord;

/** Figures, versions and keys in a clause. What is not said is never filled in. */
final class Figures {
    private static final Pattern PERCENT = Pattern.compile("([0-9]{1,3}) ?(?:%|percent)");
    private static final String NUMBER =
            "([0-9]{1,3}|one|two|three|four|five|six|seven|eight|nine|ten|fifteen|twenty|thirty)";
    private static final Pattern MINUTES =
            Pattern.compile(NUMBER + "(?:\\s?(?:-|–|to)\\s?" + NUMBER + ")?\\s?-?(?:minutes|minute|mins|min)\\b");
    private static final Pattern SECONDS = Pattern.compile("for (?:about )?([0-9]{1,3}) ?(?:seconds|secs|sec|s)\\b");
    private static final Pattern VERSION = Pattern.compile(
            "(?<![\\w.-])v?([0-9]{1,2}(?:\\.[0-9]{1,2}){1,2}(?:\\.x)?|[0-9]{1,2}\\.x)(?![\\w-]|\\.[0-9])");
    private static final String RANGES = " ?(?:to|-|–|through|up to|until) ?";
    private static final String GOES_ON = ",? ?(?:or|and|/|,|&)? ?";
    private static final Map<String, Integer> WORDS = Map.ofEntries(
            Map.entry("one", 1),
            Map.entry("two", 2),
            Map.entry("three", 3),
            Map.entry("four", 4),
            Map.entry("five", 5),
            Map.entry("six", 6),
            Map.entry("seven", 7),
            Map.entry("eight", 8),
            Map.entry("nine", 9),
            Map.entry("ten", 10),
            Map.entry("fifteen", 15),
            Map.entry("twenty", 20),
            Map.entry("thirty", 30));
    private static final List<String> HALF =
            List.of("half a battery", "half full", "battery half", "half charged", "half the battery");
    private static final List<String> LONGER = List.of("more than", "longer than", "over");
    private static final List<String> LESS = List.of("below", "under", "less than");
    private static final Map<String, String> KEYS = Map.ofEntries(
            Map.entry("volume up", "volume-up"),
            Map.entry("vol up", "volume-up"),
            Map.entry("volume +", "volume-up"),
            Map.entry("vol+", "volume-up"),
            Map.entry("vol-up", "volume-up"),
            Map.entry("volume down", "volume-down"),
            Map.entry("vol down", "volume-down"),
            Map.entry("volume -", "volume-down"),
            Map.entry("vol-down", "volume-down"));
    private static final Pattern STROKE = Pattern.compile(
            "(hold|press)(?:ing)?(?: down)?(?: the)?((?:[ ,+&]{1,3}(?:and |the |together )?(?:volume-up|volume-down|power|home|back|menu|camera)(?: key| keys| button| buttons)?){1,5})(?: together| at once| at the same time)?(?:,? until ([^.;,]{3,60}))?");

    private static final List<String> KEY_NAMES =
            List.of("volume-up", "volume-down", "power", "home", "back", "menu", "camera");
    private static final Pattern SEVERAL = Pattern.compile(
            "\\b(?:volume-up|volume-down|power|home)(?:(?: ?\\+ ?|, ?| and |, and )(?:the )?(?:volume-up|volume-down|power|home)\\b){1,3}");

    private static final Pattern HELD_UNTIL =
            Pattern.compile("(?: keys?| buttons?)?(?: held| pressed)?(?: down)?,? until ([^.;,]{3,60})");

    private Figures() {}

    /**
     * How full the battery must be, where a clause says so.
     *
     * @param going whether the clause before, of the same sentence, was about it
     */
    static Optional<Integer> battery(Clause clause, boolean going) {
        if (!going && !clause.lower().contains("batter") && !clause.lower().contains("charge")) {
            return Optional.empty();
        }
        if (!clause.negated() && Wordings.any(clause.lower(), HALF)) {
            return Optional.of(50);
        }
        Matcher percent = PERCENT.matcher(clause.lower());
        boolean less = Wordings.any(clause.lower(), LESS);
        // “Never below 50 %” asks for 50; “50 % is not enough” for something else.
        if (!percent.find() || clause.negated() && !less) {
            return Optional.empty();
        }
        int value = Integer.parseInt(percent.group(1));
        return value >= 5 && value <= 100 ? Optional.of(value) : Optional.empty();
    }

    /** Minutes that are usual, and from which on to worry. */
    record Wait(Optional<Integer> normal, Optional<Integer> worry) {}

    static Wait minutes(String text) {
        String lower = inFigures(text);
        Optional<Integer> normal = Optional.empty();
        Optional<Integer> worry = Optional.empty();
        Matcher found = MINUTES.matcher(lower);
        while (found.find()) {
            int value = number(Optional.ofNullable(found.group(2)).orElse(found.group(1)));
            String before = lower.substring(0, found.start());
            if (worries(before)) {
                worry = worry.or(() -> Optional.of(value));
            } else {
                normal = normal.or(() -> Optional.of(value));
            }
        }
        Optional<Integer> usual = normal;
        return new Wait(
                normal, worry.filter(late -> usual.filter(one -> one >= late).isEmpty()));
    }

    /** “Half an hour” is a figure too. */
    private static String inFigures(String lower) {
        return lower.replaceAll("\\bquarter of an hour\\b", "15 minutes")
                .replaceAll("\\bhalf an hour\\b", "30 minutes")
                .replaceAll("\\b(?:about|around|within|in|under|up to|takes|take) (?:a|one) minute\\b", "1 minute");
    }

    /** “More than 15 minutes”, and “if nothing has moved after 5 minutes”. */
    private static boolean worries(String before) {
        String near = before.substring(Math.max(0, before.length() - 14));
        String sentence = before.substring(Math.max(
                before.lastIndexOf(". ") + 1, Math.max(before.lastIndexOf("; "), before.lastIndexOf(", ")) + 1));
        return Wordings.any(near, LONGER)
                || near.endsWith("after ") && Wordings.any(sentence, List.of("if", "not", "nothing", "still"));
    }

    private static int number(String text) {
        return WORDS.containsKey(text) ? WORDS.get(text) : Integer.parseInt(text);
    }

    /** An OS version, or a range of them. */
    record Versions(Optional<String> exact, Optional<String> atLeast, Optional<String> atMost) {}

    /** Versions of the OS, a range of them or several; those behind the name of a tool are of the tool. */
    static List<Versions> osVersions(Clause clause, Wordings words) {
        if (clause.text().indexOf('.') < 0) {
            return List.of();
        }
        Matcher found = VERSION.matcher(clause.text());
        List<String> listed = new ArrayList<>();
        int end = 0;
        while (found.find()) {
            String between = clause.lower().substring(Math.min(end, found.start()), found.start());
            if (!listed.isEmpty() && between.matches(RANGES)) {
                return List.of(new Versions(
                        Optional.empty(), Optional.of(plain(listed.get(0))), Optional.of(plain(found.group(1)))));
            }
            if (isOfTheOs(clause, found.start(), words) || !listed.isEmpty() && between.matches(GOES_ON)) {
                listed.add(found.group(1));
                end = found.end();
            }
        }
        return listed.size() == 1
                ? List.of(one(listed.get(0), clause.lower()))
                : listed.stream()
                        .map(version -> new Versions(Optional.of(version), Optional.empty(), Optional.empty()))
                        .toList();
    }

    private static Versions one(String version, String lower) {
        int at = lower.indexOf(version);
        String after = lower.substring(at + version.length());
        String before = lower.substring(0, at);
        if (after.matches("(?s) ?(?:\\+|(?:and|or) (?:newer|later|up|above|higher)).*")
                || before.matches("(?s).*(?:at least|from) (?:os )?(?:version )?")) {
            return new Versions(Optional.empty(), Optional.of(plain(version)), Optional.empty());
        }
        if (after.matches("(?s) ?(?:and|or) (?:older|earlier|below|lower).*")
                || before.matches("(?s).*up to (?:os )?(?:version )?")) {
            return new Versions(Optional.empty(), Optional.empty(), Optional.of(plain(version)));
        }
        return new Versions(Optional.of(version), Optional.empty(), Optional.empty());
    }

    private static String plain(String version) {
        return version.endsWith(".x") ? version.substring(0, version.length() - 2) : version;
    }

    private static boolean isOfTheOs(Clause clause, int start, Wordings words) {
        String before = clause.text().substring(0, start).strip();
        String word = before.substring(before.lastIndexOf(' ') + 1).replaceAll("[^\\p{L}]", "");
        String lower = word.toLowerCase(Locale.ROOT);
        if (words.tools().contains(lower)) {
            return false;
        }
        if (List.of("version", "v").contains(lower)) {
            // “Flasher version 3.07” is of the flasher.
            String rest =
                    before.substring(0, before.length() - word.length()).strip().toLowerCase(Locale.ROOT);
            return words.tools().stream().noneMatch(rest::endsWith);
        }
        boolean named = List.of("os", "system", "firmware", "release").contains(lower);
        boolean capital = !word.isEmpty()
                && Character.isUpperCase(word.charAt(0))
                && word.length() > 3
                && words.tools().stream().noneMatch(lower::contains);
        boolean joined =
                List.of("on", "for", "least", "from", "to", "runs", "running").contains(lower)
                        && (Wordings.contains(clause.lower(), "os")
                                || Wordings.any(
                                        clause.lower(),
                                        List.of(
                                                "works on",
                                                "tested on",
                                                "only on",
                                                "mine was",
                                                "mine is",
                                                "you are on",
                                                "coming from",
                                                "it was on",
                                                "phone was on",
                                                "phone is on")));
        return named || capital || joined;
    }

    /** “(volume up and power)”: several keys at once are held, whatever the verb. */
    private static String bare(String text) {
        Matcher found = SEVERAL.matcher(text);
        if (!found.find()) {
            return "";
        }
        Matcher until = HELD_UNTIL.matcher(text.substring(found.end()));
        return "hold "
                + Arrays.stream(found.group().split("[^a-z-]{1,20}"))
                        .filter(KEY_NAMES::contains)
                        .distinct()
                        .collect(Collectors.joining(" + "))
                + (until.lookingAt() ? " until " + until.group(1).strip() : "");
    }

    /** The keys that a clause asks for, in the catalogue's form. */
    static Optional<String> keys(String lower) {
        String text = lower;
        for (Map.Entry<String, String> key : KEYS.entrySet()) {
            text = text.replace(key.getKey(), key.getValue());
        }
        Matcher found = STROKE.matcher(text);
        StringBuilder chord = new StringBuilder();
        while (found.find()) {
            String keys = Arrays.stream(found.group(2).split("[^a-z-]+"))
                    .filter(KEY_NAMES::contains)
                    .distinct()
                    .collect(Collectors.joining(" + "));
            Matcher seconds = SECONDS.matcher(text.substring(found.end()).stripLeading());
            String until = found.group(3) != null
                    ? " until " + found.group(3).strip()
                    : seconds.lookingAt() ? " for " + seconds.group(1) + " s" : "";
            chord.append(chord.isEmpty() ? "" : "; ")
                    .append(found.group(1))
                    .append(' ')
                    .append(keys)
                    .append(until);
        }
        if (chord.isEmpty()) {
            chord.append(bare(text));
        }
        try {
            return chord.isEmpty() || chord.length() > 200
                    ? Optional.empty()
                    : Optional.of(KeyChord.parse(chord.toString()).text());
        } catch (IllegalArgumentException none) {
            return Optional.empty();
        }
    }
}
