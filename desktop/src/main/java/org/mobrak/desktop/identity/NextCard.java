package org.mobrak.desktop.identity;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import org.mobrak.app.Desk;
import org.mobrak.app.Session;
import org.mobrak.core.catalogue.match.Candidates;
import org.mobrak.core.fit.NextReading;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Reading;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Flow;
import org.mobrak.desktop.parts.Texts;

/** The one reading that is worth taking now: which model was meant, which variant it is, or what the verdicts wait for. */
final class NextCard {
    private final Session session;

    NextCard(Session session) {
        this.session = session;
    }

    /** Empty where nothing is waited for. */
    Optional<VBox> of(Desk desk) {
        Candidates candidates = desk.identity().candidates();
        if (!candidates.lookAlikes().isEmpty()) {
            return Optional.of(meant(desk, candidates.lookAlikes()));
        }
        return candidates.areOpen() ? Optional.of(which(candidates)) : next(desk);
    }

    private VBox meant(Desk desk, List<String> alike) {
        Reading misread = desk.identity().facts().belief(Fact.MODEL).readings().get(0);
        FlowPane buttons = new Flow();
        buttons.getStyleClass().add("buttons");
        for (String model : alike) {
            Button button = new Button("It is " + model);
            button.getStyleClass().add("do-this");
            button.setOnAction(press -> session.readings().correct(misread, model));
            buttons.getChildren().add(button);
        }
        return card(
                "Did you mean " + String.join(" or ", alike) + "?",
                Texts.wrapped(Texts.plain(
                        "“%s” is not in the catalogue. Compare letter by letter with the phone: 0 and O, 1 and I, 5 and S, 8 and B look alike."
                                .formatted(misread.value()))),
                buttons);
    }

    private VBox which(Candidates candidates) {
        VBox variants = new VBox();
        variants.getStyleClass().add("chain");
        for (Candidates.Candidate candidate : candidates.variants()) {
            var variant = candidate.phone().variant();
            String rest = List.of(variant.region(), variant.chipset()).stream()
                    .flatMap(Optional::stream)
                    .collect(Collectors.joining(", "));
            variants.getChildren().add(Texts.exact("%-10s %s".formatted(variant.model(), rest)));
        }
        Candidates.Separator best = candidates.separators().get(0);
        boolean settles = best.answers().values().stream().allMatch(models -> models.size() == 1);
        String worth = settles ? "Its answer settles it." : "Its answer leaves fewer.";
        String others = candidates.separators().stream()
                .skip(1)
                .limit(2)
                .map(separator -> separator.fact().label().toLowerCase(Locale.ROOT))
                .collect(Collectors.joining(", then "));
        return card(
                "Which of %d variants is it?".formatted(candidates.variants().size()),
                variants,
                Texts.wrapped(Texts.plain(
                        "%s: %s.".formatted(best.fact().label(), best.fact().whereToRead()))),
                Typing.line(best.fact(), value -> session.readings().takeTyped(best.fact(), value)),
                Texts.wrapped(
                        Texts.soft(others.isEmpty() ? worth : worth + " If it cannot be read, try: " + others + ".")));
    }

    private Optional<VBox> next(Desk desk) {
        return desk.next().stream().findFirst().map(this::reading);
    }

    private VBox reading(NextReading best) {
        String settles = best.settles() < 0.05
                ? "The open verdicts wait for it."
                : "Its answer should settle about %.1f of the open verdicts.".formatted(best.settles());
        return card(
                "Read this next: " + best.fact().label(),
                Texts.wrapped(Texts.plain(best.how())),
                Texts.wrapped(Texts.soft(settles)),
                Typing.line(best.fact(), value -> session.readings().takeTyped(best.fact(), value)));
    }

    private static VBox card(String heading, Node... content) {
        Card card = new Card(heading, content);
        card.getStyleClass().add("card-next");
        return card;
    }
}
