package org.mobrak.core.proof;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.mobrak.core.catalogue.Aftermath;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;

/** A phone before and after routes, fact by fact, in the order of {@link Fact}. */
public record Comparison(List<Change> changes) {
    /** What goes up and down by itself and says nothing of the work. */
    private static final Set<Fact> RESTLESS = EnumSet.of(
            Fact.BATTERY_PERCENT,
            Fact.BATTERY_TEMPERATURE,
            Fact.BATTERY_VOLTAGE,
            Fact.BATTERY_HEALTH,
            Fact.BATTERY_BODY,
            Fact.DATA_FREE,
            Fact.CARD_FREE);

    public Comparison {
        changes = List.copyOf(changes);
    }

    /** How a fact came out. */
    public enum Outcome {
        /** It is what the routes say, or what they may have changed. */
        AS_PLANNED,
        /** It is otherwise and should not be. */
        UNEXPECTED,
        /** It should be otherwise and is not. */
        NOT_CHANGED,
        UNCHANGED,
        /** It is known on one side only. */
        UNKNOWN;

        /** For programs. */
        public String word() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }

        /** Whether something is wrong. */
        public boolean isWrong() {
            return this == UNEXPECTED || this == NOT_CHANGED;
        }
    }

    /** One fact. */
    public record Change(Fact fact, Optional<String> before, Optional<String> after, Outcome outcome, String because) {}

    /** Whether everything came out as it should, as far as it is known. */
    public boolean isAsPlanned() {
        return changes.stream().noneMatch(change -> change.outcome().isWrong());
    }

    /** The changes that came out so. */
    public List<Change> of(Outcome outcome) {
        return changes.stream().filter(change -> change.outcome() == outcome).toList();
    }

    /**
     * Holds two sets of facts against each other.
     *
     * @param routes what was done in between, in order; without any, nothing should be otherwise
     */
    public static Comparison of(Facts before, Facts after, List<Route> routes) {
        Intention intention = Intention.of(before, routes);
        List<Change> changes = new ArrayList<>();
        for (Fact fact : Fact.values()) {
            Optional<String> then = before.value(fact);
            Optional<String> now = after.value(fact);
            if (!RESTLESS.contains(fact) && (then.isPresent() || now.isPresent())) {
                changes.add(intention.judge(fact, then, now));
            }
        }
        return new Comparison(changes);
    }

    /**
     * What routes say will be otherwise.
     *
     * @param stated facts with the value they are to have, and the route that says so
     * @param open facts that may be otherwise, and why
     * @param written everything that was written, by any of them
     */
    private record Intention(Map<Fact, Stated> stated, Map<Fact, String> open, Set<PartitionClass> written) {
        private record Stated(String value, String route) {}

        static Intention of(Facts before, List<Route> routes) {
            Intention intention = new Intention(
                    new EnumMap<>(Fact.class), new EnumMap<>(Fact.class), EnumSet.noneOf(PartitionClass.class));
            Facts facts = before;
            for (Route route : routes) {
                Map<Fact, Optional<String>> after = Aftermath.of(route, facts);
                intention.take(route, facts, after);
                facts = facts.after(after);
            }
            return intention;
        }

        private void take(Route route, Facts before, Map<Fact, Optional<String>> after) {
            for (PartitionClass partition : route.changes().writes()) {
                if (!route.changes().keeps().contains(partition)) {
                    written.add(partition);
                    Aftermath.facts(partition).forEach(fact -> {
                        open.put(fact, "“%s” wrote %s.".formatted(route.name(), partition.named()));
                        stated.remove(fact);
                    });
                }
            }
            if (route.changes().wipesData()) {
                Aftermath.wiped(before).keySet().forEach(fact -> {
                    open.put(fact, "“%s” wiped the data.".formatted(route.name()));
                    stated.remove(fact);
                });
            }
            boolean meantForIt = route.isHousekeeping() || route.family().equals("mend");
            for (Fact fact : route.changes().effects().keySet()) {
                if (fact.group() == Fact.Group.BENCH && !meantForIt) {
                    open.put(fact, "It is set by hand as the work needs it.");
                } else {
                    state(fact, route, Objects.requireNonNull(after.get(fact)));
                }
            }
        }

        private void state(Fact fact, Route route, Optional<String> after) {
            after.ifPresentOrElse(
                    value -> stated.put(fact, new Stated(value, route.name())),
                    () -> open.put(fact, "“%s” changes it.".formatted(route.name())));
        }

        Change judge(Fact fact, Optional<String> before, Optional<String> after) {
            if (after.isEmpty()) {
                return new Change(fact, before, after, Outcome.UNKNOWN, "It was not read afterwards.");
            }
            Stated planned = stated.get(fact);
            if (planned != null) {
                return planned(fact, before, after, planned);
            }
            if (before.isEmpty()) {
                return new Change(fact, before, after, Outcome.UNKNOWN, "It was not read before.");
            }
            if (before.equals(after)) {
                return new Change(fact, before, after, Outcome.UNCHANGED, unchanged(fact));
            }
            return open.containsKey(fact)
                    ? new Change(fact, before, after, Outcome.AS_PLANNED, open.get(fact))
                    : new Change(fact, before, after, Outcome.UNEXPECTED, unexpected(fact));
        }

        private static Change planned(Fact fact, Optional<String> before, Optional<String> after, Stated planned) {
            if (after.get().equals(planned.value())) {
                return new Change(
                        fact, before, after, Outcome.AS_PLANNED, "“%s” gives this value.".formatted(planned.route()));
            }
            String should = "“%s” should make it %s".formatted(planned.route(), planned.value());
            return after.equals(before)
                    ? new Change(fact, before, after, Outcome.NOT_CHANGED, should + ", and it is still the old one.")
                    : new Change(
                            fact,
                            before,
                            after,
                            Outcome.UNEXPECTED,
                            should + ", and it is neither that nor the old one.");
        }

        private String unchanged(Fact fact) {
            return open.containsKey(fact)
                    ? open.get(fact) + " It is the same as before."
                    : notAmong(fact).orElse("Nothing was to change it.");
        }

        private String unexpected(Fact fact) {
            if (fact == Fact.MODEL) {
                return "Nothing was to change it. A ported OS rewrites the model number in the about screen: trust the download mode, the bootloader or the label.";
            }
            return notAmong(fact)
                    .map(sentence -> sentence + " Were these readings of the same phone, and was something else done?")
                    .orElse(
                            "Nothing that was done changes it. Were these readings of the same phone, and was something else done?");
        }

        private Optional<String> notAmong(Fact fact) {
            for (PartitionClass partition : PartitionClass.values()) {
                boolean named = partition != PartitionClass.UNKNOWN;
                if (named
                        && !written.contains(partition)
                        && Aftermath.facts(partition).contains(fact)) {
                    String what = partition.named();
                    return Optional.of(Character.toUpperCase(what.charAt(0)) + what.substring(1)
                            + " was not among what was written.");
                }
            }
            return Optional.empty();
        }
    }
}
