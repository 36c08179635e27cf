package org.mobrak.app;

import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.logbook.Logbook;
import org.mobrak.core.logbook.PhoneRecord;
import org.mobrak.core.plan.Plan;

/**
 * Which plans were rehearsed to their goal, of each phone. Only that is kept, as a setting of this workspace; what happened in a
 * rehearsal is nobody's history. On the worker thread only.
 */
final class RehearsedPlans {
    private static final String BETWEEN = " ";

    private RehearsedPlans() {}

    /** The routes of a plan in their order, which is what makes it this plan. */
    static String key(Plan plan) {
        return plan.routes().stream().map(Route::id).collect(Collectors.joining(">"));
    }

    static Set<String> of(Logbook logbook, PhoneRecord phone) {
        return logbook.setting(name(phone))
                .map(kept -> Set.of(kept.split(BETWEEN)))
                .orElse(Set.of());
    }

    static void keep(Logbook logbook, PhoneRecord phone, Plan plan) {
        Set<String> all = new TreeSet<>(of(logbook, phone));
        all.add(key(plan));
        logbook.putSetting(name(phone), String.join(BETWEEN, all));
    }

    private static String name(PhoneRecord phone) {
        return "rehearsed." + phone.id();
    }
}
