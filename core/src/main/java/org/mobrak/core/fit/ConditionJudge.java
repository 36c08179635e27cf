package org.mobrak.core.fit;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.BinaryOperator;
import java.util.stream.Collectors;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Condition;
import org.mobrak.core.identity.Belief;
import org.mobrak.core.identity.Days;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.build.Overlay;
import org.mobrak.core.identity.build.Ruler.Role;
import org.mobrak.core.identity.build.Spelling;
import org.mobrak.core.identity.build.TextPattern;
import org.mobrak.core.identity.build.VersionOrder;

/**
 * Judges the conditions a route states, in one world: of each fact that is known one value counts. What is asked for is compared
 * narrowly and what is forbidden (what stands below a not) widely, so that no spelling of it gets past.
 */
final class ConditionJudge {
    private final Facts facts;
    private final Catalogue catalogue;

    ConditionJudge(Facts facts, Catalogue catalogue) {
        this.facts = facts;
        this.catalogue = catalogue;
    }

    /** Whether a condition says what is asked for or what is forbidden. */
    private enum Side {
        ASKED,
        FORBIDDEN;

        Side other() {
            return this == ASKED ? FORBIDDEN : ASKED;
        }
    }

    Clause judge(Condition condition) {
        return judge(condition, Side.ASKED);
    }

    /** A state in which something must not be done: in doubt the phone is in it. */
    Clause judgeDanger(Condition condition) {
        return judge(condition, Side.FORBIDDEN);
    }

    private Clause judge(Condition condition, Side side) {
        if (condition instanceof Condition.OneOf some) {
            return oneOf(some, side);
        }
        if (condition instanceof Condition.Like like) {
            return like(like, side);
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
            return new HoleJudge(facts, this).judge(hole, catalogue.hole(hole.id()), side == Side.FORBIDDEN);
        }
        if (condition instanceof Condition.Not not) {
            return not.part() instanceof Condition.OneOf some && side == Side.ASKED
                    ? noneOf(some, not)
                    : not(not, side.other());
        }
        return condition instanceof Condition.AllOf all
                ? joined(all.parts(), side, " and ", Truth.YES, Truth::and)
                : joined(((Condition.AnyOf) condition).parts(), side, " or ", Truth.NO, Truth::or);
    }

    private Clause oneOf(Condition.OneOf asked, Side side) {
        Fact fact = asked.fact();
        String wanted = String.join(" or ", asked.values());
        Optional<String> value = facts.value(fact);
        if (value.isEmpty()) {
            return whateverItIs(fact, asked.values())
                    .orElseGet(() -> unsaid(fact, false, "this route needs " + wanted, asked.because())
                            .supposing(Supposed.within(fact, asked.values())));
        }
        Truth held = isOneOf(fact, value.get(), asked.values(), side);
        String reason = switch (held) {
            case YES -> "%s is %s, as this route needs.".formatted(fact.label(), value.get());
            case NO -> "%s is %s; this route needs %s.".formatted(fact.label(), value.get(), wanted);
            case UNKNOWN -> writtenOtherwise(fact, value.get(), wanted);
        };
        return answered(fact, held, reason).because(asked.because());
    }

    /** Where every value a fact can have will do, or none, nobody needs to read it. */
    private static Optional<Clause> whateverItIs(Fact fact, List<String> wanted) {
        List<String> words = fact.domain().words();
        return words.isEmpty() || !wanted.containsAll(words)
                ? Optional.empty()
                : Optional.of(Clause.of(
                        fact.label(), Truth.YES, fact.label() + " is not known, and whatever it is will do."));
    }

    /** Whether a value is one of some: forbidden, however it is written; asked for, only as it is written. */
    private static Truth isOneOf(Fact fact, String value, List<String> values, Side side) {
        if (values.contains(value)) {
            return Truth.YES;
        }
        boolean perhaps =
                fact.domain().words().isEmpty() && values.stream().anyMatch(one -> mayBe(fact, one, value, side));
        return !perhaps ? Truth.NO : side == Side.FORBIDDEN ? Truth.YES : Truth.UNKNOWN;
    }

    private static boolean mayBe(Fact fact, String one, String value, Side side) {
        if (fact.isVersion()) {
            return VersionOrder.compare(one, value).equals(OptionalInt.of(0));
        }
        if (fact == Fact.CARRIER) {
            return Spelling.mayBeCarrier(one, value);
        }
        return side == Side.FORBIDDEN ? Spelling.mayBe(one, value) : Spelling.isWrittenOtherwise(one, value);
    }

