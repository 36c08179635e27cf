package org.mobrak.core.fit;

import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.BinaryOperator;
import java.util.stream.Collectors;
import org.apache.commons.io.FilenameUtils;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Condition;
import org.mobrak.core.identity.Belief;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.build.Overlay;
import org.mobrak.core.identity.build.Ruler.Role;
import org.mobrak.core.identity.build.VersionOrder;

/** Judges the conditions a route states, and says why. */
final class ConditionJudge {
    private final Facts facts;
    private final Catalogue catalogue;

    ConditionJudge(Facts facts, Catalogue catalogue) {
        this.facts = facts;
        this.catalogue = catalogue;
    }

    Clause judge(Condition condition) {
        if (condition instanceof Condition.OneOf some) {
            return oneOf(some);
        }
        if (condition instanceof Condition.Like like) {
            return like(like);
        }
        if (condition instanceof Condition.Between range) {
            return between(range);
        }
        if (condition instanceof Condition.Dated dated) {
            return dated(dated);
        }
        if (condition instanceof Condition.Revision revision) {
            return revision(revision);
        }
        if (condition instanceof Condition.HoleOpen hole) {
            return new HoleJudge(facts, this).judge(hole, catalogue.hole(hole.id()));
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

    private Clause like(Condition.Like asked) {
        Fact fact = asked.fact();
        String wanted = String.join(" or ", asked.patterns());
        Optional<String> value = facts.value(fact);
        if (value.isEmpty()) {
            return unknown(fact, "this route needs one like " + wanted, asked.because());
        }
        boolean held = asked.patterns().stream().anyMatch(pattern -> FilenameUtils.wildcardMatch(value.get(), pattern));
        String reason = held
                ? "%s is %s, like %s.".formatted(fact.label(), value.get(), wanted)
                : "%s is %s; this route needs one like %s.".formatted(fact.label(), value.get(), wanted);
        return told(fact, Truth.of(held), reason).because(asked.because());
    }

    private Clause between(Condition.Between asked) {
        return facts.value(asked.fact())
                .map(value -> ranged(
                        asked.fact(),
                        value,
                        range(asked.atLeast(), asked.atMost(), "or newer", "or older"),
                        within(asked.atLeast(), value, asked.atMost(), VersionOrder::compare)))
                .orElseGet(() -> unknown(
                        asked.fact(),
                        "this route needs " + range(asked.atLeast(), asked.atMost(), "or newer", "or older"),
                        Optional.empty()))
                .because(asked.because());
    }

    private Clause dated(Condition.Dated asked) {
        String range = range(asked.notBefore(), asked.notAfter(), "or later", "or earlier");
        return facts.value(asked.fact())
                .map(value -> ranged(
                        asked.fact(), value, range, within(asked.notBefore(), value, asked.notAfter(), Days::compare)))
                .orElseGet(() -> unknown(asked.fact(), "this route needs " + range, Optional.empty()))
                .because(asked.because());
    }

    private Clause revision(Condition.Revision asked) {
        String range = "bootloader revision " + range(asked.atLeast(), asked.atMost(), "or higher", "or lower");
        Optional<String> value = facts.value(asked.fact());
        if (value.isEmpty()) {
            return unknown(asked.fact(), "this route needs " + range, asked.because());
        }
        Truth result = catalogue
                .rulers()
                .of(asked.fact(), value.get(), facts.value(Fact.MAKER))
                .flatMap(ruler -> ruler.part(Role.BOOTLOADER_REVISION))
                .map(part -> within(asked.atLeast(), part.text(), asked.atMost(), Overlay::compareParts))
                .orElse(Truth.UNKNOWN);
        return ranged(asked.fact(), value.get(), range, result).because(asked.because());
    }

    private Clause ranged(Fact fact, String value, String range, Truth result) {
        String reason = switch (result) {
            case YES -> "%s is %s, as this route needs (%s).".formatted(fact.label(), value, range);
            case NO -> "%s is %s; this route needs %s.".formatted(fact.label(), value, range);
            case UNKNOWN -> "%s is %s, which has no order against %s.".formatted(fact.label(), value, range);
        };
        return result == Truth.UNKNOWN ? Clause.asking(fact.label(), reason, Set.of(fact)) : told(fact, result, reason);
    }

    private static String range(Optional<String> least, Optional<String> most, String above, String below) {
        if (least.isPresent() && most.isPresent()) {
            return least.get() + " to " + most.get();
        }
        return least.map(low -> low + " " + above).orElseGet(() -> most.orElseThrow() + " " + below);
    }

    /** An order between two texts; empty where none can be told. */
    interface Order {
        OptionalInt compare(String a, String b);
    }

    /** Whether a value lies between two bounds, both included; an absent bound holds for everything. */
    static Truth within(Optional<String> least, String value, Optional<String> most, Order order) {
        return least.map(low -> atMost(order.compare(low, value)))
                .orElse(Truth.YES)
                .and(most.map(high -> atMost(order.compare(value, high))).orElse(Truth.YES));
    }

    private static Truth atMost(OptionalInt order) {
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
