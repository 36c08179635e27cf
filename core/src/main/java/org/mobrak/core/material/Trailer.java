package org.mobrak.core.material;

import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Optional;

/**
 * The line of {@code md5sum} that some flashers want behind the last block of a tar archive: the digest of every byte before
 * it. Common practice, no published source.
 *
 * @param name the name the archive had when the line was written; empty text where it has only the digest
 * @param expected what the line says, lower case
 * @param bytes how long the line is, its end included
 */
public record Trailer(String name, String expected, int bytes) {
    /** The longest line that is looked for, in bytes. */
    public static final int MOST_BYTES = 4096;

    private static final int DIGITS = 32;
    private static final int LONGEST_NAME = 1024;

    /**
     * Finds the line at the end of an archive, whatever stands before it: in a sound one zeros, in a damaged or shortened one
     * anything.
     *
     * @param tail the archive's last bytes, {@value #MOST_BYTES} or fewer
     */
    public static Optional<Trailer> in(byte[] tail) {
        // One byte is one character, so that places in the text are places in the bytes.
        String text = new String(tail, StandardCharsets.ISO_8859_1);
        int end = text.length();
        while (end > 0 && isBlank(text.charAt(end - 1))) {
            end--;
        }
        int bare = end - DIGITS;
        int line = end;
        while (line > 0 && text.charAt(line - 1) >= ' ') {
            line--;
        }
        return named(text, line, end).or(() -> bare(text, bare));
    }

    private static boolean isBlank(char c) {
        return c == '\n' || c == '\r' || c == ' ' || c == '\t';
    }

    /** Digest, a blank, a blank or a star, and a name. */
    private static Optional<Trailer> named(String text, int from, int end) {
        for (int at = from + DIGITS; at < end - 2; at++) {
            boolean mark = text.charAt(at) == ' ' && (text.charAt(at + 1) == ' ' || text.charAt(at + 1) == '*');
            if (mark && end - at <= LONGEST_NAME && isDigest(text, at - DIGITS) && standsAlone(text, at - DIGITS)) {
                byte[] name = text.substring(at + 2, end).getBytes(StandardCharsets.ISO_8859_1);
                return Optional.of(of(text, at - DIGITS, new String(name, StandardCharsets.UTF_8).strip()));
            }
        }
        return Optional.empty();
    }

    /** No letter or digit stands before it: else it is the end of a longer digest, or of a text. */
    private static boolean standsAlone(String text, int at) {
        return at == 0 || !isSign(text.charAt(at - 1));
    }

    /** Only the digest. */
    private static Optional<Trailer> bare(String text, int at) {
        return at >= 0 && standsAlone(text, at) && isDigest(text, at)
                ? Optional.of(of(text, at, ""))
                : Optional.empty();
    }

    private static Trailer of(String text, int at, String name) {
        return new Trailer(name, text.substring(at, at + DIGITS).toLowerCase(Locale.ROOT), text.length() - at);
    }

    private static boolean isSign(char c) {
        return c < 0x80 && Character.isLetterOrDigit(c);
    }

    private static boolean isDigest(String text, int at) {
        for (int i = at; i < at + DIGITS; i++) {
            if (i < 0 || i >= text.length() || Character.digit(text.charAt(i), 16) < 0 || text.charAt(i) >= 0x80) {
                return false;
            }
        }
        return true;
    }

    /**
     * A trailer held against the bytes before it.
     *
     * @param actual the MD5 of those bytes, lower case
     */
    public record Checked(Trailer trailer, String actual) {
        public boolean valid() {
            return trailer.expected().equals(actual);
        }
    }
}