    static String writtenOtherwise(Fact fact, String value, String wanted) {
        return "%s reads “%s”, which is written otherwise than %s. Read it again, letter by letter."
                .formatted(fact.label(), value, wanted);
    }

    /** The usual form of a not, in a sentence of its own. */
    private Clause noneOf(Condition.OneOf excluded, Condition.Not not) {
        Fact fact = excluded.fact();
        String unwanted = String.join(" or ", excluded.values());
        Optional<String> value = facts.value(fact);
        if (value.isEmpty()) {
            return unsaid(fact, true, "it must not be " + unwanted, not.because())
                    .supposing(Supposed.without(fact, excluded.values()));
        }
        Truth held =
                isOneOf(fact, value.get(), excluded.values(), Side.FORBIDDEN).not();
        String reason = held == Truth.YES
                ? "%s is %s, not %s.".formatted(fact.label(), value.get(), unwanted)
                : "%s is %s, which this route excludes.".formatted(fact.label(), value.get());
        return answered(fact, held, reason).because(not.because());
    }

    /** What a condition supposes says nothing of the opposite. What is doubtful does not rule out what is forbidden. */
    private Clause not(Condition.Not not, Side inside) {
        Clause part = judge(not.part(), inside);
        boolean wouldRuleOut = inside == Side.ASKED
                && part.result() == Truth.YES
                && part.doubt().isPresent();
        Clause turned = Clause.of("Not: " + part.name(), part.result().not(), "Not so: " + part.reason())
                .on(new Clause.Basis(part.asks(), Map.of(), part.basis().torn()));
        Clause told = part.doubt().map(turned::doubting).orElse(turned).because(not.because());
        return wouldRuleOut ? stillOpen(not.part(), told) : told;
    }

    /** What would have to be read; where nothing is left to read, it is held to be so. */
    private Clause stillOpen(Condition doubtful, Clause told) {
        Set<Fact> unread = doubtful.facts()
                .filter(fact -> facts.value(fact).isEmpty() && !facts.isAbsent(fact))
                .collect(Collectors.toSet());
        return unread.isEmpty()
                ? told.turnedTo(Truth.YES, told.reason())
                : told.turnedTo(Truth.UNKNOWN, told.reason()).on(new Clause.Basis(unread, Map.of(), Set.of()));
    }

    private Clause like(Condition.Like asked, Side side) {
        Fact fact = asked.fact();
        String wanted = String.join(" or ", asked.patterns());
        Optional<String> value = facts.value(fact);
        if (value.isEmpty()) {
            return unsaid(fact, false, "this route needs one like " + wanted, asked.because());
        }
        Truth held = isLike(asked.patterns(), value.get(), side);
        String reason = switch (held) {
            case YES -> "%s is %s, like %s.".formatted(fact.label(), value.get(), wanted);
            case NO -> "%s is %s; this route needs one like %s.".formatted(fact.label(), value.get(), wanted);
            case UNKNOWN -> writtenOtherwise(fact, value.get(), wanted);
        };
        return answered(fact, held, reason).because(asked.because());
    }

    private static Truth isLike(List<String> patterns, String value, Side side) {
        if (patterns.stream().anyMatch(pattern -> TextPattern.matches(pattern, value))) {
            return Truth.YES;
        }
        boolean forbidden = side == Side.FORBIDDEN;
        boolean perhaps = patterns.stream()
                .anyMatch(pattern ->
                        forbidden ? Spelling.mayBe(pattern, value) : Spelling.isWrittenOtherwise(pattern, value));
        return !perhaps ? Truth.NO : forbidden ? Truth.YES : Truth.UNKNOWN;
    }

    private Clause between(Condition.Between asked) {
        Fact fact = asked.fact();
        boolean number = fact.isNumber();
        String range = range(
                asked.atLeast(), asked.atMost(), number ? "or more" : "or newer", number ? "or less" : "or older");
        Optional<String> value = facts.value(fact);
        if (value.isEmpty()) {
            return unsaid(fact, asked.atLeast().isEmpty(), "this route needs " + range, asked.because());
        }
        Truth result = Orders.within(asked.atLeast(), value.get(), asked.atMost(), orderOf(fact));
        Clause clause = ranged(fact, value.get(), range, result);
        String suffix = fact.isVersion() ? VersionOrder.suffix(value.get()) : "";
        return (suffix.isEmpty() || result == Truth.UNKNOWN
                        ? clause
                        : clause.adding("“%s” behind the numbers carries no order.".formatted(suffix)))
                .because(asked.because());
    }

