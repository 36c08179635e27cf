package org.mobrak.core.identity.check;

import java.util.Optional;
import java.util.stream.Stream;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.build.ReleaseTable;

/** The API level against the OS version. */
final class ReleaseCheck implements Check {
    @Override
    public Stream<Finding> of(Case phone) {
        Optional<String> version = phone.value(Fact.OS_VERSION);
        Optional<Integer> expected = version.flatMap(ReleaseTable::apiLevelOf);
        return phone
                .value(Fact.API_LEVEL)
                .filter(level -> expected.isPresent() && Integer.parseInt(level) != expected.get())
                .map(level -> Finding.caution(
                        "api-level-release",
                        "OS version %s belongs to API level %d, but the phone says %s; one of the two was edited."
                                .formatted(version.orElseThrow(), expected.orElseThrow(), level)))
                .stream();
    }
}
