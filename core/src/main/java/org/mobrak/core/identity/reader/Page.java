package org.mobrak.core.identity.reader;

import java.time.Instant;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Origin;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.identity.Source;
import org.mobrak.core.identity.VisibleText;

/**
 * A text on its way to readings: its lines, which of them some reader has taken, and what was read so far. Line indexes count
 * from 0 here and from 1 in everything that is told.
 */
final class Page {
    /** A kernel's banner has some 200 characters, a fingerprint 100. */
    private static final int LONGEST_VALUE = 1000;

    private static final int LONGEST_LINE = 4096;

    /** A listing has some 1,500. */
    private static final int MOST_LINES = 100_000;

    private final String name;
    private final Instant takenAt;
    private final List<String> lines;
    private final BitSet taken = new BitSet();
    private final List<Reading> readings = new ArrayList<>();
    private final List<Finding> findings;
    private boolean escaped;

    Page(RawText raw, Instant takenAt) {
        this.name = raw.name();
        this.takenAt = takenAt;
        this.lines = split(raw.text());
        this.findings = new ArrayList<>(raw.findings());
        if (lines.size() == MOST_LINES) {
            tell(Finding.caution(
                    "too-many-lines",
                    "%s has more than %d lines; the rest was not read. A listing of one phone is far shorter."
                            .formatted(name, MOST_LINES)));
        }
    }

    /** Lines end as they do on any system; an ending at the end of the text makes an empty last line. */
    private static List<String> split(String text) {
        String unified =
                text.indexOf('\r') < 0 ? text : text.replace("\r\n", "\n").replace('\r', '\n');
        List<String> lines = new ArrayList<>();
        int start = 0;
        for (int end = unified.indexOf('\n');
                end >= 0 && lines.size() < MOST_LINES;
                end = unified.indexOf('\n', start)) {
            lines.add(unified.substring(start, end));
            start = end + 1;
        }
        if (lines.size() < MOST_LINES) {
            lines.add(unified.substring(start));
        }
        return lines;
    }

    String name() {
        return name;
    }

    int size() {
        return lines.size();
    }

    /** A line as it stands in the text. */
    String raw(int index) {
        return lines.get(index);
    }

    /** A line without the white space around it; of one that is far too long only its beginning, since patterns look at it. */
    String line(int index) {
        String line = lines.get(index);
        return (line.length() > LONGEST_LINE ? line.substring(0, LONGEST_LINE) : line).strip();
    }

    /** Whether no reader has taken this line yet. */
    boolean isOpen(int index) {
        return !taken.get(index);
    }

    /** The lines that no reader has taken yet, in order. */
    IntStream open() {
        return IntStream.iterate(taken.nextClearBit(0), i -> i < lines.size(), i -> taken.nextClearBit(i + 1));
    }

    void take(int index) {
        taken.set(index);
    }

    boolean anyTaken() {
        return !taken.isEmpty();
    }

    /** Notes a reading; a value that the fact cannot have is told of instead. */
    void say(Fact fact, String value, Source source, int index) {
        String visible = visible(value, index);
        if (visible.length() > LONGEST_VALUE) {
            tell(Finding.caution(
                    "value-too-long",
                    "%s: %s would be %d characters long; no phone says so much, so it is not used."
                            .formatted(place(index), fact.label(), value.length())));
            return;
        }
        Optional<String> objection = fact.domain().objection(visible);
        if (objection.isPresent()) {
            tell(Finding.caution(
                    "impossible-value", "%s: %s %s; not used.".formatted(place(index), fact.label(), objection.get())));
            return;
        }
        readings.add(new Reading(fact, visible, new Origin.Text(source, name, index + 1), takenAt));
    }

    void tell(Finding finding) {
        findings.add(finding);
    }

    /** Where a line stands, for a person. */
    String place(int index) {
        return name + ", line " + (index + 1);
    }

    boolean says(Fact fact, Source source) {
        return readings.stream().anyMatch(reading -> reading.fact() == fact && reading.source() == source);
    }

    Parsed parsed() {
        if (readings.isEmpty()) {
            tell(Finding.caution(
                    "no-known-fact", name + " has the form of a reading, but names no fact Mobrak knows."));
        }
        return new Parsed(readings, findings);
    }

    /** A line break belongs to some values; any other control character could hide what really stands there. */
    private String visible(String value, int index) {
        String seen = VisibleText.of(value);
        if (!seen.equals(value) && !escaped) {
            escaped = true;
            tell(Finding.caution(
                    "control-characters",
                    "%s: control characters stand in a value; they are shown as \\u and their number."
                            .formatted(place(index))));
        }
        return seen;
    }
}
