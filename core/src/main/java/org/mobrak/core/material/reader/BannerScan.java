package org.mobrak.core.material.reader;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Finds the line by which a kernel names itself. Another may stand before it, a format without its values or one without a
 * build number; so the last complete one counts.
 */
final class BannerScan {
    private static final byte[] START = "Linux version ".getBytes(StandardCharsets.US_ASCII);
    private static final int LONGEST = 512;
    private static final int STEP = 1 << 14;
    private static final Pattern BANNER = Pattern.compile("Linux version (\\d+\\.\\d+\\S*) [^\\x00-\\x1f]*");
    private static final Pattern BUILD = Pattern.compile(" #\\d+");

    private Optional<Banner> best = Optional.empty();

    /** The line and the release in it. */
    record Banner(String line, String release) {
        boolean hasBuild() {
            return BUILD.matcher(line).find();
        }
    }

    /** The best line so far; what was found before damage still counts. */
    Optional<Banner> best() {
        return best;
    }

    /** Looks through bytes that are in memory already, from a place on. */
    void read(byte[] bytes, int from) {
        search(bytes, from, bytes.length, bytes.length);
    }

    /** Reads a stream to its end. */
    void read(InputStream in) throws IOException {
        byte[] window = new byte[LONGEST + STEP];
        int kept = 0;
        int read;
        do {
            read = in.readNBytes(window, kept, STEP);
            int length = kept + read;
            boolean last = read < STEP;
            // A line that begins in the last stretch is looked at with the next step, when it is whole.
            search(window, 0, length, last ? length : length - LONGEST);
            kept = Math.min(length, LONGEST);
            System.arraycopy(window, length - kept, window, 0, kept);
        } while (read == STEP);
    }

    private void search(byte[] window, int from, int length, int until) {
        for (int at = from; at < until; at++) {
            if (window[at] == START[0] && startsAt(window, length, at)) {
                consider(window, at, Math.min(length, at + LONGEST));
            }
        }
    }

    private static boolean startsAt(byte[] window, int length, int at) {
        return at + START.length <= length && Arrays.equals(window, at, at + START.length, START, 0, START.length);
    }

    private void consider(byte[] window, int from, int to) {
        Matcher line = BANNER.matcher(new String(window, from, to - from, StandardCharsets.UTF_8));
        if (line.lookingAt()) {
            Banner found = new Banner(line.group().strip(), line.group(1));
            if (found.hasBuild() || best.isEmpty() || !best.get().hasBuild()) {
                best = Optional.of(found);
            }
        }
    }
}
