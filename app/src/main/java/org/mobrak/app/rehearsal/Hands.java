package org.mobrak.app.rehearsal;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.mobrak.core.catalogue.KeyChord;
import org.mobrak.core.catalogue.KeyChord.Key;
import org.mobrak.core.catalogue.KeyChord.Stroke;
import org.mobrak.link.Mode;
import org.mobrak.link.bench.BenchState;
import org.mobrak.link.bench.BenchTruth;
import org.mobrak.link.bench.KeyWay;
import org.mobrak.link.bench.Stimulus;
import org.mobrak.link.bench.Turn;

/** What a person's hands do to the bench phone, and what comes of it, step after step. */
final class Hands {
    /** A person is a little slower than the phone. */
    private static final double REACTION_SECONDS = 0.3;

    private static final double FORCED_OFF_SECONDS = 9;
    private static final double TOO_SHORT = 0.4;
    private static final double GLANCE_SECONDS = 0.25;
    private static final double PATIENCE = 4;

    private final BenchTruth phone;
    private final Diary diary;
    private BenchState state;

    Hands(BenchTruth phone, Diary diary) {
        this.phone = phone;
        this.diary = diary;
        this.state = BenchState.of(phone);
    }

    BenchState state() {
        return state;
    }

    /** Does one thing; gives whether it went as it should, as far as the phone shows it. */
    boolean does(Stimulus stimulus) {
        return takes(stimulus.on(phone, state));
    }

    /** What would come of one thing. */
    Turn tries(Stimulus stimulus) {
        return stimulus.on(phone, state);
    }

    /** What was tried comes about. */
    boolean takes(Turn turn) {
        state = turn.state();
        turn.seen().forEach(seen -> diary.note(seen.at(), "seen", seen.text()));
        return turn.done();
    }

    /** Brings the phone into a mode, whatever it does now. */
    void bringTo(Mode wanted) {
        if (state.mode() == wanted || state.mode() == Mode.DEAD) {
            return;
        }
        if (state.mode() == Mode.BLACK || state.mode() == Mode.LOOP) {
            holdPower();
        }
        if (wanted == Mode.OFF) {
            if (state.mode() != Mode.OFF) {
                does(new Stimulus.SwitchOff());
            }
            return;
        }
        KeyWay way = phone.ways().stream()
                .filter(one -> one.to() == wanted && one.from().contains(Mode.OFF))
                .findFirst()
                .orElse(null);
        if (way == null || wanted == Mode.OS) {
            does(new Stimulus.Restart(wanted));
        } else {
            bringTo(Mode.OFF);
            hold(way.chord(), false);
        }
    }

    /** Keys that are usual on phones, one chord after the other from off, until one leads there. */
    void tryUsual(Mode wanted) {
        for (KeyWay usual : BenchWays.usual()) {
            if (state.mode() == wanted || state.mode() == Mode.DEAD) {
                return;
            }
            if (usual.to() == wanted) {
                if (state.mode() != Mode.OFF) {
                    holdPower();
                }
                hold(usual.chord(), false);
            }
        }
    }

    void holdPower() {
        if (state.mode() == Mode.OS) {
            // Its menu comes first, and held on it goes off.
            does(new Stimulus.SwitchOff());
            return;
        }
        does(new Stimulus.Press(Key.POWER));
        does(new Stimulus.Pass(FORCED_OFF_SECONDS));
        does(new Stimulus.Release(Key.POWER));
    }

    /** Until the cue shows or the time is over; a person who sees nothing lets go in the end. */
    private void holdOn(Stroke stroke) {
        Mode before = state.mode();
        double patience = stroke.seconds()
                .map(time -> time + REACTION_SECONDS)
                .orElse(phone.nature().holdSeconds() * PATIENCE);
        String cue = stroke.until().orElse("");
        for (double held = 0; held < patience && state.mode() == before; held += GLANCE_SECONDS) {
            int seen = diary.happened().size();
            does(new Stimulus.Pass(GLANCE_SECONDS));
            boolean shown = diary.happened().stream()
                    .skip(seen)
                    .anyMatch(one -> one.text().equals(cue));
            if (shown) {
                return;
            }
        }
    }

    /** Plays a chord; let go too early where the hands slip. */
    void hold(KeyChord chord, boolean slip) {
        for (Stroke stroke : chord.strokes()) {
            Set<Key> wanted = Set.copyOf(stroke.keys());
            for (Key key : new HashSet<>(state.hands().held().keySet())) {
                if (!wanted.contains(key)) {
                    does(new Stimulus.Release(key));
                }
            }
            wanted.forEach(key -> does(new Stimulus.Press(key)));
            if (stroke.pressed()) {
                does(new Stimulus.Pass(REACTION_SECONDS));
            } else if (slip) {
                does(new Stimulus.Pass(phone.nature().holdSeconds() * TOO_SHORT));
            } else {
                holdOn(stroke);
            }
            if (slip) {
                break;
            }
        }
        List.copyOf(state.hands().held().keySet()).forEach(key -> does(new Stimulus.Release(key)));
    }
}
