package org.mobrak.core.identity;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.format.DateTimeFormatter;
import java.time.format.ResolverStyle;
import java.util.Optional;
import java.util.OptionalInt;

/**
 * The order of days in ISO 8601. A time of day behind a T is left out; a month stands for all of its days, so that its order
 * against one of them is not known.
 */
public final class Days {
    private static final int DAY = "2016-11-05".length();
    private static final int MONTH = "2016-11".length();
    private static final DateTimeFormatter STRICT =
            DateTimeFormatter.ofPattern("uuuu-MM-dd").withResolverStyle(ResolverStyle.STRICT);

    private Days() {}

    /** From the first to the last day that a text may mean. */
    private record Span(LocalDate first, LocalDate last) {
        static Optional<Span> of(String text) {
            try {
                if (text.length() == MONTH) {
                    YearMonth month = YearMonth.parse(text);
                    return Optional.of(new Span(month.atDay(1), month.atEndOfMonth()));
                }
                boolean day = text.length() == DAY || text.length() > DAY && text.charAt(DAY) == 'T';
                return day ? Optional.of(one(LocalDate.parse(text.substring(0, DAY), STRICT))) : Optional.empty();
            } catch (DateTimeException noDay) {
                return Optional.empty();
            }
        }

        private static Span one(LocalDate day) {
            return new Span(day, day);
        }

        private boolean isOneDay() {
            return first.equals(last);
        }
    }

    /** Whether a text is a day or a month at all. */
    public static boolean canBeRead(String text) {
        return Span.of(text).isPresent();
    }

    /** The first of the days that a text may mean. */
    static Optional<LocalDate> first(String text) {
        return Span.of(text).map(Span::first);
    }

    /** The last of the days that a text may mean. */
    static Optional<LocalDate> last(String text) {
        return Span.of(text).map(Span::last);
    }

    /** Negative, zero or positive as {@code a} is before, on or after {@code b}; empty if that cannot be told. */
    public static OptionalInt compare(String a, String b) {
        Optional<Span> left = Span.of(a);
        Optional<Span> right = Span.of(b);
        return left.isPresent() && right.isPresent() ? compare(left.get(), right.get()) : OptionalInt.empty();
    }

    private static OptionalInt compare(Span a, Span b) {
        if (a.last().isBefore(b.first())) {
            return OptionalInt.of(-1);
        }
        if (b.last().isBefore(a.first())) {
            return OptionalInt.of(1);
        }
        return a.isOneDay() && b.isOneDay() ? OptionalInt.of(0) : OptionalInt.empty();
    }
}
