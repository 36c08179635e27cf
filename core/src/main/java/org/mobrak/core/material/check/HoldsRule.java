package org.mobrak.core.material.check;

import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Finding;

/** Is the kernel in it, and what its boot image says of the OS, what the route says of its file? */
final class HoldsRule implements Rule {
    @Override
    public Stream<Finding> check(Use use) {
        Map<Fact, String> found = Contents.of(use.file());
        return use.needed().stream()
                .flatMap(needed -> needed.holds().entrySet().stream())
                .filter(said -> found.containsKey(said.getKey()))
                .sorted(Map.Entry.comparingByKey())
                .map(said -> compare(said.getKey(), said.getValue(), Objects.requireNonNull(found.get(said.getKey()))));
    }

    private static Finding compare(Fact fact, String said, String found) {
        return Contents.coarse(fact, said).equalsIgnoreCase(Contents.coarse(fact, found))
                ? Finding.note(
                        "as-the-route-says",
                        "%s: %s in it, as the route says.".formatted(fact.label(), Contents.coarse(fact, found)))
                : Finding.stop(
                        "not-what-the-route-says",
                        "%s: the route says that its file holds %s; this one holds %s. It is another version of it, or another file."
                                .formatted(fact.label(), said, Contents.coarse(fact, found)));
    }
}
