package org.mobrak.core.gather;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.mobrak.core.catalogue.NeededFile;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Severity;
import org.mobrak.core.material.Digest;
import org.mobrak.core.material.check.CheckContext;
import org.mobrak.core.material.check.MaterialCheck;
import org.mobrak.core.material.check.Use;
import org.mobrak.core.plan.Transfer;

/**
 * Finds the place of files by what is in them: first by digest, then by what they would write, and only then by name, which
 * proves nothing and is said not to.
 */
final class Placing {
    /** Our own choice. */
    private static final long ANOTHER_SIZE = 2;

    private final CheckContext against;
    private final List<Kept> kept;

    Placing(CheckContext against, List<Kept> kept) {
        this.against = against;
        // The file looked into last is the one meant.
        this.kept = kept.stream()
                .sorted(Comparator.comparing(Kept::seenAt).reversed())
                .toList();
    }

    List<GatherItem> place(List<Need.OfFile> needs) {
        Set<Long> proven = new HashSet<>();
        needs.forEach(need -> byDigest(need.file()).ifPresent(file -> proven.add(file.id())));
        List<GatherItem> items = new ArrayList<>();
        for (Need.OfFile need : needs) {
            items.add(byDigest(need.file())
                    .or(() -> byName(need.file(), proven))
                    .or(() -> byContent(need, needs, proven))
                    .map(file -> judged(need, file))
                    .orElseGet(() -> missing(need)));
        }
        return items;
    }

    private Optional<Kept> byDigest(NeededFile needed) {
        return kept.stream()
                .filter(file -> needed.digests().entrySet().stream()
                        .anyMatch(said -> Digest.ofName(said.getKey())
                                .flatMap(digest -> file.material().digests().agrees(digest, said.getValue()))
                                .orElse(false)))
                .filter(Kept::isThere)
                .findFirst();
    }

    private Optional<Kept> byName(NeededFile needed, Set<Long> proven) {
        return kept.stream()
                .filter(file -> !proven.contains(file.id()))
                .filter(file -> file.material().name().equalsIgnoreCase(needed.name()))
                .findFirst();
    }

    /** Something that is written where the route wants it, if nothing else on the list is written there. */
    private Optional<Kept> byContent(Need.OfFile need, List<Need.OfFile> needs, Set<Long> proven) {
        boolean alone = needs.stream()
                        .filter(other ->
                                other.file().partition().equals(need.file().partition()))
                        .count()
                == 1;
        return need.file()
                .partition()
                .filter(wanted -> alone)
                .flatMap(wanted -> kept.stream()
                        .filter(file -> file.isThere() && !proven.contains(file.id()))
                        .filter(file -> isOfItsSize(file, need.file()))
                        .filter(file -> file.material().writes().stream().anyMatch(write -> write.kind() == wanted))
                        .findFirst());
    }

    /** On a shelf with the files of several phones one of quite another size is another phone's, and no wrong one for this. */
    private static boolean isOfItsSize(Kept file, NeededFile needed) {
        long here = file.material().bytes();
        return needed.bytes()
                .filter(bytes -> here > ANOTHER_SIZE * bytes || bytes > ANOTHER_SIZE * here)
                .isEmpty();
    }

    private GatherItem judged(Need.OfFile need, Kept file) {
        Optional<Route> route = against.catalogue().routes().stream()
                .filter(one -> one.name().equals(need.route()))
                .findFirst();
        List<Finding> findings =
                new ArrayList<>(MaterialCheck.of(new Use(file.material(), against, route, Optional.of(need.file()))));
        tooLargeForCard(need.file(), file.material().bytes()).ifPresent(findings::add);
        Optional<Finding> stop = findings.stream()
                .filter(finding -> finding.severity() == Severity.STOP)
                .findFirst();
        if (!file.isThere()) {
            String what =
                    file.state() == Kept.State.GONE ? "no longer lies there" : "was changed since it was looked into";
            return new GatherItem(
                    need,
                    file.state() == Kept.State.GONE ? Standing.MISSING : Standing.UNCHECKED,
                    Optional.of(file),
                    findings,
                    "%s %s. Drop it here again.".formatted(file.path(), what));
        }
        if (stop.isPresent()) {
            return new GatherItem(
                    need,
                    Standing.WRONG,
                    Optional.of(file),
                    findings,
                    stop.get().message());
        }
        return need.file().hasDigest()
                ? new GatherItem(
                        need, Standing.HAVE, Optional.of(file), findings, "The file the route names, to the byte.")
                : new GatherItem(need, Standing.UNCHECKED, Optional.of(file), findings, unproven(findings));
    }

    private static String unproven(List<Finding> findings) {
        boolean caution = findings.stream().anyMatch(finding -> finding.severity() == Severity.CAUTION);
        return caution
                ? "The route names no checksum that would prove it, and what was found in it calls for caution: read that first."
                : "Nothing speaks against it, but the route names no checksum that would prove it.";
    }

    private GatherItem missing(Need.OfFile need) {
        Optional<Kept> around = kept.stream()
                .filter(file -> file.isThere()
                        && file.material().members().stream()
                                .anyMatch(need.file().name()::equalsIgnoreCase))
                .findFirst();
        String reason = around.map(file -> "It lies in %s: unpack that once, then drop what is inside."
                        .formatted(file.material().name()))
                .orElse("Fetch it from where the route has it, then drop it here under any name.");
        List<Finding> findings = need.file().bytes().stream()
                .flatMap(bytes -> tooLargeForCard(need.file(), bytes).stream())
                .toList();
        return new GatherItem(need, Standing.MISSING, Optional.empty(), findings, reason);
    }

    private static Optional<Finding> tooLargeForCard(NeededFile file, long bytes) {
        return file.goesToPhone() && bytes > Transfer.FAT32_MOST
                ? Optional.of(Finding.caution(
                        "too-large-for-fat32",
                        "It goes to the phone and is 4 GiB or larger: a card with FAT32 cannot hold it in one file."))
                : Optional.empty();
    }
}
