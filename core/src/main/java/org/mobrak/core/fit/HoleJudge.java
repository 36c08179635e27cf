package org.mobrak.core.fit;

import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Condition;
import org.mobrak.core.catalogue.Hole;
import org.mobrak.core.identity.Days;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.build.VersionOrder;

/**
 * Whether a hole is still open on a phone, in one world. Every bound that is known counts: it is closed if one closes it, left
 * open to a reading while one that could close it cannot be told, and open where none closes it and one opens it. What was
 * built after a hole became known may have it closed, which is asked where it can be and said where it cannot.
 *
 * <p>A hole of the kernel goes by the kernel's own release and date. The system's patch level and date speak for the kernel
 * that came with it and never for another: under a custom kernel they say nothing.
 */
final class HoleJudge {
    private final Facts facts;
    private final ConditionJudge sentences;

    HoleJudge(Facts facts, ConditionJudge sentences) {
        this.facts = facts;
        this.sentences = sentences;
    }

    /**
     * Judges one hole.
     *
     * @param forbidden whether it must not be open; then a system that may not be the kernel's own closes nothing
     */
    Clause judge(Condition.HoleOpen asked, Optional<Hole> known, boolean forbidden) {
        if (known.isEmpty()) {
            String reason =
                    "%s is not in the catalogue's table of holes, so nothing can be told.".formatted(asked.id());
            return Clause.of(asked.id(), Truth.NO, reason);
        }
        return new Bounds(known.get(), forbidden).judge().named(asked.id()).because(asked.because());
    }

    /** The bounds of one hole. */
    private final class Bounds {
        private final Hole hole;
        private final boolean ofTheKernel;
        private final boolean systemSpeaks;
        private final boolean systemOnlyPerhaps;
        private final boolean forbidden;
        /** Whose date decides: the kernel's own where it is known, or where no other speaks for it. */
        private final Fact dated;

        Bounds(Hole hole, boolean forbidden) {
            this.hole = hole;
            this.ofTheKernel = hole.kernel().isPresent();
            boolean custom =
                    facts.value(Fact.KERNEL_KIND).filter("custom"::equals).isPresent();
            this.systemSpeaks = !ofTheKernel || !custom;
            this.forbidden = forbidden;
            this.systemOnlyPerhaps =
                    forbidden && ofTheKernel && facts.value(Fact.KERNEL_KIND).isEmpty();
            boolean ownDate = facts.value(Fact.KERNEL_BUILT).isPresent()
                    || facts.impossible(Fact.KERNEL_BUILT).isPresent()
                    || facts.value(Fact.BUILD_DATE).isEmpty();
            this.dated = ofTheKernel && (ownDate || !systemSpeaks) ? Fact.KERNEL_BUILT : Fact.BUILD_DATE;
        }

        Clause judge() {
            List<Clause> told = Stream.of(
                            hole.kernel().map(range -> version(Fact.KERNEL_RELEASE, range)),
                            hole.osVersion()
                                    .filter(any -> systemSpeaks)
                                    .map(range -> ofTheSystem(version(Fact.OS_VERSION, range))),
                            patchLevel().map(this::ofTheSystem),
                            fixed(dated).map(clause -> dated == Fact.BUILD_DATE ? ofTheSystem(clause) : clause),
                            systemSpeaks ? fixed(Fact.BUILD_DATE).map(this::ofTheSystem) : Optional.<Clause>empty())
                    .flatMap(Optional::stream)
                    .toList();
            return first(told, Truth.NO).or(() -> first(told, Truth.UNKNOWN)).orElseGet(this::open);
        }

        /** What the system says where nobody knows whether the kernel came with it, and it would have to be believed. */
        private Clause ofTheSystem(Clause told) {
            return systemOnlyPerhaps && told.result() == Truth.NO
                    ? Clause.asking(
                            Fact.KERNEL_KIND.label(),
                            told.reason() + " But whether the kernel came with this system is not known.",
                            Set.of(Fact.KERNEL_KIND))
                    : told;
        }

        private static Optional<Clause> first(List<Clause> told, Truth result) {
            return told.stream().filter(clause -> clause.result() == result).findFirst();
        }

        private Clause version(Fact fact, Hole.Range range) {
            Optional<String> value = facts.value(fact);
            if (value.isEmpty()) {
                return sentences.unknown(
                        fact, "%s is open in %s".formatted(hole.id(), range.words()), Optional.empty());
            }
            String reason =
                    "%s is %s; %s is open only in %s.".formatted(fact.label(), value.get(), hole.id(), range.words());
            return told(
                    fact,
                    Orders.within(
                            range.atLeast(),
                            value.get(),
                            range.atMost(),
                            fact == Fact.OS_VERSION ? VersionOrder::ofOneSystem : VersionOrder::againstLimit),
                    reason);
        }

        /** What the patch level says, where it says anything; one that cannot be read might close it. */
        private Optional<Clause> patchLevel() {
            return hole.fixedByPatchLevel().filter(day -> systemSpeaks).flatMap(fixed -> {
                if (facts.impossible(Fact.PATCH_LEVEL).isPresent()) {
                    return Optional.of(askPatchLevel(fixed));
                }
                return facts.value(Fact.PATCH_LEVEL).map(patched -> byPatchLevel(patched, fixed));
            });
        }

