package org.mobrak.core.material;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/** Two files of the same role side by side: what is the same and what differs. */
public record Comparison(List<Row> rows) {
    private static final int MOST_MEMBERS = 40;
    private static final String NOTHING = "–";

    public Comparison {
        rows = List.copyOf(rows);
    }

    /** One thing, as each of the two has it. */
    public record Row(String what, String one, String other) {
        public boolean isSame() {
            return one.equals(other);
        }
    }

    /** Holds two files against each other: themselves first, then member by member. */
    public static Comparison of(Inspection one, Inspection other) {
        Map<String, String> first = words(one);
        Map<String, String> second = words(other);
        List<Row> rows = new ArrayList<>();
        both(first, second)
                .forEach(what ->
                        rows.add(new Row(what, first.getOrDefault(what, NOTHING), second.getOrDefault(what, NOTHING))));
        return new Comparison(rows);
    }

    private static Set<String> both(Map<String, String> first, Map<String, String> second) {
        Set<String> names = new LinkedHashSet<>(first.keySet());
        names.addAll(second.keySet());
        return names;
    }

    private static Map<String, String> words(Inspection file) {
        Map<String, String> words = new LinkedHashMap<>();
        words.put("Kind", file.kind().label());
        words.put("Size", "%,d bytes".formatted(file.bytes()));
        file.digests().flatMap(digests -> digests.of(Digest.SHA256)).ifPresent(hash -> words.put("SHA-256", hash));
        file.kernel().ifPresent(kernel -> {
            kernel.release().ifPresent(release -> words.put("Kernel", release));
            kernel.banner().ifPresent(banner -> words.put("Kernel's banner", banner));
            words.put("Kernel's compression", kernel.compression());
        });
        file.boot().ifPresent(boot -> boot(boot, words));
        words.put("Made for", file.devices().isEmpty() ? NOTHING : String.join(", ", file.devices()));
        words.put(
                "Writes",
                file.writes().isEmpty()
                        ? NOTHING
                        : file.writes().stream().map(Write::partition).collect(Collectors.joining(", ")));
        members(file.root(), "", words);
        return words;
    }

    private static void boot(About.BootImage boot, Map<String, String> words) {
        boot.osVersion().ifPresent(version -> words.put("OS version", version));
        boot.patchLevel().ifPresent(level -> words.put("Patch level", level.toString()));
        words.put("Boot image's name", boot.name().isEmpty() ? NOTHING : boot.name());
        words.put("Command line", boot.cmdline().isEmpty() ? NOTHING : boot.cmdline());
    }

    private static void members(Part part, String path, Map<String, String> words) {
        for (Part member : part.inside()) {
            if (words.size() < MOST_MEMBERS) {
                String name = path + member.name();
                String size = member.bytes().isPresent()
                        ? ", %,d bytes".formatted(member.bytes().getAsLong())
                        : "";
                words.put(name, member.kind().label() + size);
                members(member, name + " › ", words);
            }
        }
    }
}
