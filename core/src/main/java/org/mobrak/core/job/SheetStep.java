package org.mobrak.core.job;

import java.util.Optional;
import org.mobrak.core.catalogue.Route;

/**
 * One line of a run sheet.
 *
 * @param id stable within the sheet, such as {@code prepare-2}
 * @param route the name of the route it belongs to
 * @param detail what the route's author wrote of it
 * @param gate what must be true before it may be ticked
 * @param file what is to be gathered
 */
public record SheetStep(
        String id, String route, Route.RouteStep detail, Optional<Route.Gate> gate, Optional<Route.NeededFile> file) {

    /** The same step in another part of the sheet. */
    SheetStep in(Route.Phase phase) {
        return new SheetStep(id, route, detail.in(phase), gate, file);
    }

    public Route.Phase phase() {
        return detail.phase();
    }

    public String title() {
        return detail.title();
    }
}
