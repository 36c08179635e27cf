package org.mobrak.core.material.check;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.KnownPhone;
import org.mobrak.core.catalogue.NeededFile;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.material.Material;

/**
 * What a file is to be used for.
 *
 * @param route the route that asks for the file; empty where it is only looked at
 * @param needed what the route says of the file
 */
public record Use(Material file, CheckContext against, Optional<Route> route, Optional<NeededFile> needed) {

    /** A file that is looked at for a phone, for no route yet. */
    public static Use lookedAt(Material file, CheckContext against) {
        return new Use(file, against, Optional.empty(), Optional.empty());
    }

    Facts facts() {
        return against.facts();
    }

    /** By what the phone calls itself: device, product and model, as far as they are known. */
    List<String> names() {
        return Stream.of(Fact.DEVICE, Fact.PRODUCT, Fact.MODEL)
                .flatMap(fact -> facts().value(fact).stream())
                .toList();
    }

    /** Whether one of the names a file gives is one of the phone's; upper and lower case are the same. */
    boolean isPhone(List<String> given) {
        return given.stream().anyMatch(name -> names().stream().anyMatch(name::equalsIgnoreCase));
    }

    /** A variant of the catalogue that goes by one of these names, other than the phone's own. */
    Optional<KnownPhone> another(List<String> given) {
        String model = facts().value(Fact.MODEL).orElse("");
        return against.catalogue().phones().stream()
                .filter(phone -> !phone.model().equals(model))
                .filter(phone -> given.stream().anyMatch(name -> goesBy(phone, name)))
                .findFirst();
    }

    private static boolean goesBy(KnownPhone phone, String name) {
        return name.equalsIgnoreCase(phone.model())
                || phone.variant().device().filter(name::equalsIgnoreCase).isPresent();
    }

    /** Whether the file is written to a partition, as far as the route says. */
    boolean isWritten() {
        return needed.filter(file -> file.slot().isPresent() || file.partition().isPresent())
                .isPresent();
    }

    /** The name the route gives the file, lower case; empty without a route. */
    String neededName() {
        return needed.map(file -> file.name().toLowerCase(Locale.ROOT)).orElse("");
    }
}
