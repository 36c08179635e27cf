package org.mobrak.core.logbook.history;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.mobrak.core.catalogue.Route.OwnPace;
import org.mobrak.core.job.Job;

/** How long each route took in one's own jobs. */
public final class OwnTimes {
    private OwnTimes() {}

    /** The minutes of every route that was done to its end in a job, by its id. */
    public static Map<String, Double> of(Job job) {
        JobClock clock = JobClock.of(job);
        Map<String, Double> minutes = new HashMap<>();
        job.plan()
                .routes()
                .forEach(route -> clock.minutes(route.name()).ifPresent(taken -> minutes.put(route.id(), taken)));
        return minutes;
    }

    /** The pace of every route that was ever done to its end, by its id. */
    public static Map<String, OwnPace> of(Collection<Job> jobs) {
        return paces(jobs.stream().map(OwnTimes::of).toList());
    }

    /**
     * The same of jobs whose times are known.
     *
     * @param jobs the minutes of the routes of each
     */
    public static Map<String, OwnPace> paces(Collection<Map<String, Double>> jobs) {
        Map<String, List<Double>> minutes = new HashMap<>();
        jobs.forEach(job -> job.forEach((route, taken) ->
                minutes.computeIfAbsent(route, id -> new ArrayList<>()).add(taken)));
        Map<String, OwnPace> paces = new HashMap<>();
        minutes.forEach((route, all) -> paces.put(route, new OwnPace(all.size(), mean(all))));
        return paces;
    }

    private static double mean(List<Double> all) {
        return all.stream().mapToDouble(Double::doubleValue).average().orElse(0);
    }
}
