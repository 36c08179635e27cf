package org.mobrak.core.gather;

import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;

/**
 * Whether something that a job writes could be put back from a copy.
 *
 * @param kind what is written
 * @param possible yes with a verified copy of this very build, no without any copy, unknown in between
 * @param sentence why, and what to do about it
 */
public record RestoreCheck(PartitionClass kind, Truth possible, Optional<StockCopy> copy, String sentence) {

    /**
     * One for each class that is written; apps and data have backups of their own kind and are left out.
     *
     * @param written what the job writes
     * @param copies those of this phone and of its model
     */
    public static List<RestoreCheck> of(Collection<PartitionClass> written, Facts facts, List<StockCopy> copies) {
        return written.stream()
                .distinct()
                .filter(kind -> kind != PartitionClass.APP && kind != PartitionClass.DATA)
                .sorted(Comparator.comparingInt(PartitionClass::severity).reversed())
                .map(kind -> of(kind, facts, copies))
                .toList();
    }

    private static RestoreCheck of(PartitionClass kind, Facts facts, List<StockCopy> copies) {
        String build = facts.value(Fact.BUILD_NUMBER).orElse("");
        return copies.stream()
                .filter(copy -> copy.covers() == kind)
                .max(Comparator.comparingInt((StockCopy copy) -> worth(copy, build)))
                .map(copy -> judge(kind, copy, build))
                .orElseGet(() -> new RestoreCheck(
                        kind,
                        Truth.NO,
                        Optional.empty(),
                        "No copy of the stock %s is registered. Take one and copy it off the phone before you write."
                                .formatted(kind.label())));
    }

    private static int worth(StockCopy copy, String build) {
        return (copy.isDamaged() || !copy.file().isThere() ? 0 : 4)
                + (copy.build().equals(build) ? 2 : 0)
                + (copy.isVerified() ? 1 : 0);
    }

    private static RestoreCheck judge(PartitionClass kind, StockCopy copy, String build) {
        String name = "“%s” (%s)".formatted(copy.file().material().name(), copy.build());
        if (copy.isDamaged() || !copy.file().isThere()) {
            return new RestoreCheck(
                    kind,
                    Truth.NO,
                    Optional.of(copy),
                    "The only copy, %s, is %s. Take another before you write."
                            .formatted(name, copy.isDamaged() ? "damaged" : "not where it was"));
        }
        if (!copy.build().equals(build)) {
            return new RestoreCheck(
                    kind,
                    Truth.UNKNOWN,
                    Optional.of(copy),
                    "There is %s, but the phone runs %s: another build's %s may not start."
                            .formatted(name, build.isEmpty() ? "a build that is not known" : build, kind.label()));
        }
        return copy.isVerified()
                ? new RestoreCheck(kind, Truth.YES, Optional.of(copy), "Back from %s, which is whole.".formatted(name))
                : new RestoreCheck(
                        kind,
                        Truth.UNKNOWN,
                        Optional.of(copy),
                        "There is %s, but nobody has looked whether it is still whole. Verify it.".formatted(name));
    }
}
