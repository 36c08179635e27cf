package org.mobrak.link.bench;

import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import org.mobrak.core.catalogue.KeyChord.Key;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.identity.Fact;
import org.mobrak.link.Mode;

/** What is done to a bench phone. */
public sealed interface Stimulus {
    /** What a person needs for a handful of menus (our own choice). */
    double SHORTLY_SECONDS = 30;

    /** What comes of it. The same stimulus on the same state always gives the same. */
    Turn on(BenchTruth phone, BenchState state);

    /** A key goes down; a plug counts as one. */
    record Press(Key key) implements Stimulus {
        @Override
        public Turn on(BenchTruth phone, BenchState state) {
            return new Keys(phone).press(key, state);
        }
    }

    /** A key is let go. */
    record Release(Key key) implements Stimulus {
        @Override
        public Turn on(BenchTruth phone, BenchState state) {
            return new Keys(phone).release(key, state);
        }
    }

    /** Time goes by. */
    record Pass(double seconds) implements Stimulus {
        @Override
        public Turn on(BenchTruth phone, BenchState state) {
            return new Keys(phone).pass(seconds, state);
        }
    }

    /** Another cable, or none. */
    record Plug(Cable cable) implements Stimulus {
        @Override
        public Turn on(BenchTruth phone, BenchState state) {
            return Turn.quiet(state.with(new BenchState.Wire(cable, state.wire().driver())));
        }
    }

    /** It is put on the charger until it has so much. */
    record Charge(double percent) implements Stimulus {
        @Override
        public Turn on(BenchTruth phone, BenchState state) {
            double time = phone.nature().chargeSeconds(state.battery(), percent);
            return Turn.shows(state.charging(time, Math.max(percent, state.battery())), true, "the battery is charged");
        }
    }

    /** A driver is installed, or goes missing. */
    record Driver(boolean known) implements Stimulus {
        @Override
        public Turn on(BenchTruth phone, BenchState state) {
            return Turn.quiet(state.with(new BenchState.Wire(state.wire().cable(), known)));
        }
    }

    /** A switch is set, a card put in, a backup taken: whatever a person brings about at the bench. */
    record Arrange(Map<Fact, String> facts) implements Stimulus {
        public Arrange {
            facts = Map.copyOf(facts);
        }

        @Override
        public Turn on(BenchTruth phone, BenchState state) {
            return Turn.quiet(state.with(state.inside().knowing(facts)).later(SHORTLY_SECONDS));
        }
    }

    /** It is switched off from its menu. */
    record SwitchOff() implements Stimulus {
        @Override
        public Turn on(BenchTruth phone, BenchState state) {
            return new Starts(phone).into(Mode.OFF, state);
        }
    }

    /** It is asked to start into a mode: by a command, from a menu, or by the power key where that is the OS. */
    record Restart(Mode mode) implements Stimulus {
        @Override
        public Turn on(BenchTruth phone, BenchState state) {
            return new Starts(phone).into(mode, state);
        }
    }

    /** The battery sinks to this; only a fault does that. */
    record Sink(double percent) implements Stimulus {
        @Override
        public Turn on(BenchTruth phone, BenchState state) {
            return Turn.quiet(state.charged(percent));
        }
    }

    /** Something goes wrong of itself: only a fault does that. */
    record Upset(boolean dirty, boolean black, boolean repairs) implements Stimulus {
        @Override
        public Turn on(BenchTruth phone, BenchState state) {
            BenchState.Inside inside = state.inside();
            BenchState upset = state.with(inside.next(inside.dirty() || dirty, inside.wiped())
                    .repairing(inside.repairs() || repairs, inside.fresh()));
            return black && state.mode() != Mode.DEAD
                    ? Turn.shows(upset.in(Mode.BLACK), false, Mode.BLACK.screen())
                    : Turn.quiet(upset);
        }
    }

    /** The storage is formatted, from the question for a password or from a recovery; it is empty afterwards. */
    record FormatData() implements Stimulus {
        @Override
        public Turn on(BenchTruth phone, BenchState state) {
            if (state.mode() != Mode.RECOVERY && !state.asksForPassword()) {
                return Turn.shows(state, false, "there is nothing to format from here");
            }
            BenchState empty = state.later(SHORTLY_SECONDS)
                    .with(state.inside().sealing(false).next(false, true));
            return state.mode() == Mode.OS
                    ? new Starts(phone).into(Mode.OS, empty)
                    : Turn.shows(empty, true, "it says done");
        }
    }

    /** A recovery of one's own is told, as it is left, that the maker's system may not put its own back. */
    record KeepRecovery() implements Stimulus {
        @Override
        public Turn on(BenchTruth phone, BenchState state) {
            boolean asks = state.mode() == Mode.RECOVERY && state.inside().is(Fact.RECOVERY, "custom");
            return asks
                    ? Turn.quiet(state.with(
                            state.inside().repairing(false, state.inside().fresh())))
                    : Turn.quiet(state);
        }
    }

    /** The cache is wiped; what was installed over an older one starts again. */
    record LightWipe() implements Stimulus {
        @Override
        public Turn on(BenchTruth phone, BenchState state) {
            boolean can = state.mode() == Mode.RECOVERY;
            return can
                    ? Turn.shows(
                            state.later(SHORTLY_SECONDS).with(state.inside().next(false, true)), true, "it says done")
                    : Turn.shows(state, false, "there is nothing to wipe from here");
        }
    }

    /** What a step of a route does. */
    record Work(Task task) implements Stimulus {
        @Override
        public Turn on(BenchTruth phone, BenchState state) {
            return new Works(phone).on(task, state);
        }
    }

    /**
     * A piece of work on the phone.
     *
     * @param needs the mode in which it can be done; empty where the mode does not matter
     * @param byComputer whether the computer does it over the cable
     * @param images what the files hold that are written, as their bytes say
     * @param effects what is so afterwards, if all goes well
     * @param wipes whether the data is gone afterwards
     * @param suits whether the route suits the phone as it truly is
     * @param seconds how long it takes
     * @param broken how far it comes before the cable falls out, from 0 to 1
     * @param rightPlace whether the tool was told what was meant, and not what stood there in an older version
     */
    record Task(
            Set<Mode> needs,
            boolean byComputer,
            Map<PartitionClass, Image> images,
            Map<Fact, String> effects,
            boolean wipes,
            Truth suits,
            double seconds,
            OptionalDouble broken,
            boolean rightPlace) {
        public Task {
            needs = Set.copyOf(needs);
            images = Map.copyOf(images);
            effects = Map.copyOf(effects);
        }

        /** The same, with the cable falling out so far through it. */
        public Task brokenAt(double share) {
            return new Task(
                    needs, byComputer, images, effects, wipes, suits, seconds, OptionalDouble.of(share), rightPlace);
        }
    }

    /** What is written to a partition: whether its bytes are whole and made for this phone. */
    enum Image {
        RIGHT,
        /** It is whole and made for another phone. */
        FOREIGN,
        /** Its bytes are not what they were. */
        DAMAGED
    }
}
