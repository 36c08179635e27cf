package org.mobrak.core.identity.check;

import java.util.Optional;
import java.util.stream.Stream;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Finding.Sureness;
import org.mobrak.core.identity.build.Ruler.Role;
import org.mobrak.core.identity.build.Ruler.Segment;

/** The bootloader revision that the build number names against the one of the bootloader itself. */
final class BootloaderCheck implements Check {
    @Override
    public Stream<Finding> of(Case phone) {
        Optional<String> build = revision(phone, Fact.BUILD_NUMBER);
        return revision(phone, Fact.BOOTLOADER)
                .filter(own -> build.isPresent() && !build.get().equals(own))
                .map(own -> Finding.caution(
                                "bootloader-revision",
                                "The build number names bootloader revision %s, but the bootloader says %s: system and bootloader come from different updates."
                                        .formatted(build.get(), own))
                        .but(Sureness.LIKELY))
                .stream();
    }

    private static Optional<String> revision(Case phone, Fact fact) {
        return phone.value(fact)
                .flatMap(text -> phone.rulers().of(fact, text, phone.value(Fact.MAKER)))
                .flatMap(ruler -> ruler.part(Role.BOOTLOADER_REVISION))
                .map(Segment::text);
    }
}
