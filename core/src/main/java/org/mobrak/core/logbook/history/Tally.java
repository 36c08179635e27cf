package org.mobrak.core.logbook.history;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.fit.Evidence;
import org.mobrak.core.job.Event;
import org.mobrak.core.job.Job;
import org.mobrak.core.job.JobPlan.PlannedRoute;
import org.mobrak.core.job.Step;
import org.mobrak.core.proof.OutcomeReport;

/**
 * What all jobs come to.
 *
 * @param jobs how many have ended
 * @param families how often routes of each kind worked
 * @param routes how often each route worked
 * @param times how long each route was said to take and took; only those done to their end
 * @param gates what was asked for and held the work up: the job ended there, or it was passed over
 * @param signs which sign did not come
 */
public record Tally(
        int jobs,
        List<Success> families,
        List<Success> routes,
        List<Taken> times,
        List<Count> gates,
        List<Count> signs) {
    /** Of a route that is in the catalogue no more. */
    private static final String NO_FAMILY = "no longer in the catalogue";

    public Tally {
        families = List.copyOf(families);
        routes = List.copyOf(routes);
        times = List.copyOf(times);
        gates = List.copyOf(gates);
        signs = List.copyOf(signs);
    }

    /** How often something worked, of how often it was begun and brought to some end. */
    public record Success(String name, Evidence evidence) {}

    /**
     * How long a route took.
     *
     * @param said the catalogue's expected minutes
     * @param own the minutes of one's own jobs
     * @param learnt what is expected by now, in minutes
     */
    public record Taken(String route, double said, Route.OwnPace own, double learnt) {}

    /** How often something happened. */
    public record Count(String what, int times) {}

    /** Counts the jobs that have ended. */
    public static Tally of(Collection<Job> all, Catalogue catalogue) {
        List<Job> ended = all.stream().filter(job -> job.end().isPresent()).toList();
        Map<String, List<Boolean>> families = new TreeMap<>();
        Map<String, List<Boolean>> routes = new TreeMap<>();
        Map<String, Integer> gates = new HashMap<>();
        Map<String, Integer> signs = new HashMap<>();
        for (Job job : ended) {
            for (PlannedRoute planned : job.plan().routes()) {
                Optional<Boolean> worked = OutcomeReport.worked(job, planned);
                // Charging and backing up are no ways to anywhere.
                worked.filter(yes -> !isHousekeeping(catalogue, planned)).ifPresent(yes -> {
                    add(families, family(catalogue, planned), yes);
                    add(routes, planned.name(), yes);
                });
            }
            held(job).forEach(step -> gates.merge(step.title(), 1, Integer::sum));
            missed(job).forEach(step -> signs.merge(step.title(), 1, Integer::sum));
        }
        return new Tally(
                ended.size(),
                successes(families),
                successes(routes),
                times(ended, catalogue),
                counts(gates),
                counts(signs));
    }

    private static String family(Catalogue catalogue, PlannedRoute planned) {
        return catalogue.route(planned.id()).map(Route::family).orElse(NO_FAMILY);
    }

    private static boolean isHousekeeping(Catalogue catalogue, PlannedRoute planned) {
        return catalogue.route(planned.id()).filter(Route::isHousekeeping).isPresent();
    }

    private static void add(Map<String, List<Boolean>> to, String name, boolean worked) {
        to.computeIfAbsent(name, key -> new ArrayList<>()).add(worked);
    }

    private static List<Success> successes(Map<String, List<Boolean>> found) {
        return found.entrySet().stream()
                .map(one -> new Success(
                        one.getKey(),
                        new Evidence(
                                Evidence.Group.ANY_PHONE,
                                (int) one.getValue().stream().filter(yes -> yes).count(),
                                one.getValue().size())))
                .sorted(Comparator.comparing((Success one) -> one.evidence().tried())
                        .reversed())
                .toList();
    }

    private static List<Taken> times(List<Job> jobs, Catalogue catalogue) {
        return OwnTimes.of(jobs).entrySet().stream()
                .flatMap(own -> catalogue.route(own.getKey()).stream()
                        .filter(route -> !route.isHousekeeping())
                        .map(route -> route.at(own.getValue())))
                .map(route -> new Taken(
                        route.name(),
                        route.costs().minutes(),
                        route.own().orElseThrow(),
                        route.handsOn().mean() + route.waiting().mean()))
                .sorted(Comparator.comparing((Taken one) -> one.own().jobs())
                        .reversed()
                        .thenComparing(Taken::route))
                .toList();
    }

    private static List<Step> held(Job job) {
        Optional<Step> stoppedAt = job.end().orElseThrow().end() == Event.End.WORKED
                ? Optional.empty()
                : job.next().filter(step -> step.gate().isPresent() && wasLast(job, step));
        return job.sheet().steps().stream()
                .filter(step -> job.state().overridden().containsKey(step.id())
                        || stoppedAt.filter(step::equals).isPresent())
                .toList();
    }

    /** Whether nothing behind a step was begun. */
    private static boolean wasLast(Job job, Step step) {
        List<Step> steps = job.sheet().steps();
        return steps.subList(steps.indexOf(step) + 1, steps.size()).stream()
                .noneMatch(later -> job.state().begun().containsKey(later.id()));
    }

    private static List<Step> missed(Job job) {
        return job.events().stream()
                .flatMap(event -> event instanceof Event.SignMissed one
                        ? job.sheet().step(one.step()).stream()
                        : Stream.<Step>empty())
                .toList();
    }

    private static List<Count> counts(Map<String, Integer> found) {
        return found.entrySet().stream()
                .map(one -> new Count(one.getKey(), one.getValue()))
                .sorted(Comparator.comparing(Count::times).reversed().thenComparing(Count::what))
                .toList();
    }
}
