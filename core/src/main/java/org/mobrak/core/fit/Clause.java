package org.mobrak.core.fit;

import java.util.EnumMap;
import java.util.EnumSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mobrak.core.identity.Fact;

/**
 * One condition of a route, judged.
 *
 * @param kind what it asks about
 * @param name what is asked, in a word or two
 * @param result whether it holds
 * @param reason why, in one sentence for a person
 * @param doubt what to be wary of although it holds
 * @param basis the facts it rests on, where they are not certain
 * @param step the name of the route that would turn a no into a yes
 */
public record Clause(
        Kind kind,
        String name,
        Truth result,
        String reason,
        Optional<Doubt> doubt,
        Basis basis,
        Optional<String> step) {

    /** Why one should be wary although it holds, and whether more than a little. */
    public record Doubt(String words, boolean isStrong) {
        private Doubt and(Doubt more) {
            return new Doubt(words + " " + more.words, isStrong || more.isStrong);
        }
    }

    /** What a clause asks about; programs tell clauses apart by this and never by their words. */
    public enum Kind {
        /** Whether two sources name different phones. */
        IDENTITY,
        MODEL,
        BUILD,
        OS_VERSION,
        BOOTLOADER,
        CARRIER,
        EXCLUDED_BUILDS,
        /** What people reported of this very build. */
        EVIDENCE,
        BATTERY,
        /** A state in which something the route does must not be done; the name is the danger's id. */
        DANGER,
        /** What the route requires besides. */
        CONDITION;

        /** Whether another route may turn it: by other versions, or by ending a danger. */
        boolean canBeTurned() {
            return this == BUILD
                    || this == OS_VERSION
                    || this == BOOTLOADER
                    || this == EXCLUDED_BUILDS
                    || this == DANGER;
        }
    }

    /**
     * The facts a clause rests on that are not certain.
     *
     * @param asks those that would have to be read to settle it; empty unless unknown
     * @param supposes the values with which it would hold, of those that have only a few
     * @param torn those on which its sources disagree
     */
    public record Basis(Set<Fact> asks, Map<Fact, String> supposes, Set<Fact> torn) {
        static final Basis FIRM = new Basis(Set.of(), Map.of(), Set.of());

        public Basis {
            asks = Set.copyOf(asks);
            supposes = Map.copyOf(supposes);
            torn = Set.copyOf(torn);
        }

        /** Two together. */
        Basis and(Basis other) {
            if (equals(FIRM) || other.equals(FIRM)) {
                return equals(FIRM) ? other : this;
            }
            Map<Fact, String> supposed = new EnumMap<>(Fact.class);
            supposed.putAll(supposes);
            other.supposes.forEach(supposed::putIfAbsent);
            return new Basis(union(asks, other.asks), supposed, union(torn, other.torn));
        }

        /** Where the answer is known, nothing is asked or supposed any more. */
        Basis settled() {
            return torn.isEmpty() ? FIRM : new Basis(Set.of(), Map.of(), torn);
        }

        private static Set<Fact> union(Set<Fact> some, Set<Fact> more) {
            Set<Fact> all = EnumSet.noneOf(Fact.class);
            all.addAll(some);
            all.addAll(more);
            return all;
        }
    }

    static Clause of(Kind kind, String name, Truth result, String reason) {
        return new Clause(kind, name, result, reason, Optional.empty(), Basis.FIRM, Optional.empty());
    }

    static Clause of(String name, Truth result, String reason) {
        return of(Kind.CONDITION, name, result, reason);
    }

    static Clause asking(String name, String reason, Set<Fact> asks) {
        return of(name, Truth.UNKNOWN, reason).on(new Basis(asks, Map.of(), Set.of()));
    }

    /** The facts that would have to be read to settle it; empty unless unknown. */
    public Set<Fact> asks() {
        return basis.asks();
    }

    Clause doubting(String why) {
        return doubting(new Doubt(why, false));
    }

    Clause doubtingStrongly(String why) {
        return doubting(new Doubt("Strong caution: " + why, true));
    }

    Clause doubting(Doubt more) {
        return new Clause(
                kind,
                name,
                result,
                reason,
                Optional.of(doubt.map(first -> first.and(more)).orElse(more)),
                basis,
                step);
    }

    /** How much it is to be doubted: 0 not at all, 1 somewhat, 2 strongly. */
    public int doubtWeight() {
        return doubt.map(why -> why.isStrong() ? 2 : 1).orElse(0);
    }

    Clause on(Basis other) {
        return new Clause(kind, name, result, reason, doubt, other, step);
    }

    Clause supposing(Map<Fact, String> values) {
        return values.isEmpty() ? this : on(new Basis(basis.asks(), values, basis.torn()));
    }

    Clause as(Kind other) {
        return new Clause(other, name, result, reason, doubt, basis, step);
    }

    Clause named(String other) {
        return new Clause(kind, other, result, reason, doubt, basis, step);
    }

    Clause because(Optional<String> why) {
        return why.map(this::adding).orElse(this);
    }

    /** With one more sentence to its reason. */
    Clause adding(String sentence) {
        return new Clause(kind, name, result, reason + " " + sentence, doubt, basis, step);
    }

    Clause mendedBy(String route) {
        return new Clause(kind, name, result, reason, doubt, basis, Optional.of(route));
    }

    /** What it comes to where the readings disagree and the answer turns on which is right, or must not turn on it. */
    Clause torn(Set<Fact> between, String why) {
        Set<Fact> all = EnumSet.copyOf(between);
        all.addAll(basis.asks());
        return new Clause(
                kind, name, Truth.UNKNOWN, why, doubt, new Basis(all, basis.supposes(), between), Optional.empty());
    }

    /** The same with another result and its reason. */
    Clause turnedTo(Truth other, String why) {
        return new Clause(kind, name, other, why, doubt, Basis.FIRM, Optional.empty());
    }

    /** Whether it is a no that nothing in the catalogue turns. */
    boolean refuses() {
        return result == Truth.NO && step.isEmpty();
    }
}
