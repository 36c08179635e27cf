package org.mobrak.core.learn;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;

/**
 * Model numbers and builds by their shape. A model number is capital letters and digits with at most one dash; what has more
 * parts, or the form of a build id, is a build (common practice, no published source).
 */
final class Models {
    private static final Pattern TOKEN =
            Pattern.compile("[\\p{L}\\p{N}][\\p{L}\\p{N}._*-]{1,60}+(?:/[\\p{L}\\p{N}]{1,8}){0,12}");
    private static final Pattern DASHED = Pattern.compile("[A-Z]{1,5}[0-9]{0,2}-[A-Z]{0,3}[0-9]{1,5}[A-Z0-9]{0,4}\\*?");
    private static final Pattern BARE = Pattern.compile("[A-Z]{1,4}[0-9]{3,5}[A-Z]{0,3}\\*?");
    private static final Pattern SHORT = Pattern.compile("[A-Z]{0,2}[0-9]{1,5}[A-Z]{0,3}");
    private static final Pattern BUILD =
            Pattern.compile("[A-Z0-9]{2,8}(?:[-._][A-Z0-9]{1,8}){2,4}|[A-Z]{3}[0-9]{2}[A-Z]?");

    /** Names of other things that have the same shape. */
    private static final Set<String> OTHERS = Set.of(
            "SHA-1",
            "SHA-256",
            "SHA-512",
            "SHA-2",
            "UTF-8",
            "UTF-16",
            "MD-5",
            "CRC-32",
            "FAT-32",
            "ISO-8601",
            "WPA-2",
            "COM-1");

    private static final List<String> PARTS = List.of("chipset", "loader", "baseband", "radio", "modem");
    private static final Pattern OF_A_PART =
            Pattern.compile("(?s).*(?:chipset|bootloader|loader|baseband|radio|modem)(?: version| is)?[: ]{1,2}");

    private Models() {}

    /** More than so many in a row are no list that anybody checked; our own choice. */
    private static final int LONGEST_RANGE = 60;

    private static final Pattern JOINS = Pattern.compile(" ?(?:to|through|thru|up to|until|[-–—]) ?");
    private static final Pattern ENDS_IN_NUMBER = Pattern.compile("(.*?[A-Z-])([0-9]{1,5})");
    private static final Pattern OPEN = Pattern.compile("([A-Z]{1,5}[0-9]{0,2}-[A-Z]{0,3}[0-9]{1,4})(x{1,2})");

    /**
     * A token that was found, and whether it is a build and no model.
     *
     * @param alike whether it has letters of another alphabet
     * @param worked whether it does not stand there itself: it lies in a range, or its last digits are left open
     */
    record Found(String value, boolean isBuild, boolean alike, boolean worked) {
        Found(String value, boolean isBuild, boolean alike) {
            this(value, isBuild, alike, false);
        }
    }

    /** Everything in a text that has the shape of a model number or a build. */
    static List<Found> in(String text, boolean bareToo) {
        // Most lines have none, and most of those are told apart so.
        boolean none =
                text.chars().noneMatch(Character::isDigit) || text.chars().noneMatch(Character::isUpperCase);
        if (none) {
            return List.of();
        }
        List<Found> found = new ArrayList<>();
        Optional<String> last = Optional.empty();
        Matcher tokens = TOKEN.matcher(text);
        int lastEnd = 0;
        while (tokens.find()) {
            boolean ranges = last.isPresent()
                    && JOINS.matcher(text.substring(lastEnd, tokens.start())).matches();
            String token = trimmed(tokens.group());
            String[] parts = token.split("/");
            String first = parts[0];
            if (isFile(token) || OTHERS.contains(first) || isOfAPart(text, tokens.start())) {
                continue;
            }
            Matcher open = OPEN.matcher(first);
            if (ranges) {
                between(last.get(), first).forEach(model -> found.add(new Found(model, false, false, true)));
            }
            if (open.matches()) {
                found.add(new Found(open.group(1) + "?".repeat(open.group(2).length()), false, false, true));
            } else if (isModel(first, bareToo)) {
                found.add(new Found(first, false, false));
                last = Optional.of(first);
                lastEnd = tokens.end();
                slashed(first, parts, found);
            } else if (last.isPresent() && SHORT.matcher(first).matches() && goesOn(text, tokens.start())) {
                continued(last.get(), first).ifPresent(model -> found.add(new Found(model, false, false)));
            } else if (BUILD.matcher(first).matches() && hasDigitAndLetter(first)) {
                found.add(new Found(first, true, false));
            } else if (isAlike(first)) {
                found.add(new Found(first, false, true));
            }
        }
        return found;
    }

