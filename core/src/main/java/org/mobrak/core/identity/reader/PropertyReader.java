package org.mobrak.core.identity.reader;

import java.util.EnumMap;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Severity;
import org.mobrak.core.identity.Source;

/**
 * The system's properties in both forms: {@code [key]: [value]} as the running system lists them, where a value may run over
 * several lines, and {@code key=value} as its files hold them, with {@code #} comments and {@code import} lines.
 */
final class PropertyReader implements FormReader {
    /** A value that runs on for longer than this is a listing cut off, not a value. */
    private static final int MOST_LINES_OF_A_VALUE = 20;

    private record Property(String key, String value, Source source, int index) {}

    @Override
    public void read(Page page) {
        new Run(page).read();
    }

    /** Any word before an equals sign could be prose or a script; the system's keys have dots. */
    private static int keyEnd(String line) {
        int equals = line.indexOf('=');
        int end = equals;
        while (end > 0 && Character.isWhitespace(line.charAt(end - 1))) {
            end--;
        }
        if (end < 1 || !isLetter(line.charAt(0))) {
            return -1;
        }
        boolean dotted = false;
        for (int i = 1; i < end; i++) {
            char c = line.charAt(i);
            if (!isLetter(c) && !(c >= '0' && c <= '9') && c != '.' && c != '-' && c != '_') {
                return -1;
            }
            dotted |= c == '.';
        }
        return dotted ? end : -1;
    }

    private static boolean isLetter(char c) {
        return c >= 'a' && c <= 'z' || c >= 'A' && c <= 'Z';
    }

    /** One pass over one page. */
    private static final class Run {
        private final Page page;
        private final Map<String, Property> firstOfKey = new HashMap<>();
        private final Map<Fact, Property> elsewhere = new EnumMap<>(Fact.class);

        Run(Page page) {
            this.page = page;
        }

        void read() {
            for (int i = 0; i < page.size(); i++) {
                i = takeLine(i, page.line(i));
            }
            takeElsewhere();
            reportMissingLineEnd();
        }

        /** Takes the property that begins on this line and gives the last line it used. */
        private int takeLine(int index, String line) {
            int middle = line.startsWith("[") ? line.indexOf("]: [") : -1;
            if (middle > 1) {
                return takeListed(index, line.substring(1, middle), line.substring(middle + 4));
            }
            int end = keyEnd(line);
            if (end > 0) {
                page.take(index);
                String value = line.substring(line.indexOf('=') + 1).strip();
                take(new Property(line.substring(0, end), value, Source.PROPERTY_FILE, index));
            } else if (line.startsWith("[") || PropertyKeys.isKey(line)) {
                reportBrokenLine(index, line);
            }
            return index;
        }

        private int takeListed(int index, String key, String rest) {
            page.take(index);
            if (rest.endsWith("]")) {
                if (!PropertyKeys.isKey(key)) {
                    return index;
                }
                String value = rest.substring(0, rest.length() - 1);
                take(new Property(key, value, Source.PROPERTY_LISTING, index));
                return index;
            }
            StringBuilder value = new StringBuilder(rest);
            int last = Math.min(page.size(), index + MOST_LINES_OF_A_VALUE);
            for (int i = index + 1; i < last && !page.raw(i).startsWith("["); i++) {
                value.append('\n').append(page.line(i));
                if (page.line(i).endsWith("]")) {
                    value.setLength(value.length() - 1);
                    take(new Property(key, value.toString(), Source.PROPERTY_LISTING, index));
                    return i;
                }
            }
            reportCut(index, key);
            return index;
        }

        /** A key of no interest may stand as often as it likes. */
        private void take(Property property) {
            if (!PropertyKeys.isKey(property.key())) {
                return;
            }
            Property first = firstOfKey.putIfAbsent(property.key(), property);
            if (first != null) {
                reportDuplicate(first, property);
            }
            if (first == null || !first.value().equals(property.value())) {
                PropertyKeys.read(property.key(), property.value()).ifPresent(said -> say(said, property));
            }
        }

        private void say(PropertyKeys.Said said, Property property) {
            if (said.isMain()) {
                page.say(said.fact(), said.value(), property.source(), property.index());
            } else {
                elsewhere.merge(said.fact(), property, (first, second) -> better(said.fact(), first, second));
            }
        }

        private static Property better(Fact fact, Property first, Property second) {
            return PropertyKeys.rank(fact, second.key()) < PropertyKeys.rank(fact, first.key()) ? second : first;
        }

        /** Keys of single partitions speak only where the system's own key is missing: partitions may differ in age. */
        private void takeElsewhere() {
            elsewhere.forEach((fact, property) -> {
                if (!page.says(fact, property.source())) {
                    Optional<PropertyKeys.Said> said = PropertyKeys.read(property.key(), property.value());
                    page.say(fact, said.orElseThrow().value(), property.source(), property.index());
                }
            });
        }

        private void reportCut(int index, String key) {
            page.tell(Finding.caution(
                    "cut-listing",
                    "%s: the listing breaks off in the value of %s. That value was not used; take the listing again."
                            .formatted(page.place(index), key)));
        }

        private void reportBrokenLine(int index, String line) {
            boolean listingGoesOn = line.startsWith("[") && page.anyTaken() && !line.endsWith("]");
            if (listingGoesOn || PropertyKeys.isKey(line)) {
                page.tell(Finding.caution(
                        "cut-listing",
                        "%s: the line breaks off before its value; take the listing again."
                                .formatted(page.place(index))));
            }
        }

        private void reportDuplicate(Property first, Property second) {
            boolean same = first.value().equals(second.value());
            page.tell(new Finding(
                    same ? Severity.NOTE : Severity.CAUTION,
                    "duplicate-key",
                    "%s: %s stands on line %d and again on line %d, %s."
                            .formatted(
                                    page.name(),
                                    first.key(),
                                    first.index() + 1,
                                    second.index() + 1,
                                    same ? "with the same value" : "with another value; the first one leads"),
                    Finding.Sureness.CERTAIN));
        }

        /** A property file that was cut in mid-line shows it only by the missing line end; a paste has none anyway. */
        private void reportMissingLineEnd() {
            if (keyEnd(page.line(page.size() - 1)) > 0 && !page.name().equals(TextIntake.PASTED)) {
                page.tell(Finding.note(
                        "no-last-line-end",
                        "%s ends without a line end; if it was cut off, its last value is incomplete."
                                .formatted(page.name())));
            }
        }
    }
}
