package org.mobrak.core.learn.reading;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Words that may be a model number or a build, by their shape alone. */
final class ModelTokens {
    private static final Pattern TOKEN =
            Pattern.compile("(?<![\\w@./\\\\-])[A-Za-z0-9][A-Za-z0-9_+-]*(?:[./][A-Za-z0-9_+-]+){0,12}\\+?");
    /** “H G 47 L”, “CT 19 R”: spelled out with blanks. */
    private static final Pattern SPACED = Pattern.compile(
            "(?<![\\w.-])(?:[A-Z] ){1,4}(?:\\d ?){1,4}(?: ?[A-Z](?![a-z\\w]))?|(?<![\\w.-])[A-Z]{2,3} \\d{1,4} [A-Z](?![\\w'])");

    private static final Pattern VERSION =
            Pattern.compile("(?i)[vr]?\\d+(?:\\.(?:\\d+|x)){1,4}(?:[a-z]|rc\\d|beta\\d?)?\\+?");
    private static final Pattern MEASURE = Pattern.compile(
            "(?i)\\d+(?:[.,]\\d+)?(?:k|kb|mb|gb|mib|gib|m|g|mm|cm|km|mah|ma|v|w|hz|ghz|mhz|min|mins|sec|secs|s|h|hr|hrs|x|th|st|nd|rd|ms|am|pm|px|p|bit|in|inch|ish|eur|usd|°c)|\\d+x\\d+|(?<![a-z])\\d+-\\d+|\\d+(?:/\\d+){1,12}|[a-z]{3,9}-\\d{4}|\\d{4}-\\d{2}(?:-\\d{2})?|\\d{1,2}(?:st|nd|rd|th)?/\\d{1,2}/\\d{2,4}");
    /** Three figures and a capital are no measure. */
    private static final Pattern NUMBERED = Pattern.compile("\\d{3,5}(?!MB|GB|KB)[A-Z]{1,2}");

    private static final Pattern HEX =
            Pattern.compile("(?i)(?=[0-9a-f]*\\d)(?=[0-9a-f]*[a-f])[0-9a-f]{7,}|0x[0-9a-f]+");
    private static final Set<String> OTHERS = Set.of(
            "md5", "sha1", "sha256", "sha512", "sha-1", "sha-256", "sha-512", "crc32", "mp3", "mp4", "m4a", "mkv",
            "h264", "ext2", "ext3", "ext4", "f2fs", "fat32", "usb2", "usb3", "usb-c", "arm64", "armv7", "armv8", "x86",
            "x64", "win7", "win8", "win10", "win32", "win64", "utf-8", "utf8", "2g", "3g", "4g", "5g", "lte", "b2g",
            "7zip", "7z", "p2p", "i18n", "w3c", "l10n", "ps2", "ps3", "com3", "com7", "html5", "mp3s", "1st", "2nd",
            "3rd", "b5", "a4", "gsm3", "rs232", "wpa2", "ipv6", "ipv4", "h2", "h1", "h3", "v1", "v2", "v3", "b1", "bb2",
            "4x4", "80211", "o2");

    private ModelTokens() {}

    /**
     * A token.
     *
     * @param value as it is written, blanks within it left out
     * @param shape how much its shape alone is that of a model number, from 0 to 3
     */
    record Token(String value, int start, int end, int shape) {
        String key() {
            return key(value);
        }

        static String key(String value) {
            return value.toLowerCase(Locale.ROOT).replaceAll("[\\s_-]", "");
        }
    }

    static List<Token> in(String text) {
        List<Token> found = new ArrayList<>();
        if (text.chars().noneMatch(Character::isDigit)) {
            return found;
        }
        Matcher spaced = SPACED.matcher(text);
        int covered = -1;
        List<int[]> taken = new ArrayList<>();
        while (spaced.find()) {
            String joined = spaced.group().replace(" ", "");
            if (joined.length() >= 3
                    && joined.chars().anyMatch(Character::isDigit)
                    && Character.isLetter(joined.charAt(0))) {
                found.add(new Token(
                        joined,
                        spaced.start(),
                        spaced.start() + spaced.group().stripTrailing().length(),
                        2));
                taken.add(new int[] {spaced.start(), spaced.end()});
                covered = spaced.end();
            }
        }
        Matcher tokens = TOKEN.matcher(text);
        while (tokens.find()) {
            int start = tokens.start();
            boolean within = covered > start && taken.stream().anyMatch(span -> start >= span[0] && start < span[1]);
            if (!within) {
                String value = tokens.group().replaceFirst("[._-]+$", "");
                if (isCandidate(value)) {
                    found.add(new Token(value, start, start + value.length(), shape(value)));
                }
            }
        }
        return found;
    }

    /** A letter and a digit, and nothing that is known to be something else. */
    static boolean isCandidate(String value) {
        return value.length() >= 2
                && value.length() <= 32
                && value.chars().anyMatch(Character::isDigit)
                && value.chars().anyMatch(Character::isLetter)
                && !OTHERS.contains(value.toLowerCase(Locale.ROOT))
                && !value.matches(
                        "(?i)(?:kb|faq|rfc|cve|isbn|ver|rev|step|part|no|nr|page|vol|fig|#)[-_]?\\d{1,6}|[vr]\\d{1,2}")
                && !VERSION.matcher(value).matches()
                && (!MEASURE.matcher(value).matches() || NUMBERED.matcher(value).matches())
                && !(HEX.matcher(value).matches() && value.length() > 8)
                && !FileNames.isFile(value);
    }

    private static int shape(String value) {
        String upper = value.toUpperCase(Locale.ROOT);
        boolean shouted = value.chars().anyMatch(Character::isUpperCase);
        int less = shouted ? 0 : 1;
        if (upper.matches("[A-Z]{1,3}-[A-Z]{1,3}\\d{1,4}[A-Z]{0,2}") && shouted) {
            return 3;
        }
        if (upper.matches("[A-Z]{1,6}[-_.]?[A-Z]?\\d{2,5}(?:[-_./]?[A-Z]{1,4})?(?:[-_/]?\\d)?\\+?")) {
            return 3 - less;
        }
        if (upper.matches("\\d{3,5}[-_.]?[A-Z]{1,3}|[A-Z]{1,4}[-_.]?\\d{1,5}[-_.]?[A-Z0-9]{0,6}\\+?")) {
            return 2 - less;
        }
        return shouted ? 1 : 0;
    }
}
