package org.mobrak.app.workshop;

import java.time.Instant;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.mobrak.app.Outlook;
import org.mobrak.app.PhoneInquiry;
import org.mobrak.app.Wish;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Condition;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.catalogue.match.Identity;
import org.mobrak.core.fit.FitCheck;
import org.mobrak.core.fit.RouteFit;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Origin;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.plan.Goal;
import org.mobrak.core.plan.Limits;
import org.mobrak.core.plan.Plan;

/**
 * A draft that stands in no catalogue yet, held against phones as if it did.
 *
 * @param name of the phone it was tried on
 * @param plan the first that takes it; empty where none does
 */
public record Tryout(String name, Outlook outlook, Optional<Plan> plan) {
    private static final int MOST_PHONES = 40;

    /** On the first phone of the drawer that it is for; on an imagined one where there is none. */
    static Tryout of(Catalogue catalogue, Route route, List<WorkshopPlace.Known> phones) {
        Set<String> models =
                route.fits().phones().stream().map(Route.Target::model).collect(Collectors.toSet());
        Optional<WorkshopPlace.Known> own = phones.stream()
                .filter(phone -> phone.model().filter(models::contains).isPresent())
                .findFirst();
        Wish wish = new Wish(goal(route), Optional.empty(), Limits.none());
        String name = own.map(WorkshopPlace.Known::nickname).orElse("an imagined phone");
        // The catalogue knows more of a phone than it did without the draft.
        Outlook outlook = Outlook.of(
                catalogue,
                own.map(phone -> new PhoneInquiry(catalogue, Instant.EPOCH)
                                .identify(List.of(), phone.identity().ledger().readings()))
                        .orElseGet(() -> imagined(catalogue, route)),
                wish);
        // A plan that supposes something is better to look at than none.
        Optional<Plan> plan = Stream.concat(outlook.answer().plans().stream(), outlook.answer().assuming().stream())
                .filter(one -> one.routes().stream().anyMatch(step -> step.id().equals(route.id())))
                .findFirst();
        return new Tryout(name, outlook, plan);
    }

    /** A phone that is as the route asks, with whatever else is usual. */
    private static Identity imagined(Catalogue catalogue, Route route) {
        Map<Fact, String> said = new EnumMap<>(Fact.class);
        route.fits().requires().forEach(asked -> wished(asked, said));
        route.fits().phones().stream().findFirst().ifPresent(target -> {
            said.put(Fact.MODEL, target.model());
            target.osVersion().ifPresent(version -> said.put(Fact.OS_VERSION, version));
            target.builds().stream().findFirst().ifPresent(build -> said.put(Fact.BUILD_NUMBER, build));
        });
        // Whoever has such a phone takes the computer that the guide asks for.
        route.gates().stream()
                .filter(gate -> gate.fact() == Fact.HOST_OS)
                .forEach(gate -> gate.is().stream().findFirst().ifPresent(system -> said.put(gate.fact(), system)));
        return new PhoneInquiry(catalogue, Instant.EPOCH)
                .identify(
                        List.of(),
                        said.entrySet().stream()
                                .map(one -> typed(one.getKey(), one.getValue()))
                                .toList());
    }

    private static void wished(Condition asked, Map<Fact, String> said) {
        if (asked instanceof Condition.OneOf some) {
            said.putIfAbsent(some.fact(), some.values().get(0));
        } else if (asked instanceof Condition.Not not
                && not.part() instanceof Condition.OneOf other
                && other.fact() != Fact.MODEL
                && other.fact().domain().words().isEmpty()) {
            said.putIfAbsent(other.fact(), "another");
        } else if (asked instanceof Condition.AllOf all) {
            all.parts().forEach(part -> wished(part, said));
        } else if (asked instanceof Condition.AnyOf any && !any.parts().isEmpty()) {
            wished(any.parts().get(0), said);
        }
    }

    private static Reading typed(Fact fact, String value) {
        return new Reading(fact, value, new Origin.Typed(), Instant.EPOCH);
    }

    /** What the route is for: the first usual goal that it brings about, else that all is so which it changes; without any, root. */
    static Goal goal(Route route) {
        Map<Fact, String> effects = new EnumMap<>(Fact.class);
        effects.putAll(route.changes().effects());
        Map<Fact, String> before = new EnumMap<>(Fact.class);
        route.fits().requires().forEach(asked -> wished(asked, before));
        Optional<Goal> usual = Goal.usual().stream()
                .filter(goal -> effects.entrySet().containsAll(goal.wanted().entrySet())
                        && !before.entrySet().containsAll(goal.wanted().entrySet()))
                .findFirst();
        effects.entrySet().removeAll(before.entrySet());
        effects.keySet()
                .removeIf(fact ->
                        fact.domain().objection(effects.getOrDefault(fact, "")).isPresent());
        return usual.or(() -> effects.isEmpty()
                        ? Optional.empty()
                        : Optional.of(new Goal("draft", "What it brings about", Map.copyOf(effects))))
                .orElse(Goal.ROOT);
    }

    /** How it stands with each phone of the drawer. */
    static List<WorkshopView.OnPhone> verdicts(Catalogue catalogue, Route route, List<WorkshopPlace.Known> phones) {
        return phones.stream()
                .limit(MOST_PHONES)
                .map(phone -> verdict(catalogue, route, phone))
                .sorted(Comparator.comparing(WorkshopView.OnPhone::verdict))
                .toList();
    }

    private static WorkshopView.OnPhone verdict(Catalogue catalogue, Route route, WorkshopPlace.Known phone) {
        RouteFit fit = FitCheck.alone(catalogue, route, phone.identity().facts(), Optional.empty());
        String because = fit.clauses().stream()
                .filter(clause -> clause.result() != Truth.YES)
                .map(clause -> clause.reason())
                .findFirst()
                .orElse("Everything it asks for is so.");
        return new WorkshopView.OnPhone(phone.nickname(), fit.verdict(), because);
    }
}
