package org.mobrak.core.gather;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.NeededFile;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.material.Write;

/**
 * A line of the gathering list.
 *
 * @param kept the file that was taken for it
 * @param findings on that file for this use, the gravest first
 * @param reason why it stands so, in a sentence
 */
public record GatherItem(Need need, Standing standing, Optional<Kept> kept, List<Finding> findings, String reason) {
    private static final Set<PartitionClass> LASTING =
            Set.of(PartitionClass.BOOTLOADER, PartitionClass.PARTITION_TABLE, PartitionClass.UNKNOWN);

    public GatherItem {
        findings = List.copyOf(findings);
    }

    /** Why it does not count as fetched, in a sentence with what to do; empty if it does. */
    public Optional<String> objection() {
        if (standing == Standing.WRONG) {
            return Optional.of("The file on the bench is wrong: " + reason);
        }
        boolean open = standing != Standing.HAVE && need instanceof Need.OfFile file && reachesPhone(file.file());
        return open
                ? Optional.of("Its checksum is known, so it counts once it was compared. " + reason)
                : Optional.empty();
    }

    /** A program that only runs on the computer can be seen to run; what the phone gets must be right before it is there. */
    private static boolean reachesPhone(NeededFile file) {
        return file.hasDigest() && (file.partition().isPresent() || file.goesToPhone());
    }

    /**
     * Why it may not be gone on without, whatever the reason; empty if it may. A loader or a partition table that is not the one
     * meant ends a phone for good, and what nobody knows may be one.
     */
    public Optional<String> objectionToPass() {
        return classes().anyMatch(LASTING::contains)
                ? Optional.of("This one cannot be passed over: it writes what a phone cannot start without.")
                : Optional.empty();
    }

    private Stream<PartitionClass> classes() {
        Stream<PartitionClass> meant =
                need instanceof Need.OfFile file ? file.file().partition().stream() : Stream.empty();
        return Stream.concat(
                meant,
                kept.stream().flatMap(file -> file.material().writes().stream()).map(Write::kind));
    }

    /** Its size in bytes, had or still to be fetched; zero where nobody knows. */
    public long bytes() {
        return kept.map(file -> file.material().bytes())
                .orElseGet(() ->
                        need instanceof Need.OfFile file ? file.file().bytes().orElse(0L) : 0L);
    }
}
