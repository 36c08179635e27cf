package org.mobrak.desktop.job;

import javafx.scene.control.Button;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import org.mobrak.app.Session;
import org.mobrak.core.catalogue.RouteStep.Remedy;
import org.mobrak.core.job.Step;
import org.mobrak.desktop.parts.Texts;

/** What to do if the sign does not come: one press away, and open of itself once it was needed. */
final class Remedies extends VBox {
    Remedies(Session session, Moment moment, Step.Doing how) {
        getStyleClass().add("remedies");
        if (moment.ticked() || how.sign().isEmpty()) {
            return;
        }
        VBox list = new VBox();
        list.getStyleClass().add("lines");
        how.remedies().forEach(remedy -> list.getChildren().add(line(session, moment.step(), remedy)));
        if (how.remedies().isEmpty()) {
            list.getChildren()
                    .add(
                            Texts.wrapped(
                                    Texts.plain(
                                            "The route names no remedy. Change nothing more; note what you see, and read the route’s source again.")));
        }
        list.getChildren().add(ModeQuestion.amid(session, moment.mode()).node());
        boolean open = moment.missed() > 0;
        list.setVisible(open);
        list.setManaged(open);
        Button missed = new Button(open ? "Still not there" : "The sign did not come");
        missed.setId("missed");
        missed.setOnAction(press -> session.job().missed(moment.step(), ""));
        getChildren().addAll(missed, list);
    }

    private static VBox line(Session session, Step step, Remedy remedy) {
        Button seen = new Button("That is what I see");
        seen.getStyleClass().add("small-button");
        seen.setOnAction(press -> session.job().missed(step, remedy.seen()));
        HBox head = new HBox(Texts.wrapped(Texts.heading(remedy.seen())), StepCard.spacer(), seen);
        head.getStyleClass().add("signed-line");
        VBox line = new VBox(head, Texts.wrapped(Texts.plain(remedy.what())));
        line.getStyleClass().add("remedy");
        return line;
    }
}
