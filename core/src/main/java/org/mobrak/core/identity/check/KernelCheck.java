package org.mobrak.core.identity.check;

import java.time.LocalDate;
import java.util.Optional;
import java.util.stream.Stream;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Finding.Sureness;

/**
 * The kernel's build date against the OS's. A maker builds both in one go; the bounds are common practice, no published
 * source.
 */
final class KernelCheck implements Check {
    private static final int DAYS_AFTER = 7;
    private static final int DAYS_BEFORE = 180;

    @Override
    public Stream<Finding> of(Case phone) {
        Optional<LocalDate> kernel = phone.day(Fact.KERNEL_BUILT);
        Optional<LocalDate> os = phone.day(Fact.BUILD_DATE);
        return kernel.isEmpty() || os.isEmpty() ? Stream.empty() : check(kernel.get(), os.get(), phone).stream();
    }

    private static Optional<Finding> check(LocalDate kernel, LocalDate os, Case phone) {
        String who = phone.value(Fact.KERNEL_BUILDER).map(name -> " by " + name).orElse("");
        if (kernel.isAfter(os.plusDays(DAYS_AFTER))) {
            return Optional.of(Finding.caution(
                            "kernel-replaced",
                            "The kernel was built on %s%s, long after the OS (%s): it is not the one the phone came with."
                                    .formatted(kernel, who, os))
                    .but(Sureness.LIKELY));
        }
        return kernel.isBefore(os.minusDays(DAYS_BEFORE))
                ? Optional.of(Finding.note(
                                "kernel-older",
                                "The kernel was built on %s%s, long before the OS (%s): one of the two may have been exchanged."
                                        .formatted(kernel, who, os))
                        .but(Sureness.HINT))
                : Optional.empty();
    }
}
