package org.mobrak.core.material.check;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.KnownPhone;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Finding;

/** For which phones does the file say it is, and is this one of them? A file for the sister variant bricks. */
final class DeviceRule implements Rule {
    @Override
    public Stream<Finding> check(Use use) {
        List<String> devices = use.file().devices();
        return Stream.concat(
                devices.isEmpty() ? Stream.empty() : Stream.of(declared(use, devices)), board(use).stream());
    }

    private static Finding declared(Use use, List<String> devices) {
        String listed = String.join(", ", devices);
        if (use.isPhone(devices)) {
            return Finding.note("right-device", "It says it is for %s, and this phone is.".formatted(listed));
        }
        Optional<KnownPhone> other = use.another(devices);
        if (other.isPresent() && use.facts().value(Fact.MODEL).isPresent()) {
            return sister(other.get(), "It says it is for " + listed);
        }
        return use.names().isEmpty()
                ? Finding.caution(
                        "device-unknown",
                        "It asks for %s, and what this phone calls itself is not known; read its device code first."
                                .formatted(listed))
                : Finding.stop(
                        "other-device",
                        "It says it is for %s; this phone calls itself %s. Never write it."
                                .formatted(listed, String.join(", ", use.names())));
    }

    private static Finding sister(KnownPhone other, String because) {
        return Finding.stop(
                "sister-variant",
                "%s: that is the %s, another variant. Never write it; the sister's file can leave a phone that does not start."
                        .formatted(because, other.model()));
    }

    /** Boot images have a name field; where it names a variant it is worth hearing. */
    private static Optional<Finding> board(Use use) {
        String board = use.file().board();
        if (board.isBlank()
                || use.isPhone(List.of(board))
                || use.facts().value(Fact.MODEL).isEmpty()) {
            return Optional.empty();
        }
        return use.another(List.of(board)).map(other -> sister(other, "Its boot image is named " + board));
    }
}
