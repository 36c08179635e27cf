package org.mobrak.core.identity;

import java.time.Instant;
import java.util.Arrays;
import java.util.Optional;
import java.util.stream.Collectors;

/** What a person says of a phone, written {@code key=value}; the form of {@code --set} and of typed-in readings. */
public final class TypedReading {
    private static final int LONGEST_VALUE = 1000;

    private TypedReading() {}

    /** Reads {@code key=value}; a {@link Refusal} says in one line what is wrong and what is allowed. */
    public static Reading parse(String text, Instant at) throws Refusal {
        int equals = text.indexOf('=');
        if (equals < 1) {
            throw new Refusal("“" + text + "” must be KEY=VALUE, for example lock=unlocked.");
        }
        String key = text.substring(0, equals).strip();
        Fact fact = Fact.ofKey(key).orElseThrow(() -> new Refusal(unknown(key)));
        String value = asItsWord(fact, text.substring(equals + 1).strip());
        if (value.length() > LONGEST_VALUE) {
            throw new Refusal(
                    fact.label() + " (" + key + ") must not be longer than " + LONGEST_VALUE + " characters.");
        }
        Optional<String> objection = fact.domain().objection(value);
        if (objection.isPresent()) {
            throw new Refusal(fact.label() + " (" + key + ") " + objection.get() + ".");
        }
        return new Reading(fact, value, new Origin.Typed(), at);
    }

    /** Where a fact has only a few words, capitals do not count. */
    private static String asItsWord(Fact fact, String value) {
        return fact.domain().words().stream()
                .filter(word -> word.equalsIgnoreCase(value))
                .findFirst()
                .orElse(value);
    }

    /** The text form of a fact and a value. */
    public static String text(Fact fact, String value) {
        return fact.key() + "=" + value;
    }

    private static String unknown(String key) {
        String keys = Arrays.stream(Fact.values()).map(Fact::key).collect(Collectors.joining(" "));
        return "“" + key + "” is no fact Mobrak knows; the keys are: " + keys + ".";
    }
}
