package org.mobrak.core.identity.build;

import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.Stream;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;

/** All known ways to take build strings apart: the makers' grammars and the platform's own forms. */
public record Rulers(List<BuildGrammar> grammars) {
    public Rulers {
        grammars = List.copyOf(grammars);
    }

    public static Rulers none() {
        return new Rulers(List.of());
    }

    /** Every string among the facts that can be taken apart, the maker's build number first. */
    public List<Ruler> of(Facts facts) {
        return Stream.of(
                        Fact.BUILD_NUMBER,
                        Fact.INCREMENTAL,
                        Fact.BASEBAND,
                        Fact.BOOTLOADER,
                        Fact.BUILD_ID,
                        Fact.FINGERPRINT)
                .flatMap(fact -> facts.value(fact).flatMap(value -> of(fact, value, facts.value(Fact.MAKER))).stream())
                .toList();
    }

    /** One string taken apart; where the maker is not known, only if no two makers' grammars fit it. */
    public Optional<Ruler> of(Fact fact, String value, Optional<String> maker) {
        return switch (fact) {
            case BUILD_ID -> BuildId.of(value).map(BuildId::ruler);
            case FINGERPRINT -> Fingerprint.of(value).map(Fingerprint::ruler);
            default -> byGrammar(fact, value, maker);
        };
    }

    /**
     * The order of two build strings as a maker's grammar has it, by their dates and serials; empty where no grammar takes both
     * apart alike.
     */
    public OptionalInt order(Fact fact, String a, String b, Optional<String> maker) {
        Optional<Ruler> first = of(fact, a, maker);
        Optional<Ruler> second = of(fact, b, maker);
        return first.isPresent() && second.isPresent() ? Overlay.order(first.get(), second.get()) : OptionalInt.empty();
    }

    /** Whether some maker's grammar for this fact takes a text apart. */
    public boolean takeApart(Fact fact, String text) {
        return grammars.stream()
                .anyMatch(
                        grammar -> grammar.fact() == fact && grammar.ruler(text).isPresent());
    }

    /** Whether some grammar finds parts in a text that have an order in time. */
    public boolean canOrder(Fact fact, String text) {
        return grammars.stream()
                .filter(grammar -> grammar.fact() == fact)
                .flatMap(grammar -> grammar.ruler(text).stream())
                .anyMatch(ruler -> ruler.segments().stream()
                        .anyMatch(segment -> segment.role().tellsAge()));
    }

    private Optional<Ruler> byGrammar(Fact fact, String value, Optional<String> maker) {
        List<Ruler> fitting = grammars.stream()
                .filter(grammar -> grammar.fact() == fact)
                .filter(grammar -> maker.isEmpty() || maker.get().equalsIgnoreCase(grammar.maker()))
                .flatMap(grammar -> grammar.ruler(value).stream())
                .toList();
        return maker.isPresent() || fitting.size() == 1 ? fitting.stream().findFirst() : Optional.empty();
    }
}
