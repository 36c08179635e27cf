package org.mobrak.core.identity.reader;

import java.time.Instant;
import java.util.List;

/**
 * Turns raw text into readings by what its lines look like and never by the file's name. One text may mix forms, as a copied
 * shell window does; lines that are none of them are passed over.
 *
 * <p>The narrow forms go first, so that the wide one (a label and a value) gets only what is left.
 */
public final class ReadingParser {
    private static final List<FormReader> READERS = List.of(
            new PropertyReader(),
            new BannerReader(),
            new ShellIdentityReader(),
            new VolumesReader(),
            new PartitionListing(),
            new BatteryReader(),
            new LabelledReader());

    private static final int A_GLANCE = 40;

    private ReadingParser() {}

    /** All readings in a text, each with its line, and the findings about the text. */
    public static Parsed parse(RawText raw, Instant takenAt) {
        return read(raw, takenAt).parsed();
    }

    /** Whether any line has one of the forms; says nothing about how many readings there are. */
    static boolean looksLikeReadings(String text) {
        return hasAForm(firstLines(text)) || hasAForm(text);
    }

    private static boolean hasAForm(String text) {
        return read(new RawText("", text, List.of()), Instant.EPOCH).anyTaken();
    }

    private static Page read(RawText raw, Instant takenAt) {
        Page page = new Page(raw, takenAt);
        READERS.forEach(reader -> reader.read(page));
        return page;
    }

    private static String firstLines(String text) {
        int end = 0;
        for (int line = 0; line < A_GLANCE && end < text.length(); line++) {
            int next = text.indexOf('\n', end);
            end = next < 0 ? text.length() : next + 1;
        }
        return text.substring(0, end);
    }
}
