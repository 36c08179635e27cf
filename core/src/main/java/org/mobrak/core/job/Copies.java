package org.mobrak.core.job;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mobrak.core.catalogue.NeededFile;
import org.mobrak.core.catalogue.Phase;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.catalogue.RouteStep;
import org.mobrak.core.catalogue.RouteStep.Remedy;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.job.Step.Place;
import org.mobrak.core.plan.Plan;
import org.mobrak.core.plan.Transfer;

/**
 * When the files that a recovery takes are copied to the phone, and where to: before the first write, while its system still
 * runs; where a wipe lies between onto the card, or after the wipe where there is none.
 */
final class Copies {
    /** Twice as long as the cable usually takes is still normal, and five times that no more (our own choice). */
    private static final int SLOW = 2;

    private static final int PATIENCE = 5;
    private static final Remedy MISSING =
            new Remedy("It is not there, or smaller", "Another port and cable, and this step once more.");

    private final List<Route> routes;
    private final boolean card;

    Copies(Plan plan, Facts facts) {
        this.routes = plan.routes();
        this.card = facts.value(Fact.CARD).filter("yes"::equals).isPresent();
    }

    /** What is copied before the first route that works on the phone begins. */
    List<Step> early(int first) {
        List<Step> steps = new ArrayList<>();
        Set<String> named = new HashSet<>();
        for (int i = first; i < routes.size(); i++) {
            if (asks(i) && isEarly(i)) {
                for (NeededFile file : files(i)) {
                    if (named.add(file.name())) {
                        steps.add(copy(routes.get(i), file, place(), Phase.PREPARE));
                    }
                }
            }
        }
        return steps;
    }

    /** What can only be copied directly before a route. */
    List<Step> late(int index) {
        return asks(index) && !isEarly(index)
                ? files(index).stream()
                        .map(file -> copy(routes.get(index), file, lateTo(index), Phase.DO))
                        .toList()
                : List.of();
    }

    private boolean isEarly(int index) {
        return card || !wipesBefore(index);
    }

    private boolean wipesBefore(int index) {
        return routes.subList(0, index + 1).stream()
                .anyMatch(route -> route.changes().wipesData());
    }

    private boolean asks(int index) {
        return asksForAll(index) || !files(index).isEmpty();
    }

    private boolean asksForAll(int index) {
        return routes.get(index).gates().stream().anyMatch(gate -> gate.fact() == Fact.FILES_COPIED);
    }

    /** Onto the card where the route has just made sure of one. */
    private Place lateTo(int index) {
        boolean sure = routes.get(index).gates().stream()
                .anyMatch(gate -> gate.fact() == Fact.CARD && gate.is().equals(List.of("yes")));
        return sure ? Place.CARD : Place.INTERNAL;
    }

    private Place place() {
        return card ? Place.CARD : Place.INTERNAL;
    }

    /** All that belong on the phone where the route asks for that, else those that some step of it takes there. */
    private List<NeededFile> files(int index) {
        Route route = routes.get(index);
        return route.work().files().stream()
                .filter(NeededFile::goesToPhone)
                .filter(file -> asksForAll(index)
                        || route.steps().stream()
                                .anyMatch(step -> isOnThePhone(step)
                                        && step.handling().files().contains(file.name())))
                .toList();
    }

    private static boolean isOnThePhone(RouteStep step) {
        return step.mode()
                .filter(mode -> mode.equals(Passage.OS) || mode.equals("recovery"))
                .isPresent();
    }

    private static int minutes(NeededFile file) {
        return (int)
                Math.max(SLOW, Math.ceil(SLOW * Transfer.minutes(file.bytes().orElse(0L))));
    }

    private static Step copy(Route route, NeededFile file, Place to, Phase phase) {
        String whole = file.keepZipped().filter(keep -> keep).isPresent() ? " It stays packed." : "";
        String check = file.hasDigest() ? " Compare its checksum there with the one on this card." : "";
        Step.Doing doing = new Step.Doing(
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.of("It stands in the list of files there, in its full size."),
                Optional.of(minutes(file)),
                Optional.of(PATIENCE * minutes(file)),
                List.of(MISSING));
        return new Step.Copy(
                SheetWriter.line(
                        route.name(),
                        phase,
                        "Copy " + file.name() + " to " + to.label(),
                        "From the computer, into the uppermost folder of " + to.label() + "." + whole + check),
                file,
                to,
                doing,
                new Step.Change(Map.of(Fact.FILES_COPIED, "yes"), Set.of(), false));
    }
}
