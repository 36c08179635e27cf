package org.mobrak.core.fit;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;

/**
 * The ways things may truly be where sources disagree: each world settles every such fact by one of the values that are said.
 * What nobody has read stays unknown in all of them.
 */
final class Worlds {
    /** So many are tried; of facts beyond, nothing is taken for known, which asks more and never allows more. */
    private static final int MOST = 64;

    private Worlds() {}

    /** The worlds between some facts, the one in which the leading values hold first. */
    static List<Facts> of(Facts facts, Set<Fact> between) {
        List<Map<Fact, String>> settled = List.of(new EnumMap<>(Fact.class));
        Map<Fact, Optional<String>> tooMany = new EnumMap<>(Fact.class);
        for (Fact fact : between.stream().sorted().toList()) {
            List<String> values = facts.said(fact);
            if (settled.size() * values.size() > MOST) {
                tooMany.put(fact, Optional.empty());
            } else {
                settled = times(settled, fact, values);
            }
        }
        Facts ground = facts.after(tooMany);
        return settled.stream().map(ground::settled).toList();
    }

    private static List<Map<Fact, String>> times(List<Map<Fact, String>> some, Fact fact, List<String> values) {
        List<Map<Fact, String>> all = new ArrayList<>();
        for (String value : values) {
            for (Map<Fact, String> one : some) {
                Map<Fact, String> more = new EnumMap<>(one);
                more.put(fact, value);
                all.add(more);
            }
        }
        return all;
    }
}
