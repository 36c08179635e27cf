package org.mobrak.core.proof;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.mobrak.core.identity.Finding;

/** Which apps are otherwise than before, by name in alphabetical order. */
public record AppChanges(
        List<String> gone, List<String> added, List<String> disabled, List<String> enabled, List<Finding> findings) {
    /** Two listings of one phone have most of their packages in common; the bound is our own choice. */
    private static final double LEAST_SHARED = 0.4;

    public AppChanges {
        gone = List.copyOf(gone);
        added = List.copyOf(added);
        disabled = List.copyOf(disabled);
        enabled = List.copyOf(enabled);
        findings = List.copyOf(findings);
    }

    public static AppChanges of(AppList before, AppList after) {
        Set<String> both = new TreeSet<>(before.enabled().keySet());
        both.retainAll(after.enabled().keySet());
        List<Finding> findings = new ArrayList<>(before.findings());
        findings.addAll(after.findings());
        int smaller = Math.min(before.enabled().size(), after.enabled().size());
        if (both.size() < smaller * LEAST_SHARED) {
            findings.add(Finding.caution(
                    "other-phone",
                    "Of %d packages only %d are in both listings; are they of the same phone?"
                            .formatted(smaller, both.size())));
        }
        return new AppChanges(
                without(before, both),
                without(after, both),
                turned(both, before, after, false),
                turned(both, before, after, true),
                findings);
    }

    private static List<String> without(AppList list, Set<String> both) {
        return list.enabled().keySet().stream()
                .filter(name -> !both.contains(name))
                .toList();
    }

    private static List<String> turned(Set<String> both, AppList before, AppList after, boolean to) {
        return both.stream()
                .filter(name -> isOn(before, name) != to && isOn(after, name) == to)
                .toList();
    }

    private static boolean isOn(AppList list, String name) {
        return list.enabled().getOrDefault(name, false);
    }
}
