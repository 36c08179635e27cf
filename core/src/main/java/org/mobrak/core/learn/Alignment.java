package org.mobrak.core.learn;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.StreamSupport;

/**
 * Lays the steps of several recordings side by side in their order (global alignment of two sequences, Needleman and Wunsch 1970, one
 * recording after the other).
 */
final class Alignment {
    /** So alike must two steps be to be one; our own choice. */
    private static final double ALIKE = .75;

    private static final int SHORT = 3;
    private static final int STEM = 5;

    private final List<Row> rows = new ArrayList<>();

    /**
     * A step of the job.
     *
     * @param told by the number of a recording, the place of the step in it
     */
    record Row(Map<Integer, Integer> told) {}

    private Alignment() {}

    /** The steps of the job in their order; {@code steps} by recording. */
    static List<Row> of(List<List<JsonNode>> steps) {
        Alignment alignment = new Alignment();
        for (int i = 0; i < steps.size(); i++) {
            alignment.lay(i, steps);
        }
        return List.copyOf(alignment.rows);
    }

    private void lay(int recording, List<List<JsonNode>> steps) {
        List<JsonNode> own = steps.get(recording);
        double[][] best = new double[rows.size() + 1][own.size() + 1];
        for (int i = rows.size() - 1; i >= 0; i--) {
            for (int j = own.size() - 1; j >= 0; j--) {
                double same = alike(rows.get(i), own.get(j), steps);
                best[i][j] = Math.max(
                        same >= ALIKE ? same + best[i + 1][j + 1] : 0, Math.max(best[i + 1][j], best[i][j + 1]));
            }
        }
        List<Row> merged = new ArrayList<>();
        int i = 0;
        int j = 0;
        while (i < rows.size() || j < own.size()) {
            double same = i < rows.size() && j < own.size() ? alike(rows.get(i), own.get(j), steps) : 0;
            if (same >= ALIKE && best[i][j] == same + best[i + 1][j + 1]) {
                rows.get(i).told().put(recording, j++);
                merged.add(rows.get(i++));
            } else if (j >= own.size() || i < rows.size() && best[i][j] == best[i + 1][j]) {
                merged.add(rows.get(i++));
            } else {
                merged.add(new Row(new LinkedHashMap<>(Map.of(recording, j++))));
            }
        }
        rows.clear();
        rows.addAll(merged);
    }

    private static double alike(Row row, JsonNode step, List<List<JsonNode>> steps) {
        return row.told().entrySet().stream()
                .mapToDouble(one -> alike(steps.get(one.getKey()).get(one.getValue()), step))
                .max()
                .orElse(0);
    }

    /** How far two steps are the same: by their words, where the phone is, what they take, and whether keys are held. */
    static double alike(JsonNode one, JsonNode other) {
        Set<String> shared = words(one);
        Set<String> all = new HashSet<>(shared);
        Set<String> others = words(other);
        all.addAll(others);
        shared.retainAll(others);
        double alike = all.isEmpty() ? 0 : 2.0 * shared.size() / all.size();
        boolean placed = one.has("mode") && one.path("mode").equals(other.path("mode"));
        alike += placed ? .3 : one.has("mode") && other.has("mode") ? -.6 : 0;
        alike += one.has("keys") && other.has("keys") && placed ? .8 : 0;
        alike += one.path("phase").equals(other.path("phase")) ? .1 : 0;
        alike += placed && (isCommand(one) && other.has("keys") || isCommand(other) && one.has("keys")) ? .6 : 0;
        alike += !one.at("/with/files").isMissingNode()
                        && !other.at("/with/files").isMissingNode()
                ? .6
                : 0;
        return alike;
    }

    /** The phone is sent there by a command. */
    static boolean isCommand(JsonNode step) {
        return !step.has("keys") && step.at("/with/byItself").asBoolean();
    }

    private static Set<String> words(JsonNode step) {
        return Arrays.stream(step.path("text").asText().toLowerCase(Locale.ROOT).split("[^a-z0-9]+"))
                .filter(word -> word.length() > SHORT)
                .map(word -> word.substring(0, Math.min(STEM, word.length())))
                .collect(Collectors.toCollection(HashSet::new));
    }

    static List<JsonNode> steps(JsonNode route) {
        return StreamSupport.stream(route.at("/work/steps").spliterator(), false)
                .toList();
    }
}
