package org.mobrak.core.job;

import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mobrak.core.catalogue.Habit;

/**
 * Where a job stands: a fold over its events.
 *
 * @param begun since when each step is worked on, whether it is done or not
 * @param ticked since when each step is done
 * @param held what each step brought about
 * @param overridden the reason for which a gate was passed
 * @param files what was taken for each thing that was to be fetched
 * @param demands what the files asked for besides, in the order in which they turned up
 * @param missed how often the sign of a step did not come
 * @param habits how what can be done in several ways is done
 * @param noted what was noted or photographed, in its order
 * @param mode the mode in which the phone was last seen
 * @param resting since when the work rests
 * @param rung the highest rung of proof
 */
public record JobState(
        Map<String, Instant> begun,
        Map<String, Instant> ticked,
        Map<String, Event.EffectHeld> held,
        Map<String, String> overridden,
        Map<String, Event.FileTaken> files,
        List<Demand> demands,
        Map<String, Integer> missed,
        Set<Habit> habits,
        List<Event> noted,
        Optional<String> mode,
        Optional<Instant> resting,
        int rung,
        Optional<Event.Ended> end) {

    /** Folds events in their order. */
    public static JobState of(List<Event> events) {
        Fold fold = new Fold();
        events.forEach(fold::take);
        return new JobState(
                fold.begun,
                fold.ticked,
                fold.held,
                fold.overridden,
                fold.files,
                List.copyOf(fold.demands),
                fold.missed,
                Set.copyOf(fold.habits.values()),
                List.copyOf(fold.noted),
                fold.mode,
                fold.resting,
                fold.rungs.values().stream().max(Integer::compare).orElse(0),
                fold.end);
    }

    /** What has come together so far. */
    private static final class Fold {
        private final Map<String, Instant> begun = new LinkedHashMap<>();
        private final Map<String, Instant> ticked = new LinkedHashMap<>();
        private final Map<String, Event.EffectHeld> held = new LinkedHashMap<>();
        private final Map<String, String> overridden = new HashMap<>();
        private final Map<String, Event.FileTaken> files = new LinkedHashMap<>();
        private final List<Demand> demands = new ArrayList<>();
        private final Map<String, Integer> missed = new HashMap<>();
        private final Map<Habit.Kind, Habit> habits = new EnumMap<>(Habit.Kind.class);
        private final List<Event> noted = new ArrayList<>();
        private final Map<String, Integer> rungs = new HashMap<>();
        private Optional<String> mode = Optional.empty();
        private Optional<Instant> resting = Optional.empty();
        private Optional<Event.Ended> end = Optional.empty();

        void take(Event event) {
            if (event instanceof Event.Begun one) {
                begun.putIfAbsent(one.step(), one.at());
            } else if (event instanceof Event.Ticked one) {
                begun.putIfAbsent(one.step(), one.at());
                ticked.put(one.step(), one.at());
            } else if (event instanceof Event.Unticked one) {
                ticked.remove(one.step());
                held.remove(one.step());
                files.remove(one.step());
                rungs.remove(one.step());
            } else if (event instanceof Event.EffectHeld one) {
                held.put(one.step(), one);
            } else if (event instanceof Event.Proved one) {
                rungs.put(one.step(), one.rung());
            } else {
                aside(event);
            }
        }

        private void aside(Event event) {
            if (event instanceof Event.SignMissed one) {
                missed.merge(one.step(), 1, Integer::sum);
            } else if (event instanceof Event.ModeSeen one) {
                mode = Optional.of(one.mode());
            } else if (event instanceof Event.Overridden one) {
                overridden.put(one.step(), one.reason());
            } else if (event instanceof Event.FileTaken one) {
                files.put(one.step(), one);
            } else if (event instanceof Event.Demanded one) {
                demands.add(one.demand());
            } else if (event instanceof Event.Chosen one) {
                habits.put(one.habit().kind(), one.habit());
            } else if (event instanceof Event.Noted || event instanceof Event.Photo) {
                noted.add(event);
            } else if (event instanceof Event.Paused one) {
                resting = Optional.of(one.at());
            } else if (event instanceof Event.Resumed one) {
                resting = Optional.empty();
                mode = Optional.of(one.mode());
            } else if (event instanceof Event.Ended one && end.isEmpty()) {
                end = Optional.of(one);
            }
        }
    }
}
