package org.mobrak.core.catalogue;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonIgnoreProperties;
import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonProperty;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.mobrak.core.identity.Fact;

/**
 * One documented way that changes a phone's state, as its file tells it.
 *
 * @param family what kind of way it is, in the words of the trade
 * @param origin whose catalogue it was taken from
 */
@JsonIgnoreProperties("draft")
public record Route(
        String id,
        String name,
        String family,
        String summary,
        Scope fits,
        Changes changes,
        Costs costs,
        Work work,
        List<Report> reports,
        Notes notes,
        Optional<Origin> origin,
        @JsonIgnore Optional<OwnPace> own) {
    public Route {
        own = own == null ? Optional.empty() : own;
        reports = orEmpty(reports);
        notes = notes == null ? new Notes(List.of(), List.of(), Optional.empty()) : notes;
    }

    /** One that was not timed. */
    public Route(
            String id,
            String name,
            String family,
            String summary,
            Scope fits,
            Changes changes,
            Costs costs,
            Work work,
            List<Report> reports,
            Notes notes,
            Optional<Origin> origin) {
        this(id, name, family, summary, fits, changes, costs, work, reports, notes, origin, Optional.empty());
    }

    /** The minutes with the phone in hand, as the catalogue says and own jobs have shown. */
    public Minutes handsOn() {
        return costs.handsOn().times(paceFactor());
    }

    /** The minutes of waiting, as the catalogue says and own jobs have shown. */
    public Minutes waiting() {
        return costs.waiting().times(paceFactor());
    }

    /** By how much one's own jobs differ from what the catalogue says; 1 where too few were timed. */
    public double paceFactor() {
        double said = costs.minutes();
        return said == 0 ? 1 : own.map(pace -> pace.towards(said) / said).orElse(1.0);
    }

    /** Whether it only makes the bench ready (a switch, a charge, a backup), so that plans take it in where a gate asks for it. */
    public boolean isHousekeeping() {
        return family.equals("housekeeping");
    }

    /** What must be true before it is begun: what its author asks for, and how full the battery must be for what it writes. */
    public List<Gate> gates() {
        Optional<Gate> battery = isHousekeeping() ? Optional.empty() : Gate.battery(changes.writes(), name);
        return Stream.concat(
                        work.gates().stream(),
                        battery.stream().filter(gate -> work.gates().stream().noneMatch(gate::isWithin)))
                .toList();
    }

    /** What it leaves for good. */
    public List<Mark> marks() {
        return Mark.of(changes);
    }

    /** Whether something it writes can leave a phone that nothing starts again. */
    public boolean canBrickForGood() {
        // A loop and not a stream: every route of a large catalogue is asked.
        for (PartitionClass written : changes.writes()) {
            if (written.canBrickForGood()) {
                return true;
            }
        }
        return false;
    }

    /** Whether it writes anything but apps. */
    public boolean writesPartitions() {
        return changes.writes().stream().anyMatch(written -> written != PartitionClass.APP);
    }

    /** Whether it is a small package that only adds to what is there, as a root package does. */
    public boolean isSmall() {
        return changes.writes().stream()
                .allMatch(written ->
                        written == PartitionClass.APP || changes.keeps().contains(written));
    }

    /**
     * The same route with the milder of two wipes, where its author leaves the choice; the data stays. That will do only between
     * builds of one system: from the maker's to another, or across big versions, old data under a new system does not start
     * (common practice, no published source).
     */
    public Route withLightWipe() {
        if (!changes.lightWipe()) {
            return this;
        }
        List<Condition> both = Stream.concat(fits.requires().stream(), LightWipe.needs(changes.effects()).stream())
                .toList();
        return new Route(
                id,
                name,
                family,
                summary,
                new Scope(fits.phones(), fits.excludedBuilds(), both),
                changes.wipingLightly(),
                costs,
                work,
                reports,
                notes,
                origin,
                own);
    }

    /** The same route with more that people reported of it. */
    public Route with(List<Report> more) {
        List<Report> all = Stream.concat(reports.stream(), more.stream()).toList();
        return new Route(id, name, family, summary, fits, changes, costs, work, all, notes, origin, own);
    }

    /** The same route with how long it took in own jobs. */
    public Route at(OwnPace pace) {
        return new Route(
                id, name, family, summary, fits, changes, costs, work, reports, notes, origin, Optional.of(pace));
    }

    /** The same route, of which nobody has reported. */
    public Route withoutReports() {
        return new Route(id, name, family, summary, fits, changes, costs, work, List.of(), notes, origin);
    }

    /** What is done, with the wipe that is chosen: the full one unless the person asked for the light one. */
    public List<RouteStep> steps() {
        Wipe chosen = changes.wipesData() ? Wipe.FULL : Wipe.LIGHT;
        return work.steps().stream().filter(step -> step.isWith(chosen)).toList();
    }

    /** Which of two wipes a step belongs to, where there is a choice. */
    public enum Wipe {
        /** Data, cache and app-compile cache. */
        @JsonProperty("full")
        FULL,
        /** Only cache and app-compile cache. */
        @JsonProperty("light")
        LIGHT
    }

    /** For which phones. An empty list of phones means that the phone does not matter. */
    public record Scope(List<Target> phones, List<Exclusion> excludedBuilds, List<Condition> requires) {
        public Scope {
            phones = orEmpty(phones);
            excludedBuilds = orEmpty(excludedBuilds);
            requires = orEmpty(requires);
        }
    }

    /**
     * A phone the route was made for, as narrowly as its makers said.
     *
     * @param builds build numbers, incrementals or build ids, whichever the source lists
     * @param anyBuild who says that every build of this model will do; absent where nobody does
     * @param carrier for whose phones; absent where it does not matter
     */
    public record Target(
            String model,
            Optional<String> osVersion,
            Optional<String> bootloader,
            List<String> builds,
            Optional<String> anyBuild,
            Optional<String> carrier) {
        /** Besides the model, the facts that a target names; other routes may give them. */
        public static final Set<Fact> VERSIONS =
                Set.of(Fact.OS_VERSION, Fact.BUILD_NUMBER, Fact.INCREMENTAL, Fact.BUILD_ID, Fact.BOOTLOADER);

        public Target {
            builds = orEmpty(builds);
            carrier = carrier == null ? Optional.empty() : carrier;
        }

        /** One of which nobody says that every build will do, for every carrier. */
        public Target(String model, Optional<String> osVersion, Optional<String> bootloader, List<String> builds) {
            this(model, osVersion, bootloader, builds, Optional.empty(), Optional.empty());
        }
    }

    /** A build on which the route is known not to work. */
    public record Exclusion(String build, String because) {}

    /**
     * What is otherwise afterwards.
     *
     * @param keeps of what is written, that to which files are only added, so that its versions stay
     * @param marks what can never be undone, besides what the effects say
     * @param lightWipe whether the person may do with a light wipe, which leaves the data
     */
    public record Changes(
            Map<Fact, String> effects,
            List<PartitionClass> writes,
            List<PartitionClass> keeps,
            List<String> marks,
            boolean wipesData,
            boolean lightWipe) {
        public Changes {
            effects = Map.copyOf(effects);
            writes = orEmpty(writes);
            keeps = orEmpty(keeps);
            marks = orEmpty(marks);
        }

        private Changes wipingLightly() {
            return new Changes(effects, writes, keeps, marks, false, true);
        }
    }

    /** What it takes: minutes with the phone in hand, minutes of waiting, and money. */
    public record Costs(Minutes handsOn, Minutes waiting, Optional<Money> money) {
        /** The expected minutes in all. */
        @JsonIgnore
        public double minutes() {
            return handsOn.mean() + waiting.mean();
        }
    }

    /**
     * How long it took in one's own jobs.
     *
     * @param jobs how many were timed to their end
     * @param mean their mean, in minutes
     */
    public record OwnPace(int jobs, double mean) {
        /** Fewer say nothing. */
        public static final int FEWEST = 3;

        /** How many jobs of one's own weigh as much as the catalogue (our own choice). */
        public static final int WEIGHT = 3;

        public boolean counts() {
            return jobs >= FEWEST;
        }

        /**
         * The expected minutes: the catalogue's figure drawn towards one's own by n / (n + k), the credibility of Bühlmann
         * (Experience Rating and Credibility, ASTIN Bulletin 4, 1967), with k = {@link #WEIGHT}.
         */
        public double towards(double said) {
            return counts() ? (WEIGHT * said + jobs * mean) / (WEIGHT + jobs) : said;
        }
    }

    /** What the person does. */
    public record Work(List<NeededFile> files, List<NeededTool> tools, List<Gate> gates, List<RouteStep> steps) {
        public Work {
            tools = orEmpty(tools);
            files = orEmpty(files);
            gates = orEmpty(gates);
            steps = orEmpty(steps);
        }
    }

    /**
     * A program or driver the computer needs.
     *
     * @param kind {@code tool} or {@code driver}
     * @param atLeast the oldest version that works
     * @param atMost the newest version that works
     * @param rights what it must be started with: {@code administrator}; empty where it needs nothing special
     */
    public record NeededTool(
            String name,
            String kind,
            Optional<String> atLeast,
            Optional<String> atMost,
            @JsonInclude(JsonInclude.Include.NON_EMPTY) Optional<String> rights) {
        /** Which versions will do, for a person: {@code 3.06 to 3.10}; “any version” without bounds. */
        public String versions() {
            if (atLeast.isPresent() && atMost.isPresent()) {
                return atLeast.get() + " to " + atMost.get();
            }
            return atLeast.map(least -> least + " or newer")
                    .or(() -> atMost.map(most -> most + " or older"))
                    .orElse("any version");
        }
    }

    /**
     * What else is worth knowing before one decides.
     *
     * @param hazards what has gone wrong for people
     * @param alternatives where people do it differently
     * @param learnt where this was learnt, and when that was last looked at
     */
    public record Notes(List<String> hazards, List<Alternative> alternatives, Optional<Learnt> learnt) {
        public Notes {
            hazards = orEmpty(hazards);
            alternatives = orEmpty(alternatives);
        }
    }

    /** A question on which people disagree, and the answers; the usual one first. */
    public record Alternative(String question, List<String> answers) {}

    /** The catalogue an entry was taken from, and when; absent where it was always there. */
    public record Origin(String from, String taken) {}

    /**
     * Where something was learnt. Days are ISO 8601.
     *
     * @param from free text
     * @param checked when somebody last looked at it
     * @param written when its author wrote it
     * @param updated when its author last changed it
     * @param votes of a draft from several recordings: where they do not agree
     */
    public record Learnt(
            String from, String checked, Optional<String> written, Optional<String> updated, List<Vote> votes) {
        public Learnt {
            votes = orEmpty(votes);
        }
    }

    /**
     * Recordings of one job do not agree on a value.
     *
     * @param at a JSON pointer into the route
     * @param said what was taken; the question is open while it stands there
     */
    public record Vote(String at, String said, String ask) {}

    /** Somebody tried it on this build. The date is ISO 8601. */
    public record Report(String model, String build, boolean worked, String date) {}

    private static <T> List<T> orEmpty(List<T> list) {
        return list == null ? List.of() : List.copyOf(list);
    }
}
