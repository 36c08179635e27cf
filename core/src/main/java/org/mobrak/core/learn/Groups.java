package org.mobrak.core.learn;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.mobrak.core.learn.reading.Understood;

/** Which phones and files make a draft of their own: different files for different phones, or for different versions of one. */
final class Groups {
    private static final int MOST_PHONES = 500;
    private static final int MOST_FILES = 40;

    private Groups() {}

    /**
     * A draft's phones and files.
     *
     * @param versions by the key of a phone the OS versions to which its file is bound; empty where it is for all
     * @param builds by the key of a phone the builds to which its file is bound; empty where it is for all
     */
    record Group(
            List<String> phones,
            List<Understood.File> files,
            Map<String, List<String>> versions,
            Map<String, List<String>> builds) {}

    static List<Group> of(Understood guide) {
        List<Understood.File> instead =
                guide.files().stream().filter(Understood.File::instead).toList();
        List<Understood.File> usual =
                guide.files().stream().filter(file -> !file.instead()).toList();
        List<Group> groups = new ArrayList<>(of(guide, usual));
        for (Understood.File file : instead) {
            List<Understood.File> all = new ArrayList<>();
            all.add(file);
            usual.stream()
                    .filter(other ->
                            !other.role().equals(file.role()) && other.models().isEmpty())
                    .forEach(all::add);
            groups.addAll(bounded(new Group(file.models(), all, file.versions(), file.builds())));
        }
        return groups;
    }

    private static List<Group> of(Understood guide, List<Understood.File> given) {
        List<Understood.File> shared = new ArrayList<>();
        Map<Set<String>, List<Understood.File>> bound = new LinkedHashMap<>();
        Set<String> paired = new TreeSet<>();
        for (Understood.File file : given) {
            List<String> own =
                    file.models().stream().filter(guide.phones()::containsKey).toList();
            if (own.isEmpty()) {
                shared.add(file);
            } else {
                paired.addAll(own);
                Set<String> key = new LinkedHashSet<>();
                own.forEach(model -> key.add(model + " " + file.versions().getOrDefault(model, List.of())
                        + file.builds().getOrDefault(model, List.of())));
                bound.computeIfAbsent(key, none -> new ArrayList<>()).add(file);
            }
        }
        if (bound.size() < 2) {
            return bounded(new Group(List.copyOf(guide.phones().keySet()), given, Map.of(), Map.of()));
        }
        List<Group> groups = new ArrayList<>();
        bound.forEach((key, files) -> {
            List<Understood.File> all = new ArrayList<>(files);
            all.addAll(shared);
            Understood.File first = files.get(0);
            List<String> own =
                    first.models().stream().filter(guide.phones()::containsKey).toList();
            groups.addAll(bounded(new Group(own, all, first.versions(), first.builds())));
        });
        return groups;
    }

    /** A route may name so many phones; a longer list becomes several. */
    private static List<Group> bounded(Group group) {
        List<Understood.File> files =
                group.files().subList(0, Math.min(MOST_FILES, group.files().size()));
        List<Group> parts = new ArrayList<>();
        int from = 0;
        do {
            int to = Math.min(group.phones().size(), from + MOST_PHONES);
            parts.add(new Group(group.phones().subList(from, to), files, group.versions(), group.builds()));
            from = to;
        } while (from < group.phones().size());
        return parts;
    }
}
