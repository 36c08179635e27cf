package org.mobrak.core.fit;

import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import org.mobrak.core.catalogue.Condition;
import org.mobrak.core.catalogue.Hole;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.build.VersionOrder;

/**
 * Whether a hole is still open on a phone. The versions decide first, then the patch level, then the build date. A build from
 * after it became known may have it closed: where the phone has a patch level that is asked for, and where it has none it is
 * said. A date that cannot be read leaves it unknown.
 */
final class HoleJudge {
    private final Facts facts;
    private final ConditionJudge sentences;

    HoleJudge(Facts facts, ConditionJudge sentences) {
        this.facts = facts;
        this.sentences = sentences;
    }

    Clause judge(Condition.HoleOpen asked, Optional<Hole> known) {
        if (known.isEmpty()) {
            String reason =
                    "%s is not in the catalogue's table of holes, so nothing can be told.".formatted(asked.id());
            return Clause.of(asked.id(), Truth.NO, reason);
        }
        Hole hole = known.get();
        return versions(hole).orElseGet(() -> closing(hole)).named(hole.id()).because(asked.because());
    }

    /** Empty where the versions leave it open. */
    private Optional<Clause> versions(Hole hole) {
        return hole.kernel()
                .flatMap(range -> version(hole, Fact.KERNEL_RELEASE, range))
                .or(() -> hole.osVersion().flatMap(range -> version(hole, Fact.OS_VERSION, range)));
    }

    private Optional<Clause> version(Hole hole, Fact fact, Hole.Range range) {
        Optional<String> value = facts.value(fact);
        if (value.isEmpty()) {
            return Optional.of(
                    sentences.unknown(fact, "%s is open in %s".formatted(hole.id(), range.words()), Optional.empty()));
        }
        Truth inside = ConditionJudge.within(range.atLeast(), value.get(), range.atMost(), VersionOrder::againstLimit);
        if (inside == Truth.YES) {
            return Optional.empty();
        }
        String reason =
                "%s is %s; %s is open only in %s.".formatted(fact.label(), value.get(), hole.id(), range.words());
        return Optional.of(
                inside == Truth.UNKNOWN
                        ? Clause.asking(fact.label(), reason, Set.of(fact))
                        : sentences.told(fact, Truth.NO, reason));
    }

    private Clause closing(Hole hole) {
        Optional<String> patched = facts.value(Fact.PATCH_LEVEL);
        if (patched.isPresent() && hole.fixedByPatchLevel().isPresent()) {
            return byPatchLevel(hole, patched.get(), hole.fixedByPatchLevel().get());
        }
        Optional<String> built = facts.value(Fact.BUILD_DATE);
        if (built.isEmpty()) {
            return sentences.unknown(
                    Fact.BUILD_DATE,
                    "what was built before %s has %s open".formatted(hole.published(), hole.id()),
                    Optional.empty());
        }
        return byBuildDate(hole, built.get());
    }

    private Clause byPatchLevel(Hole hole, String patched, String fixed) {
        return switch (reached(patched, fixed)) {
            case YES ->
                sentences.told(
                        Fact.PATCH_LEVEL,
                        Truth.NO,
                        "%s is closed by patch level %s; the phone has %s.".formatted(hole.id(), fixed, patched));
            case NO ->
                sentences.told(
                        Fact.PATCH_LEVEL,
                        Truth.YES,
                        "%s is open: patch level %s closes it; the phone has %s.".formatted(hole.id(), fixed, patched));
            case UNKNOWN -> unreadable(Fact.PATCH_LEVEL, patched, fixed);
        };
    }

    private Clause byBuildDate(Hole hole, String built) {
        return switch (reached(built, hole.published())) {
            case UNKNOWN -> unreadable(Fact.BUILD_DATE, built, hole.published());
            case NO ->
                sentences.told(
                        Fact.BUILD_DATE,
                        Truth.YES,
                        "%s is open: it became known on %s; this was built on %s."
                                .formatted(hole.id(), hole.published(), built));
            case YES -> builtAfterwards(hole, built);
        };
    }

    private Clause builtAfterwards(Hole hole, String built) {
        Optional<String> fixed = hole.fixedByBuildDate();
        if (fixed.filter(day -> reached(built, day) == Truth.YES).isPresent()) {
            return sentences.told(
                    Fact.BUILD_DATE,
                    Truth.NO,
                    "%s is closed by build date %s; this was built on %s.".formatted(hole.id(), fixed.get(), built));
        }
        if (hole.fixedByPatchLevel().isPresent() && !facts.isAbsent(Fact.PATCH_LEVEL)) {
            return sentences.unknown(
                    Fact.PATCH_LEVEL,
                    "%s closes %s, and this was built (%s) after it became known"
                            .formatted(hole.fixedByPatchLevel().get(), hole.id(), built),
                    Optional.empty());
        }
        return sentences
                .told(Fact.BUILD_DATE, Truth.YES, "%s is in these versions.".formatted(hole.id()))
                .doubting(
                        "Cannot tell: it became known on %s, before this was built (%s), so the maker may have closed it."
                                .formatted(hole.published(), built));
    }

    private static Clause unreadable(Fact fact, String value, String bound) {
        return Clause.asking(fact.label(), ConditionJudge.noOrder(fact, value, bound), Set.of(fact));
    }

    /** Whether a day has come by another; unknown where one of them cannot be read. */
    private static Truth reached(String day, String bound) {
        OptionalInt order = Days.compare(day, bound);
        return order.isPresent() ? Truth.of(order.getAsInt() >= 0) : Truth.UNKNOWN;
    }
}
