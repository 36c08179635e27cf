package org.mobrak.core.learn.page;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalInt;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What plain text in Markdown and BBCode does not show once it is displayed, and what is crossed out over several lines. Works on the
 * lines in place, so that their numbers stay.
 */
final class UnseenText {
    /** Where it begins, with what it ends. */
    private static final Map<Pattern, String> UNSEEN = Map.of(
            Pattern.compile("<!--"), "-->",
            Pattern.compile("(?i)\\[comment\\]"), "[/comment]",
            Pattern.compile("(?i)\\[colou?r=['\"]?(?:transparent|#\\w{6}00)['\"]?\\]"), "[/color]",
            Pattern.compile("(?i)\\[size=['\"]?0(?:px|pt|%)?['\"]?\\]"), "[/size]");
    /** A link that nothing refers to, as Markdown's comments are written; common practice, no published source. */
    private static final Pattern UNUSED_LINK = Pattern.compile("^\\s{0,3}\\[(?://|comment|_)\\]:\\s{1,3}(?:#|<>).*$");

    private static final List<String> STRIKES = List.of("[s]", "[strike]", "[del]", "<s>", "<del>", "<strike>", "~~");
    /** So far a line through words goes on at most; our own choice. */
    private static final int FARTHEST = 40;

    private UnseenText() {}

    /** Blanks what is not seen; gives the first such line, from 1. */
    static OptionalInt blank(String[] lines) {
        int first = 0;
        for (int i = 0; i < lines.length; i++) {
            if (lines[i].indexOf("]:") > 0 && UNUSED_LINK.matcher(lines[i]).matches()) {
                lines[i] = "";
                first = first == 0 ? i + 1 : Math.min(first, i + 1);
            }
        }
        for (Map.Entry<Pattern, String> kind : UNSEEN.entrySet()) {
            int found = blank(lines, kind.getKey(), kind.getValue());
            first = first == 0 || found > 0 && found < first ? found : first;
        }
        strikeEachLine(lines);
        return first == 0 ? OptionalInt.empty() : OptionalInt.of(first);
    }

    private static int blank(String[] lines, Pattern begin, String end) {
        int first = 0;
        boolean open = false;
        for (int i = 0; i < lines.length; i++) {
            StringBuilder seen = new StringBuilder();
            String rest = lines[i];
            while (!rest.isEmpty()) {
                if (open) {
                    int close = rest.toLowerCase(Locale.ROOT).indexOf(end);
                    open = close < 0;
                    rest = open ? "" : rest.substring(close + end.length());
                } else {
                    Matcher found = begin.matcher(rest);
                    open = found.find();
                    seen.append(rest, 0, open ? found.start() : rest.length());
                    rest = open ? rest.substring(found.end()) : "";
                    first = open && first == 0 ? i + 1 : first;
                }
            }
            lines[i] = seen.toString();
        }
        return first;
    }

    /** A line through words of several lines becomes one through each. */
    private static void strikeEachLine(String[] lines) {
        for (String begin : STRIKES) {
            String end = begin.equals("~~") ? begin : begin.charAt(0) + "/" + begin.substring(1);
            for (int i = 0; i < lines.length; i++) {
                int at = opened(lines[i], begin, end);
                int last = at < 0 ? -1 : closing(lines, i, end);
                if (last > i) {
                    lines[i] = lines[i] + end;
                    for (int between = i + 1; between < last; between++) {
                        lines[between] = lines[between].isBlank() ? "" : begin + lines[between] + end;
                    }
                    lines[last] = begin + lines[last];
                }
            }
        }
    }

    /** Where a line begins to be crossed out without an end on it; -1 where it does not. */
    private static int opened(String line, String begin, String end) {
        String lower = line.toLowerCase(Locale.ROOT);
        int at = lower.indexOf(begin);
        while (at >= 0) {
            int close = lower.indexOf(end, at + begin.length());
            if (close < 0) {
                return at;
            }
            at = lower.indexOf(begin, close + end.length());
        }
        return -1;
    }

    private static int closing(String[] lines, int from, String end) {
        boolean ofAParagraph = end.equals("~~");
        for (int i = from + 1; i < lines.length && i <= from + FARTHEST; i++) {
            if (ofAParagraph && lines[i].isBlank()) {
                return -1;
            }
            if (lines[i].toLowerCase(Locale.ROOT).contains(end)) {
                return i;
            }
        }
        return -1;
    }
}
