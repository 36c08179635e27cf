package org.mobrak.core.job;

import com.fasterxml.jackson.annotation.JsonProperty;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.time.Instant;
import java.util.Locale;
import java.util.Map;
import org.mobrak.core.catalogue.Habit;
import org.mobrak.core.identity.Fact;

/**
 * Something that happened in a job. Events are never changed; where a job stands is a fold over them ({@link JobState}).
 *
 * <p>Each has the time at which it was written down; {@code step} is a step's id.
 */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "event")
@JsonSubTypes({
    @JsonSubTypes.Type(value = Event.Begun.class, name = "begun"),
    @JsonSubTypes.Type(value = Event.Ticked.class, name = "ticked"),
    @JsonSubTypes.Type(value = Event.Unticked.class, name = "unticked"),
    @JsonSubTypes.Type(value = Event.EffectHeld.class, name = "effect-held"),
    @JsonSubTypes.Type(value = Event.Proved.class, name = "proved"),
    @JsonSubTypes.Type(value = Event.SignMissed.class, name = "sign-missed"),
    @JsonSubTypes.Type(value = Event.ModeSeen.class, name = "mode-seen"),
    @JsonSubTypes.Type(value = Event.Overridden.class, name = "overridden"),
    @JsonSubTypes.Type(value = Event.FileTaken.class, name = "file-taken"),
    @JsonSubTypes.Type(value = Event.Demanded.class, name = "demanded"),
    @JsonSubTypes.Type(value = Event.Chosen.class, name = "chosen"),
    @JsonSubTypes.Type(value = Event.Noted.class, name = "noted"),
    @JsonSubTypes.Type(value = Event.Photo.class, name = "photo"),
    @JsonSubTypes.Type(value = Event.Paused.class, name = "paused"),
    @JsonSubTypes.Type(value = Event.Resumed.class, name = "resumed"),
    @JsonSubTypes.Type(value = Event.Ended.class, name = "ended")
})
public sealed interface Event {

    /** The person set to work on a step; from now on what it writes is not known until it is done. */
    record Begun(Instant at, String step) implements Event {
        @Override
        public Event at(Instant other) {
            return new Begun(other, step);
        }
    }

    /** A step is done and its sign was seen. */
    record Ticked(Instant at, String step) implements Event {
        @Override
        public Event at(Instant other) {
            return new Ticked(other, step);
        }
    }

    /** A tick was a mistake. */
    record Unticked(Instant at, String step) implements Event {
        @Override
        public Event at(Instant other) {
            return new Unticked(other, step);
        }
    }

    /** What a step brings about holds of the phone now. */
    record EffectHeld(Instant at, String step, Map<Fact, String> facts) implements Event {
        public EffectHeld {
            facts = Map.copyOf(facts);
        }

        @Override
        public Event at(Instant other) {
            return new EffectHeld(other, step, facts);
        }
    }

    /** A rung of proof was reached. */
    record Proved(Instant at, String step, int rung) implements Event {
        @Override
        public Event at(Instant other) {
            return new Proved(other, step, rung);
        }
    }

    /**
     * The sign did not come.
     *
     * @param instead what was seen, where it is one of the things with a remedy; else empty text
     */
    record SignMissed(Instant at, String step, String instead) implements Event {
        @Override
        public Event at(Instant other) {
            return new SignMissed(other, step, instead);
        }
    }

    /** The phone was seen in a mode. */
    record ModeSeen(Instant at, String mode) implements Event {
        @Override
        public Event at(Instant other) {
            return new ModeSeen(other, mode);
        }
    }

    /** A gate was passed though it is not open. */
    record Overridden(Instant at, String step, String reason) implements Event {
        @Override
        public Event at(Instant other) {
            return new Overridden(other, step, reason);
        }
    }

    /** A file was taken for what was to be fetched. */
    record FileTaken(Instant at, String step, String name, String sha256) implements Event {
        @Override
        public Event at(Instant other) {
            return new FileTaken(other, step, name, sha256);
        }
    }

    /** A file asks for more than the sheet did; from now on the sheet asks for it too. */
    record Demanded(Instant at, Demand demand) implements Event {
        @Override
        public Event at(Instant other) {
            return new Demanded(other, demand);
        }
    }

    /** From now on what can be done in several ways is done so. */
    record Chosen(Instant at, Habit habit) implements Event {
        @Override
        public Event at(Instant other) {
            return new Chosen(other, habit);
        }
    }

    /** Something worth remembering. */
    record Noted(Instant at, String step, String note) implements Event {
        @Override
        public Event at(Instant other) {
            return new Noted(other, step, note);
        }
    }

    /** A picture was taken; it stays where it lies. */
    record Photo(Instant at, String step, String path, String sha256) implements Event {
        @Override
        public Event at(Instant other) {
            return new Photo(other, step, path, sha256);
        }
    }

    /** The work rests. */
    record Paused(Instant at, String why) implements Event {
        @Override
        public Event at(Instant other) {
            return new Paused(other, why);
        }
    }

    /** The work goes on, with the phone in a mode that was looked up. */
    record Resumed(Instant at, String mode) implements Event {
        @Override
        public Event at(Instant other) {
            return new Resumed(other, mode);
        }
    }

    /** The job is over. */
    record Ended(Instant at, End end, String note) implements Event {
        @Override
        public Event at(Instant other) {
            return new Ended(other, end, note);
        }
    }

    /** How a job can end. */
    enum End {
        @JsonProperty("worked")
        WORKED,
        @JsonProperty("failed")
        FAILED,
        @JsonProperty("stopped")
        STOPPED;

        /** The word for a person. */
        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    Instant at();

    /** The same, at another time. */
    Event at(Instant other);
}
