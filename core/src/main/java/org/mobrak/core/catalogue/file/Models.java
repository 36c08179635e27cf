package org.mobrak.core.catalogue.file;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.mobrak.core.catalogue.KnownPhone;
import org.mobrak.core.identity.build.TextPattern;

/** The model numbers a catalogue knows. */
record Models(Set<String> exact) {

    static Models of(List<KnownPhone> phones) {
        return new Models(phones.stream().map(KnownPhone::model).collect(Collectors.toSet()));
    }

    /** Whether a model number, or a pattern of them, is that of a known phone. */
    boolean hold(String model) {
        return exact.contains(model)
                || TextPattern.isPattern(model) && exact.stream().anyMatch(known -> TextPattern.matches(model, known));
    }
}
