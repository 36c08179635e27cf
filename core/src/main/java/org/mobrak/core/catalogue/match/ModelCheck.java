package org.mobrak.core.catalogue.match;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Finding.Sureness;

/** The model number against the catalogue, and the baseband against the model number. */
final class ModelCheck {
    private final Catalogue catalogue;
    private final Facts facts;

    ModelCheck(Catalogue catalogue, Facts facts) {
        this.catalogue = catalogue;
        this.facts = facts;
    }

    Stream<Finding> findings() {
        return facts.value(Fact.MODEL)
                .map(model -> Stream.concat(unlisted(model).stream(), baseband(model).stream()))
                .orElse(Stream.empty());
    }

    private Optional<Finding> unlisted(String model) {
        if (catalogue.phone(model).isPresent() || catalogue.phones().isEmpty()) {
            return Optional.empty();
        }
        List<String> alike = LookAlike.of(model, catalogue.phones());
        return Optional.of(
                alike.isEmpty()
                        ? Finding.note(
                                "unlisted-model",
                                "Model number %s is not in the catalogue; nothing is known of this variant."
                                        .formatted(model))
                        : Finding.caution(
                                        "did-you-mean",
                                        "Model number %s is not in the catalogue. Did you mean %s? 0 and O, 1 and I, 5 and S, 8 and B look alike."
                                                .formatted(model, String.join(" or ", alike)))
                                .but(Sureness.LIKELY));
    }

    /** The longest beginning decides, since a sister's may be the beginning of another's. */
    private Optional<Finding> baseband(String model) {
        Optional<String> baseband = facts.value(Fact.BASEBAND);
        Optional<String> own =
                catalogue.phone(model).flatMap(phone -> phone.variant().baseband());
        if (baseband.isEmpty()
                || own.isEmpty()
                || baseband.get().startsWith(own.get()) && !aSisters(baseband.get(), own.get())) {
            return Optional.empty();
        }
        String whose = catalogue.phones().stream()
                .filter(phone -> phone.variant()
                        .baseband()
                        .filter(baseband.get()::startsWith)
                        .isPresent())
                .max(Comparator.comparing(
                        phone -> phone.variant().baseband().orElseThrow().length()))
                .map(phone -> "; it is that of " + phone.model())
                .orElse("");
        return Optional.of(Finding.caution(
                        "baseband-model",
                        "Baseband %s does not begin with %s as on model %s%s. The radio, or the model number, is another phone's."
                                .formatted(baseband.get(), own.get(), model, whose))
                .but(Sureness.LIKELY));
    }

    private boolean aSisters(String baseband, String own) {
        return catalogue.phones().stream()
                .flatMap(phone -> phone.variant().baseband().stream())
                .anyMatch(other -> other.length() > own.length() && baseband.startsWith(other));
    }
}
