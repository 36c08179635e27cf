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

    /** The pace of every route that was ever done to its end, by its id. */
    public static Map<String, OwnPace> of(Collection<Job> jobs) {
        Map<String, List<Double>> minutes = new HashMap<>();
        for (Job job : jobs) {
            JobClock clock = JobClock.of(job);
            job.plan()
                    .routes()
                    .forEach(route -> clock.minutes(route.name())
                            .ifPresent(taken -> minutes.computeIfAbsent(route.id(), id -> new ArrayList<>())
                                    .add(taken)));
        }
        Map<String, OwnPace> paces = new HashMap<>();
        minutes.forEach((route, all) -> paces.put(route, new OwnPace(all.size(), mean(all))));
        return paces;
    }

    private static double mean(List<Double> all) {
        return all.stream().mapToDouble(Double::doubleValue).average().orElse(0);
    }
}
