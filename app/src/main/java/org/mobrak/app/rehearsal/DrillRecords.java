package org.mobrak.app.rehearsal;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;

/**
 * How well each thing sits that was ever practised here: chords by their text, mishaps by their key. Kept with the workspace, for
 * whoever works at it.
 */
public record DrillRecords(Map<String, DrillRecord> byKey) {
    private static final String BETWEEN = "\t";
    private static final int FIELDS = 5;

    public DrillRecords {
        byKey = Map.copyOf(byKey);
    }

    public static DrillRecords none() {
        return new DrillRecords(Map.of());
    }

    public Optional<DrillRecord> of(String key) {
        return Optional.ofNullable(byKey.get(key));
    }

    /** Whether something should be practised on a day: it is new, or its time has come. */
    public boolean isDue(String key, LocalDate day) {
        return of(key).map(record -> !record.due().isAfter(day)).orElse(true);
    }

    /** The records after something was tried once more. */
    public DrillRecords after(String key, boolean sat, LocalDate day) {
        Map<String, DrillRecord> all = new TreeMap<>(byKey);
        all.put(key, of(key).orElse(DrillRecord.first(day)).after(sat, day));
        return new DrillRecords(all);
    }

    /** As it is kept: a line for each. */
    public String text() {
        return new TreeMap<>(byKey)
                .entrySet().stream()
                        .map(one -> String.join(
                                BETWEEN,
                                one.getKey(),
                                String.valueOf(one.getValue().box()),
                                one.getValue().last().toString(),
                                String.valueOf(one.getValue().tried()),
                                String.valueOf(one.getValue().sat())))
                        .collect(Collectors.joining("\n"));
    }

    /** Reads what was kept; a line that cannot be read is forgotten, which costs one more try. */
    public static DrillRecords parse(String text) {
        Map<String, DrillRecord> all = new TreeMap<>();
        text.lines()
                .map(line -> line.split(BETWEEN, -1))
                .filter(line -> line.length == FIELDS)
                .forEach(line -> {
                    try {
                        all.put(
                                line[0],
                                new DrillRecord(
                                        Integer.parseInt(line[1]),
                                        LocalDate.parse(line[2]),
                                        Integer.parseInt(line[3]),
                                        Integer.parseInt(line[4])));
                    } catch (IllegalArgumentException | DateTimeException unreadable) {
                        all.remove(line[0]);
                    }
                });
        return new DrillRecords(all);
    }
}
