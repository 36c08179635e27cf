package org.mobrak.core.identity.check;

import java.time.LocalDate;
import java.util.Optional;
import java.util.stream.Stream;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Finding.Sureness;
import org.mobrak.core.identity.Possible;
import org.mobrak.core.identity.Reading;

/** Dates that cannot be, and the patch level against the build date. */
final class DateCheck implements Check {
    /** Makers have the patches some weeks before the day they are named after (common practice, no published source). */
    private static final int DAYS_AHEAD = 60;

    private static final int DAYS_BEHIND = 365;

    @Override
    public Stream<Finding> of(Case phone) {
        return Stream.concat(
                phone.ledger().readings().stream()
                        .filter(reading -> reading.counts() && reading.fact().isDay() && !Possible.canBe(reading))
                        .map(DateCheck::impossible)
                        .distinct(),
                patchLevel(phone).stream());
    }

    private static Finding impossible(Reading reading) {
        return Finding.caution(
                "impossible-date",
                "%s is “%s” (%s), which cannot be; it was edited, or the builder's clock was wrong. It is taken for not known."
                        .formatted(reading.fact().label(), reading.value(), reading.place()));
    }

    private static Optional<Finding> patchLevel(Case phone) {
        Optional<LocalDate> patched = phone.day(Fact.PATCH_LEVEL);
        Optional<LocalDate> built = phone.day(Fact.BUILD_DATE);
        if (patched.isEmpty() || built.isEmpty()) {
            return Optional.empty();
        }
        if (patched.get().isAfter(built.get().plusDays(DAYS_AHEAD))) {
            return Optional.of(Finding.caution(
                            "patch-level-build-date",
                            "The patch level %s is later than the build of %s can hold; one of the two was edited."
                                    .formatted(patched.get(), built.get()))
                    .but(Sureness.LIKELY));
        }
        return patched.get().isBefore(built.get().minusDays(DAYS_BEHIND))
                ? Optional.of(Finding.note(
                                "patch-level-build-date",
                                "The patch level %s was more than a year old when this was built on %s."
                                        .formatted(patched.get(), built.get()))
                        .but(Sureness.HINT))
                : Optional.empty();
    }
}