    /** “OV-L210 to OV-L215” and “OV-L210 to L215”: those between, and the last where only its end is written. */
    private static List<String> between(String from, String to) {
        Matcher low = ENDS_IN_NUMBER.matcher(from);
        boolean whole = DASHED.matcher(to).matches();
        Matcher high = ENDS_IN_NUMBER.matcher(whole ? to : continued(from, to).orElse(to));
        boolean alike = low.matches()
                && high.matches()
                && low.group(1).equals(high.group(1))
                && low.group(2).length() == high.group(2).length();
        if (!alike) {
            return List.of();
        }
        int first = Integer.parseInt(low.group(2));
        int last = Integer.parseInt(high.group(2));
        if (last <= first || last - first > LONGEST_RANGE) {
            return List.of();
        }
        String form = low.group(1) + "%0" + low.group(2).length() + "d";
        return IntStream.rangeClosed(first + 1, whole ? last - 1 : last)
                .mapToObj(form::formatted)
                .toList();
    }

    private static String trimmed(String token) {
        int end = token.length();
        while (end > 0
                && (token.charAt(end - 1) == '.' || token.charAt(end - 1) == '-' || token.charAt(end - 1) == '_')) {
            end--;
        }
        return token.substring(0, end);
    }

    private static boolean isModel(String token, boolean bareToo) {
        return DASHED.matcher(token).matches() || bareToo && BARE.matcher(token).matches();
    }

    private static boolean hasDigitAndLetter(String token) {
        return token.chars().anyMatch(Character::isDigit) && token.chars().anyMatch(Character::isLetter);
    }

    /** What stands behind these words is the name of a part, or of what runs on it. */
    private static boolean isOfAPart(String text, int start) {
        String before = text.substring(Math.max(0, start - 22), start).toLowerCase(Locale.ROOT);
        return PARTS.stream().anyMatch(before::contains)
                && OF_A_PART.matcher(before).matches();
    }

    /** It ends as files do. */
    private static boolean isFile(String token) {
        return token.indexOf('.') > 0 && FileMentions.NAME.matcher(token).matches();
    }

    /** Only after a comma, a slash or a word that joins is a short token a further model. */
    private static boolean goesOn(String text, int start) {
        String before = text.substring(Math.max(0, start - 6), start);
        return before.endsWith(", ")
                || before.endsWith(",")
                || before.endsWith("/")
                || before.endsWith("and ")
                || before.endsWith("or ")
                || before.endsWith("& ");
    }

    /** {@code OV-L210, L215}: the letters before the dash are the same. */
    private static Optional<String> continued(String last, String token) {
        int dash = last.indexOf('-');
        boolean alike = dash > 0
                && token.length() >= 3
                && Character.isLetter(token.charAt(0)) == Character.isLetter(last.charAt(dash + 1));
        return alike ? Optional.of(last.substring(0, dash + 1) + token) : Optional.empty();
    }

    /** {@code OV-L210/F/N} names suffixes, {@code OV-L210/L215} whole numbers. */
    private static void slashed(String first, String[] parts, List<Found> found) {
        for (int i = 1; i < parts.length; i++) {
            String part = parts[i];
            if (part.matches("[A-Z]{1,2}")) {
                String base = first.replaceFirst("[A-Z]{1,2}$", "");
                found.add(new Found(base + part, false, false));
            } else {
                Optional<String> whole = DASHED.matcher(part).matches() ? Optional.of(part) : continued(first, part);
                whole.ifPresent(model -> found.add(new Found(model, false, false)));
            }
        }
    }

    /** It would be a model number if its letters were those they look like. */
    private static boolean isAlike(String token) {
        boolean foreign = token.codePoints().anyMatch(point -> point > 0x7f && Character.isLetter(point));
        return foreign
                && DASHED.matcher(token.replaceAll("[^\\x00-\\x7f]", "O")).matches();
    }
}
