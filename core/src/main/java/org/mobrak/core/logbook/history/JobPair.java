package org.mobrak.core.logbook.history;

import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.job.Event;
import org.mobrak.core.job.Job;
import org.mobrak.core.job.JobPlan;
import org.mobrak.core.job.Step;

/**
 * One job held against another: what was done differently when it worked?
 *
 * @param rows first what was set out with, then step by step, the steps of either in their order
 */
public record JobPair(Job one, Job other, List<Row> rows) {
    private static final String NOTHING = "";

    public JobPair {
        rows = List.copyOf(rows);
    }

    /** What a row is about. */
    public enum About {
        SETTING,
        FACT,
        FILE,
        STEP
    }

    /**
     * One thing, as it was in either job.
     *
     * @param one empty text where it was not there
     * @param differs whether it was otherwise, times aside
     */
    public record Row(About about, String what, String one, String other, boolean differs) {
        private static Row of(About about, String what, String one, String other) {
            return new Row(about, what, one, other, !one.equals(other));
        }
    }

    public static JobPair of(Job one, Job other) {
        List<Row> rows = new ArrayList<>();
        rows.addAll(settings(one.plan(), other.plan()));
        rows.addAll(facts(one.plan(), other.plan()));
        rows.addAll(files(one, other));
        rows.addAll(steps(one, other));
        return new JobPair(one, other, rows);
    }

    /** How many rows differ. */
    public long differing() {
        return rows.stream().filter(Row::differs).count();
    }

    private static List<Row> settings(JobPlan one, JobPlan other) {
        List<Row> rows = new ArrayList<>();
        rows.add(Row.of(About.SETTING, "Goal", one.goal(), other.goal()));
        rows.add(Row.of(
                About.SETTING,
                "School",
                one.school().orElse("usual"),
                other.school().orElse("usual")));
        rows.add(Row.of(About.SETTING, "Limits", String.join(", ", one.limits()), String.join(", ", other.limits())));
        Map<String, String> ofOne = routes(one);
        Map<String, String> ofOther = routes(other);
        keys(ofOne, ofOther).forEach(route -> rows.add(route(route, ofOne, ofOther)));
        return rows;
    }

    private static Map<String, String> routes(JobPlan plan) {
        Map<String, String> digests = new LinkedHashMap<>();
        plan.routes().forEach(route -> digests.put(route.name(), route.digest()));
        return digests;
    }

    private static Row route(String name, Map<String, String> one, Map<String, String> other) {
        boolean both = one.containsKey(name) && other.containsKey(name);
        if (both && !Objects.equals(one.get(name), other.get(name))) {
            return new Row(About.SETTING, "Route", name, name + ", as it was changed between", true);
        }
        return Row.of(
                About.SETTING,
                "Route",
                one.containsKey(name) ? name : NOTHING,
                other.containsKey(name) ? name : NOTHING);
    }

    /** Only what was not the same; of most facts it is. */
    private static List<Row> facts(JobPlan one, JobPlan other) {
        return Stream.of(Fact.values())
                .map(fact -> Row.of(
                        About.FACT,
                        fact.label(),
                        Optional.ofNullable(one.start().get(fact)).orElse(NOTHING),
                        Optional.ofNullable(other.start().get(fact)).orElse(NOTHING)))
                .filter(Row::differs)
                .toList();
    }

    private static List<Row> files(Job one, Job other) {
        Map<String, String> ofOne = taken(one);
        Map<String, String> ofOther = taken(other);
        return keys(ofOne, ofOther).stream()
                .map(what -> Row.of(
                        About.FILE, what, ofOne.getOrDefault(what, NOTHING), ofOther.getOrDefault(what, NOTHING)))
                .toList();
    }

    /** The files by what they were fetched for; the digest tells them apart, since names do not. */
    private static Map<String, String> taken(Job job) {
        Map<String, String> taken = new LinkedHashMap<>();
        byTitle(job)
                .forEach((title, step) -> Optional.ofNullable(
                                job.state().files().get(step.id()))
                        .ifPresent(file -> taken.put(title, file.name() + ", SHA-256 " + file.sha256())));
        return taken;
    }

    private static List<Row> steps(Job one, Job other) {
        Map<String, Step> ofOne = byTitle(one);
        Map<String, Step> ofOther = byTitle(other);
        JobClock clock = JobClock.of(one);
        JobClock clockOfOther = JobClock.of(other);
        return keys(ofOne, ofOther).stream()
                .map(title -> {
                    String here = went(one, Optional.ofNullable(ofOne.get(title)));
                    String there = went(other, Optional.ofNullable(ofOther.get(title)));
                    return new Row(
                            About.STEP,
                            title,
                            here + took(clock, ofOne.get(title)),
                            there + took(clockOfOther, ofOther.get(title)),
                            !here.equals(there));
                })
                .toList();
    }

    private static Map<String, Step> byTitle(Job job) {
        Map<String, Step> steps = new LinkedHashMap<>();
        for (Step step : job.sheet().steps()) {
            String title = step.title();
            for (int again = 2; steps.containsKey(title); again++) {
                title = step.title() + " (" + again + ")";
            }
            steps.put(title, step);
        }
        return steps;
    }

    private static String went(Job job, Optional<Step> step) {
        return step.map(known -> told(job, known)).orElse("not on the sheet");
    }

    private static String told(Job job, Step step) {
        Stream<String> missed = Optional.ofNullable(job.state().missed().get(step.id())).stream()
                .map(times -> times == 1 ? "the sign did not come" : "the sign did not come, " + times + " times");
        Stream<String> passed = Optional.ofNullable(job.state().overridden().get(step.id())).stream()
                .map(reason -> "passed though shut: " + reason);
        Stream<String> noted = job.state().noted().stream()
                .filter(event ->
                        event instanceof Event.Noted note && note.step().equals(step.id()))
                .map(event -> "“" + ((Event.Noted) event).note() + "”");
        Stream<String> end = Stream.of(job.isTicked(step) ? "done" : "not done");
        return Stream.of(missed, passed, noted, end).flatMap(parts -> parts).collect(Collectors.joining("; "));
    }

    private static String took(JobClock clock, @Nullable Step step) {
        return Optional.ofNullable(step)
                .flatMap(clock::of)
                .filter(time -> time.compareTo(Duration.ofMinutes(1)) >= 0)
                .map(time -> ", " + time.toMinutes() + " min")
                .orElse("");
    }

    /** Those of the first in its order, each of the other's own behind the one it follows there. */
    private static <T> List<String> keys(Map<String, T> one, Map<String, T> other) {
        List<String> keys = new ArrayList<>(one.keySet());
        int place = 0;
        for (String key : other.keySet()) {
            int at = keys.indexOf(key);
            if (at < 0) {
                keys.add(place, key);
                at = place;
            }
            place = at + 1;
        }
        return keys;
    }
}
