package org.mobrak.core.fit;

import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.BinaryOperator;
import java.util.stream.Collectors;
import org.mobrak.core.catalogue.Condition;
import org.mobrak.core.identity.Belief;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.build.VersionOrder;

/** Judges the conditions a route states, and says why. */
final class ConditionJudge {
    private final Facts facts;

    ConditionJudge(Facts facts) {
        this.facts = facts;
    }

    Clause judge(Condition condition) {
        if (condition instanceof Condition.OneOf some) {
            return oneOf(some);
        }
        if (condition instanceof Condition.Between range) {
            return between(range);
        }
        if (condition instanceof Condition.Not not) {
            return not.part() instanceof Condition.OneOf some ? noneOf(some, not) : not(not);
        }
        return condition instanceof Condition.AllOf all
                ? joined(all.parts(), " and ", Truth.YES, Truth::and)
                : joined(((Condition.AnyOf) condition).parts(), " or ", Truth.NO, Truth::or);
    }

    private Clause oneOf(Condition.OneOf asked) {
        Fact fact = asked.fact();
        String wanted = String.join(" or ", asked.values());
        Optional<String> value = facts.value(fact);
        if (value.isEmpty()) {
            return unknown(fact, "this route needs " + wanted, asked.because());
        }
        boolean held = asked.values().contains(value.get());
        String reason = held
                ? "%s is %s, as this route needs.".formatted(fact.label(), value.get())
                : "%s is %s; this route needs %s.".formatted(fact.label(), value.get(), wanted);
        return told(fact, Truth.of(held), reason).because(asked.because());
    }

    /** The usual form of a not, in a sentence of its own. */
    private Clause noneOf(Condition.OneOf excluded, Condition.Not not) {
        Fact fact = excluded.fact();
        String unwanted = String.join(" or ", excluded.values());
        Optional<String> value = facts.value(fact);
        if (value.isEmpty()) {
            return unknown(fact, "it must not be " + unwanted, not.because());
        }
        boolean held = !excluded.values().contains(value.get());
        String reason = held
                ? "%s is %s, not %s.".formatted(fact.label(), value.get(), unwanted)
                : "%s is %s, which this route excludes.".formatted(fact.label(), value.get());
        return told(fact, Truth.of(held), reason).because(not.because());
    }

    private Clause not(Condition.Not not) {
        Clause part = judge(not.part());
        String name = "Not: " + part.name();
        return new Clause(name, part.result().not(), "Not so: " + part.reason(), part.doubt(), part.asks(), part.step())
                .because(not.because());
    }

    private Clause between(Condition.Between asked) {
        Fact fact = asked.fact();
        String range = range(asked);
        Optional<String> value = facts.value(fact);
        if (value.isEmpty()) {
            return unknown(fact, "this route needs " + range, asked.because());
        }
        Truth result = atMost(asked.atLeast(), value).and(atMost(value, asked.atMost()));
        String reason = switch (result) {
            case YES -> "%s is %s, as this route needs (%s).".formatted(fact.label(), value.get(), range);
            case NO -> "%s is %s; this route needs %s.".formatted(fact.label(), value.get(), range);
            case UNKNOWN -> "%s is %s, which has no order against %s.".formatted(fact.label(), value.get(), range);
        };
        return result == Truth.UNKNOWN
                ? Clause.asking(fact.label(), reason, Set.of(fact)).because(asked.because())
                : told(fact, result, reason).because(asked.because());
    }

    private static String range(Condition.Between asked) {
        if (asked.atLeast().isPresent() && asked.atMost().isPresent()) {
            return asked.atLeast().get() + " to " + asked.atMost().get();
        }
        return asked.atLeast()
                .map(least -> least + " or newer")
                .orElseGet(() -> asked.atMost().get() + " or older");
    }

    /** An absent bound holds for everything. */
    private static Truth atMost(Optional<String> lower, Optional<String> upper) {
        if (lower.isEmpty() || upper.isEmpty()) {
            return Truth.YES;
        }
        OptionalInt order = VersionOrder.compare(lower.get(), upper.get());
        return order.isEmpty() ? Truth.UNKNOWN : Truth.of(order.getAsInt() <= 0);
    }

    private Clause joined(List<Condition> parts, String word, Truth start, BinaryOperator<Truth> join) {
        List<Clause> clauses = parts.stream().map(this::judge).toList();
        Truth result = clauses.stream().map(Clause::result).reduce(start, join);
        Set<Fact> asks = result == Truth.UNKNOWN
                ? clauses.stream().flatMap(clause -> clause.asks().stream()).collect(Collectors.toSet())
                : Set.of();
        Optional<String> doubt =
                clauses.stream().flatMap(clause -> clause.doubt().stream()).findFirst();
        String name = clauses.stream().map(Clause::name).distinct().collect(Collectors.joining(word));
        String reason = clauses.stream().map(Clause::reason).collect(Collectors.joining(" "));
        return new Clause(name, result, reason, doubt, asks, Optional.empty());
    }

    Clause told(Fact fact, Truth result, String reason) {
        Clause clause = Clause.of(fact.label(), result, reason);
        return facts.belief(fact) instanceof Belief.Conflicting
                ? clause.doubting("Strong caution: the readings of “" + fact.label() + "” disagree. Settle that first.")
                : clause;
    }

    Clause unknown(Fact fact, String wanted, Optional<String> because) {
        String reason = "%s is not known; %s.".formatted(fact.label(), wanted);
        return Clause.asking(fact.label(), reason, Set.of(fact)).because(because);
    }
}
