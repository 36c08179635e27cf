package org.mobrak.core.material;

import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * Which files are said to have which digests. Reads what people publish and paste: the lines of GNU coreutils with text or
 * binary star and with escaped names, the lines with a tag that BSD systems and {@code --tag} write, {@code name: digest},
 * {@code MD5: digest} under or beside a name, several digests in a line, upper case, digits in groups, a digest alone.
 *
 * @param byName the lines that name a file, by its plain name
 * @param unclear the numbers of the lines, from 1, that seem to hold a digest and were not understood
 */
public record ChecksumList(List<Line> lines, List<Integer> unclear, Map<String, List<Line>> byName) {
    /** No name is longer; patterns over what is could take as long as whoever made it likes. */
    private static final int MOST_LINE = 4_096 + 256;

    public ChecksumList {
        lines = List.copyOf(lines);
        unclear = List.copyOf(unclear);
        byName = Map.copyOf(byName);
    }

    /** A list, and the lines of it that were not understood. */
    public ChecksumList(List<Line> lines, List<Integer> unclear) {
        this(
                lines,
                unclear,
                lines.stream()
                        .filter(line -> line.name().isPresent())
                        .collect(Collectors.groupingBy(line -> line.plainName().orElseThrow())));
    }

    /** A list of which nothing was left over. */
    public ChecksumList(List<Line> lines) {
        this(lines, List.of());
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
            return name.map(path -> path.substring(path.lastIndexOf('/') + 1));
        }
    }

    /** Reads a list; lines in which there is no digest are passed over. */
    public static ChecksumList parse(String text) {
        List<Line> lines = new ArrayList<>();
        List<Integer> unclear = new ArrayList<>();
        Optional<String> above = Optional.empty();
        int number = 0;
        for (String raw : (Iterable<String>) text.replace("\ufeff", "").lines()::iterator) {
            number++;
            if (raw.isBlank()) {
                continue;
            }
            ChecksumLine line = new ChecksumLine(raw.length() <= MOST_LINE ? raw : "");
            List<Line> found = line.lines(above);
            lines.addAll(found);
            if (found.isEmpty() && line.hasDigits()) {
                unclear.add(number);
            }
            // “MD5: …” under a line that names a file speaks of that file.
            above = found.isEmpty() ? line.heading() : found.get(0).name();
        }
        return new ChecksumList(lines, unclear);
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
        String plainName = file.getFileName().toString();
        List<Line> byPath = byName.getOrDefault(plainName, List.of()).stream()
                .filter(line -> line.name()
                        .filter(name -> name.contains("/") && isEndOf(file, name))
                        .isPresent())
                .toList();
        return byPath.isEmpty() ? of(plainName) : byPath;
    }

    /** A name in a list may be none that this system can have. */
    private static boolean isEndOf(Path file, String name) {
        try {
            return file.normalize().endsWith(Path.of(name).normalize());
        } catch (InvalidPathException noPath) {
            return false;
        }
    }

    /** What the list says of a file, by its plain name; lines without a name speak of whatever single file is asked about. */
    public List<Line> of(String plainName) {
        List<Line> named = byName.getOrDefault(plainName, List.of());
        return named.isEmpty() && byName.isEmpty() ? lines : named;
    }
}
