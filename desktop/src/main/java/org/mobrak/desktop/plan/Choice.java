package org.mobrak.desktop.plan;

import java.util.List;
import java.util.Optional;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import org.mobrak.app.Desk;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.plan.Plan;

/**
 * What is chosen on the page, the same on every face of it: a route, and the plan it is part of. Choosing a plan chooses its
 * last route; choosing a route chooses the first plan that has it, if there is one.
 */
public final class Choice {
    private final ObjectProperty<Plan> plan = new SimpleObjectProperty<>();
    private final ObjectProperty<Route> route = new SimpleObjectProperty<>();
    private List<Plan> offered = List.of();

    public ObjectProperty<Plan> plan() {
        return plan;
    }

    public ObjectProperty<Route> route() {
        return route;
    }

    /** The plans there are to choose from; the choice stays if it still can. Without a plan there is still a route to look at. */
    public void offer(Desk desk) {
        offered = PlansFace.offered(desk.answer(), true);
        if (plan.get() == null || !offered.contains(plan.get())) {
            take(offered.stream().findFirst());
        }
        if (route.get() == null && !desk.fits().isEmpty()) {
            route.set(desk.fits().get(0).route());
        }
    }

    public void take(Plan chosen) {
        take(Optional.of(chosen));
    }

    private void take(Optional<Plan> chosen) {
        plan.set(chosen.orElse(null));
        chosen.flatMap(one -> one.routes().stream().reduce((first, last) -> last))
                .ifPresent(route::set);
    }

    public void take(Route chosen) {
        route.set(chosen);
        boolean inPlan = plan.get() != null && plan.get().routes().contains(chosen);
        if (!inPlan) {
            offered.stream()
                    .filter(one -> one.routes().contains(chosen))
                    .findFirst()
                    .ifPresent(plan::set);
        }
    }
}
