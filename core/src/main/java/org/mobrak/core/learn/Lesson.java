package org.mobrak.core.learn;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.mobrak.core.learn.reading.Sure;
import org.mobrak.core.learn.reading.Understood.Role;

/**
 * What was learnt from a guide.
 *
 * @param routes drafts in the catalogue's form, each marked as one
 * @param phones families in the catalogue's form, of phones whose readings were among the texts
 * @param evidence where each value was read
 * @param missing what a safe route needs and the text does not say
 * @param account what became of each line of the sources
 */
public record Lesson(
        List<ObjectNode> routes,
        List<ObjectNode> phones,
        List<Evidence> evidence,
        List<Missing> missing,
        List<Warning> warnings,
        List<Line> account) {
    public Lesson {
        routes = List.copyOf(routes);
        phones = List.copyOf(phones);
        evidence = List.copyOf(evidence);
        missing = List.copyOf(missing);
        warnings = List.copyOf(warnings);
        account = List.copyOf(account);
    }

    /** Nothing at all. */
    public static Lesson empty() {
        return new Lesson(List.of(), List.of(), List.of(), List.of(), List.of(), List.of());
    }

    /** The same, with what became of each line. */
    Lesson with(List<Line> lines) {
        return new Lesson(routes, phones, evidence, missing, warnings, lines);
    }

    /** The same with other evidence. */
    Lesson saying(List<Evidence> other) {
        return new Lesson(routes, phones, other, missing, warnings, account);
    }

    /** The same, with what the readings of phones say. */
    Lesson with(ReadPhones read) {
        if (read.phones().isEmpty()) {
            return this;
        }
        // A phone that tells of itself says more than a guide does of it.
        List<Evidence> both = new ArrayList<>(evidence);
        both.removeIf(one -> one.path().startsWith("/phones/"));
        both.addAll(read.evidence());
        List<Missing> open = new ArrayList<>(missing);
        open.addAll(read.missing());
        List<Line> lines = account.stream()
                .map(line -> new Line(
                        line.file(),
                        line.line(),
                        line.role(),
                        line.fields().stream()
                                .filter(path -> !path.startsWith("/phones/"))
                                .toList()))
                .toList();
        return new Lesson(routes, read.phones(), both, open, warnings, lines);
    }

    /**
     * A value and where it was read.
     *
     * @param path a JSON pointer into the lesson, such as {@code /routes/0/fits/phones/0/model}
     * @param line the physical line of the source on which the value begins, from 1
     * @param text that line
     * @param second of a recording: when it is said
     */
    public record Evidence(
            String path, String value, String file, int line, String text, Sure sure, Optional<Integer> second) {
        public Evidence(String path, String value, String file, int line, String text, Sure sure) {
            this(path, value, file, line, text, sure, Optional.empty());
        }

        Evidence at(Optional<Integer> other) {
            return new Evidence(path, value, file, line, text, sure, other);
        }

        Evidence under(String other) {
            return new Evidence(other, value, file, line, text, sure, second);
        }

        /** “2:13”, “1:02:13”; empty where it was not said but written. */
        public Optional<String> clock() {
            return second.map(all -> all < 3_600
                    ? "%d:%02d".formatted(all / 60, all % 60)
                    : "%d:%02d:%02d".formatted(all / 3_600, all / 60 % 60, all % 60));
        }
    }

    /** A question that must be answered before the draft can be a route. */
    public record Missing(String path, String ask) {}

    /**
     * What a line of a source was taken for.
     *
     * @param fields JSON pointers into the lesson, of the values that were read from it
     */
    public record Line(String file, int line, Role role, List<String> fields) {
        public Line {
            fields = List.copyOf(fields);
        }
    }

    /** Something odd about the text. */
    public record Warning(String code, int line, String text) {}
}
