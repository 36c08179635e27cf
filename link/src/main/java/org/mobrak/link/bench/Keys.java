package org.mobrak.link.bench;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.mobrak.core.catalogue.KeyChord.Key;
import org.mobrak.core.catalogue.KeyChord.Stroke;
import org.mobrak.link.Mode;
import org.mobrak.link.bench.BenchState.Hands;
import org.mobrak.link.bench.Turn.Observation;

/**
 * What a phone makes of its keys. Each way is followed stroke by stroke, since a phone does not know which one is meant; a stroke
 * counts when exactly its keys were down long enough.
 */
final class Keys {
    private static final Set<Key> POWER = Set.of(Key.POWER);
    private static final Set<Key> BACK_OUT = Set.of(Key.VOLUME_DOWN);
    /** Power alone, so long, switches anything off: common practice, 8 to 10 s. */
    private static final double FORCED_OFF_SECONDS = 8;
    /** Power with others, so long after the cue, and it starts over: too long (common practice). */
    private static final double TOO_LONG_SECONDS = 10;

    private final BenchTruth phone;
    private final Starts starts;
    private final List<Observation> seen = new ArrayList<>();

    Keys(BenchTruth phone) {
        this.phone = phone;
        this.starts = new Starts(phone);
    }

    Turn press(Key key, BenchState before) {
        Map<Key, Double> held = new HashMap<>(before.hands().held());
        held.putIfAbsent(key, before.seconds());
        return told(pressed(before.with(new Hands(held, before.hands().strokes()))));
    }

    /** Strokes that are only pressed count at once; in the warning another key goes back. */
    private BenchState pressed(BenchState state) {
        for (int way = 0; way < phone.ways().size(); way++) {
            Optional<Stroke> stroke = due(way, state).filter(Stroke::pressed).filter(one -> isHeld(one, state));
            if (stroke.isPresent()) {
                return done(way, stroke.get(), state);
            }
        }
        if (state.mode() == Mode.WARNING && state.hands().held().keySet().equals(BACK_OUT)) {
            return start(Mode.OS, state);
        }
        return state;
    }

    Turn release(Key key, BenchState before) {
        Optional<KeyWay> meant = ripe(before);
        if (meant.isPresent()) {
            Map<Key, Double> left = new HashMap<>(before.hands().held());
            left.remove(key);
            return told(start(
                    meant.get().to(), before.with(new Hands(left, before.hands().strokes()))));
        }
        Map<Key, Double> held = new HashMap<>(before.hands().held());
        held.remove(key);
        // What is held from now on is held anew: the phone counts from when these keys alone are down.
        held.replaceAll((other, since) -> before.seconds());
        return told(before.with(new Hands(held, before.hands().strokes())));
    }

    /** A way that was held to its end and only waits for the keys to be let go, since holding on means another. */
    private Optional<KeyWay> ripe(BenchState state) {
        for (int way = 0; way < phone.ways().size(); way++) {
            KeyWay one = phone.ways().get(way);
            if (state.hands().strokes().get(way) == one.chord().strokes().size()) {
                return Optional.of(one);
            }
        }
        return Optional.empty();
    }

    Turn pass(double seconds, BenchState before) {
        double end = before.seconds() + seconds;
        BenchState state = before;
        Optional<Next> next = next(state, end);
        while (next.isPresent()) {
            state = next.get().happen(state.later(Math.max(0, next.get().at() - state.seconds())));
            end = Math.max(end, state.seconds());
            next = next(state, end);
        }
        double rest = end - state.seconds();
        boolean runs = state.mode() != Mode.OFF && state.mode() != Mode.DEAD;
        return told(runs ? state.working(phone, rest) : state.later(rest));
    }

    private Turn told(BenchState state) {
        return new Turn(state, true, seen);
    }

    /** Something that happens at a time, if nothing changes before. */
    private record Next(double at, UnaryOperator<BenchState> what) {
        BenchState happen(BenchState state) {
            return what.apply(state);
        }
    }

    private Optional<Next> next(BenchState state, double end) {
        if (state.hands().held().isEmpty() || state.mode() == Mode.DEAD) {
            return Optional.empty();
        }
        double since =
                state.hands().held().values().stream().max(Double::compare).orElseThrow();
        List<Next> all = new ArrayList<>();
        for (int way = 0; way < phone.ways().size(); way++) {
            int index = way;
            due(way, state)
                    .filter(stroke -> !stroke.pressed() && isHeld(stroke, state))
                    .ifPresent(stroke -> all.add(
                            new Next(since + heldFor(stroke) * turn(index, state), now -> done(index, stroke, now))));
        }
        if (state.hands().held().keySet().equals(POWER)) {
            all.add(
                    state.mode() == Mode.OFF
                            ? new Next(since + phone.nature().holdSeconds(), now -> start(Mode.OS, now))
                            : new Next(since + FORCED_OFF_SECONDS, this::off));
        } else if (state.hands().held().containsKey(Key.POWER) && isUnderWay(state)) {
            all.add(new Next(since + TOO_LONG_SECONDS, this::off));
        }
        return all.stream().filter(one -> one.at() <= end).min(Comparator.comparingDouble(Next::at));
    }

