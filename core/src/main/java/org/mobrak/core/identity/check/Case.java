package org.mobrak.core.identity.check;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.Optional;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Ledger;
import org.mobrak.core.identity.build.Rulers;

/** What a check looks at: one phone's readings, what they add up to, and how its build strings are taken apart. */
record Case(Ledger ledger, Facts facts, Rulers rulers) {
    private static final int ISO_DAY = 10;

    Optional<String> value(Fact fact) {
        return facts.value(fact);
    }

    /** The day of a fact that is a date or a time in ISO 8601; empty if it is neither. */
    Optional<LocalDate> day(Fact fact) {
        return value(fact).filter(text -> text.length() >= ISO_DAY).flatMap(text -> {
            try {
                return Optional.of(LocalDate.parse(text.substring(0, ISO_DAY)));
            } catch (DateTimeException notIso) {
                return Optional.empty();
            }
        });
    }
}
