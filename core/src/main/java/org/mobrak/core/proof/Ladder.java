package org.mobrak.core.proof;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.identity.Belief;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Source;

/** What was seen of root, in order of time, folded into what may be claimed. */
public final class Ladder {
    private final Map<Rung, Truth> rungs = new EnumMap<>(Rung.class);
    private final Facts facts;
    private boolean restarted;
    private boolean managerSeen;
    /** What is certain though no rung says so: that there is none. */
    private boolean none;
    /** Root was there before a restart and was gone after it. */
    private boolean lost;

    private Ladder(Facts facts) {
        this.facts = facts;
        clear();
    }

    /**
     * How far root is proved.
     *
     * @param facts of the phone; a root shell among its readings counts as seen before everything else, since nothing says
     *     that it is of after a restart
     */
    public static RootProof climb(List<Seen> seen, Facts facts, Strictness strictness) {
        Ladder ladder = new Ladder(facts);
        if (hasShell(facts)) {
            ladder.take(Seen.UID0);
        } else {
            ladder.none = facts.value(Fact.ROOT).filter("none"::equals).isPresent();
        }
        seen.forEach(ladder::take);
        return ladder.proof(strictness);
    }

    private static boolean hasShell(Facts facts) {
        Belief belief = facts.belief(Fact.ROOT);
        return belief.readings().stream().anyMatch(reading -> reading.source() == Source.ROOT_PROOF);
    }

    private void clear() {
        for (Rung rung : Rung.values()) {
            rungs.put(rung, Truth.UNKNOWN);
        }
        restarted = false;
        none = false;
        lost = false;
    }

    private void take(Seen seen) {
        managerSeen |= seen.showsManager();
        seen.shows().ifPresent(this::yes);
        switch (seen) {
            case PROOF_APP_NO -> no();
            case DENIED -> rungs.replace(Rung.GRANTED, Truth.UNKNOWN, Truth.NO);
            case RESTART -> restarted = true;
            case UPDATE -> clear();
            case UNROOTED -> {
                clear();
                none = true;
            }
            default -> {
                // Told by its rung.
            }
        }
    }

    private void yes(Rung rung) {
        rungs.put(rung, Truth.YES);
        if (rung.showsRoot()) {
            none = false;
            lost = false;
            if (restarted) {
                rungs.put(Rung.LASTS, Truth.YES);
            }
        }
    }

    /** An app asked and got no root: what was seen of root before is over, or does not hold for every app. */
    private void no() {
        boolean before = showedRoot();
        for (Rung rung : Rung.values()) {
            if (rung.showsRoot()) {
                rungs.put(rung, Truth.UNKNOWN);
            }
        }
        rungs.put(Rung.PROOF_APP, Truth.NO);
        lost = before && restarted;
        none = !before || restarted;
        if (restarted) {
            rungs.put(Rung.LASTS, Truth.NO);
        }
    }

    private boolean showedRoot() {
        return rungs.entrySet().stream().anyMatch(entry -> entry.getKey().showsRoot() && entry.getValue() == Truth.YES);
    }

    private RootProof proof(Strictness strictness) {
        Optional<Rung> reached = Optional.empty();
        for (Rung rung : Rung.values()) {
            if (rungs.get(rung) == Truth.YES) {
                reached = Optional.of(rung);
            }
        }
        RootProof.State state = state(reached, strictness);
        return new RootProof(state, reached, rungs, warnings(reached, state));
    }

    private RootProof.State state(Optional<Rung> reached, Strictness strictness) {
        if (none) {
            return RootProof.State.NONE;
        }
        boolean refused = rungs.get(Rung.PROOF_APP) == Truth.NO && !showedRoot();
        if (reached.isEmpty() || refused) {
            return RootProof.State.UNKNOWN;
        }
        if (reached.get() == Rung.LASTS || strictness == Strictness.LENIENT) {
            return RootProof.State.PERMANENT;
        }
        return reached.get().showsRoot() ? RootProof.State.TEMPORARY : RootProof.State.UNKNOWN;
    }

    private List<ProofWarning> warnings(Optional<Rung> reached, RootProof.State state) {
        List<ProofWarning> warnings = new ArrayList<>();
        Optional<String> manager = facts.value(Fact.ROOT_MANAGER);
        boolean there =
                managerSeen || manager.filter(word -> !word.equals("none")).isPresent();
        boolean root = reached.filter(Rung::showsRoot).isPresent();
        if (root && !there && manager.isPresent()) {
            warnings.add(ProofWarning.ROOT_WITHOUT_MANAGER);
        }
        if (there && state == RootProof.State.NONE) {
            warnings.add(ProofWarning.MANAGER_WITHOUT_ROOT);
        }
        if (manager.filter("stale"::equals).isPresent()) {
            warnings.add(ProofWarning.STALE_BINARY);
        }
        if (root && reached.get() != Rung.LASTS || lost) {
            warnings.add(ProofWarning.TEMPORARY_ONLY);
        }
        if (reached.equals(Optional.of(Rung.ICON)) && state != RootProof.State.NONE) {
            warnings.add(ProofWarning.ICON_ONLY);
        }
        return warnings;
    }
}
