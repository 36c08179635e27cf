package org.mobrak.core.learn;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * What was learnt from a guide.
 *
 * @param routes drafts in the catalogue's form, each marked as one
 * @param phones families in the catalogue's form, of phones whose readings were among the texts
 * @param evidence where each value was read
 * @param missing what a safe route needs and the text does not say
 */
public record Lesson(
        List<ObjectNode> routes,
        List<ObjectNode> phones,
        List<Evidence> evidence,
        List<Missing> missing,
        List<Warning> warnings) {
    public Lesson {
        routes = List.copyOf(routes);
        phones = List.copyOf(phones);
        evidence = List.copyOf(evidence);
        missing = List.copyOf(missing);
        warnings = List.copyOf(warnings);
    }

    /** Nothing at all. */
    public static Lesson empty() {
        return new Lesson(List.of(), List.of(), List.of(), List.of(), List.of());
    }

    /** The same, with what the readings of phones say. */
    Lesson with(ReadPhones read) {
        List<Evidence> both = new ArrayList<>(evidence);
        both.addAll(read.evidence());
        List<Missing> open = new ArrayList<>(missing);
        open.addAll(read.missing());
        return new Lesson(routes, read.phones(), both, open, warnings);
    }

    /** How sure a value is. */
    public enum Sure {
        /** The text says it plainly, under its own label. */
        CERTAIN,
        /** It is said without a label, or in passing. */
        LIKELY,
        GUESS;

        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /**
     * A value and where it was read.
     *
     * @param path a JSON pointer into the lesson, such as {@code /routes/0/fits/phones/0/model}
     * @param line the physical line of the source on which the value begins, from 1
     * @param text that line
     */
    public record Evidence(String path, String value, String file, int line, String text, Sure sure) {}

    /** A question that must be answered before the draft can be a route. */
    public record Missing(String path, String ask) {}

    /** Something odd about the text. */
    public record Warning(String code, int line, String text) {}
}
