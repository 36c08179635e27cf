package org.mobrak.desktop.fit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.layout.HBox;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Severity;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Sign;
import org.mobrak.desktop.parts.Texts;

/** What else is worth knowing of a route: hazards, where people do it differently, and where it was learnt. */
final class RouteNotes {
    private final Route route;

    RouteNotes(Route route) {
        this.route = route;
    }

    /** Empty where there is nothing to say. */
    Optional<Card> card() {
        List<Node> lines = new ArrayList<>();
        route.notes().hazards().forEach(hazard -> lines.add(hazard(hazard)));
        route.notes()
                .alternatives()
                .forEach(one -> lines.add(
                        Texts.wrapped(Texts.plain(one.question() + " " + String.join("; or: ", one.answers()) + "."))));
        route.notes()
                .learnt()
                .ifPresent(learnt -> lines.add(Texts.wrapped(Texts.soft("Learnt from: %s%s, last looked at on %s."
                        .formatted(learnt.from(), age(learnt), learnt.checked())))));
        route.origin()
                .ifPresent(origin -> lines.add(Texts.wrapped(
                        Texts.soft("Taken from the catalogue “%s” on %s.".formatted(origin.from(), origin.taken())))));
        return lines.isEmpty() ? Optional.empty() : Optional.of(new Card("Worth knowing", lines.toArray(Node[]::new)));
    }

    /** When its author wrote it and changed it, as far as that is known. */
    private static String age(Route.Learnt learnt) {
        String written = learnt.written().map(day -> ", written on " + day).orElse("");
        return written + learnt.updated().map(day -> ", changed on " + day).orElse("");
    }

    private static HBox hazard(String text) {
        HBox line = new HBox(Sign.of(Severity.CAUTION), Texts.wrapped(Texts.plain(text)));
        line.getStyleClass().add("signed-line");
        return line;
    }
}
