package org.mobrak.core.material;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * Which files are said to have which digests. Reads what people publish and paste: the lines of GNU coreutils with text or
 * binary star and with escaped names, the lines with a tag that BSD systems and {@code --tag} write, {@code name: digest},
 * {@code MD5: digest} under or beside a name, upper case, digits in groups, a digest alone.
 */
public record ChecksumList(List<Line> lines) {
    /** No name is longer; patterns over what is could take as long as whoever made it likes. */
    private static final int MOST_LINE = 4_096 + 256;

    private static final Pattern GNU = Pattern.compile("(\\\\?)([0-9a-fA-F]{8,128})(?: [ *]|\\s+)(\\S.*)");
    private static final Pattern TAGGED =
            Pattern.compile("(\\\\?)([A-Za-z0-9-]+)\\s?\\((.+)\\)\\s?= ([0-9a-fA-F]{8,128})");
    private static final Pattern NAME_FIRST =
            Pattern.compile("(\\S.*?)\\s*[:=\\t]\\s*([0-9a-fA-F]{8,128}|[0-9a-fA-F]{2,16}(?: [0-9a-fA-F]{2,16})+)");
    private static final Pattern LABEL =
            Pattern.compile("(?i)(md5|sha-?1|sha-?256|sha-?512|crc-?32)(?:\\s?sums?|\\s?checksums?)?");

    public ChecksumList {
        lines = List.copyOf(lines);
    }

    /**
     * One line.
     *
     * @param name the file, as the list has it; empty where the list gives only a digest
     * @param value lower-case hexadecimal
     */
    public record Line(Optional<String> name, Digest digest, String value) {
        /** The name without the folders before it. */
        public Optional<String> plainName() {
            return name.map(path -> path.substring(Math.max(path.lastIndexOf('/'), path.lastIndexOf('\\')) + 1));
        }
    }

    /** Reads a list; lines in which there is no digest are passed over. */
    public static ChecksumList parse(String text) {
        List<Line> lines = new ArrayList<>();
        Optional<String> above = Optional.empty();
        for (String raw :
                text.lines().filter(line -> line.length() <= MOST_LINE).toList()) {
            String line = raw.replace('\u00a0', ' ').strip().replaceFirst("^[-•>]\\s+", "");
            Optional<Line> found = line(line, above);
            found.ifPresent(lines::add);
            // “MD5: …” under a line that names a file speaks of that file.
            above = found.flatMap(Line::name)
                    .or(() -> Optional.of(line).filter(name -> name.matches("[^\\s:]+\\.[A-Za-z0-9.]{2,12}:?")))
                    .map(name -> name.replaceFirst(":$", ""))
                    .or(() -> Optional.<String>empty());
        }
        return new ChecksumList(lines);
    }

    private static Optional<Line> line(String line, Optional<String> above) {
        Matcher tagged = TAGGED.matcher(line);
        if (tagged.matches()) {
            String name = unescaped(tagged.group(1), tagged.group(3));
            return Digest.ofName(tagged.group(2)).flatMap(digest -> line(Optional.of(name), digest, tagged.group(4)));
        }
        Matcher gnu = GNU.matcher(line);
        if (gnu.matches() && byLength(gnu.group(2)).isPresent()) {
            String name = unescaped(gnu.group(1), gnu.group(3));
            return byLength(gnu.group(2)).flatMap(digest -> line(Optional.of(name), digest, gnu.group(2)));
        }
        Matcher named = NAME_FIRST.matcher(line);
        if (named.matches()) {
            return nameFirst(named.group(1), named.group(2).replace(" ", ""), above);
        }
        String bare = line.replace(" ", "");
        return bare.matches("[0-9a-fA-F]+")
                ? byLength(bare).flatMap(digest -> line(above, digest, bare))
                : Optional.empty();
    }

    private static Optional<Line> nameFirst(String name, String value, Optional<String> above) {
        Matcher label = LABEL.matcher(name);
        if (label.matches()) {
            return Digest.ofName(label.group(1)).flatMap(digest -> line(above, digest, value));
        }
        // “file.zip md5: …”
        Matcher both =
                Pattern.compile("(\\S.*?)[\\s,(]+" + LABEL.pattern() + "\\)?").matcher(name);
        if (both.matches()) {
            return Digest.ofName(both.group(2)).flatMap(digest -> line(Optional.of(both.group(1)), digest, value));
        }
        return byLength(value).flatMap(digest -> line(Optional.of(name), digest, value));
    }

    private static Optional<Line> line(Optional<String> name, Digest digest, String value) {
        return Optional.of(new Line(name, digest, value.toLowerCase(Locale.ROOT)))
                .filter(line -> value.length() == digest.hexDigits());
    }

    private static Optional<Digest> byLength(String value) {
        return Digest.ofLength(value.length());
    }

    /** Names with a line feed or backslash in them are escaped, and the line begins with a backslash (GNU coreutils manual). */
    private static String unescaped(String mark, String name) {
        return mark.isEmpty()
                ? name
                : name.replace("\\\\", "\0")
                        .replace("\\n", "\n")
                        .replace("\\r", "\r")
                        .replace('\0', '\\');
    }

    /** The list as {@code sha256sum -c} and its sisters accept it, one digest throughout. */
    public static String write(List<Line> lines) {
        return lines.stream().map(ChecksumList::gnu).collect(Collectors.joining());
    }

    private static String gnu(Line line) {
        String name = line.name().orElseThrow(() -> new IllegalArgumentException("A line of a list needs a name."));
        String escaped = name.replace("\\", "\\\\").replace("\n", "\\n").replace("\r", "\\r");
        return (escaped.equals(name) ? "" : "\\") + line.value() + "  " + escaped + "\n";
    }

    /** What the list says of a file: by the path it gives, where it gives one, else by the plain name. */
    public List<Line> of(Path file) {
        List<Line> byPath = lines.stream()
                .filter(line -> line.name()
                        .filter(name -> name.contains("/")
                                && file.normalize().endsWith(Path.of(name).normalize()))
                        .isPresent())
                .toList();
        return byPath.isEmpty() ? of(file.getFileName().toString()) : byPath;
    }

    /** What the list says of a file, by its plain name; lines without a name speak of whatever single file is asked about. */
    public List<Line> of(String plainName) {
        List<Line> named = lines.stream()
                .filter(line -> line.plainName().filter(plainName::equals).isPresent())
                .toList();
        boolean nameless = lines.stream().allMatch(line -> line.name().isEmpty());
        return named.isEmpty() && nameless ? lines : named;
    }
}
