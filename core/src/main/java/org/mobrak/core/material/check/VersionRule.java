package org.mobrak.core.material.check;

import java.util.Optional;
import java.util.stream.Stream;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.build.VersionOrder;

/** Is what the file brings older or newer than what the phone runs? A phone with a rollback fuse refuses to go back, for good. */
final class VersionRule implements Rule {
    @Override
    public Stream<Finding> check(Use use) {
        return Stream.concat(
                compare(use, "OS version", use.file().osVersion(), Fact.OS_VERSION).stream(),
                compare(use, "patch level", use.file().patchLevel(), Fact.PATCH_LEVEL).stream());
    }

    private static Optional<Finding> compare(Use use, String what, Optional<String> brings, Fact fact) {
        Optional<String> has = use.facts().value(fact);
        if (brings.isEmpty() || has.isEmpty()) {
            return Optional.empty();
        }
        String phone = Contents.coarse(fact, has.get());
        int order = VersionOrder.compare(brings.get().replace('-', '.'), phone.replace('-', '.'))
                .orElse(0);
        String both = "Its boot image is of %s %s; the phone's is %s.".formatted(what, brings.get(), phone);
        if (order < 0) {
            return Optional.of(older(use, both));
        }
        return order > 0
                ? Optional.of(Finding.note("newer-than-phone", both + " It brings a newer one."))
                : Optional.empty();
    }

    private static Finding older(Use use, String both) {
        return switch (use.facts().value(Fact.ROLLBACK_FUSE).orElse("")) {
            case "present" ->
                Finding.stop(
                        "older-with-rollback-fuse",
                        both
                                + " This phone has a rollback fuse and will not start with something older. Do not write it.");
            case "absent" ->
                Finding.note("older-than-phone", both + " This phone has no rollback fuse, so it may go back.");
            default ->
                Finding.caution(
                        "older-than-phone",
                        both + " If the phone has a rollback fuse it will not start with it: find out before writing.");
        };
    }
}
