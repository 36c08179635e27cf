package org.mobrak.core.identity.build;

import com.fasterxml.jackson.annotation.JsonIgnoreProperties;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.format.ResolverStyle;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.build.Ruler.Role;
import org.mobrak.core.identity.build.Ruler.Segment;

/**
 * How one maker composes one kind of build string: named segments of so many letters or digits, in a row. It is data and
 * nobody vouches for it, so it has no patterns in it that could run for ever: matching takes at most segments × length steps.
 *
 * @param fact the fact whose values it takes apart
 * @param examples strings that it must take apart; the loader tries them
 */
@JsonIgnoreProperties("origin")
public record BuildGrammar(String id, String maker, Fact fact, List<String> examples, List<Piece> segments) {
    public BuildGrammar {
        examples = examples == null ? List.of() : List.copyOf(examples);
        segments = List.copyOf(segments);
    }

    /**
     * One segment.
     *
     * @param literal the text that must stand here; all else is empty then
     * @param length least and most characters
     * @param values what each value means; others are allowed
     * @param format for dates: how they are written, as in {@code uuMMdd}
     */
    public record Piece(
            Optional<String> literal,
            String label,
            Role role,
            Kind of,
            List<Integer> length,
            Map<String, String> values,
            Optional<String> format) {
        public Piece {
            label = label == null ? "" : label;
            role = role == null ? literal.isPresent() ? Role.MARK : Role.OTHER : role;
            of = of == null ? Kind.LETTERS_AND_DIGITS : of;
            length = length == null ? List.of(1, 1) : List.copyOf(length);
            values = values == null ? Map.of() : Map.copyOf(values);
            // What cannot work is refused where it is read, not where it is first used.
            format.ifPresent(DateTimeFormatter::ofPattern);
            if (length.get(0) > length.get(length.size() - 1)) {
                throw new IllegalArgumentException("The least length of “" + label + "” is above the most.");
            }
        }

        private boolean accepts(String part) {
            return literal.map(part::equals).orElseGet(() -> part.chars().allMatch(of::holds) && isDate(part));
        }

        private boolean isDate(String part) {
            return format.isEmpty() || date(part).isPresent();
        }

        private Optional<LocalDate> date(String part) {
            try {
                return format.map(form -> LocalDate.parse(
                        part, DateTimeFormatter.ofPattern(form, Locale.ROOT).withResolverStyle(ResolverStyle.STRICT)));
            } catch (DateTimeException noSuchDay) {
                return Optional.empty();
            }
        }

        private Segment segment(String part) {
            String meaning = date(part).map(LocalDate::toString).orElse(values.getOrDefault(part, ""));
            return new Segment(part, label, meaning, role);
        }

        private int least() {
            return literal.map(String::length).orElse(length.get(0));
        }

        private int most() {
            return literal.map(String::length).orElse(length.get(length.size() - 1));
        }
    }

    /** Which characters a segment is made of; all are ASCII. */
    public enum Kind {
        LETTERS,
        DIGITS,
        LETTERS_AND_DIGITS;

        private boolean holds(int c) {
            boolean digit = c >= '0' && c <= '9';
            boolean letter = c >= 'A' && c <= 'Z' || c >= 'a' && c <= 'z';
            return digit && this != LETTERS || letter && this != DIGITS;
        }
    }

    /** Whether it tells the bootloader revision. */
    public boolean hasRevision() {
        return segments.stream().anyMatch(piece -> piece.role() == Role.BOOTLOADER_REVISION);
    }

    /** Takes a string apart; empty if the grammar does not fit all of it. */
    public Optional<Ruler> ruler(String text) {
        return new Match(text).from(0, 0).map(parts -> new Ruler(fact.label(), text, parts));
    }

    /** One attempt; remembers where the rest could not be matched, so that no place is tried twice. */
    private final class Match {
        private final String text;
        private final Set<List<Integer>> dead = new HashSet<>();

        Match(String text) {
            this.text = text;
        }

        Optional<List<Segment>> from(int piece, int at) {
            if (piece == segments.size()) {
                return at == text.length() ? Optional.of(List.of()) : Optional.empty();
            }
            if (dead.contains(List.of(piece, at))) {
                return Optional.empty();
            }
            Piece next = segments.get(piece);
            for (int end = Math.min(text.length(), at + next.most()); end >= at + next.least(); end--) {
                String part = text.substring(at, end);
                Optional<List<Segment>> rest = next.accepts(part) ? from(piece + 1, end) : Optional.empty();
                if (rest.isPresent()) {
                    List<Segment> all = new ArrayList<>(List.of(next.segment(part)));
                    all.addAll(rest.get());
                    return Optional.of(all);
                }
            }
            dead.add(List.of(piece, at));
            return Optional.empty();
        }
    }
}
