package org.mobrak.core.job;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.Collections;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Aftermath;
import org.mobrak.core.catalogue.Gate;
import org.mobrak.core.catalogue.Habit;
import org.mobrak.core.catalogue.Handling;
import org.mobrak.core.catalogue.Increase;
import org.mobrak.core.catalogue.KeyChord;
import org.mobrak.core.catalogue.NeededFile;
import org.mobrak.core.catalogue.Otherwise;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Phase;
import org.mobrak.core.catalogue.RouteStep.Remedy;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;

/** One line of a run sheet: something to fetch, to copy, to plug, to have ready, a mode to go into, something to do, or to prove. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
    @JsonSubTypes.Type(value = Step.Fetch.class, name = "fetch"),
    @JsonSubTypes.Type(value = Step.Ready.class, name = "ready"),
    @JsonSubTypes.Type(value = Step.Copy.class, name = "copy"),
    @JsonSubTypes.Type(value = Step.Plug.class, name = "plug"),
    @JsonSubTypes.Type(value = Step.Move.class, name = "mode"),
    @JsonSubTypes.Type(value = Step.Act.class, name = "act"),
    @JsonSubTypes.Type(value = Step.Prove.class, name = "prove")
})
public sealed interface Step {

    /**
     * What every step says.
     *
     * @param id stable within the sheet, such as {@code prepare-2}
     * @param route the name of the route it belongs to
     */
    record Line(String id, Phase phase, String route, String title, String text) {
        Line named(String other) {
            return new Line(other, phase, route, title, text);
        }

        Line in(Phase other) {
            return new Line(id, other, route, title, text);
        }
    }

    /**
     * How something is done, and what tells that it went well.
     *
     * @param from the mode it begins in
     * @param mode the mode it ends in
     * @param keys empty where no keys are held
     * @param sign what is seen when it went well
     * @param remedies what to do for each other thing that may be seen
     * @param by which of several ways this is, where there are others
     * @param or the others
     */
    record Doing(
            Optional<String> from,
            Optional<String> mode,
            Optional<KeyChord> keys,
            Optional<String> sign,
            Optional<Integer> normalMinutes,
            Optional<Integer> worryMinutes,
            List<Remedy> remedies,
            @JsonInclude(JsonInclude.Include.NON_EMPTY) Optional<Habit> by,
            @JsonInclude(JsonInclude.Include.NON_EMPTY) List<Otherwise> or) {
        public Doing {
            remedies = List.copyOf(remedies);
            // Jobs that were begun before there were ways to choose from have none.
            or = or == null ? List.of() : List.copyOf(or);
        }

        /** What is done in one way only. */
        public Doing(
                Optional<String> from,
                Optional<String> mode,
                Optional<KeyChord> keys,
                Optional<String> sign,
                Optional<Integer> normalMinutes,
                Optional<Integer> worryMinutes,
                List<Remedy> remedies) {
            this(from, mode, keys, sign, normalMinutes, worryMinutes, remedies, Optional.empty(), List.of());
        }

        /** The same in another way; {@code or} stays, so that one can come back. */
        private Doing as(Otherwise other) {
            return new Doing(
                    other.from().or(() -> from),
                    mode,
                    other.keys(),
                    other.sign().or(() -> sign),
                    normalMinutes,
                    worryMinutes,
                    remedies,
                    Optional.of(other.by()),
                    or);
        }

        /** The same where the step before has led there. */
        Doing withoutKeys() {
            return new Doing(
                    from, mode, Optional.empty(), sign, normalMinutes, worryMinutes, remedies, by, keylessWays());
        }

        /** The same with another sign. */
        Doing signed(String other) {
            return new Doing(from, mode, keys, Optional.of(other), normalMinutes, worryMinutes, remedies, by, or);
        }

        /** The same with other remedies. */
        Doing remedied(List<Remedy> others) {
            return new Doing(from, mode, keys, sign, normalMinutes, worryMinutes, others, by, or);
        }

        /** What is done otherwise in the mode, and not on the way there. */
        private List<Otherwise> keylessWays() {
            return or.stream()
                    .filter(other -> other.by().kind() != Habit.Kind.ENTER)
                    .map(other -> new Otherwise(other.by(), other.text(), other.from(), Optional.empty(), other.sign()))
                    .toList();
        }

        /** All ways there are, the author's first; empty where there is one only. */
        public List<Habit> ways(Optional<Habit> author) {
            return or.isEmpty()
                    ? List.of()
                    : Stream.concat(author.stream(), or.stream().map(Otherwise::by))
                            .toList();
        }

        static Doing nothingSpecial() {
            Optional<String> none = Optional.empty();
            Optional<Integer> no = Optional.empty();
            return new Doing(none, none, Optional.empty(), none, no, no, List.of());
        }
    }

    /**
     * What is otherwise once a step is done.
     *
     * @param effects what holds then; a counter may be told as {@code +1}
     * @param forgets what nobody knows any more from when it is begun
     * @param wipes whether the data and what lies on the phone is gone then
     */
    record Change(Map<Fact, String> effects, Set<Fact> forgets, boolean wipes) {
        public Change {
            effects = Map.copyOf(effects);
            // In the order of the facts, so that the same sheet is written in the same way each time.
            forgets = forgets.isEmpty() ? Set.of() : Collections.unmodifiableSet(EnumSet.copyOf(forgets));
        }

        static Change none() {
            return new Change(Map.of(), Set.of(), false);
        }

        /** What holds of a phone of which this was known before. */
        Map<Fact, String> on(Facts before) {
            Map<Fact, String> now = new EnumMap<>(Fact.class);
            if (wipes) {
                Aftermath.wiped(before).forEach((fact, value) -> value.ifPresent(known -> now.put(fact, known)));
            }
            effects.forEach((fact, effect) ->
                    Increase.resolved(effect, before.value(fact)).ifPresent(value -> now.put(fact, value)));
            return now;
        }
    }

    /** A file or tool to lay ready. */
    record Fetch(Line line, Optional<NeededFile> needed) implements Step {
        @Override
        public Fetch with(Line other) {
            return new Fetch(other, needed);
        }
    }

    /**
     * Something that must be so before it goes on.
     *
     * @param askGate what
     * @param overridable whether a person may go on without it, with a reason
     */
    record Ready(Line line, Gate askGate, boolean overridable) implements Step {
        @Override
        public Ready with(Line other) {
            return new Ready(other, askGate, overridable);
        }
    }

    /**
     * A file that is copied to the phone.
     *
     * @param to where it must lie
     */
    record Copy(Line line, NeededFile what, Place to, Doing doing, Change change) implements Step {
        @Override
        public Copy with(Line other) {
            return new Copy(other, what, to, doing, change);
        }
    }

    /** Where a file can lie on a phone. */
    enum Place {
        CARD("the memory card"),
        INTERNAL("the phone’s own storage");

        private final String label;

        Place(String label) {
            this.label = label;
        }

        /** For a person: {@code the memory card}. */
        public String label() {
            return label;
        }
    }

    /** The cable is put in. */
    record Plug(Line line, Doing doing) implements Step {
        @Override
        public Plug with(Line other) {
            return new Plug(other, doing);
        }
    }

    /**
     * The phone is brought into another mode.
     *
     * @param doing the keys are missing where nobody has written them down
     * @param first what is done before the keys are held, in its order
     * @param noReturn whether there is no way back once it has started there
     */
    record Move(Line line, Doing doing, List<First> first, Change change, boolean noReturn) implements Step {
        public Move {
            first = List.copyOf(first);
        }

        @Override
        public Move with(Line other) {
            return new Move(other, doing, first, change, noReturn);
        }
    }

    /** What is done before keys are held, or instead of them. */
    enum First {
        UNPLUG("Pull the cable."),
        SWITCH_OFF("Switch the phone off from its menu, and wait until the screen is dark."),
        FORCE_OFF("Hold power for ten seconds, until the screen is dark."),
        KEEP_RECOVERY("If it asks whether the maker's system may put its own recovery back, choose that it may not."),
        BY_ITSELF("It goes there by itself: hold no key."),
        RESTART("Choose restart where the screen offers it; else hold power until it goes dark, and start it.");

        private final String words;

        First(String words) {
            this.words = words;
        }

        /** As the card says it. */
        public String words() {
            return words;
        }
    }

    /**
     * Something that is done.
     *
     * @param writes the classes of partition it writes
     * @param noReturn whether there is no way back from it
     * @param with what hands need besides
     */
    record Act(Line line, Doing doing, List<PartitionClass> writes, boolean noReturn, Change change, Handling with)
            implements Step {
        public Act {
            writes = List.copyOf(writes);
            // Jobs that were begun before steps said what hands need have none.
            with = with == null ? Handling.NONE : with;
        }

        /** With nothing to choose in a program, and all files that it may take. */
        public Act(Line line, Doing doing, List<PartitionClass> writes, boolean noReturn, Change change) {
            this(line, doing, writes, noReturn, change, Handling.NONE);
        }

        @Override
        public Act with(Line other) {
            return new Act(other, doing, writes, noReturn, change, with);
        }
    }

    /**
     * Something that is looked at to see whether it worked.
     *
     * @param rung how much it proves of root, from 1 to 6; empty where it proves another thing
     * @param expects what must be read from the phone there: what was written, and what must have stayed
     */
    record Prove(
            Line line,
            Doing doing,
            Optional<Integer> rung,
            Change change,
            @JsonInclude(JsonInclude.Include.NON_EMPTY) Map<Fact, String> expects)
            implements Step {
        public Prove {
            // Jobs that were begun before proofs said what must be read have none.
            expects = expects == null || expects.isEmpty()
                    ? Map.of()
                    : Collections.unmodifiableMap(new EnumMap<>(expects));
        }

        /** One that is seen, and where no value is read. */
        public Prove(Line line, Doing doing, Optional<Integer> rung, Change change) {
            this(line, doing, rung, change, Map.of());
        }

        @Override
        public Prove with(Line other) {
            return new Prove(other, doing, rung, change, expects);
        }
    }

    Line line();

    /** The same with another line. */
    Step with(Line other);

    /** The same under another id. */
    default Step with(String id) {
        return with(line().named(id));
    }

    @JsonIgnore
    default String id() {
        return line().id();
    }

    @JsonIgnore
    default Phase phase() {
        return line().phase();
    }

    @JsonIgnore
    default String route() {
        return line().route();
    }

    @JsonIgnore
    default String title() {
        return line().title();
    }

    @JsonIgnore
    default String text() {
        return line().text();
    }

    /** The same as a person likes to do it; as the author tells it where he knows no such way. */
    default Step by(Set<Habit> habits) {
        return how().flatMap(how -> how.or().stream()
                        .filter(other -> habits.contains(other.by()))
                        .findFirst())
                .map(this::as)
                .orElse(this);
    }

    private Step as(Otherwise other) {
        Line told = new Line(line().id(), line().phase(), line().route(), line().title(), other.text());
        if (this instanceof Act act) {
            return new Act(told, act.doing().as(other), act.writes(), act.noReturn(), act.change(), act.with());
        }
        if (this instanceof Move move) {
            boolean running = other.from().filter("os"::equals).isPresent();
            return new Move(
                    told, move.doing().as(other), running ? List.of() : move.first(), move.change(), move.noReturn());
        }
        return this instanceof Prove prove
                ? new Prove(told, prove.doing().as(other), prove.rung(), prove.change(), prove.expects())
                : this;
    }

    /** What must be so; empty unless it asks for something. */
    @JsonIgnore
    default Optional<Gate> gate() {
        return this instanceof Ready ready ? Optional.of(ready.askGate()) : Optional.empty();
    }

    /** What is to be fetched; empty unless it is a file. */
    @JsonIgnore
    default Optional<NeededFile> file() {
        return this instanceof Fetch fetch ? fetch.needed() : Optional.empty();
    }

    /** What must be read from the phone; empty but for proofs that have values. */
    @JsonIgnore
    default Map<Fact, String> expected() {
        return this instanceof Prove prove ? prove.expects() : Map.of();
    }

    /** How it is done; empty for what is only fetched or looked up. */
    @JsonIgnore
    default Optional<Doing> how() {
        if (this instanceof Act act) {
            return Optional.of(act.doing());
        }
        if (this instanceof Move move) {
            return Optional.of(move.doing());
        }
        if (this instanceof Copy copy) {
            return Optional.of(copy.doing());
        }
        if (this instanceof Plug plug) {
            return Optional.of(plug.doing());
        }
        return this instanceof Prove prove ? Optional.of(prove.doing()) : Optional.empty();
    }

    /** Whether the phone is something else afterwards: it was worked on, or stands in another mode. */
    @JsonIgnore
    default boolean isAtThePhone() {
        return this instanceof Act || this instanceof Move;
    }

    /** What is otherwise once it is done. */
    @JsonIgnore
    default Change changes() {
        if (this instanceof Act act) {
            return act.change();
        }
        if (this instanceof Copy copy) {
            return copy.change();
        }
        if (this instanceof Move move) {
            return move.change();
        }
        return this instanceof Prove prove ? prove.change() : Change.none();
    }

    /** Whether there is no way back from it. */
    @JsonIgnore
    default boolean hasNoReturn() {
        return this instanceof Act act && act.noReturn() || this instanceof Move move && move.noReturn();
    }
}
