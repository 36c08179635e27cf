package org.mobrak.core.learn;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** File names, sizes and checksums by their shape. */
final class FileMentions {
    static final Pattern NAME = Pattern.compile(
            "(?i)[\\p{L}\\p{N}][\\p{L}\\p{N}._+()-]{0,120}\\.(?:tar\\.md5|tar|zip|img|apk|exe|bat|sh|bin|7z|rar|command)");
    private static final Pattern FIND = Pattern.compile(
            "(?i)(?<![\\p{L}\\p{N}/._-])[\\p{L}\\p{N}][\\p{L}\\p{N}._+()-]{0,120}\\.(?:tar\\.md5|tar|zip|img|apk|exe|bat|sh|bin|7z|rar|command)(?![\\p{L}\\p{N}])");
    private static final Pattern HEX = Pattern.compile("(?<![0-9a-zA-Z])[0-9a-fA-F]{24,72}(?![0-9a-zA-Z])");
    private static final Pattern SIZE = Pattern.compile("(?i)([0-9]{1,9}(?:[.,][0-9]{3}){0,4}) ?bytes");

    /** Shorter than this none can be, not even one that is cut. */
    private static final int SHORTEST = 24;

    private FileMentions() {}

    /** A checksum, and the kind it is labelled as. */
    record Sum(String value, Optional<String> label) {
        /** The kind that fits its length; empty where none does, or the label says another. */
        Optional<String> kind() {
            String byLength = switch (value.length()) {
                case 32 -> "md5";
                case 40 -> "sha1";
                case 64 -> "sha256";
                default -> "";
            };
            boolean fits = !byLength.isEmpty()
                    && label.filter(said -> !said.equals(byLength)).isEmpty();
            return fits ? Optional.of(byLength) : Optional.empty();
        }
    }

    static List<String> names(String text) {
        if (text.indexOf('.') < 0) {
            return List.of();
        }
        List<String> names = new ArrayList<>();
        Matcher files = FIND.matcher(text);
        while (files.find()) {
            names.add(files.group());
        }
        return names;
    }

    static List<Sum> sums(String text) {
        if (text.length() < SHORTEST) {
            return List.of();
        }
        List<Sum> sums = new ArrayList<>();
        Matcher found = HEX.matcher(text);
        while (found.find()) {
            String before = text.substring(Math.max(0, found.start() - 14), found.start())
                    .toLowerCase(Locale.ROOT);
            Optional<String> label = before.contains("md5")
                    ? Optional.of("md5")
                    : before.contains("256")
                            ? Optional.of("sha256")
                            : before.contains("sha") ? Optional.of("sha1") : Optional.empty();
            boolean number = found.group().chars().allMatch(Character::isDigit);
            if (!number || label.isPresent()) {
                sums.add(new Sum(found.group().toLowerCase(Locale.ROOT), label));
            }
        }
        return sums;
    }

    static Optional<Long> bytes(String text) {
        if (!text.contains("bytes") && !text.contains("Bytes")) {
            return Optional.empty();
        }
        Matcher size = SIZE.matcher(text);
        return size.find() ? Optional.of(Long.parseLong(size.group(1).replaceAll("[.,]", ""))) : Optional.empty();
    }
}
