package org.mobrak.core.mend.patch;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;

/**
 * The lines of a property file, as the platform parts them: at each line feed, and a carriage return before it is one of the
 * blanks it cuts off. Blanks before a key and before the equals sign do not count, a line that then begins with {@code #} or
 * {@code import} is no property.
 *
 * <p>Source: the property loader of the platform's published start program; what counts as a blank is the C library's {@code
 * isspace} in the C locale.
 */
final class PropertyLines {
    private static final byte[] IMPORT = "import ".getBytes(StandardCharsets.US_ASCII);

    private final byte[] bytes;

    PropertyLines(byte[] bytes) {
        this.bytes = bytes;
    }

    /**
     * A line; offsets count bytes from the beginning of the file.
     *
     * @param number from 1
     * @param end behind the last byte, without the line's end
     * @param next where the next line begins
     */
    record Line(int number, int start, int end, int next) {
        boolean hasLineFeed() {
            return next > end;
        }

        /** Whether a carriage return stands before its line feed. */
        boolean hasCarriageReturn() {
            return next - end == 2;
        }
    }

    /** Where a key stands as a property. */
    record Live(Line line, int keyStart, int equals) {
        int valueStart() {
            return equals + 1;
        }
    }

    /** What was found of one key. */
    record Found(List<Live> live, List<Line> commented, List<Line> behindMark) {}

    /** The line that begins here. */
    Line lineAt(int number, int start) {
        int feed = start;
        while (feed < bytes.length && bytes[feed] != '\n') {
            feed++;
        }
        boolean ended = feed < bytes.length;
        int end = ended && feed > start && bytes[feed - 1] == '\r' ? feed - 1 : feed;
        return new Line(number, start, end, ended ? feed + 1 : feed);
    }

    /** A line as a person sees it, with its key and value where it is a property. */
    PropertyLine shown(Line line, Map<String, String> meanings) {
        String text = PropertyFile.text(bytes, line.start(), line.end());
        String shown = PropertyLine.shown(text, line.hasCarriageReturn());
        int start = skip(line.start(), line.end());
        int equals = start;
        while (equals < line.end() && bytes[equals] != '=') {
            equals++;
        }
        boolean none = start == line.end()
                || bytes[start] == '#'
                || equals == line.end()
                || startsWith(start, line.end(), IMPORT);
        if (none) {
            return new PropertyLine(line.number(), shown, Optional.empty(), "", Optional.empty());
        }
        String key = PropertyFile.text(bytes, start, equals).stripTrailing();
        return new PropertyLine(
                line.number(),
                shown,
                Optional.of(key),
                PropertyFile.text(bytes, equals + 1, line.end()),
                Optional.ofNullable(meanings.get(key)));
    }

    /** Looks for a key in every line. */
    Found find(String key) {
        byte[] wanted = key.getBytes(StandardCharsets.UTF_8);
        Found found = new Found(new ArrayList<>(), new ArrayList<>(), new ArrayList<>());
        int start = 0;
        for (int number = 1; start < bytes.length; number++) {
            Line line = lineAt(number, start);
            look(line, wanted, found);
            start = line.next();
        }
        return found;
    }

    private void look(Line line, byte[] wanted, Found found) {
        int start = skip(line.start(), line.end());
        if (start == line.end()) {
            return;
        }
        if (bytes[start] == '#') {
            int after = start;
            while (after < line.end() && bytes[after] == '#') {
                after++;
            }
            int key = skip(after, line.end());
            equalsOf(key, line.end(), wanted)
                    .ifPresent(equals -> found.commented().add(line));
        } else if (!startsWith(start, line.end(), IMPORT)) {
            equalsOf(start, line.end(), wanted).ifPresent(equals -> found.live().add(new Live(line, start, equals)));
            if (startsWith(start, line.end(), PropertyFile.MARK)) {
                equalsOf(start + PropertyFile.MARK.length, line.end(), wanted)
                        .ifPresent(equals -> found.behindMark().add(line));
            }
        }
    }

    /** The place of the equals sign, if this key stands before it. */
    private OptionalInt equalsOf(int start, int end, byte[] wanted) {
        int keyEnd = start + wanted.length;
        if (!startsWith(start, end, wanted)) {
            return OptionalInt.empty();
        }
        int equals = skip(keyEnd, end);
        return equals < end && bytes[equals] == '=' ? OptionalInt.of(equals) : OptionalInt.empty();
    }

    private boolean startsWith(int start, int end, byte[] wanted) {
        return end - start >= wanted.length
                && Arrays.equals(bytes, start, start + wanted.length, wanted, 0, wanted.length);
    }

    private int skip(int from, int end) {
        int at = from;
        while (at < end && isBlank(bytes[at])) {
            at++;
        }
        return at;
    }

    private static boolean isBlank(byte one) {
        return one == ' ' || one >= '\t' && one <= '\r';
    }
}
