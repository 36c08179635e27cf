package org.mobrak.core.fit;

import java.util.Collection;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Danger;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;

/** On which of the facts about which sources disagree the judgement of a route can turn. */
final class TornFacts {
    private static final Set<Fact> NAMES = Set.copyOf(BuildNames.FACTS);
    private static final Set<Fact> SOFTWARE = with(NAMES, Fact.OS_VERSION, Fact.MAKER);
    private static final Set<Fact> TARGET = with(SOFTWARE, Fact.MODEL, Fact.BOOTLOADER, Fact.CARRIER);
    private static final Set<Fact> BATTERY =
            Set.of(Fact.BATTERY_BODY, Fact.BATTERY_HEALTH, Fact.BATTERY_TEMPERATURE, Fact.TROUBLE);

    /** What tells how old the software is that a danger may forbid to go behind. */
    private static final Set<Fact> AGE = with(SOFTWARE, Fact.BUILD_DATE, Fact.BOOTLOADER);

    private TornFacts() {}

    private static Set<Fact> with(Collection<Fact> some, Fact... more) {
        Set<Fact> all = EnumSet.copyOf(some);
        all.addAll(List.of(more));
        return Set.copyOf(all);
    }

    /** The facts that dangers ask about. */
    static Set<Fact> ofDangers(List<Danger> dangers) {
        Set<Fact> all = EnumSet.noneOf(Fact.class);
        dangers.forEach(danger -> danger.when().facts().forEach(all::add));
        if (!dangers.isEmpty()) {
            all.addAll(AGE);
        }
        return all;
    }

    static Set<Fact> of(Route route, Set<Fact> ofDangers, Set<Fact> torn) {
        Set<Fact> turning = ofTarget(route, torn);
        Stream.concat(BATTERY.stream(), ofDangers.stream())
                .filter(torn::contains)
                .forEach(turning::add);
        route.fits()
                .requires()
                .forEach(condition -> condition.facts().filter(torn::contains).forEach(turning::add));
        return turning;
    }

    static Set<Fact> ofTarget(Route route, Set<Fact> torn) {
        Set<Fact> turning = EnumSet.noneOf(Fact.class);
        if (!route.fits().phones().isEmpty() || !route.fits().excludedBuilds().isEmpty()) {
            turning.addAll(torn);
            turning.retainAll(TARGET);
        }
        return turning;
    }

    /** The facts on which a clause of some kind can turn. */
    static Set<Fact> ofKind(Clause.Kind kind, Set<Fact> ofDangers) {
        return switch (kind) {
            case IDENTITY, MODEL -> Set.of(Fact.MODEL);
            case BUILD, OS_VERSION -> SOFTWARE;
            case EXCLUDED_BUILDS -> NAMES;
            case BOOTLOADER -> Set.of(Fact.BOOTLOADER);
            case CARRIER -> Set.of(Fact.CARRIER);
            case BATTERY -> BATTERY;
            case DANGER -> ofDangers;
            case CONDITION, EVIDENCE -> Set.of();
        };
    }
}
