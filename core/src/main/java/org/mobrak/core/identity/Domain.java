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
    record WholeNumber(int least, int most) implements Domain {
        private boolean holds(String value) {
            return value.matches("-?[0-9]{1,6}") && Integer.parseInt(value) >= least && Integer.parseInt(value) <= most;
        }
    }

    static Domain free() {
        return new Free();
    }

    static Domain oneOf(String... words) {
        return new OneOf(List.of(words));
    }

    static Domain number(int least, int most) {
        return new WholeNumber(least, most);
    }

    /** What is wrong with a value, as the end of a sentence that begins with the fact's name; empty if nothing. */
    default Optional<String> objection(String value) {
        if (this instanceof OneOf some && !some.words().contains(value)) {
            return Optional.of("must be one of " + String.join(", ", some.words()) + ", not “" + value + "”");
        }
        if (this instanceof WholeNumber range && !range.holds(value)) {
            return Optional.of(
                    "must be a whole number from %d to %d, not “%s”".formatted(range.least, range.most, value));
        }
        return value.isBlank() ? Optional.of("must not be empty") : Optional.empty();
    }

    /** The values worth asking about; empty where there is no end of them. */
    default List<String> words() {
        return List.of();
    }
}
