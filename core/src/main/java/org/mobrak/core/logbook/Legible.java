package org.mobrak.core.logbook;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import org.mobrak.core.identity.Finding;
import org.springframework.dao.DataAccessException;

/**
 * Rows of the logbook as far as they can be read. One bad row must not hide the others, so where all at once does not go they
 * are read one by one.
 *
 * @param unread the numbers of those that cannot be read
 */
record Legible<T>(List<T> rows, List<Long> unread) {
    /** The code of the finding that tells of rows that cannot be read. */
    static final String UNREAD = "unreadable-entry";

    private static final int FEW = 5;

    Legible {
        rows = List.copyOf(rows);
        unread = List.copyOf(unread);
    }

    /** Reads the rows whose numbers are in a range, both ends with it. */
    interface Range<R> {
        List<R> between(long first, long last);
    }

    /** A row that was read but holds what no row should. */
    static final class BadRow extends RuntimeException {
        private static final long serialVersionUID = 1L;

        BadRow(Throwable cause) {
            super("A row of the logbook cannot be read.", cause);
        }
    }

    /** Whatever goes wrong while a value is made of a row, it is the row that is bad. */
    private static <R, T> T made(Function<R, T> value, R row) {
        try {
            return value.apply(row);
        } catch (BadRow bad) {
            throw bad;
        } catch (RuntimeException | StackOverflowError noValue) {
            throw new BadRow(noValue);
        }
    }

    static <R> Legible<R> of(Supplier<List<Long>> numbers, Range<R> rows) {
        return of(numbers, rows, Function.identity());
    }

    /**
     * Reads rows and makes values of them.
     *
     * @param numbers asked only where something cannot be read
     */
    static <R, T> Legible<T> of(Supplier<List<Long>> numbers, Range<R> rows, Function<R, T> value) {
        try {
            return new Legible<>(
                    rows.between(Long.MIN_VALUE, Long.MAX_VALUE).stream()
                            .map(row -> made(value, row))
                            .toList(),
                    List.of());
        } catch (DataAccessException | BadRow oneOfThem) {
            return oneByOne(numbers.get(), rows, value);
        }
    }

    private static <R, T> Legible<T> oneByOne(List<Long> numbers, Range<R> rows, Function<R, T> value) {
        List<T> read = new ArrayList<>();
        List<Long> unread = new ArrayList<>();
        for (long number : numbers) {
            try {
                rows.between(number, number).stream()
                        .map(row -> made(value, row))
                        .forEach(read::add);
            } catch (DataAccessException | BadRow bad) {
                unread.add(number);
            }
        }
        return new Legible<>(read, unread);
    }

    private static String plural(String what) {
        return what.endsWith("y") ? what.substring(0, what.length() - 1) + "ies" : what + "s";
    }

    /** Names what could not be read; empty where all could. */
    List<Finding> told(String what, String follows) {
        return unread.isEmpty()
                ? List.of()
                : List.of(Finding.caution(
                        UNREAD,
                        "The logbook's %s %s cannot be read and %s left out%s. Open a copy of the logbook from before, if there is one."
                                .formatted(
                                        unread.size() == 1 ? what : plural(what),
                                        unread.stream()
                                                .limit(FEW)
                                                .map(String::valueOf)
                                                .collect(Collectors.joining(", ", "", unread.size() > FEW ? " …" : "")),
                                        unread.size() == 1 ? "is" : "are",
                                        follows)));
    }
}
