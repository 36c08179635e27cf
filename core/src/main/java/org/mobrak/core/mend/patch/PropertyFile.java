package org.mobrak.core.mend.patch;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The bytes of a file that is to be a property file, and why it may be none. */
public final class PropertyFile {
    /** Larger ones are none; the longest that is known of has 200 kB. The bound is our own choice. */
    public static final int MOST_BYTES = 16 << 20;

    /** The byte order mark in UTF-8. */
    static final byte[] MARK = {(byte) 0xef, (byte) 0xbb, (byte) 0xbf};

    private final byte[] bytes;

    private PropertyFile(byte[] bytes) {
        this.bytes = bytes;
    }

    public static PropertyFile of(byte[] bytes) {
        return new PropertyFile(bytes.clone());
    }

    byte[] bytes() {
        return bytes;
    }

    /** Why it can be no property file, as a sentence; empty if it can. */
    public Optional<String> objection() {
        if (bytes.length > MOST_BYTES) {
            return Optional.of("It is larger than any property file; check which file was meant.");
        }
        if (startsWith(0xff, 0xfe) || startsWith(0xfe, 0xff)) {
            return Optional.of("It is UTF-16 text, which the platform cannot read; save it as UTF-8 without a mark.");
        }
        for (byte one : bytes) {
            if (one == 0) {
                return Optional.of("It holds NUL bytes, so it is no text; check which file was meant.");
            }
        }
        return Optional.empty();
    }

    private boolean startsWith(int first, int second) {
        return bytes.length > 1 && (bytes[0] & 0xff) == first && (bytes[1] & 0xff) == second;
    }

    /** Its lines, the first so many. */
    public List<PropertyLine> lines(int most) {
        PropertyLines lines = new PropertyLines(bytes);
        Map<String, String> meanings = KeyMeanings.shipped();
        List<PropertyLine> all = new ArrayList<>();
        for (int start = 0; start < bytes.length && all.size() < most; ) {
            PropertyLines.Line line = lines.lineAt(all.size() + 1, start);
            all.add(lines.shown(line, meanings));
            start = line.next();
        }
        return all;
    }

    /** Whether all of it is UTF-8. */
    boolean isUtf8() {
        try {
            StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(bytes));
            return true;
        } catch (CharacterCodingException other) {
            return false;
        }
    }

    boolean hasMark() {
        return bytes.length >= MARK.length && Arrays.equals(bytes, 0, MARK.length, MARK, 0, MARK.length);
    }

    /** A piece as text; bytes that are no UTF-8 become the replacement character. */
    static String text(byte[] bytes, int from, int to) {
        return new String(bytes, from, to - from, StandardCharsets.UTF_8);
    }
}
