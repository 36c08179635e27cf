package org.mobrak.core.fit;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.build.BuildId;
import org.mobrak.core.identity.build.Rulers;
import org.mobrak.core.identity.build.Spelling;
import org.mobrak.core.identity.build.TextPattern;

/**
 * The names by which a phone's build goes: build number, incremental, build id. A list may hold any of them, and nobody writes
 * beside it which; so a listed name that the phone's known names do not match is cleared only by one that is of the same form,
 * by a maker's grammar that says which kind it is, or when all three are known.
 */
final class BuildNames {
    static final List<Fact> FACTS = List.of(Fact.BUILD_NUMBER, Fact.INCREMENTAL, Fact.BUILD_ID);

    private final Facts facts;
    private final Rulers rulers;

    BuildNames(Facts facts, Rulers rulers) {
        this.facts = facts;
        this.rulers = rulers;
    }

    /** A name that is listed. */
    record Hit(Fact fact, String value) {}

    /** The first of the phone's names that a listed one, or a pattern, stands for, exactly as it is written. */
    Optional<Hit> hit(String listed) {
        return first(value -> TextPattern.matches(listed, value));
    }

    /** The first of the phone's names that may be a listed one, however it is written. */
    Optional<Hit> perhaps(String listed) {
        String wide = Spelling.wide(listed);
        return first(value -> TextPattern.matches(listed, value) || TextPattern.matches(wide, Spelling.wide(value)));
    }

    /** Whether one of the phone's names would be a listed one if it were written carefully. */
    boolean isWrittenOtherwise(String listed) {
        return first(value -> Spelling.isWrittenOtherwise(listed, value)).isPresent();
    }

    private Optional<Hit> first(Predicate<String> matches) {
        for (Fact fact : FACTS) {
            Optional<String> value = facts.value(fact);
            if (value.isPresent() && matches.test(value.get())) {
                return Optional.of(new Hit(fact, value.get()));
            }
        }
        return Optional.empty();
    }

    /**
     * The facts that would have to be read before it is sure that a listed name is none of the phone's: the kind of name that
     * the list uses, where that can be told, else all that are not known.
     */
    Set<Fact> open(String listed) {
        Set<Fact> unknown =
                FACTS.stream().filter(fact -> facts.value(fact).isEmpty()).collect(Collectors.toSet());
        boolean cleared = FACTS.stream()
                .anyMatch(fact -> facts.value(fact)
                        .filter(value -> isLike(listed, value) || rulers.takeApart(fact, listed))
                        .isPresent());
        if (cleared || unknown.isEmpty()) {
            return Set.of();
        }
        Set<Fact> used =
                unknown.stream().filter(fact -> isNamedBy(listed, fact)).collect(Collectors.toSet());
        return EnumSet.copyOf(used.isEmpty() ? unknown : used);
    }

    /** Whether a listed name is of the kind that a fact holds: the platform's build id, or what a maker's grammar takes apart. */
    private boolean isNamedBy(String listed, Fact fact) {
        return fact == Fact.BUILD_ID ? BuildId.looksLikeOne(listed) : rulers.takeApart(fact, listed);
    }

    /** For a person: the name that is known, or that none is. */
    String words() {
        return FACTS.stream()
                .flatMap(fact -> facts.value(fact).stream())
                .findFirst()
                .map(name -> "Build " + name)
                .orElse("This build");
    }

    /** The names that are known, each a fact. */
    Set<Fact> known() {
        return FACTS.stream().filter(fact -> facts.value(fact).isPresent()).collect(Collectors.toSet());
    }

    /** Whether a listed name and one of the phone's are of one form: the same marks between their parts, beginning alike. */
    private static boolean isLike(String listed, String value) {
        if (TextPattern.isPattern(listed)) {
            String beginning = new TextPattern(listed).beginning();
            return !beginning.isEmpty()
                    && value.length() >= beginning.length()
                    && form(beginning).equals(form(value.substring(0, beginning.length())));
        }
        return BuildId.looksLikeOne(listed) || BuildId.looksLikeOne(value)
                ? BuildId.looksLikeOne(listed) && BuildId.looksLikeOne(value)
                : form(listed).equals(form(value));
    }

    /** The marks in their order, whether it begins with a letter, and whether it is all digits. */
    private static String form(String name) {
        String marks = name.chars()
                .filter(c -> !Character.isLetterOrDigit(c))
                .mapToObj(Character::toString)
                .collect(Collectors.joining());
        boolean number = name.chars().allMatch(Character::isDigit);
        return (number ? "9" : Character.isLetter(name.charAt(0)) ? "A" : "0") + marks;
    }
}
