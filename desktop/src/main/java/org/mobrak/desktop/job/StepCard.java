package org.mobrak.desktop.job;

import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.core.catalogue.Route.Gate;
import org.mobrak.core.catalogue.Route.RouteStep;
import org.mobrak.core.fit.GateJudge;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.job.Job;
import org.mobrak.core.job.SheetStep;
import org.mobrak.desktop.parts.Sign;
import org.mobrak.desktop.parts.Texts;
import org.mobrak.desktop.parts.TypedValue;
import org.mobrak.desktop.session.Session;

/** One step in full: what to do, what to see, how long to wait, and the tick. */
final class StepCard extends VBox {
    private final Session session;

    StepCard(Session session, Job job, SheetStep step, Facts facts) {
        this.session = session;
        getStyleClass().addAll("card", "step-card");
        RouteStep detail = step.detail();
        Label title = Texts.wrapped(Texts.plain(step.title()));
        title.getStyleClass().add("step-heading");
        getChildren().addAll(Texts.soft(step.phase().label() + "  ·  " + step.route()), title);
        if (detail.noReturn()) {
            Label warning =
                    Texts.wrapped(Texts.plain("From here there is no way back. Read the step to its end first."));
            warning.getStyleClass().add("warning");
            getChildren().add(warning);
        }
        getChildren().add(Texts.wrapped(Texts.plain(detail.text())));
        step.file()
                .ifPresent(file -> file.digests()
                        .forEach((name, sum) ->
                                getChildren().addAll(Texts.soft(name), Texts.wrapped(Texts.exact(sum)))));
        detail.mode().ifPresent(mode -> row("Mode", mode.replace('-', ' ')));
        detail.keys().ifPresent(keys -> row("Hold", keys));
        detail.sign().ifPresent(sign -> row("You should see", sign));
        detail.normalUntil().ifPresent(normal -> row("Wait", waiting(normal, detail.worryAfter())));
        detail.ifNot().ifPresent(otherwise -> row("If not", otherwise));
        step.gate().ifPresent(gate -> gate(gate, facts, wantsReading(job, step, facts)));
        tick(job, step, facts);
    }

    private static String waiting(int normal, Optional<Integer> worry) {
        return "Up to %d minutes is normal.".formatted(normal)
                + worry.map(" Worry only after %d."::formatted).orElse("");
    }

    private void row(String name, String text) {
        Label label = Texts.soft(name);
        label.getStyleClass().add("row-name");
        HBox row = new HBox(label, Texts.wrapped(Texts.plain(text)));
        row.getStyleClass().add("named-row");
        getChildren().add(row);
    }

    /** A gate that is not open, or that was read too early, wants a reading. */
    private static boolean wantsReading(Job job, SheetStep step, Facts facts) {
        return !job.isTicked(step) && job.objectionToTick(step, facts).isPresent();
    }

    private void gate(Gate gate, Facts facts, boolean wanted) {
        GateJudge judged = GateJudge.of(gate, facts);
        HBox line = new HBox(Sign.of(judged.result()), Texts.wrapped(Texts.plain(judged.sentence())));
        line.getStyleClass().add("signed-line");
        getChildren().add(line);
        if (wanted || judged.result() == Truth.UNKNOWN) {
            getChildren().add(new TypedValue("gate-value", gate.fact(), session::takeTyped));
        }
    }

    private void tick(Job job, SheetStep step, Facts facts) {
        HBox buttons = new HBox();
        buttons.getStyleClass().add("buttons");
        if (job.isTicked(step)) {
            Button untick = new Button("Take the tick back");
            untick.setId("untick");
            untick.setDisable(job.objectionToUntick(step).isPresent());
            untick.setOnAction(press -> session.untick(step));
            buttons.getChildren().add(untick);
            job.objectionToUntick(step).ifPresent(why -> buttons.getChildren().add(Texts.wrapped(Texts.soft(why))));
        } else {
            Optional<String> objection = job.objectionToTick(step, facts);
            Button done = new Button("Done", new FontIcon(Feather.CHECK));
            done.setId("tick");
            done.getStyleClass().add("do-this");
            done.setDisable(objection.isPresent());
            done.setOnAction(press -> session.tick(step));
            buttons.getChildren().add(done);
            boolean told = step.gate()
                    .map(gate -> GateJudge.of(gate, facts).sentence())
                    .equals(objection);
            if (!told) {
                objection.ifPresent(why -> buttons.getChildren().add(Texts.wrapped(Texts.soft(why))));
            }
        }
        getChildren().add(buttons);
    }
}
