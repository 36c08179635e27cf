package org.mobrak.core.catalogue.match;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.apache.commons.text.similarity.LevenshteinDistance;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.KnownPhone;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.build.TextPattern;

/** Whether the routes of a catalogue know the phone at all: that is asked before any plan is looked for. */
public sealed interface Recognition {

    /** Some route names its model number. */
    record Named(String model) implements Recognition {}

    /** Nobody has read the model number. */
    record NotRead() implements Recognition {
        @Override
        public Optional<String> sentence() {
            return Optional.of("The model number is not known, and nearly every file is made for one. Read it first: "
                    + Fact.MODEL.whereToRead() + ". Until then only routes that suit any phone are looked at.");
        }
    }

    /** Sources name different phones. */
    record Torn(List<String> models) implements Recognition {
        @Override
        public Optional<String> sentence() {
            return Optional.of("Two sources name different phones, " + String.join(" and ", models)
                    + ". Settle that first: nothing that writes a partition fits before it.");
        }
    }

    /**
     * No route names it.
     *
     * @param alike known model numbers that a person may take for it
     * @param nearest known model numbers that differ in few characters, the nearest first
     */
    record Unnamed(String model, List<String> alike, List<String> nearest) implements Recognition {
        @Override
        public Optional<String> sentence() {
            String hint = alike.isEmpty()
                    ? nearest.isEmpty()
                            ? ""
                            : " The nearest known are " + String.join(", ", nearest)
                                    + ", but a sister variant's file can brick a phone."
                    : " Did you mean " + String.join(" or ", alike)
                            + "? 0 and O, 1 and I, 5 and S, 8 and B look alike.";
            return Optional.of("No route in the catalogue names model number " + model + "." + hint
                    + " Only routes that suit any phone remain. To go on, make a route from a guide, or look at the catalogue of"
                    + " somebody who has this phone.");
        }
    }

    /** How well some facts are known to a catalogue. */
    static Recognition of(Catalogue catalogue, Facts facts) {
        List<String> said = facts.said(Fact.MODEL);
        if (said.isEmpty()) {
            return new NotRead();
        }
        if (said.size() > 1) {
            return new Torn(said);
        }
        String model = said.get(0);
        boolean named = catalogue.routes().stream()
                .flatMap(route -> route.fits().phones().stream())
                .anyMatch(target -> TextPattern.matches(target.model(), model));
        return named
                ? new Named(model)
                : new Unnamed(model, LookAlike.of(model, catalogue.phones()), nearest(model, catalogue));
    }

    /** What to tell the person first; empty where the phone is known. */
    default Optional<String> sentence() {
        return Optional.empty();
    }

    private static List<String> nearest(String model, Catalogue catalogue) {
        final int near = 2;
        final int most = 4;
        LevenshteinDistance distance = new LevenshteinDistance(near);
        return catalogue.phones().stream()
                .map(KnownPhone::model)
                .filter(known -> !known.equals(model) && distance.apply(known, model) >= 0)
                .sorted(Comparator.comparingInt((String known) -> distance.apply(known, model))
                        .thenComparing(Comparator.naturalOrder()))
                .limit(most)
                .toList();
    }
}
