package org.mobrak.app;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Habit;
import org.mobrak.core.proof.Strictness;

/**
 * How a person likes to work; kept with the workspace.
 *
 * @param habits of each kind at most one; what is not among them is asked, or as the author has it
 * @param proof what counts as proof where nothing else was said for a phone
 * @param sound whether keys are counted out aloud, which they are not unless somebody wants it
 */
public record Preferences(List<Habit> habits, Strictness proof, boolean sound) {
    static final String HABITS = "habits";
    static final String PROOF = "proof";
    private static final String SOUND = "sound";

    public Preferences {
        habits = List.copyOf(habits);
    }

    public static Preferences usual() {
        return new Preferences(List.of(), Strictness.STRICT, false);
    }

    static Preferences read(Function<String, Optional<String>> kept) {
        return new Preferences(
                habits(kept.apply(HABITS)),
                proof(kept.apply(PROOF)),
                kept.apply(SOUND).filter("true"::equals).isPresent());
    }

    static List<Habit> habits(Optional<String> kept) {
        return Stream.of(kept.orElse("").split(" "))
                .flatMap(word -> Habit.ofWord(word).stream())
                .toList();
    }

    static Strictness proof(Optional<String> kept) {
        return kept.filter(Strictness.LENIENT.word()::equals)
                .map(word -> Strictness.LENIENT)
                .orElse(Strictness.STRICT);
    }

    void keep(BiConsumer<String, String> keeper) {
        keeper.accept(HABITS, habits.stream().map(Habit::word).sorted().collect(Collectors.joining(" ")));
        keeper.accept(PROOF, proof.word());
        keeper.accept(SOUND, String.valueOf(sound));
    }

    /** The habit of a kind. */
    public Optional<Habit> habit(Habit.Kind kind) {
        return habits.stream().filter(habit -> habit.kind() == kind).findFirst();
    }

    /** The same with another habit of a kind, or none. */
    public Preferences with(Habit.Kind kind, Optional<Habit> habit) {
        List<Habit> others = new ArrayList<>(
                habits.stream().filter(other -> other.kind() != kind).toList());
        habit.ifPresent(others::add);
        return new Preferences(others, proof, sound);
    }

    public Preferences with(Strictness other) {
        return new Preferences(habits, other, sound);
    }

    public Preferences with(boolean aloud) {
        return new Preferences(habits, proof, aloud);
    }
}
