package org.mobrak.app.rehearsal;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** Who works through the sheet. */
public enum Person {
    /** Looks at every gate and sign, checks every file, and stops where the sheet says so. */
    CAREFUL,
    /** Takes what comes, passes every gate and never waits for a sign. */
    HASTY,
    /** Has only the printed card, does what it says and nothing else. */
    LITERAL;

    /** As it is written: {@code careful}. */
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    public static Optional<Person> ofWord(String word) {
        return Arrays.stream(values())
                .filter(person -> person.word().equals(word))
                .findFirst();
    }
}
