package org.mobrak.core.material.check;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.material.Write;

/** Does it write what the route says, and nothing else? */
final class WritesRule implements Rule {
    @Override
    public Stream<Finding> check(Use use) {
        Stream<Finding> unknown = use.file().writes().stream()
                .filter(write -> write.kind() == PartitionClass.UNKNOWN)
                .limit(8)
                .map(WritesRule::unknown);
        return Stream.concat(
                unknown,
                use.route().isEmpty()
                        ? use.file().writes().stream().flatMap(write -> grave(write).stream())
                        : againstRoute(use));
    }

    private static Finding unknown(Write write) {
        return Finding.caution(
                "unknown-partition",
                "It would write “%s” (%s), and neither this phone's list nor the general one has a partition of that name."
                        .formatted(write.partition(), write.because()));
    }

    private static Optional<Finding> grave(Write write) {
        return write.kind().canBrickForGood() && write.kind() != PartitionClass.UNKNOWN
                ? Optional.of(Finding.caution(
                        "writes-" + write.kind().word(),
                        "It would write %s (%s): a bad write there can be for good. Only for the very build it was made for, with the battery at %d %% and copies taken first."
                                .formatted(
                                        write.kind().named(),
                                        write.because(),
                                        write.kind().battery())))
                : Optional.empty();
    }

    private static Stream<Finding> againstRoute(Use use) {
        Set<PartitionClass> allowed = EnumSet.of(PartitionClass.APP);
        use.route().ifPresent(route -> allowed.addAll(route.changes().writes()));
        use.needed().flatMap(needed -> needed.partition()).ifPresent(allowed::add);
        List<Write> more = use.file().writes().stream()
                .filter(write -> !allowed.contains(write.kind()) && write.kind() != PartitionClass.UNKNOWN)
                .toList();
        return Stream.concat(more.stream().map(WritesRule::more), missing(use).stream());
    }

    private static Finding more(Write write) {
        String sentence = "It would also write the %s partition “%s” (%s), of which the route says nothing."
                .formatted(write.kind().label(), write.partition(), write.because());
        return write.kind().canBrickForGood()
                ? Finding.stop("holds-more", sentence + " Do not use it.")
                : Finding.caution("holds-more", sentence);
    }

    private static Optional<Finding> missing(Use use) {
        Optional<PartitionClass> wanted = use.needed().flatMap(needed -> needed.partition());
        boolean says = !use.file().writes().isEmpty();
        return wanted.filter(kind -> says && use.file().writes().stream().noneMatch(write -> write.kind() == kind))
                .map(kind -> Finding.stop(
                        "writes-something-else",
                        "The route wants a file for the %s, and nothing in this one goes there."
                                .formatted(kind.label())));
    }
}
