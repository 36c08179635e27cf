package org.mobrak.desktop.plan;

import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
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
    static final double PLACE_WIDTH = 172;
    static final double PLACE_HEIGHT = 104;
    static final double LABEL_WIDTH = 164;
    static final double LANE_WIDTH = 340;
    static final double LABEL_HEIGHT = 42;
    static final double LANE_HEIGHT = 28;

    private static final double EDGE = 14;
    private static final double GAP = 204;
    private static final double ROW = PLACE_HEIGHT + 16;
    private static final double LABEL_ROW = LABEL_HEIGHT + 8;
    private static final double LANE = LANE_HEIGHT + 10;

    private final RouteMap map;
    private final Map<Integer, Place> places = new HashMap<>();
    private final Map<Integer, Double> tops = new HashMap<>();
    private final Map<Link, Double> labels = new HashMap<>();
    private final double height;

    MapLayout(RouteMap map) {
        this.map = map;
        map.places().forEach(place -> places.put(place.id(), place));
        height = stacks();
        for (int column = 0; column <= columns(); column++) {
            List<Place> ordered = column(column)
                    .sorted(Comparator.comparingDouble(this::pull).thenComparing(Place::id))
                    .toList();
            double top = EDGE + (height - ordered.size() * ROW) / 2;
            for (int row = 0; row < ordered.size(); row++) {
                tops.put(ordered.get(row).id(), top + row * ROW);
            }
        }
        for (int column = 0; column < columns(); column++) {
            List<Link> ordered = from(column)
                    .sorted(Comparator.comparingDouble(this::middle))
                    .toList();
            double top = EDGE + (height - ordered.size() * LABEL_ROW) / 2;
            for (int row = 0; row < ordered.size(); row++) {
                labels.put(ordered.get(row), top + (row + 0.5) * LABEL_ROW);
            }
        }
    }

    private int columns() {
        return map.places().stream().mapToInt(Place::column).max().orElse(0);
    }

    private Stream<Place> column(int column) {
        return map.places().stream().filter(place -> place.column() == column);
    }

    /** The direct links that begin in a column. */
    private Stream<Link> from(int column) {
        return map.links().stream()
                .filter(link -> isDirect(link) && places.get(link.from()).column() == column);
    }

    /** The height of the highest stack of places or labels. */
    private double stacks() {
        double most = PLACE_HEIGHT;
        for (int column = 0; column <= columns(); column++) {
            most = Math.max(
                    most, Math.max(column(column).count() * ROW, from(column).count() * LABEL_ROW));
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
        return EDGE + places.get(place).column() * (PLACE_WIDTH + GAP);
    }

    double y(int place) {
        return tops.get(place);
    }

    /** Whether a link runs straight to the next column. */
    boolean isDirect(Link link) {
        return !link.isRefused()
                && places.get(link.to()).column() - places.get(link.from()).column() == 1;
    }

    /** The middle of a link's label. */
    double labelX(Link link) {
        return (x(link.from()) + x(link.to()) + PLACE_WIDTH) / 2;
    }

    /** The middle of a link's label: in the stack between two columns, or in its lane. */
    double labelY(Link link) {
        return isDirect(link) ? labels.get(link) : laneY(link);
    }

    private double laneY(Link link) {
        List<Link> lanes =
                map.links().stream().filter(other -> !isDirect(other)).toList();
        return height + 2 * EDGE + (lanes.indexOf(link) + 0.5) * LANE;
    }

    double width() {
        return EDGE + columns() * (PLACE_WIDTH + GAP) + PLACE_WIDTH + EDGE;
    }

    double height() {
        long lanes = map.links().stream().filter(link -> !isDirect(link)).count();
        return height + 3 * EDGE + lanes * LANE;
    }
}
