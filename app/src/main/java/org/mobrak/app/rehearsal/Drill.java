package org.mobrak.app.rehearsal;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import org.mobrak.app.Outlook;
import org.mobrak.core.catalogue.KeyChord;
import org.mobrak.core.catalogue.KeyChord.Key;
import org.mobrak.core.catalogue.KeyChord.Stroke;
import org.mobrak.core.job.RunSheet;
import org.mobrak.core.job.Step;
import org.mobrak.link.Mode;
import org.mobrak.link.bench.BenchState;
import org.mobrak.link.bench.BenchTruth;
import org.mobrak.link.bench.Stimulus;
import org.mobrak.link.bench.Turn;

/** One chord, practised on the bench phone until it sits. Used by one thread; time goes by only when it is told to. */
public final class Drill {
    private final BenchTruth phone;
    private final KeyChord chord;
    private final Mode target;
    private BenchState state;
    private String screen = "";
    private double began = -1;
    private HandTimes times = new HandTimes();

    /** A step whose keys can be practised. */
    public record Lesson(String title, KeyChord chord, Mode target) {}

    /** A phone that is off, and whose keys mean what the catalogue says. */
    public Drill(Outlook outlook, Lesson lesson) {
        this.phone = BenchWays.of(OnBench.of("drill", outlook, 0), outlook.catalogue(), 0);
        this.chord = lesson.chord();
        this.target = lesson.target();
        again();
    }

    /** What of a sheet can be practised: keys that lead from a phone that is off into a mode. */
    public static List<Lesson> lessons(RunSheet sheet) {
        return sheet.steps().stream()
                .flatMap(step -> lesson(step).stream())
                .distinct()
                .toList();
    }

    private static Optional<Lesson> lesson(Step step) {
        Optional<KeyChord> keys =
                step.how().flatMap(Step.Doing::keys).filter(one -> !one.keys().contains(Key.ALL));
        Optional<Mode> mode =
                step.how().flatMap(Step.Doing::mode).flatMap(Mode::ofWord).filter(one -> one != Mode.OS);
        return keys.flatMap(chord -> mode.map(to -> new Lesson(step.title(), chord, to)));
    }

    public KeyChord chord() {
        return chord;
    }

    /** The phone lies there, switched off. */
    public void again() {
        state = new Stimulus.SwitchOff().on(phone, BenchState.of(phone)).state();
        screen = Mode.OFF.screen();
        began = -1;
        times = new HandTimes();
    }

    public void press(Key key) {
        if (began < 0) {
            began = state.seconds();
        }
        if (state.mode() == Mode.OFF) {
            times.pressed(key, state.seconds());
        }
        take(new Stimulus.Press(key));
    }

    public void release(Key key) {
        if (state.mode() == Mode.OFF) {
            times.released(key, state.seconds());
        }
        take(new Stimulus.Release(key));
    }

    /** Time goes by. */
    public void pass(double seconds) {
        if (!isOver()) {
            take(new Stimulus.Pass(seconds));
        }
    }

    private void take(Stimulus stimulus) {
        Turn turn = stimulus.on(phone, state);
        state = turn.state();
        turn.seen().forEach(seen -> screen = seen.text());
    }

    /** The keys that are down. */
    public Set<Key> held() {
        return state.hands().held().keySet();
    }

    /** What the phone shows now. */
    public String screen() {
        return screen;
    }

    public boolean isThere() {
        return state.mode() == target;
    }

    /** Whether the phone has gone somewhere, wherever that is. */
    public boolean isOver() {
        return state.mode() != Mode.OFF && state.mode() != Mode.WARNING;
    }

    /** What to say of it, and what to do otherwise. */
    public String verdict() {
        if (isThere()) {
            return String.format(Locale.ROOT, "That is it: %s.", target.screen());
        }
        if (state.mode() == Mode.OS) {
            return "It started as usual: " + fault().orElse("the keys were not what it waits for.")
                    + " Switch it off and try again.";
        }
        if (isOver()) {
            return "It went somewhere else: " + state.mode().screen() + ". Mind when which key is let go.";
        }
        if (state.mode() == Mode.WARNING) {
            return "The warning is there. Now let go, and press what the chord says.";
        }
        return held().isEmpty() && began >= 0
                ? "Nothing happened: " + fault().orElse("hold all of them longer, together.")
                : "";
    }

    private Optional<String> fault() {
        Stroke first = chord.strokes().get(0);
        double hold =
                first.seconds().map(Integer::doubleValue).orElse(phone.nature().holdSeconds());
        return times.fault(first, hold);
    }
}
