package org.mobrak.core.mend.patch;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;

/**
 * The difference between two files that differ in one line, as a unified diff (IEEE Std 1003.1-2017, utility {@code diff},
 * option {@code -u}). It is made of bytes, since a property file may hold some that are no text.
 *
 * @param hunk all but the two lines of the head
 */
public record UnifiedDiff(byte[] hunk) {
    private static final int CONTEXT = 3;
    private static final String NO_FEED = "\n\\ No newline at end of file\n";

    /** Both files have the same bytes but for one line, which begins at the same place. */
    static UnifiedDiff ofOneLine(byte[] before, byte[] after, PropertyLines.Line changed) {
        PropertyLines lines = new PropertyLines(before);
        List<PropertyLines.Line> above = above(lines, changed);
        Deque<PropertyLines.Line> below = new ArrayDeque<>();
        for (int start = changed.next(); start < before.length && below.size() < CONTEXT; ) {
            PropertyLines.Line line = lines.lineAt(0, start);
            below.add(line);
            start = line.next();
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        int first = changed.number() - above.size();
        int count = above.size() + 1 + below.size();
        out.writeBytes("@@ -%1$d,%2$d +%1$d,%2$d @@\n".formatted(first, count).getBytes(StandardCharsets.US_ASCII));
        above.forEach(line -> write(out, ' ', before, line.start(), line.next()));
        write(out, '-', before, changed.start(), changed.next());
        write(out, '+', after, changed.start(), changed.next() + after.length - before.length);
        below.forEach(line -> write(out, ' ', before, line.start(), line.next()));
        return new UnifiedDiff(out.toByteArray());
    }

    private static List<PropertyLines.Line> above(PropertyLines lines, PropertyLines.Line changed) {
        Deque<PropertyLines.Line> above = new ArrayDeque<>();
        int start = 0;
        for (int number = 1; number < changed.number(); number++) {
            PropertyLines.Line line = lines.lineAt(number, start);
            above.add(line);
            if (above.size() > CONTEXT) {
                above.remove();
            }
            start = line.next();
        }
        return List.copyOf(above);
    }

    private static void write(ByteArrayOutputStream out, char sign, byte[] bytes, int from, int to) {
        out.write(sign);
        out.write(bytes, from, to - from);
        if (bytes[to - 1] != '\n') {
            out.writeBytes(NO_FEED.getBytes(StandardCharsets.US_ASCII));
        }
    }

    /** The whole diff; a name with signs that a diff cannot hold is written as the C language does. */
    public byte[] of(String oldName, String newName) {
        ByteArrayOutputStream all = new ByteArrayOutputStream(hunk.length + 100);
        all.writeBytes(
                "--- %s\n+++ %s\n".formatted(quoted(oldName), quoted(newName)).getBytes(StandardCharsets.UTF_8));
        all.writeBytes(hunk);
        return all.toByteArray();
    }

    private static String quoted(String name) {
        boolean plain = name.chars().noneMatch(c -> c < ' ' || c == '"' || c == '\\' || c == 0x7f);
        if (plain) {
            // A tab after it ends a name that has blanks in it.
            return name.indexOf(' ') < 0 ? name : name + "\t";
        }
        StringBuilder quoted = new StringBuilder("\"");
        for (byte one : name.getBytes(StandardCharsets.UTF_8)) {
            boolean letter = one >= ' ' && one != '"' && one != '\\' && one != 0x7f;
            quoted.append(letter ? String.valueOf((char) one) : "\\%03o".formatted(one & 0xff));
        }
        return quoted.append('"').toString();
    }
}
