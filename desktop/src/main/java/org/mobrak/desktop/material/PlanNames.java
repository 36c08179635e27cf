package org.mobrak.desktop.material;

import javafx.util.StringConverter;
import org.mobrak.core.plan.Plan;

/** Plans by their titles in a box to choose from. */
final class PlanNames extends StringConverter<Plan> {
    static StringConverter<Plan> ofTitles() {
        return new PlanNames();
    }

    @Override
    public String toString(Plan plan) {
        return plan == null ? "" : plan.title();
    }

    @Override
    public Plan fromString(String text) {
        throw new UnsupportedOperationException("Plans are chosen, not typed");
    }
}
