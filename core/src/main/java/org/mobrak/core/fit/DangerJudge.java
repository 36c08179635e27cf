package org.mobrak.core.fit;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.mobrak.core.catalogue.Act;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Danger;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;

/** Holds routes against the dangers a phone is in, or may be in, in one world. */
final class DangerJudge {
    private final List<Near> near = new ArrayList<>();
    private final Acts acts;
    private final Facts facts;

    /** A danger that is there, or of which nobody can tell. */
    private record Near(Danger danger, Clause when) {}

    DangerJudge(Facts facts, Catalogue catalogue, ConditionJudge conditions) {
        this.facts = facts;
        this.acts = new Acts(facts, catalogue.rulers());
        for (Danger danger : catalogue.dangers()) {
            Clause when = new WhateverItIs(catalogue, facts, List.of(danger.when()), ConditionJudge::judgeDanger)
                    .settle(List.of(conditions.judgeDanger(danger.when())))
                    .get(0);
            boolean perhaps = when.result() == Truth.UNKNOWN && danger.speaksUnknown();
            if (when.result() == Truth.YES || perhaps) {
                near.add(new Near(danger, when));
            }
        }
    }

    /** Why nothing at all may be done; empty where something may. */
    Optional<String> everything() {
        return near.stream()
                .filter(one -> one.danger().severity() == Danger.Severity.STOP
                        && one.danger().forbids().contains(Act.ANYTHING)
                        && one.when().result() == Truth.YES)
                .map(one -> one.danger().because())
                .findFirst();
    }

    /** The facts on which the dangers turn that are there and stop something. */
    Set<Fact> turning() {
        return near.stream()
                .filter(one -> one.danger().severity() == Danger.Severity.STOP
                        && one.when().result() == Truth.YES)
                .flatMap(one -> one.danger().when().facts())
                .collect(Collectors.toSet());
    }

    /** A clause for each danger that forbids something the route does, or may. */
    List<Clause> clauses(Route route) {
        if (near.isEmpty()) {
            return List.of();
        }
        List<Clause> clauses = new ArrayList<>();
        for (Near one : near) {
            // Of what is forbidden the gravest counts: what the route surely does before what it may do.
            Act worst = Act.ANYTHING;
            Truth does = Truth.NO;
            for (Act act : Act.values()) {
                Truth done = one.danger().forbids().contains(act) ? acts.does(act, route) : Truth.NO;
                worst = done.compareTo(does) > 0 ? act : worst;
                does = does.or(done);
            }
            if (does != Truth.NO) {
                clauses.add(clause(one, worst, does.and(one.when().result())));
            }
        }
        return clauses;
    }

    private Clause clause(Near one, Act act, Truth forbidden) {
        Danger danger = one.danger();
        if (danger.severity() == Danger.Severity.CAUTION) {
            return careful(danger, act, danger.because());
        }
        boolean there = one.when().result() == Truth.YES;
        // How old the bootloader is that the phone has can be read; what a route does not say of its own cannot.
        boolean canBeRead =
                act == Act.OLDER_BOOTLOADER && facts.value(Fact.BOOTLOADER).isEmpty();
        if (forbidden == Truth.YES || there && !canBeRead) {
            String sure = forbidden == Truth.YES ? "this would " : "this may ";
            String what = act == Act.ANYTHING ? "nothing is done to this phone" : sure + act.inWords();
            return Clause.of(
                    Clause.Kind.DANGER, danger.id(), Truth.NO, "Not now: %s. %s".formatted(what, danger.because()));
        }
        String open = there
                ? "Whether this would %s is not known. %s".formatted(act.inWords(), danger.because())
                : "%s This would %s. %s".formatted(one.when().reason(), act.inWords(), danger.because());
        Set<Fact> asks = there ? Set.of(Fact.BOOTLOADER) : one.when().asks();
        return danger.asks()
                ? Clause.of(Clause.Kind.DANGER, danger.id(), Truth.UNKNOWN, open)
                        .on(new Clause.Basis(asks, Map.of(), Set.of()))
                : careful(danger, act, open);
    }

    private static Clause careful(Danger danger, Act act, String why) {
        String what = act == Act.ANYTHING ? "whatever is done" : "this would " + act.inWords();
        return Clause.of(Clause.Kind.DANGER, danger.id(), Truth.YES, "With care: " + what + ".")
                .doubting(why);
    }
}