    /** Versions by their numbers, days as days, and a maker's build strings as its grammar has them. */
    private Orders.Order orderOf(Fact fact) {
        if (fact == Fact.OS_VERSION) {
            return VersionOrder::ofOneSystem;
        }
        if (fact.isNumber()) {
            return Orders::numbers;
        }
        if (fact.isVersion()) {
            return VersionOrder::againstLimit;
        }
        return fact.isDay()
                ? Days::compare
                : (value, limit) -> catalogue.rulers().order(fact, value, limit, facts.value(Fact.MAKER));
    }

    private Clause dated(Condition.Dated asked) {
        String range = range(asked.notBefore(), asked.notAfter(), "or later", "or earlier");
        Optional<String> value = facts.value(asked.fact());
        return value.map(day -> ranged(
                                asked.fact(),
                                day,
                                range,
                                Orders.within(asked.notBefore(), day, asked.notAfter(), Days::compare))
                        .because(asked.because()))
                .orElseGet(() -> unsaid(
                        asked.fact(), asked.notBefore().isEmpty(), "this route needs " + range, asked.because()));
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
                .map(part -> Orders.within(asked.atLeast(), part.text(), asked.atMost(), Overlay::compareParts))
                .orElse(Truth.UNKNOWN);
        return ranged(asked.fact(), value.get(), range, result).because(asked.because());
    }

    private Clause ranged(Fact fact, String value, String range, Truth result) {
        return switch (result) {
            case YES ->
                Clause.of(
                        fact.label(),
                        result,
                        "%s is %s, as this route needs (%s).".formatted(fact.label(), value, range));
            case NO ->
                Clause.of(fact.label(), result, "%s is %s; this route needs %s.".formatted(fact.label(), value, range));
            case UNKNOWN -> Clause.asking(fact.label(), noOrder(fact, value, range), Set.of(fact));
        };
    }

    /** That a value was read and says nothing here. */
    static String noOrder(Fact fact, String value, String range) {
        return fact.isDay() && !Days.canBeRead(value)
                ? "%s reads “%s”, which is no day, so it cannot be held against %s."
                        .formatted(fact.label(), value, range)
                : "%s is %s, which has no order against %s.".formatted(fact.label(), value, range);
    }

    private static String range(Optional<String> least, Optional<String> most, String above, String below) {
        if (least.isPresent() && most.isPresent()) {
            return least.get() + " to " + most.get();
        }
        return least.map(low -> low + " " + above).orElseGet(() -> most.orElseThrow() + " " + below);
    }

    private Clause joined(List<Condition> parts, Side side, String word, Truth start, BinaryOperator<Truth> join) {
        List<Clause> clauses = parts.stream().map(part -> judge(part, side)).toList();
        Truth result = clauses.stream().map(Clause::result).reduce(start, join);
        Clause.Basis basis = clauses.stream().map(Clause::basis).reduce(Clause.Basis.FIRM, Clause.Basis::and);
        String name = clauses.stream().map(Clause::name).distinct().collect(Collectors.joining(word));
        String reason = clauses.stream().map(Clause::reason).collect(Collectors.joining(" "));
        Clause clause = Clause.of(name, result, reason).on(result == Truth.UNKNOWN ? basis : basis.settled());
        return clauses.stream()
                .flatMap(part -> part.doubt().stream())
                .findFirst()
                .map(clause::doubting)
                .orElse(clause);
    }

    /** An answer, or a question where even the value that was read leaves it open. */
    private static Clause answered(Fact fact, Truth result, String reason) {
        return result == Truth.UNKNOWN
                ? Clause.asking(fact.label(), reason, Set.of(fact))
                : Clause.of(fact.label(), result, reason);
    }

    /** Nothing is read; where there is nothing to read, that answers the question. */
    private Clause unsaid(Fact fact, boolean absentWillDo, String wanted, Optional<String> because) {
        return facts.belief(fact) instanceof Belief.Absent none
                ? Clause.of(fact.label(), Truth.of(absentWillDo), none.because())
                        .because(because)
                : unknown(fact, wanted, because);
    }

    Clause unknown(Fact fact, String wanted, Optional<String> because) {
        String reason = facts.impossible(fact)
                .map(reading -> unreadable(fact, reading.value()))
                .orElse("%s is not known".formatted(fact.label()));
        return Clause.asking(fact.label(), reason + "; " + wanted + ".", Set.of(fact))
                .because(because);
    }

    /** That what was read cannot be, as the beginning of a sentence. */
    private static String unreadable(Fact fact, String value) {
        return fact.isDay() && !Days.canBeRead(value)
                ? "%s reads “%s”, which is no day".formatted(fact.label(), value)
                : "%s reads “%s”, which cannot be".formatted(fact.label(), value);
    }
}
