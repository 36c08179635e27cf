package org.mobrak.core.catalogue;

import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/**
 * What hands need besides the words of a step.
 *
 * @param files the names of the files that it takes; empty where what it writes tells
 * @param settings what is chosen in the program, in the order of {@link ToolSetting}
 * @param paid whether the route's price is paid here
 * @param byItself whether the phone goes into the step's mode by itself, after what was done before
 */
public record Handling(List<String> files, Map<ToolSetting, Boolean> settings, boolean paid, boolean byItself) {
    /** Nothing besides. */
    public static final Handling NONE = new Handling(List.of(), Map.of(), false, false);

    public Handling {
        files = files == null ? List.of() : List.copyOf(files);
        settings = settings == null || settings.isEmpty()
                ? Map.of()
                : Collections.unmodifiableMap(new EnumMap<>(settings));
    }

    /** As a person ticks it: {@code wipe the data: off; keep root: on}. */
    public String settingsText() {
        return settings.entrySet().stream()
                .map(one -> one.getKey().label() + ": " + (one.getValue() ? "on" : "off"))
                .collect(Collectors.joining("; "));
    }
}
