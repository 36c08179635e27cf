package org.mobrak.core.material;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.mobrak.core.material.ChecksumList.Line;

/**
 * Reads one line of a checksum list. The shapes that programs write are taken as they are; what people write and paste is
 * searched for digests, with the label before each, and for what looks like the name of a file beside them.
 *
 * <p>The patterns begin only where a word does, and possess what they take: a line made to keep them busy does not.
 */
final class ChecksumLine {
    private static final String LABEL = "md5|sha-?1|sha2?-?256|sha2?-?512|crc-?32";
    private static final Pattern GNU = Pattern.compile("(\\\\?)([0-9a-fA-F]{8,128})(?: [ *]|\\s+)(\\S.*)");
    private static final Pattern TAGGED =
            Pattern.compile("(\\\\?)([A-Za-z0-9-]+)\\s?\\((.+)\\)\\s?= ([0-9a-fA-F]{8,128})");
    /** The name first and a CRC-32 last, as the old verification files have it. */
    private static final Pattern CRC_LAST = Pattern.compile("(\\S.*\\.[A-Za-z0-9]{1,12})\\s+([0-9a-fA-F]{8})");

    private static final Pattern LABELLED = Pattern.compile(
            "(?i)(?:(?<![a-z0-9])(" + LABEL + ")(?:\\s?sums?|\\s?checksums?)?\\)?\\s{0,8}[:=]?\\s{0,8})?"
                    + "(?<![0-9a-z])([0-9a-f]{8}|[0-9a-f]{32}|[0-9a-f]{40}|[0-9a-f]{64}|[0-9a-f]{128})(?![0-9a-z])");
    private static final Pattern IN_GROUPS =
            Pattern.compile("(?<![0-9A-Za-z])[0-9a-fA-F]{2,16}(?:[ :-][0-9a-fA-F]{2,16}){3,63}(?![0-9A-Za-z])");
    private static final Pattern SAYS_FILE = Pattern.compile("(?i)^(?:file|file ?name|name)\\s?[:=]\\s{0,8}");
    private static final Pattern ALONE = Pattern.compile("\\S+|.*\\.[A-Za-z0-9]{1,12}");
    private static final Pattern FILE = Pattern.compile(
            "(?<![^\\s:|,;()\\[\\]\"'])[^\\s:|,;()\\[\\]\"']+\\.(?:[A-Za-z][A-Za-z0-9]{0,11}|7z)(?![A-Za-z0-9])");
    /** As long as this no number in a text is. */
    private static final Pattern LONG_HEX = Pattern.compile("[0-9a-fA-F]{24}");

    private final String text;

    ChecksumLine(String raw) {
        String line = raw.replace('\u00a0', ' ').strip().replaceFirst("^[-•>]\\s+", "");
        this.text = IN_GROUPS.matcher(line).replaceAll(ChecksumLine::joined);
    }

    /** Every digest in it; of the file named above if it names none itself. */
    List<Line> lines(Optional<String> above) {
        Matcher tagged = TAGGED.matcher(text);
        if (tagged.matches()) {
            String name = unescaped(tagged.group(1), tagged.group(3));
            return Digest.ofName(tagged.group(2))
                    .flatMap(digest -> line(Optional.of(name), digest, tagged.group(4)))
                    .stream()
                    .toList();
        }
        Matcher gnu = GNU.matcher(text);
        Optional<Digest> digest = gnu.matches() ? Digest.ofLength(gnu.group(2).length()) : Optional.empty();
        if (digest.filter(one ->
                        one != Digest.CRC32 || ALONE.matcher(gnu.group(3)).matches())
                .isPresent()) {
            return line(Optional.of(unescaped(gnu.group(1), gnu.group(3))), digest.get(), gnu.group(2)).stream()
                    .toList();
        }
        Matcher crc = CRC_LAST.matcher(text);
        return crc.matches() && Digest.ofName(crc.group(1)).isEmpty()
                ? line(Optional.of(crc.group(1)), Digest.CRC32, crc.group(2)).stream()
                        .toList()
                : searched(above);
    }

