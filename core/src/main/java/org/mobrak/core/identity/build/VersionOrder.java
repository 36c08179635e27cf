package org.mobrak.core.identity.build;

import java.util.Arrays;
import java.util.OptionalInt;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The order of OS versions and kernel releases: by their leading dotted numbers. Whatever follows the numbers is a
 * maker's or builder's suffix and carries no order, so two versions that differ only there cannot be ordered.
 */
public final class VersionOrder {
    private static final Pattern VERSION = Pattern.compile("(\\d{1,9}(?:\\.\\d{1,9}){0,15}+)(.*)");

    private VersionOrder() {}

    /** Negative, zero or positive as {@code a} is older than, equal to or newer than {@code b}; empty if neither. */
    public static OptionalInt compare(String a, String b) {
        Matcher left = VERSION.matcher(a.strip());
        Matcher right = VERSION.matcher(b.strip());
        if (!left.matches() || !right.matches()) {
            return OptionalInt.empty();
        }
        int order = compareNumbers(numbers(left.group(1)), numbers(right.group(1)));
        boolean told = order != 0 || left.group(2).equals(right.group(2));
        return told ? OptionalInt.of(order) : OptionalInt.empty();
    }

    /**
     * The order of a value against a limit. A limit on the numbers alone is answered by the numbers alone, whatever suffix the
     * value has; a limit with a suffix of its own only by {@link #compare}.
     */
    public static OptionalInt againstLimit(String value, String limit) {
        Matcher left = VERSION.matcher(value.strip());
        Matcher right = VERSION.matcher(limit.strip());
        return left.matches() && right.matches() && right.group(2).isEmpty()
                ? OptionalInt.of(compareNumbers(numbers(left.group(1)), numbers(right.group(1))))
                : compare(value, limit);
    }

    /** What follows the numbers of a version and carries no order; empty where nothing does, or it has no numbers. */
    public static String suffix(String version) {
        Matcher parts = VERSION.matcher(version.strip());
        return parts.matches() ? parts.group(2) : "";
    }

    /**
     * Whether a version is one of another system that only counts alike: numbers with one capital right behind them, such as
     * {@code 4.4W} (common practice, no published source). It has no place among the plain ones.
     */
    public static boolean isOfAnotherSystem(String version) {
        String suffix = suffix(version);
        return suffix.length() == 1 && suffix.charAt(0) >= 'A' && suffix.charAt(0) <= 'Z';
    }

    /** The same as {@link #againstLimit}, where a version of another system has no order among the plain ones. */
    public static OptionalInt ofOneSystem(String version, String limit) {
        boolean parted = isOfAnotherSystem(version) || isOfAnotherSystem(limit);
        return parted && !version.strip().equals(limit.strip()) ? OptionalInt.empty() : againstLimit(version, limit);
    }

    /** Whether a text begins with numbers, so that it can be ordered at all. */
    public static boolean isVersion(String text) {
        return VERSION.matcher(text.strip()).matches();
    }

    private static int[] numbers(String dotted) {
        return Arrays.stream(dotted.split("\\.")).mapToInt(Integer::parseInt).toArray();
    }

    /** A missing number counts as zero: 4.1 and 4.1.0 are the same version. */
    private static int compareNumbers(int[] a, int[] b) {
        int length = Math.max(a.length, b.length);
        return Arrays.compare(Arrays.copyOf(a, length), Arrays.copyOf(b, length));
    }
}
