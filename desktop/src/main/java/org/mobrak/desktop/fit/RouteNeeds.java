package org.mobrak.desktop.fit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.scene.Node;
import javafx.scene.control.Label;
import org.mobrak.core.catalogue.Gate;
import org.mobrak.core.catalogue.NeededFile;
import org.mobrak.core.catalogue.Route;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Texts;

/** What a route needs on the computer and on the day: tools with their versions, files, and what must be ready. */
final class RouteNeeds {
    private final Route route;

    RouteNeeds(Route route) {
        this.route = route;
    }

    /** Empty where it needs nothing. */
    Optional<Card> card() {
        List<Node> lines = new ArrayList<>();
        route.work().tools().forEach(tool -> lines.add(line(tool.name() + ", " + tool.versions())));
        route.work().files().forEach(file -> lines.add(line(words(file))));
        if (!route.gates().isEmpty()) {
            lines.add(line("Ready on the day: "
                    + route.gates().stream().map(RouteNeeds::words).collect(Collectors.joining("; ")) + "."));
        }
        return lines.isEmpty() ? Optional.empty() : Optional.of(new Card("What it needs", lines.toArray(Node[]::new)));
    }

    private static Label line(String text) {
        return Texts.wrapped(Texts.plain(text));
    }

    private static String words(NeededFile file) {
        String size = file.bytes().map(bytes -> "%,d bytes".formatted(bytes)).orElse("size not known");
        String check = file.hasDigest() ? String.join(", ", file.digests().keySet()) + " known" : "no checksum known";
        Stream<String> more = Stream.of(
                        file.slot().map(slot -> "slot " + slot),
                        file.keepZipped().map(keep -> keep ? "leave it zipped" : "unpack it"))
                .flatMap(Optional::stream);
        return file.role() + ": "
                + Stream.concat(Stream.of(file.name(), size, check), more).collect(Collectors.joining(", "));
    }

    private static String words(Gate gate) {
        return gate.fact().label() + " "
                + gate.atLeast().map(least -> least + " or more").orElse(String.join(" or ", gate.is()));
    }
}
