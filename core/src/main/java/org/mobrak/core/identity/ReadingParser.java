package org.mobrak.core.identity;

import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Turns raw text into readings, line by line, by what a line looks like and never by the file's name. One text may
 * mix forms, as a copied shell window does; lines that are none of them are passed over.
 *
 * <p>The forms: {@code [key]: [value]} as the running system lists its properties, where a value may run over
 * several lines; {@code key=value} as the system's property files hold them, with {@code #} comments and
 * {@code import} lines; and the kernel's banner, {@code Linux version …}.
 */
public final class ReadingParser {
    private static final Pattern LISTING = Pattern.compile("\\[([^\\]\\s]+)\\]: \\[(.*)\\]");
    private static final Pattern LISTING_BEGUN = Pattern.compile("\\[([^\\]\\s]+)\\]: \\[(.*)");
    private static final Pattern FILE = Pattern.compile("([A-Za-z][\\w.-]*)\\s*=\\s*(.*)");

    /** A value that runs on for longer than this is a listing cut off, not a value. */
    private static final int MOST_LINES_OF_A_VALUE = 20;

    private final RawText raw;
    private final Instant takenAt;
    private final String[] lines;
    private final List<Reading> readings = new ArrayList<>();
    private final List<Finding> findings;
    private final Map<String, Property> firstOfKey = new LinkedHashMap<>();

    private record Property(String key, String value, Source source, int line) {}

    private ReadingParser(RawText raw, Instant takenAt) {
        this.raw = raw;
        this.takenAt = takenAt;
        this.lines = raw.text().split("\r\n|\r|\n", -1);
        this.findings = new ArrayList<>(raw.findings());
    }

    /** All readings in a text, each with its line, and the findings about the text. */
    public static Parsed parse(RawText raw, Instant takenAt) {
        return new ReadingParser(raw, takenAt).parse();
    }

    /** Whether any line has one of the forms; says nothing about how many readings there are. */
    static boolean looksLikeReadings(String text) {
        return text.lines().map(String::strip).anyMatch(ReadingParser::looksLikeReading);
    }

    private static boolean looksLikeReading(String line) {
        return LISTING_BEGUN.matcher(line).matches() || KernelBanner.in(line).isPresent() || isProperty(line);
    }

    /** Any word before an equals sign could be prose or a script; the system's keys have dots. */
    private static boolean isProperty(String line) {
        Matcher file = FILE.matcher(line);
        return file.matches() && file.group(1).indexOf('.') > 0;
    }

    private Parsed parse() {
        for (int i = 0; i < lines.length; i++) {
            i = takeLine(i);
        }
        reportMissingLineEnd();
        if (readings.isEmpty()) {
            findings.add(Finding.caution(
                    "no-known-fact", raw.name() + " has the form of a reading, but names no fact Mobrak knows."));
        }
        return new Parsed(readings, findings);
    }

    /** Takes the reading that begins on this line and gives the last line it used. */
    private int takeLine(int index) {
        String line = lines[index].strip();
        Matcher listing = LISTING.matcher(line);
        if (listing.matches()) {
            takeProperty(new Property(listing.group(1), listing.group(2), Source.PROPERTY_LISTING, index + 1));
            return index;
        }
        Matcher begun = LISTING_BEGUN.matcher(line);
        if (begun.matches()) {
            return takeLongValue(index, begun.group(1), begun.group(2));
        }
        Optional<KernelBanner> banner = KernelBanner.in(line);
        if (banner.isPresent()) {
            takeBanner(banner.get(), index + 1);
        } else if (isProperty(line)) {
            Matcher file = FILE.matcher(line);
            file.matches();
            takeProperty(new Property(file.group(1), file.group(2).strip(), Source.PROPERTY_FILE, index + 1));
        } else {
            reportBrokenLine(line, index + 1);
        }
        return index;
    }

    private int takeLongValue(int index, String key, String begin) {
        StringBuilder value = new StringBuilder(begin);
        int last = Math.min(lines.length, index + MOST_LINES_OF_A_VALUE);
        for (int i = index + 1; i < last && !lines[i].startsWith("["); i++) {
            value.append('\n').append(lines[i].strip());
            if (lines[i].strip().endsWith("]")) {
                value.setLength(value.length() - 1);
                takeProperty(new Property(key, value.toString(), Source.PROPERTY_LISTING, index + 1));
                return i;
            }
        }
        reportCut(index + 1, key);
        return index;
    }

    private void takeProperty(Property property) {
        Property first = firstOfKey.putIfAbsent(property.key(), property);
        if (first != null) {
            reportDuplicate(first, property);
        }
        if (first == null || !first.value().equals(property.value())) {
            PropertyKeys.read(property.key(), property.value())
                    .ifPresent(said -> take(said.fact(), said.value(), property.source(), property.line()));
        }
    }

    private void takeBanner(KernelBanner banner, int line) {
        take(Fact.KERNEL_RELEASE, banner.release(), Source.KERNEL_BANNER, line);
        banner.built().ifPresent(built -> take(Fact.KERNEL_BUILT, built, Source.KERNEL_BANNER, line));
    }

    private void take(Fact fact, String value, Source source, int line) {
        Optional<String> objection = fact.domain().objection(value);
        if (objection.isPresent()) {
            findings.add(Finding.caution(
                    "impossible-value",
                    "%s, line %d: %s %s; not used.".formatted(raw.name(), line, fact.label(), objection.get())));
            return;
        }
        readings.add(new Reading(fact, value, source, raw.name(), line, takenAt));
    }

    private void reportCut(int line, String key) {
        findings.add(Finding.caution(
                "cut-listing",
                "%s, line %d: the listing breaks off in the value of %s. That value was not used; take the listing again."
                        .formatted(raw.name(), line, key)));
    }

    private void reportDuplicate(Property first, Property second) {
        boolean same = first.value().equals(second.value());
        findings.add(new Finding(
                same ? Severity.NOTE : Severity.CAUTION,
                "duplicate-key",
                "%s: %s stands on line %d and again on line %d, %s."
                        .formatted(
                                raw.name(),
                                first.key(),
                                first.line(),
                                second.line(),
                                same ? "with the same value" : "with another value; the first one leads")));
    }

    private void reportBrokenLine(String line, int number) {
        boolean brokenKey = line.startsWith("[") && !line.contains("]: [") || PropertyKeys.isKey(line);
        if (brokenKey) {
            findings.add(Finding.caution(
                    "cut-listing",
                    "%s, line %d: the line breaks off before its value; take the listing again."
                            .formatted(raw.name(), number)));
        }
    }

    /** A property file that was cut in mid-line shows it only by the missing line end; a paste has none anyway. */
    private void reportMissingLineEnd() {
        String last = lines[lines.length - 1].strip();
        if (isProperty(last) && !raw.name().equals(TextIntake.PASTED)) {
            findings.add(Finding.note(
                    "no-last-line-end",
                    "%s ends without a line end; if it was cut off, its last value is incomplete."
                            .formatted(raw.name())));
        }
    }
}
