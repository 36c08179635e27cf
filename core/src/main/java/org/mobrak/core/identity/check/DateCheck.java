package org.mobrak.core.identity.check;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Optional;
import java.util.stream.Stream;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Finding.Sureness;
import org.mobrak.core.identity.Reading;

/** Dates that cannot be, and the patch level against the build date. */
final class DateCheck implements Check {
    /** Before it there was no phone with this OS; from memory. */
    private static final LocalDate FIRST_PHONE = LocalDate.of(2008, 9, 1);

    /** Before it there was no patch level; from memory. */
    private static final LocalDate FIRST_PATCH_LEVEL = LocalDate.of(2015, 8, 1);

    /** Makers have the patches some weeks before the day they are named after (common practice, no published source). */
    private static final int DAYS_AHEAD = 60;

    private static final int DAYS_BEHIND = 365;

    @Override
    public Stream<Finding> of(Case phone) {
        return Stream.of(
                        impossible(phone, Fact.BUILD_DATE, FIRST_PHONE),
                        impossible(phone, Fact.KERNEL_BUILT, FIRST_PHONE),
                        impossible(phone, Fact.PATCH_LEVEL, FIRST_PATCH_LEVEL),
                        patchLevel(phone))
                .flatMap(Optional::stream);
    }

    private static Optional<Finding> impossible(Case phone, Fact fact, LocalDate first) {
        return phone.value(fact).flatMap(value -> {
            Reading reading = phone.facts().belief(fact).readings().get(0);
            LocalDate read = LocalDate.ofInstant(reading.takenAt(), ZoneOffset.UTC);
            boolean possible = phone.day(fact)
                    .filter(day -> !day.isBefore(first) && !day.isAfter(read.plusDays(1)))
                    .isPresent();
            return possible
                    ? Optional.empty()
                    : Optional.of(Finding.caution(
                            "impossible-date",
                            "%s is “%s” (%s), which cannot be; it was edited, or the builder's clock was wrong."
                                    .formatted(fact.label(), value, reading.place())));
        });
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
