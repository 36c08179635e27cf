package org.mobrak.desktop.plan;

import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;
import org.mobrak.core.plan.RouteMap;
import org.mobrak.core.plan.RouteMap.Link;
import org.mobrak.core.plan.RouteMap.Place;

/**
 * Where places and links of a map stand. Places stand in columns by how many routes it takes to get there, in each column in the
 * order of those they come from. The labels of links to the next column stand in a stack between the two; longer and refused
 * links run in lanes below.
 */
final class MapLayout {
    private static final double PLACE_WIDTH = 12.3;
    private static final double PLACE_HEIGHT = 7.4;
    private static final double LABEL_WIDTH = 11.7;
    private static final double LABEL_HEIGHT = 3;
    private static final double LANE_WIDTH = 24.3;
    private static final double LANE_HEIGHT = 2;
    private static final double EDGE = 1;
    private static final double GAP = 14.6;
    private static final double BETWEEN = 0.6;

    private final double em;
    private final RouteMap map;
    private final Map<Integer, Place> places = new HashMap<>();
    private final Map<Integer, Double> tops = new HashMap<>();
    private final Map<Link, Double> labels = new HashMap<>();
    private final double height;

    /**
     * A layout.
     *
     * @param em the size of the letters in pixels; everything else goes with it
     */
    MapLayout(RouteMap map, double em) {
        this.map = map;
        this.em = em;
        map.places().forEach(place -> places.put(place.id(), place));
        height = stacks();
        for (int column = 0; column <= columns(); column++) {
            List<Place> ordered = column(column)
                    .sorted(Comparator.comparingDouble(this::pull).thenComparing(Place::id))
                    .toList();
            double top = edge() + (height - ordered.size() * row()) / 2;
            for (int row = 0; row < ordered.size(); row++) {
                tops.put(ordered.get(row).id(), top + row * row());
            }
        }
        for (int column = 0; column < columns(); column++) {
            List<Link> ordered = from(column)
                    .sorted(Comparator.comparingDouble(this::middle))
                    .toList();
            double top = edge() + (height - ordered.size() * labelRow()) / 2;
            for (int row = 0; row < ordered.size(); row++) {
                labels.put(ordered.get(row), top + (row + 0.5) * labelRow());
            }
        }
    }

    double placeWidth() {
        return PLACE_WIDTH * em;
    }

    double placeHeight() {
        return PLACE_HEIGHT * em;
    }

    double labelWidth(Link link) {
        return (isDirect(link) ? LABEL_WIDTH : LANE_WIDTH) * em;
    }

    double labelHeight(Link link) {
        return (isDirect(link) ? LABEL_HEIGHT : LANE_HEIGHT) * em;
    }

    private double edge() {
        return EDGE * em;
    }

    /** From one place in a column to the next. */
    private double row() {
        return (PLACE_HEIGHT + 2 * BETWEEN) * em;
    }

    /** From one label in a stack to the next. */
    private double labelRow() {
        return (LABEL_HEIGHT + BETWEEN) * em;
    }

    private double lane() {
        return (LANE_HEIGHT + BETWEEN) * em;
    }

    private int columns() {
        return map.places().stream().mapToInt(Place::column).max().orElse(0);
    }

    private Stream<Place> column(int column) {
        return map.places().stream().filter(place -> place.column() == column);
    }

    /** The direct links that begin in a column. */
    private Stream<Link> from(int column) {
        return map.links().stream().filter(link -> isDirect(link) && columnOf(link.from()) == column);
    }

    /** The height of the highest stack of places or labels. */
    private double stacks() {
        double most = placeHeight();
        for (int column = 0; column <= columns(); column++) {
            most = Math.max(
                    most, Math.max(column(column).count() * row(), from(column).count() * labelRow()));
        }
        return most;
    }

    /** The mean height of the places that lead to this one. */
    private double pull(Place place) {
        return map.links().stream()
                .filter(link -> link.to() == place.id() && tops.containsKey(link.from()))
                .mapToDouble(link -> tops.get(link.from()))
                .average()
                .orElse(0);
    }

    private double middle(Link link) {
        return y(link.from()) + y(link.to());
    }

    double x(int place) {
        return edge() + columnOf(place) * (placeWidth() + GAP * em);
    }

    double y(int place) {
        return Objects.requireNonNull(tops.get(place));
    }

    /** Whether a link runs straight to the next column. */
    boolean isDirect(Link link) {
        return !link.isRefused() && columnOf(link.to()) - columnOf(link.from()) == 1;
    }

    /** The middle of a link's label. */
    double labelX(Link link) {
        return (x(link.from()) + x(link.to()) + placeWidth()) / 2;
    }

    /** The middle of a link's label: in the stack between two columns, or in its lane. */
    double labelY(Link link) {
        return isDirect(link) ? labels.get(link) : laneY(link);
    }

    private double laneY(Link link) {
        List<Link> lanes =
                map.links().stream().filter(other -> !isDirect(other)).toList();
        return height + 2 * edge() + (lanes.indexOf(link) + 0.5) * lane();
    }

    double width() {
        return edge() + columns() * (placeWidth() + GAP * em) + placeWidth() + edge();
    }

    double height() {
        long lanes = map.links().stream().filter(link -> !isDirect(link)).count();
        return height + 3 * edge() + lanes * lane();
    }

    private int columnOf(int place) {
        return Objects.requireNonNull(places.get(place)).column();
    }
}
