package org.mobrak.core.catalogue.file;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Condition;
import org.mobrak.core.catalogue.Gate;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.build.Rulers;
import org.mobrak.core.identity.build.TextPattern;
import org.mobrak.core.identity.build.VersionOrder;

/** Whether a route says for whom it is, as narrowly as what it writes asks for, and in conditions that can be judged. */
final class ScopeChecks {
    private static final String USE_LIKE = "Write it under “like”, or without star and question mark.";

    private final Route route;
    private final Rulers rulers;
    private final FaultList faults;

    ScopeChecks(Route route, Rulers rulers, FaultList faults) {
        this.route = route;
        this.rulers = rulers;
        this.faults = faults;
    }

    void check() {
        checkDeadly();
        for (int i = 0; i < route.fits().requires().size(); i++) {
            String pointer = "/fits/requires/" + i;
            route.fits().requires().get(i).leaves().forEach(leaf -> leaf(pointer, leaf));
        }
        for (int i = 0; i < route.work().gates().size(); i++) {
            gate("/work/gates/" + i, route.work().gates().get(i));
        }
    }

    /** A bad bootloader, radio or partition table kills a phone, so nothing is guessed at. */
    void checkDeadly() {
        if (route.canBrickForGood()) {
            deadly();
        }
    }

    private void deadly() {
        List<Route.Target> phones = route.fits().phones();
        if (phones.isEmpty()) {
            faults.fault(
                    "/fits/phones",
                    "The route can brick a phone for good and names no phone.",
                    "Name every model number it was made for, with its builds; a condition will not do.");
        }
        for (int i = 0; i < phones.size(); i++) {
            deadly("/fits/phones/" + i, phones.get(i));
        }
    }

    private void deadly(String pointer, Route.Target target) {
        if (TextPattern.isPattern(target.model())) {
            faults.fault(
                    pointer,
                    "The route can brick a phone for good, and the pattern %s may stand for a sister variant."
                            .formatted(target.model()),
                    "Name each model number in full.");
        }
        boolean any = target.builds().stream().anyMatch(TextPattern::namesNothing);
        if (any || target.builds().isEmpty() && target.anyBuild().isEmpty()) {
            faults.fault(
                    pointer,
                    "The route can brick a phone for good and names no build of %s.".formatted(target.model()),
                    "List the builds, or write under “anyBuild” who says that every build will do.");
        }
    }

    private void leaf(String pointer, Condition leaf) {
        if (leaf instanceof Condition.OneOf some) {
            some.values().stream()
                    .filter(TextPattern::isPattern)
                    .forEach(value -> faults.fault(
                            pointer, "“is” compares exactly, so “%s” matches nothing.".formatted(value), USE_LIKE));
        } else if (leaf instanceof Condition.Between range) {
            between(pointer, range);
        } else if (leaf instanceof Condition.Dated dated && !dated.fact().isDay()) {
            faults.fault(
                    pointer,
                    dated.fact().label() + " is no day.",
                    "“notBefore” and “notAfter” are for buildDate, buildIdDate, kernelBuilt and patchLevel.");
        } else if (leaf instanceof Condition.Revision revision && !hasRevisions(revision.fact())) {
            faults.fault(
                    pointer,
                    "No maker’s grammar finds a bootloader revision in "
                            + revision.fact().label() + ".",
                    "Add one under grammars, or name another fact.");
        }
    }

    private boolean hasRevisions(Fact fact) {
        return rulers.grammars().stream().anyMatch(grammar -> grammar.fact() == fact && grammar.hasRevision());
    }

    private void between(String pointer, Condition.Between range) {
        Fact fact = range.fact();
        if (fact.isDay()) {
            faults.fault(
                    pointer,
                    fact.label() + " is a day and has no order as a version.",
                    "Use “notBefore” and “notAfter”.");
            return;
        }
        Stream.of(range.atLeast(), range.atMost()).flatMap(Optional::stream).forEach(bound -> {
            boolean ordered = fact.isVersion() ? VersionOrder.isVersion(bound) : rulers.canOrder(fact, bound);
            if (!ordered) {
                faults.fault(
                        pointer,
                        "%s “%s” has no order.".formatted(fact.label(), bound),
                        fact.isVersion()
                                ? "A version begins with a number."
                                : "Only a maker’s grammar orders it; use “is” or “like”, or add a grammar that has dates or serials.");
            }
        });
    }

    private void gate(String pointer, Gate gate) {
        if (gate.is().isEmpty() == gate.atLeast().isEmpty()) {
            faults.fault(pointer, "A gate needs either “is” or “atLeast”.", "Say what must be true.");
        }
        if (gate.atLeast().isPresent() && !gate.fact().isNumber()) {
            faults.fault(
                    pointer,
                    gate.fact().label() + " is no number, so it cannot be at least "
                            + gate.atLeast().get() + ".",
                    "Use “is” with its words.");
        }
        gate.is()
                .forEach(value -> gate.fact()
                        .domain()
                        .objection(value)
                        .ifPresent(objection -> faults.fault(
                                pointer,
                                gate.fact().label() + " " + objection + ".",
                                "docs/schema/facts.md lists every fact with its words.")));
    }
}
