package org.mobrak.core.learn.reading;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** How long something takes, in whole minutes; seconds are no wait that anyone plans. */
final class Durations {
    private static final String NUMBER =
            "(\\d{1,3}(?:[.,]5)?|\\b(?:an?|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|fifteen|twenty|twenty-five|thirty|forty|forty-five|sixty)\\b)";
    private static final Pattern SPAN = Pattern.compile("(?<![\\w.:/])" + NUMBER
            + "(?:\\s?(?:\\+|or so|odd|good|full|whole))?(?:\\s{0,2}(?:-|to|or|and|\\.\\.|maybe|,)\\s{0,2}" + NUMBER
            + ")?\\s?[-]?(?:more |long |full |good )?(minutes?|mins?|min\\.?|hours?|hrs?|m)(?![a-z])");
    private static final Pattern REVERSED =
            Pattern.compile("\\bminutes " + NUMBER + "(?:\\s?-\\s?" + NUMBER + ")?(?!\\w)");
    private static final Pattern WORDED = Pattern.compile(
            "\\b(a quarter of an hour|(?:a )?quarter hour|half an hour|half a minute|three quarters of an hour|an hour and a half|a couple of minutes)\\b");
    private static final Cue WORRY = Cues.of("durations.worry");

    private Durations() {}

    /** A span of time, and where it stands. */
    record Span(int minutes, boolean worry, int start) {}

    static List<Span> in(String lower) {
        List<Span> spans = new ArrayList<>();
        if (!lower.contains("min")
                && !lower.contains("hour")
                && !lower.contains("hr")
                && !lower.matches(".*\\d\\s?m\\b.*")) {
            return spans;
        }
        Matcher worded = WORDED.matcher(lower);
        while (worded.find()) {
            int minutes = switch (worded.group(1)) {
                case "half an hour" -> 30;
                case "three quarters of an hour" -> 45;
                case "an hour and a half" -> 90;
                case "half a minute" -> 1;
                case "a couple of minutes" -> 2;
                default -> 15;
            };
            add(spans, minutes, lower, worded.start(), worded.end());
        }
        for (Pattern pattern : List.of(SPAN, REVERSED)) {
            Matcher found = pattern.matcher(lower);
            while (found.find()) {
                String high = found.group(2) == null ? found.group(1) : found.group(2);
                boolean hours = pattern == SPAN && found.group(3).startsWith("h");
                boolean metres = pattern == SPAN
                        && found.group(3).equals("m")
                        && !found.group(1).matches("\\d+");
                boolean within = inside(lower, found.start())
                        || spans.stream().anyMatch(span -> Math.abs(span.start() - found.start()) < 4);
                if (!metres && !within) {
                    add(spans, minutes(high) * (hours ? 60 : 1), lower, found.start(), found.end());
                }
            }
        }
        return spans;
    }

    /** “A quarter of an hour” holds an hour in it. */
    private static boolean inside(String lower, int at) {
        Matcher worded = WORDED.matcher(lower);
        while (worded.find()) {
            if (at >= worded.start() && at < worded.end()) {
                return true;
            }
        }
        return false;
    }

    private static void add(List<Span> spans, int minutes, String lower, int start, int end) {
        if (minutes > 0 && minutes <= 10_080) {
            spans.add(new Span(minutes, isWorry(lower, start, end), start));
        }
    }

    private static boolean isWorry(String lower, int start, int end) {
        int from = Math.max(clause(lower, start), 0);
        String before = lower.substring(from, start);
        String after = lower.substring(end, Math.min(lower.length(), end + 46));
        boolean most = before.matches(
                ".*\\b(?:up to|at most|until|not (?:take )?longer than|should not take .{0,12}|can go|no more than)\\s?(?:up to )?(?:about )?$");
        return !most
                && (WORRY.in(before)
                        || after.matches(
                                "\\W{0,2}(?:\\+!*|!!|(?:is|are) too long|i'd have worried|before you|something|and still|without|,? (?:then )?(?:pull|call|start over|hold|stop|unplug)|it(?:'s| is) still).*"));
    }

    private static int clause(String lower, int start) {
        int dot = Math.max(
                lower.lastIndexOf(". ", start),
                Math.max(lower.lastIndexOf("; ", start), lower.lastIndexOf("! ", start)));
        int comma = lower.lastIndexOf(", ", start);
        // “if it has not moved for 25 minutes” holds its comma; “it takes 6, at 15 I would worry” does not.
        return Math.max(
                dot,
                comma > 0 && !lower.substring(Math.max(0, dot)).startsWith(" if") && start - comma < 40 ? comma : -1);
    }

    static int minutes(String word) {
        String lower = word.toLowerCase(Locale.ROOT).replace(',', '.');
        if (lower.equals("a") || lower.equals("an")) {
            return 1;
        }
        int number = NumberWords.of(lower);
        return number >= 0 ? number : (int) Math.ceil(Double.parseDouble(lower));
    }
}
