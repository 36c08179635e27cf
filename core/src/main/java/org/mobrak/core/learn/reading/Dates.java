package org.mobrak.core.learn.reading;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.Month;
import java.time.format.TextStyle;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * When a guide was written and last changed: ISO 8601 and the usual written forms of a day. Where day and month cannot be told
 * apart ({@code 03/04/2016}) there is no date.
 */
final class Dates {
    private static final Pattern YEAR_FIRST =
            Pattern.compile("(?<![\\d.])(20\\d\\d)[-/.](\\d{1,2})[-/.](\\d{1,2})(?![\\d.])");
    private static final Pattern YEAR_LAST =
            Pattern.compile("(?<![\\d.])(\\d{1,2})([-/.])(\\d{1,2})[-/.](20\\d\\d)(?![\\d.])");
    private static final Pattern DAY_MONTH =
            Pattern.compile("(?<!\\d)(\\d{1,2})(?:st|nd|rd|th)?(?: of)? ([a-z]{3,9})\\.?,? (20\\d\\d)(?!\\d)");
    private static final Pattern MONTH_DAY =
            Pattern.compile("\\b([a-z]{3,9})\\.? (\\d{1,2})(?:st|nd|rd|th)?,? (20\\d\\d)(?!\\d)");
    private static final int MONTHS = 12;
    private static final int SHORT = 3;

    private Dates() {}

    /** A day in a text, and where it begins. */
    record Found(LocalDate day, int start) {}

    /** The first day in a lower-case text that is behind a place. */
    static Optional<Found> after(String lower, int from) {
        return List.of(iso(lower, from), written(lower, from), american(lower, from), figures(lower, from)).stream()
                .flatMap(Optional::stream)
                .min((one, other) -> Integer.compare(one.start(), other.start()));
    }

    private static Optional<Found> iso(String lower, int from) {
        Matcher found = YEAR_FIRST.matcher(lower);
        return found.find(from)
                ? day(number(found, 1), number(found, 2), number(found, 3), found.start())
                : Optional.empty();
    }

    private static Optional<Found> written(String lower, int from) {
        Matcher found = DAY_MONTH.matcher(lower);
        return found.find(from)
                ? month(found.group(2)).flatMap(month -> day(number(found, 3), month, number(found, 1), found.start()))
                : Optional.empty();
    }

    private static Optional<Found> american(String lower, int from) {
        Matcher found = MONTH_DAY.matcher(lower);
        return found.find(from)
                ? month(found.group(1)).flatMap(month -> day(number(found, 3), month, number(found, 2), found.start()))
                : Optional.empty();
    }

    /** With dots the day is first; with strokes only a figure above twelve tells. */
    private static Optional<Found> figures(String lower, int from) {
        Matcher found = YEAR_LAST.matcher(lower);
        if (!found.find(from)) {
            return Optional.empty();
        }
        int first = number(found, 1);
        int second = number(found, 3);
        boolean dayFirst = found.group(2).equals(".") || first > MONTHS || first == second;
        if (!dayFirst && second <= MONTHS) {
            return Optional.empty();
        }
        return day(number(found, 4), dayFirst ? second : first, dayFirst ? first : second, found.start());
    }

    private static int number(Matcher found, int group) {
        return Integer.parseInt(found.group(group));
    }

    private static Optional<Integer> month(String name) {
        return Arrays.stream(Month.values())
                .filter(month -> {
                    String full =
                            month.getDisplayName(TextStyle.FULL, Locale.ENGLISH).toLowerCase(Locale.ROOT);
                    return full.equals(name)
                            || full.substring(0, SHORT).equals(name)
                            || name.equals("sept") && month == Month.SEPTEMBER;
                })
                .findFirst()
                .map(Month::getValue);
    }

    private static Optional<Found> day(int year, int month, int day, int start) {
        try {
            return Optional.of(new Found(LocalDate.of(year, month, day), start));
        } catch (DateTimeException none) {
            return Optional.empty();
        }
    }
}
