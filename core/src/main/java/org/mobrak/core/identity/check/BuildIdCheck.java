package org.mobrak.core.identity.check;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Finding.Sureness;
import org.mobrak.core.identity.build.BuildId;

/** The build id against the rule for build ids, the OS version and the build date. */
final class BuildIdCheck implements Check {
    /** Builders' clocks stand in other time zones. */
    private static final int DAYS_OF_GRACE = 2;

    /** Makers build on the platform's code for about so long (our own choice). */
    private static final int YEARS_IN_USE = 3;

    @Override
    public Stream<Finding> of(Case phone) {
        List<Finding> found = new ArrayList<>();
        phone.value(Fact.BUILD_ID)
                .ifPresent(text -> BuildId.of(text)
                        .ifPresentOrElse(id -> check(id, phone, found), () -> reportInvalid(text, found)));
        return found.stream();
    }

    private static void reportInvalid(String text, List<Finding> found) {
        if (BuildId.looksLikeOne(text)) {
            found.add(Finding.caution(
                            "build-id-invalid",
                            "Build id %s has the platform's form, but names a day that its quarter or month does not have; it was edited, or read wrongly."
                                    .formatted(text))
                    .but(Sureness.LIKELY));
        }
    }

    private static void check(BuildId id, Case phone, List<Finding> found) {
        phone.value(Fact.OS_VERSION)
                .filter(version -> !id.agreesWith(version))
                .ifPresent(version -> found.add(Finding.caution(
                        "build-id-release",
                        "Build id %s is of the family of OS version %s, but the phone says %s; one of the two was edited."
                                .formatted(id.text(), String.join(" or ", id.versions()), version))));
        phone.day(Fact.BUILD_DATE).flatMap(built -> dates(id, built)).ifPresent(found::add);
    }

    private static Optional<Finding> dates(BuildId id, LocalDate built) {
        if (built.plusDays(DAYS_OF_GRACE).isBefore(id.date())) {
            return Optional.of(Finding.caution(
                    "build-id-date",
                    "Build id %s stands for code of %s, yet the build date is %s, before it; one of the two was edited."
                            .formatted(id.text(), id.date(), built)));
        }
        return built.minusYears(YEARS_IN_USE).isAfter(id.date())
                ? Optional.of(Finding.note(
                                "build-id-date",
                                "The code of build id %s is of %s and was built on %s, years later; makers rarely do that, hobbyists often."
                                        .formatted(id.text(), id.date(), built))
                        .but(Sureness.HINT))
                : Optional.empty();
    }
}