        private Clause byPatchLevel(String patched, String fixed) {
            return switch (reached(patched, fixed)) {
                case YES ->
                    told(
                            Fact.PATCH_LEVEL,
                            Truth.NO,
                            "%s is closed by patch level %s; the phone has %s.".formatted(hole.id(), fixed, patched));
                case NO ->
                    told(
                            Fact.PATCH_LEVEL,
                            Truth.YES,
                            "%s is open: patch level %s closes it; the phone has %s."
                                    .formatted(hole.id(), fixed, patched));
                case UNKNOWN -> unreadable(Fact.PATCH_LEVEL, patched, fixed);
            };
        }

        private Clause askPatchLevel(String fixed) {
            return sentences.unknown(Fact.PATCH_LEVEL, "%s closes %s".formatted(fixed, hole.id()), Optional.empty());
        }

        /** Whether the day has come from which on every build has it closed. */
        private Optional<Clause> fixed(Fact date) {
            return hole.fixedByBuildDate()
                    .flatMap(day -> facts.value(date).flatMap(built -> switch (reached(built, day)) {
                        case YES ->
                            Optional.of(told(
                                    date,
                                    Truth.NO,
                                    "%s is closed by build date %s; this was built on %s."
                                            .formatted(hole.id(), day, built)));
                        case NO -> Optional.empty();
                        case UNKNOWN -> Optional.of(unreadable(date, built, day));
                    }));
        }

        /** Nothing closes it; whether something opens it. */
        private Clause open() {
            Optional<String> built = facts.value(dated);
            Truth afterwards = built.map(day -> reached(day, hole.published())).orElse(Truth.UNKNOWN);
            Optional<Clause> patched = patchLevel();
            if (afterwards == Truth.NO) {
                Clause older = told(
                        dated,
                        Truth.YES,
                        "%s is open: it became known on %s; this was built on %s."
                                .formatted(hole.id(), hole.published(), built.orElseThrow()));
                return dated == Fact.KERNEL_BUILT ? older : goingByTheSystem(older);
            }
            boolean mayBeFixed = built.isEmpty() && hole.fixedByBuildDate().isPresent();
            if (patched.isPresent() && !mayBeFixed) {
                return goingByTheSystem(patched.get());
            }
            if (forbidden && built.isEmpty() && !canBeClosed()) {
                return told(dated, Truth.YES, "%s is in these versions.".formatted(hole.id()));
            }
            if (built.isEmpty()) {
                return sentences.unknown(
                        dated,
                        "what was built before %s has %s open".formatted(hole.published(), hole.id()),
                        Optional.empty());
            }
            return afterwards == Truth.UNKNOWN
                    ? unreadable(dated, built.get(), hole.published())
                    : builtAfterwards(built.get());
        }

        /** Whether there is a bound that closes it, read or not. */
        private boolean canBeClosed() {
            return hole.fixedByBuildDate().isPresent() || mayBePatched();
        }

        private boolean mayBePatched() {
            return hole.fixedByPatchLevel().isPresent() && systemSpeaks && !facts.isAbsent(Fact.PATCH_LEVEL);
        }

        private Clause builtAfterwards(String built) {
            if (mayBePatched()) {
                return sentences.unknown(
                        Fact.PATCH_LEVEL,
                        "%s closes %s, and this was built (%s) after it became known"
                                .formatted(hole.fixedByPatchLevel().get(), hole.id(), built),
                        Optional.empty());
            }
            return told(dated, Truth.YES, "%s is in these versions.".formatted(hole.id()))
                    .doubting(
                            "Cannot tell: it became known on %s, before this was built (%s), so the maker may have closed it."
                                    .formatted(hole.published(), built));
        }

        /** What the system says of a kernel of which nobody knows whether it came with the system is doubtful. */
        private Clause goingByTheSystem(Clause opened) {
            boolean cameWithIt = !ofTheKernel
                    || facts.value(Fact.KERNEL_KIND).filter("stock"::equals).isPresent();
            return cameWithIt
                    ? opened
                    : opened.doubting(
                            "This goes by the system, and nobody has read whether the kernel came with it: read the kernel’s own date.");
        }

        private Clause told(Fact fact, Truth result, String reason) {
            return result == Truth.UNKNOWN
                    ? Clause.asking(fact.label(), reason, Set.of(fact))
                    : Clause.of(fact.label(), result, reason);
        }

        private Clause unreadable(Fact fact, String value, String bound) {
            return Clause.asking(fact.label(), ConditionJudge.noOrder(fact, value, bound), Set.of(fact));
        }
    }

    /** Whether a day has come by another; unknown where one of them cannot be read. */
    private static Truth reached(String day, String bound) {
        OptionalInt order = Days.compare(day, bound);
        return order.isPresent() ? Truth.of(order.getAsInt() >= 0) : Truth.UNKNOWN;
    }
}