    /** Where the same keys mean several things, one comes after the other: the shorter way first, the others by holding on. */
    private int turn(int way, BenchState state) {
        return state.hands().strokes().get(way) == 0 ? phone.ways().get(way).turn() : 1;
    }

    private double heldFor(Stroke stroke) {
        return stroke.seconds().map(Integer::doubleValue).orElse(phone.nature().holdSeconds());
    }

    private static boolean isUnderWay(BenchState state) {
        return state.hands().strokes().stream().anyMatch(done -> done > 0);
    }

    private boolean isHeld(Stroke stroke, BenchState state) {
        if (stroke.keys().contains(Key.ALL)) {
            Set<Key> held = state.hands().held().keySet();
            return held.contains(Key.ALL) || held.containsAll(buttons());
        }
        return stroke.keys().size() == state.hands().held().size()
                && state.hands().held().keySet().containsAll(stroke.keys());
    }

    /** The buttons on its sides, and below its screen where one of its ways uses that. */
    private Set<Key> buttons() {
        Set<Key> all = EnumSet.of(Key.VOLUME_UP, Key.VOLUME_DOWN, Key.POWER);
        boolean home = phone.ways().stream().anyMatch(way -> way.chord().keys().contains(Key.HOME));
        if (home) {
            all.add(Key.HOME);
        }
        return all;
    }

    /** The stroke a way waits for, where the phone listens to it now. */
    private Optional<Stroke> due(int way, BenchState state) {
        KeyWay one = phone.ways().get(way);
        int done = state.hands().strokes().get(way);
        if (one.unplugged() && state.wire().cable() != Cable.NONE) {
            return Optional.empty();
        }
        boolean listens = one.from().contains(state.mode()) || done > 0 && state.mode() == Mode.WARNING;
        return listens && done < one.chord().strokes().size()
                ? Optional.of(one.chord().strokes().get(done))
                : Optional.empty();
    }

    private BenchState done(int way, Stroke stroke, BenchState state) {
        List<Integer> strokes = new ArrayList<>(state.hands().strokes());
        strokes.set(way, strokes.get(way) + 1);
        BenchState on = state.with(new Hands(state.hands().held(), strokes));
        KeyWay one = phone.ways().get(way);
        boolean last = strokes.get(way) == one.chord().strokes().size();
        if (last && !one.goesOn()) {
            return start(one.to(), on);
        }
        String cue = stroke.until().orElse("a sign of life");
        seen.add(new Observation(state.seconds(), cue));
        if (!last) {
            Map<Key, Double> anew = new HashMap<>(state.hands().held());
            anew.replaceAll((key, since) -> state.seconds());
            on = state.with(new Hands(anew, withoutRipe(strokes)));
        }
        // The warning is a mode of its own; the ways that go through it keep their strokes.
        return cue.contains("warning")
                ? new BenchState(
                        Mode.WARNING, on.seconds(), on.battery(), on.celsius(), on.hands(), on.wire(), on.inside())
                : on;
    }

    /** Whoever holds on means the longer way. */
    private List<Integer> withoutRipe(List<Integer> strokes) {
        List<Integer> left = new ArrayList<>(strokes);
        for (int way = 0; way < left.size(); way++) {
            if (left.get(way) == phone.ways().get(way).chord().strokes().size()) {
                left.set(way, 0);
            }
        }
        return left;
    }

    private BenchState off(BenchState state) {
        seen.add(new Observation(state.seconds(), "the screen goes dark"));
        return new BenchState(
                Mode.OFF,
                state.seconds(),
                state.battery(),
                state.celsius(),
                new Hands(Map.of(), state.hands().strokes()).anew(),
                state.wire(),
                state.inside());
    }

    private BenchState start(Mode mode, BenchState state) {
        Turn started = starts.into(mode, state);
        seen.addAll(started.seen());
        BenchState now = started.state();
        // Keys that are still down count anew from here, or they would do the same for ever.
        Map<Key, Double> held = new HashMap<>(now.hands().held());
        held.replaceAll((key, since) -> now.seconds());
        return now.with(new Hands(held, now.hands().strokes()));
    }
}
