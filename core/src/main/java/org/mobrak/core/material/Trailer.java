package org.mobrak.core.material;

import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

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

    private static final Pattern LINE = Pattern.compile("([0-9a-fA-F]{32})(?: [ *]([^\\n\\r\\x00]{1,1024}))?\\s*$");

    /**
     * Finds the line at the end of an archive.
     *
     * @param tail the archive's last bytes, {@value #MOST_BYTES} or fewer
     */
    public static Optional<Trailer> in(byte[] tail) {
        // One byte is one character, so that places in the text are places in the bytes.
        String text = new String(tail, StandardCharsets.ISO_8859_1);
        String last = text.substring(text.lastIndexOf('\0') + 1);
        Matcher line = LINE.matcher(last);
        if (!line.lookingAt()) {
            return Optional.empty();
        }
        String bytes = Optional.ofNullable(line.group(2)).orElse("");
        String name = new String(bytes.getBytes(StandardCharsets.ISO_8859_1), StandardCharsets.UTF_8);
        return Optional.of(new Trailer(name.strip(), line.group(1).toLowerCase(Locale.ROOT), last.length()));
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
