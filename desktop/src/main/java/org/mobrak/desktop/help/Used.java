package org.mobrak.desktop.help;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.stream.Collectors;

/** How often each command was taken from the palette; kept with the workspace as lines of a number and a name. */
public final class Used {
    private static final int MOST = 60;

    private final Map<String, Integer> counts = new LinkedHashMap<>();

    /** @param kept as {@link #written} wrote it; what cannot be read of it is left out */
    public void read(String kept) {
        kept.lines()
                .map(line -> line.split(" ", 2))
                .filter(parts -> parts.length == 2)
                .forEach(parts -> {
                    if (parts[0].matches("[0-9]{1,6}")) {
                        counts.put(parts[1], Integer.parseInt(parts[0]));
                    }
                });
    }

    public String written() {
        return counts.entrySet().stream()
                .sorted(Map.Entry.<String, Integer>comparingByValue().reversed())
                .limit(MOST)
                .map(entry -> entry.getValue() + " " + entry.getKey())
                .collect(Collectors.joining("\n"));
    }

    void take(Command command) {
        counts.merge(command.id(), 1, Integer::sum);
    }

    int count(Command command) {
        return counts.getOrDefault(command.id(), 0);
    }
}
