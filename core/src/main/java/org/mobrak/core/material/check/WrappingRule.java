package org.mobrak.core.material.check;

import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.NeededFile;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.material.FileKind;
import org.mobrak.core.material.Material;

/** What must stay zipped is zipped, and what must be unpacked is unpacked. */
final class WrappingRule implements Rule {
    @Override
    public Stream<Finding> check(Use use) {
        return use.needed().flatMap(needed -> finding(use.file(), needed)).stream();
    }

    private static Optional<Finding> finding(Material file, NeededFile needed) {
        boolean wantsZip = needed.name().toLowerCase(Locale.ROOT).endsWith(".zip");
        boolean keep = needed.keepZipped().orElse(false);
        boolean unpack = needed.keepZipped().isPresent() && !keep;
        if (wantsZip && !file.kind().isZip()) {
            return Optional.of(Finding.stop(
                    "not-zipped",
                    "The route wants it zipped, as it was fetched; this is %s. Fetch it again and do not unpack it."
                            .formatted(file.kind().label())));
        }
        if (!wantsZip && isWrapping(file.kind()) && (unpack || holds(file, needed))) {
            return Optional.of(Finding.stop(
                    "still-packed",
                    "The route wants “%s”; this is %s around it. Unpack it once and take what is inside."
                            .formatted(needed.name(), file.kind().label())));
        }
        return Optional.empty();
    }

    private static boolean isWrapping(FileKind kind) {
        return kind == FileKind.ZIP || kind.isPacked();
    }

    private static boolean holds(Material file, NeededFile needed) {
        return file.members().stream().anyMatch(needed.name()::equalsIgnoreCase);
    }
}
