package org.mobrak.core.catalogue;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;

/**
 * Something that can never be undone.
 *
 * @param fact what it shows in; a phone that shows it already has nothing more to lose by it
 */
public record Mark(String words, Optional<Fact> fact) {
    private static final String BLOWN = "blown";

    /** By which word of its own a mark is tied to a fact, and what it is called where its author has no words for it. */
    private static final Map<Fact, Mark> TIED = Map.of(
            Fact.WARRANTY_FUSE, new Mark("warranty fuse blown", Optional.of(Fact.WARRANTY_FUSE)),
            Fact.CUSTOM_WRITES, new Mark("custom-write counter up", Optional.of(Fact.CUSTOM_WRITES)));

    private static final Map<String, Fact> WORDS = Map.of("fuse", Fact.WARRANTY_FUSE, "counter", Fact.CUSTOM_WRITES);

    /** A mark as its author wrote it. */
    public static Mark of(String words) {
        String plain = words.toLowerCase(Locale.ROOT);
        return new Mark(
                words,
                WORDS.entrySet().stream()
                        .filter(word -> plain.contains(word.getKey()))
                        .map(Map.Entry::getValue)
                        .findFirst());
    }

    /** What a route leaves for good: what its author wrote, and what its effects say besides. */
    static List<Mark> of(Route.Changes changes) {
        List<Mark> marks = new ArrayList<>();
        changes.marks().forEach(words -> marks.add(of(words)));
        List.of(Fact.WARRANTY_FUSE, Fact.CUSTOM_WRITES).stream()
                .filter(fact -> isLeft(fact, changes.effects().get(fact)))
                .filter(fact -> marks.stream().noneMatch(mark -> mark.is(fact)))
                .forEach(fact -> marks.add(TIED.get(fact)));
        return List.copyOf(marks);
    }

    private static boolean isLeft(Fact fact, @Nullable String effect) {
        return fact == Fact.WARRANTY_FUSE ? BLOWN.equals(effect) : effect != null && Increase.is(effect);
    }

    /** Whether it shows in this fact. */
    public boolean is(Fact other) {
        return fact.filter(other::equals).isPresent();
    }

    /** Whether a phone surely bears it already, so that it costs nothing more: a fuse blows once, a counter goes on counting. */
    public boolean isBorneBy(Facts facts) {
        return is(Fact.WARRANTY_FUSE) && facts.said(Fact.WARRANTY_FUSE).equals(List.of(BLOWN));
    }
}
