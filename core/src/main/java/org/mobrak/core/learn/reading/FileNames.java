package org.mobrak.core.learn.reading;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Names of files and checksums by their shape. */
final class FileNames {
    private static final String KNOWN =
            "tar\\.md5|tar\\.gz|tar\\.xz|tar|zip|img\\.md5|img|apk|exe|bat|cmd|sh|bin|7z|rar|tgz|dmg|msi|iso|command|ko|gz|xz|jar|py|dat|img\\.gz|run|deb|pkg";
    private static final Pattern FIND =
            Pattern.compile("(?<![\\w/.@\\\\-])(?:(?:[\\w.-]{1,40}/){0,6})([\\w][\\w.+~-]{0,120}\\.(?:(?i:" + KNOWN
                    + ")|[a-zA-Z][a-zA-Z0-9]{1,4}))(?![\\w-]|\\.\\w)");
    private static final Pattern KNOWN_NAME = Pattern.compile("(?i)[\\w][\\w.+~()-]{0,120}\\.(?:" + KNOWN + ")");
    private static final Pattern OTHER = Pattern.compile("[\\w][\\w.+~-]*[\\d_-][\\w.+~-]*\\.[a-zA-Z][a-zA-Z0-9]{1,4}");
    private static final Set<String> NO_ENDINGS = Set.of(
            "com", "org", "net", "example", "html", "htm", "php", "txt", "pdf", "jpg", "jpeg", "png", "gif", "svg",
            "mp4", "csv", "md", "invalid", "de", "ru", "pl", "eu", "uk", "us", "it", "no", "so", "is", "to", "asp",
            "aspx", "css", "js", "xml", "json", "yaml", "x", "kernel", "rom");
    private static final Pattern HEX = Pattern.compile(
            "(?<![0-9a-zA-Z])(?:[0-9a-fA-F]{32}|[0-9a-fA-F]{40}|[0-9a-fA-F]{64})(?![0-9a-zA-Z])|(?<![0-9a-zA-Z])(?:[0-9a-fA-F]{4} ){7,15}[0-9a-fA-F]{4}(?![0-9a-zA-Z])|(?<![0-9a-zA-Z])(?:[0-9a-fA-F]{8} ){3,7}[0-9a-fA-F]{8}(?![0-9a-zA-Z])");

    private FileNames() {}

    /** Something found in a text. */
    record Found(String value, int start, int end) {}

    static boolean isFile(String token) {
        return token.indexOf('.') > 0 && (KNOWN_NAME.matcher(token).matches() || isOther(token));
    }

    /** An ending that is not known is one where the name has figures or marks in it. */
    private static boolean isOther(String name) {
        String ending = name.substring(name.lastIndexOf('.') + 1);
        return OTHER.matcher(name).matches()
                && ending.chars().filter(Character::isLetter).count() >= 2
                && !ending.matches("(?i)[a-z]\\d{2,}[a-z]?|v\\d+|b\\d+")
                && !NO_ENDINGS.contains(ending.toLowerCase(Locale.ROOT))
                && !name.matches("(?i)v?\\d+(\\.\\d+){0,12}\\.[a-z]{2,5}");
    }

    static List<Found> names(String text) {
        List<Found> names = new ArrayList<>();
        if (!hasEnding(text)) {
            return names;
        }
        Matcher files = FIND.matcher(text);
        while (files.find()) {
            String name = files.group(1);
            if (isFile(name) && !name.startsWith("www.")) {
                names.add(new Found(name, files.start(1), files.end(1)));
            }
        }
        return names;
    }

    /** Whether a letter or figure follows a dot that itself follows something. */
    private static boolean hasEnding(String text) {
        for (int at = text.indexOf('.', 1); at > 0 && at + 1 < text.length(); at = text.indexOf('.', at + 1)) {
            if (Character.isLetterOrDigit(text.charAt(at + 1))) {
                return true;
            }
        }
        return false;
    }

    /** Checksums, in small letters and without blanks. */
    static List<Found> sums(String text) {
        List<Found> sums = new ArrayList<>();
        if (text.length() < 32) {
            return sums;
        }
        Matcher found = HEX.matcher(text);
        while (found.find()) {
            String bare = found.group().replace(" ", "").toLowerCase(Locale.ROOT);
            boolean number = bare.chars().allMatch(Character::isDigit);
            boolean length = bare.length() == 32 || bare.length() == 40 || bare.length() == 64;
            if (length && (!number || text.toLowerCase(Locale.ROOT).matches("(?s).*(?:md5|sha|sum).*"))) {
                sums.add(new Found(bare, found.start(), found.end()));
            }
        }
        return sums;
    }

    /** By what a checksum of so many digits is called. */
    static String kind(String sum) {
        return sum.length() == 32 ? "md5" : sum.length() == 40 ? "sha1" : "sha256";
    }
}
