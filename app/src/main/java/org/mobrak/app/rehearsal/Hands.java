package org.mobrak.app.rehearsal;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.mobrak.core.catalogue.KeyChord;
import org.mobrak.core.catalogue.KeyChord.Key;
import org.mobrak.core.catalogue.KeyChord.Stroke;
import org.mobrak.link.bench.BenchState;
import org.mobrak.link.bench.BenchTruth;
import org.mobrak.link.bench.KeyWay;
import org.mobrak.link.bench.Mode;
import org.mobrak.link.bench.Stimulus;
import org.mobrak.link.bench.Turn;

/** What a person's hands do to the bench phone, and what comes of it, step after step. */
final class Hands {
    /** A person is a little slower than the phone. */
    private static final double REACTION_SECONDS = 0.3;

    private static final double FORCED_OFF_SECONDS = 9;
    private static final double TOO_SHORT = 0.4;

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
        Turn turn = stimulus.on(phone, state);
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

    void holdPower() {
        does(new Stimulus.Press(Key.POWER));
        does(new Stimulus.Pass(FORCED_OFF_SECONDS));
        does(new Stimulus.Release(Key.POWER));
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
            double time = stroke.seconds()
                    .map(Integer::doubleValue)
                    .orElse(phone.nature().holdSeconds());
            does(new Stimulus.Pass(
                    stroke.pressed() ? REACTION_SECONDS : slip ? time * TOO_SHORT : time + REACTION_SECONDS));
            if (slip) {
                break;
            }
        }
        List.copyOf(state.hands().held().keySet()).forEach(key -> does(new Stimulus.Release(key)));
    }
}
