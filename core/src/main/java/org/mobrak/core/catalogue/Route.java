package org.mobrak.core.catalogue;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonIgnoreProperties;
import com.fasterxml.jackson.annotation.JsonProperty;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
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

    /** The same route with the milder of two wipes, where its author leaves the choice; the data stays. */
    public Route withLightWipe() {
        return changes.lightWipe()
                ? new Route(
                        id,
                        name,
                        family,
                        summary,
                        fits,
                        changes.wipingLightly(),
                        costs,
                        work,
                        reports,
                        notes,
                        origin,
                        own)
                : this;
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
     */
    public record Target(
            String model,
            Optional<String> osVersion,
            Optional<String> bootloader,
            List<String> builds,
            Optional<String> anyBuild) {
        /** Besides the model, the facts that a target names; other routes may give them. */
        public static final Set<Fact> VERSIONS =
                Set.of(Fact.OS_VERSION, Fact.BUILD_NUMBER, Fact.INCREMENTAL, Fact.BUILD_ID, Fact.BOOTLOADER);

        public Target {
            builds = orEmpty(builds);
        }

        /** One of which nobody says that every build will do. */
        public Target(String model, Optional<String> osVersion, Optional<String> bootloader, List<String> builds) {
            this(model, osVersion, bootloader, builds, Optional.empty());
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
     * A file the route needs.
     *
     * @param bytes its size
     * @param md5 lower-case hexadecimal, as most sources give it
     * @param sha1 lower-case hexadecimal
     * @param sha256 lower-case hexadecimal
     * @param slot the one slot it belongs in, as the flasher of the route's version calls it
     * @param partition what it is written to
     * @param keepZipped whether it must stay as it is; absent where that does not matter
     * @param where {@code phone} or {@code computer}; the phone if absent
     * @param holds what the source says is in it: the kernel's release and build date, OS version and patch level
     */
    public record NeededFile(
            String name,
            String role,
            Optional<Long> bytes,
            Optional<String> md5,
            Optional<String> sha1,
            Optional<String> sha256,
            Optional<String> slot,
            Optional<PartitionClass> partition,
            Optional<Boolean> keepZipped,
            Optional<String> where,
            Map<Fact, String> holds) {
        public NeededFile {
            holds = holds == null ? Map.of() : Map.copyOf(holds);
        }

        /** Whether it is copied to the phone, and not only used on the computer. */
        public boolean goesToPhone() {
            return where.filter("computer"::equals).isEmpty();
        }

        /** Whether there is anything to check its bytes against. */
        public boolean hasDigest() {
            return !digests().isEmpty();
        }

        /** What the source says its digests are, by the name of the digest, the strongest first. */
        public Map<String, String> digests() {
            Map<String, String> digests = new LinkedHashMap<>();
            sha256.ifPresent(value -> digests.put("SHA-256", value));
            sha1.ifPresent(value -> digests.put("SHA-1", value));
            md5.ifPresent(value -> digests.put("MD5", value));
            return digests;
        }
    }

    /**
     * A program or driver the computer needs.
     *
     * @param kind {@code tool} or {@code driver}
     * @param atLeast the oldest version that works
     * @param atMost the newest version that works
     */
    public record NeededTool(String name, String kind, Optional<String> atLeast, Optional<String> atMost) {
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

    /** What must be true before the phone is touched: one of some values, or a number at least so high. */
    public record Gate(Fact fact, List<String> is, Optional<Integer> atLeast, String why) {
        public Gate {
            is = orEmpty(is);
        }

        /**
         * How full the battery must be before something is written: what the riskiest class of it asks. Empty where nothing is.
         *
         * @param writer the route or file that writes it
         */
        public static Optional<Gate> battery(Collection<PartitionClass> written, String writer) {
            return written.stream()
                    .max(Comparator.comparingInt(PartitionClass::battery).thenComparingInt(PartitionClass::severity))
                    .map(riskiest -> new Gate(
                            Fact.BATTERY_PERCENT,
                            List.of(),
                            Optional.of(riskiest.battery()),
                            "%s writes %s; the phone must not go off in the middle."
                                    .formatted(writer, riskiest.named())));
        }

        /** Whether another gate asks for as much of the same, or more. */
        public boolean isWithin(Gate other) {
            return other.fact == fact && other.atLeast.orElse(0) >= atLeast.orElse(0);
        }
    }

    /**
     * One thing to do; waits are in minutes. With a choice of wipes, a step may belong to one of them.
     *
     * @param from the mode it begins in, where that is not the mode it ends in
     * @param mode the mode it ends in
     * @param ifNot what to do if the sign does not come; {@code remedies} tells more cases apart
     * @param writes what it writes; where no step of a route says so, the first that does anything is taken to write it all
     * @param effects what holds once it is done; where no step says so, the last that does anything brings it about
     * @param rung how much it proves, from 1 (an icon) to 6 (still so after a restart)
     * @param by which of several ways the text tells, where there are others
     * @param or the others
     */
    public record RouteStep(
            Phase phase,
            String title,
            String text,
            Optional<String> from,
            Optional<String> mode,
            Optional<KeyChord> keys,
            Optional<String> sign,
            Optional<Integer> normalUntil,
            Optional<Integer> worryAfter,
            Optional<String> ifNot,
            List<Remedy> remedies,
            List<PartitionClass> writes,
            Map<Fact, String> effects,
            Optional<Integer> rung,
            boolean noReturn,
            Optional<Wipe> wipe,
            Optional<Habit> by,
            List<Otherwise> or) {
        public RouteStep {
            or = orEmpty(or);
            remedies = orEmpty(remedies);
            writes = orEmpty(writes);
            effects = effects == null ? Map.of() : Map.copyOf(effects);
        }

        /** What to do for each thing that may be seen instead of the sign. */
        public List<Remedy> allRemedies() {
            return Stream.concat(
                            remedies.stream(), ifNot.map(what -> new Remedy("The sign does not come", what)).stream())
                    .toList();
        }

        /** Whether it is done with this kind of wipe. */
        boolean isWith(Wipe chosen) {
            return wipe.isEmpty() || wipe.get() == chosen;
        }
    }

    /** If a person sees the one, they do the other. */
    public record Remedy(
            @JsonProperty("if") String seen,
            @JsonProperty("do") String what) {}

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
     */
    public record Learnt(String from, String checked, Optional<String> written, Optional<String> updated) {}

    /** Somebody tried it on this build. The date is ISO 8601. */
    public record Report(String model, String build, boolean worked, String date) {}

    /** The parts of a run sheet, in order. */
    public enum Phase {
        @JsonProperty("gather")
        GATHER("Gather"),
        @JsonProperty("prepare")
        PREPARE("Prepare"),
        @JsonProperty("do")
        DO("Do"),
        @JsonProperty("prove")
        PROVE("Prove"),
        @JsonProperty("tidy")
        TIDY("Tidy");

        private final String label;

        Phase(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    private static <T> List<T> orEmpty(List<T> list) {
        return list == null ? List.of() : List.copyOf(list);
    }
}
