package org.mobrak.core.identity;

import java.util.List;
import java.util.Optional;

/** The values a fact may take. A free text is never a state, so it cannot be listed. */
public sealed interface Domain {

    /** Any text of at least one character. */
    record Free() implements Domain {}

    /** One of a few words. */
    record OneOf(List<String> words) implements Domain {}

    /** A whole number between two bounds, both included. */
    record WholeNumber(long least, long most) implements Domain {
        private boolean holds(String value) {
            if (!value.matches("-?[0-9]{1,18}")) {
                return false;
            }
            long number = Long.parseLong(value);
            return number >= least && number <= most;
        }
    }

    /** A number with a decimal point, between two bounds, both included. */
    record Decimal(int least, int most) implements Domain {
        private boolean holds(String value) {
            return value.matches("-?[0-9]{1,6}(\\.[0-9]{1,6})?")
                    && Double.parseDouble(value) >= least
                    && Double.parseDouble(value) <= most;
        }
    }

    static Domain free() {
        return new Free();
    }

    static Domain oneOf(String... words) {
        return new OneOf(List.of(words));
    }

    static Domain number(long least, long most) {
        return new WholeNumber(least, most);
    }

    static Domain decimal(int least, int most) {
        return new Decimal(least, most);
    }

    /** What is wrong with a value, as the end of a sentence that begins with the fact's name; empty if nothing. */
    default Optional<String> objection(String value) {
        if (this instanceof OneOf some && !some.words().contains(value)) {
            return Optional.of("must be one of " + String.join(", ", some.words()) + ", not “" + value + "”");
        }
        if (this instanceof WholeNumber range && !range.holds(value)) {
            String bounds = range.most == Long.MAX_VALUE ? range.least + " up" : range.least + " to " + range.most;
            return Optional.of("must be a whole number from %s, not “%s”".formatted(bounds, value));
        }
        if (this instanceof Decimal range && !range.holds(value)) {
            return Optional.of("must be a number from %d to %d, not “%s”".formatted(range.least, range.most, value));
        }
        return value.isBlank() ? Optional.of("must not be empty") : Optional.empty();
    }

    /** The values worth asking about; empty where there is no end of them. */
    default List<String> words() {
        return List.of();
    }
}
