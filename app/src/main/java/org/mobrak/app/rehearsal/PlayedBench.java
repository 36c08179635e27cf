package org.mobrak.app.rehearsal;

import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import org.mobrak.core.catalogue.KeyChord.Key;
import org.mobrak.link.bench.BenchState;
import org.mobrak.link.bench.Cable;
import org.mobrak.link.bench.Stimulus;
import org.mobrak.link.bench.Turn;

/**
 * The bench phone in somebody's hands, while time goes by. What takes its time comes about when that time is over, and until
 * then a cable can be pulled out of it. On one thread only.
 */
final class PlayedBench {
    /** What is over so soon is over at once. */
    private static final double AT_ONCE = 0.05;

    private final Hands hands;
    private final BenchClock clock;
    private final Set<Key> down = EnumSet.noneOf(Key.class);
    private Optional<Underway> underway = Optional.empty();

    /**
     * Something that has begun and is not over.
     *
     * @param turn what comes of it if nothing happens between
     * @param over told whether it went as it should
     */
    private record Underway(String what, Stimulus stimulus, double from, Turn turn, Consumer<Boolean> over) {
        double until() {
            return turn.state().seconds();
        }

        double share(double now) {
            return Math.min(1, (now - from) / Math.max(AT_ONCE, until() - from));
        }
    }

    PlayedBench(Hands hands, BenchClock clock) {
        this.hands = hands;
        this.clock = clock;
    }

    BenchState state() {
        return hands.state();
    }

    /** What it is busy with; empty while it waits for somebody. */
    Optional<String> busyWith() {
        return underway.map(Underway::what);
    }

    /** How far that is, from 0 to 1. */
    double share() {
        return underway.map(one -> one.share(clock.seconds())).orElse(0.0);
    }

    Set<Key> down() {
        return down.isEmpty() ? Set.of() : EnumSet.copyOf(down);
    }

    /** Begins something, unless the phone is busy; gives whether it began. */
    boolean begin(String what, Stimulus stimulus, Consumer<Boolean> over) {
        if (underway.isPresent()) {
            return false;
        }
        Underway begun = new Underway(what, stimulus, clock.seconds(), hands.tries(stimulus), over);
        if (begun.until() <= clock.seconds() + AT_ONCE) {
            comeAbout(begun);
        } else {
            underway = Optional.of(begun);
        }
        return true;
    }

    private void comeAbout(Underway one) {
        underway = Optional.empty();
        boolean done = hands.takes(one.turn());
        one.over().accept(done);
        letGo();
    }

    /** Keys that were let go while the phone did not listen. */
    private void letGo() {
        for (Key key : Set.copyOf(state().hands().held().keySet())) {
            if (!down.contains(key)) {
                quietly("the keys", new Stimulus.Release(key));
            }
        }
    }

    private void quietly(String what, Stimulus stimulus) {
        begin(what, stimulus, done -> {});
    }

    void press(Key key) {
        if (down.add(key)) {
            quietly("it starts", new Stimulus.Press(key));
        }
    }

    void release(Key key) {
        if (down.remove(key)) {
            quietly("it starts", new Stimulus.Release(key));
        }
    }

    /** Time goes by. */
    void pass(double seconds) {
        clock.forward(seconds);
        boolean busy = underway.filter(one -> one.until() > clock.seconds()).isPresent();
        if (!busy) {
            underway.ifPresent(this::comeAbout);
            catchUp();
        }
    }

    private void catchUp() {
        double behind = clock.seconds() - state().seconds();
        if (behind > 0 && underway.isEmpty()) {
            quietly("it starts", new Stimulus.Pass(behind));
        }
    }

    /** To the end of what it is busy with. */
    void skip() {
        underway.ifPresent(one -> pass(Math.max(0, one.until() - clock.seconds())));
    }

    /** Somebody spent time at the bench that nobody wants to sit through. */
    void followTheHands() {
        clock.forward(Math.max(0, state().seconds() - clock.seconds()));
    }

    /** Another cable, or none; what goes on over it breaks off. */
    void plug(Cable cable) {
        Optional<Underway> cut = underway.filter(one ->
                one.stimulus() instanceof Stimulus.Work work && work.task().byComputer() && !cable.carriesData());
        cut.ifPresent(one -> {
            underway = Optional.empty();
            Stimulus.Task task = ((Stimulus.Work) one.stimulus()).task();
            hands.does(new Stimulus.Work(task.brokenAt(one.share(clock.seconds()))));
            one.over().accept(false);
        });
        amid(new Stimulus.Plug(cable));
    }

    /** The driver is there, or no longer. */
    void driver(boolean known) {
        amid(new Stimulus.Driver(known));
    }

    /** Takes no time, and what is under way goes on with it. */
    private void amid(Stimulus stimulus) {
        hands.does(stimulus);
        underway = underway.map(
                one -> new Underway(one.what(), one.stimulus(), one.from(), hands.tries(one.stimulus()), one.over()));
    }
}