    private List<Line> searched(Optional<String> above) {
        List<Line> lines = new ArrayList<>();
        Matcher found = LABELLED.matcher(text);
        int first = -1;
        int end = 0;
        while (found.find()) {
            Optional<Digest> digest = digest(found);
            if (digest.isPresent()) {
                first = first < 0 ? found.start() : first;
                end = found.end();
                line(Optional.empty(), digest.get(), found.group(2)).ifPresent(lines::add);
            }
        }
        if (lines.isEmpty()) {
            return List.of();
        }
        String behind = text.substring(end);
        Optional<String> name = name(text.substring(0, first))
                .or(() -> above)
                .or(() -> name(behind))
                .map(ChecksumLine::slashed);
        return lines.stream()
                .map(line -> new Line(name, line.digest(), line.value()))
                .toList();
    }

    /** A digest whose label says another length is none; eight digits without a label are any number. */
    private static Optional<Digest> digest(MatchResult found) {
        int length = found.group(2).length();
        return found.group(1) == null
                ? Digest.ofLength(length).filter(digest -> digest != Digest.CRC32)
                : Digest.ofName(found.group(1)).filter(digest -> digest.hexDigits() == length);
    }

    /** What a line without a digest says of those below it: the name of a file. */
    Optional<String> heading() {
        String said = SAYS_FILE.matcher(text).replaceFirst("");
        return said.matches("[^\\s:]+\\.[A-Za-z0-9.]{2,12}:?")
                ? Optional.of(said.replaceFirst(":$", ""))
                : Optional.empty();
    }

    /** Whether there are digits in it that look like a digest. */
    boolean hasDigits() {
        return LONG_HEX.matcher(text).find();
    }

    /** What looks like the name of a file in the text before or behind the digests. */
    private static Optional<String> name(String beside) {
        String text = SAYS_FILE
                .matcher(beside.strip()
                        .replaceFirst("(?<![\\s:=,(\\[|-])[\\s:=,(\\[|-]++$", "")
                        .replaceFirst("^[*(|\\s]+", ""))
                .replaceFirst("")
                .replaceFirst("\\)$", "");
        if (text.isEmpty()) {
            return Optional.empty();
        }
        boolean plain = !text.contains(":") && !text.contains("  ") && !text.contains("|");
        if (plain && ALONE.matcher(text).matches()) {
            return Optional.of(text);
        }
        Matcher file = FILE.matcher(text);
        return file.find()
                ? Optional.of(file.group()
                        .substring(text.contains("://") ? file.group().lastIndexOf('/') + 1 : 0))
                : Optional.empty();
    }

    private static String joined(MatchResult groups) {
        String[] parts = groups.group().split("[ :-]");
        boolean even = Arrays.stream(parts).mapToInt(String::length).distinct().count() == 1;
        String whole = Arrays.stream(parts).collect(Collectors.joining());
        return even && Digest.ofLength(whole.length()).isPresent() ? whole : groups.group();
    }

    private static Optional<Line> line(Optional<String> name, Digest digest, String value) {
        return Optional.of(new Line(name, digest, value.toLowerCase(Locale.ROOT)))
                .filter(line -> value.length() == digest.hexDigits());
    }

    /**
     * Names with a line feed or backslash in them are escaped, and the line begins with a backslash (GNU coreutils manual). In
     * other lines a backslash stands between folders.
     */
    private static String unescaped(String mark, String name) {
        return mark.isEmpty()
                ? slashed(name)
                : name.replace("\\\\", "\0")
                        .replace("\\n", "\n")
                        .replace("\\r", "\r")
                        .replace('\0', '\\');
    }

    private static String slashed(String name) {
        return name.replace('\\', '/');
    }
}
