package org.mobrak.desktop.job;

import java.util.Map;
import java.util.Optional;
import javafx.geometry.Orientation;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Hyperlink;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.app.Session;
import org.mobrak.core.fit.GateJudge;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.job.Step;
import org.mobrak.desktop.parts.Drops;
import org.mobrak.desktop.parts.Escape;
import org.mobrak.desktop.parts.Sign;
import org.mobrak.desktop.parts.Texts;
import org.mobrak.desktop.parts.TypedValue;

/** One step, large enough to be read from a metre away: what to do, what to see, how long to wait, and the tick. */
final class StepCard extends VBox {
    private final Session session;
    private final Moment moment;
    private final Button tick = new Button("Done", new FontIcon(Feather.CHECK));
    private final Button begin = new Button("Begin", new FontIcon(Feather.PLAY));
    private final TextField confirm = new TextField();
    private Optional<WaitBar> waiting = Optional.empty();
    private Optional<ChordScore> score = Optional.empty();

    StepCard(Session session, Moment moment) {
        this.session = session;
        this.moment = moment;
        Step step = moment.step();
        getStyleClass().addAll("card", "step-card");
        Label title = Texts.wrapped(Texts.plain(step.title()));
        title.getStyleClass().add("step-heading");
        getChildren().addAll(Texts.wrapped(Texts.soft(step.phase().label() + "  ·  " + step.route())), title);
        if (step.hasNoReturn()) {
            getChildren().add(warning("From here there is no way back. Read the step to its end first."));
        }
        Label text = Texts.wrapped(Texts.plain(moment.shown().text()));
        text.getStyleClass().add("step-text");
        getChildren().add(text);
        step.file().ifPresent(file -> {
            Drops.onto(this, session.files()::lookInto);
            getChildren().add(new CopyLine("File", file.name()));
            file.digests().forEach((name, sum) -> getChildren().add(new CopyLine(name, sum)));
        });
        if (!moment.ways().isEmpty()) {
            getChildren().add(new Ways(session, moment));
        }
        moment.shown().how().ifPresent(this::doing);
        moment.gate().ifPresent(this::gate);
        moment.overridden().ifPresent(reason -> row("Passed because", reason));
        buttons();
        if (asksForSomething(step) && !moment.ticked() && moment.objection().isPresent() && moment.mayPass()) {
            getChildren().add(passing());
        }
        step.how().ifPresent(how -> getChildren().add(new Remedies(session, moment, how)));
        getChildren().add(new Notes(session, moment));
    }

    /** Whether it is something to be so, or a file that counts by its bytes. */
    private static boolean asksForSomething(Step step) {
        return step.gate().isPresent()
                || step.file().isPresent()
                || !step.expected().isEmpty();
    }

    Moment moment() {
        return moment;
    }

    static Label warning(String text) {
        Label warning = Texts.wrapped(Texts.plain(text));
        warning.getStyleClass().add("warning");
        warning.setMaxWidth(Double.MAX_VALUE);
        return warning;
    }

    private void doing(Step.Doing how) {
        how.mode()
                .ifPresent(mode -> row(
                        "Mode", how.from().map(from -> words(from) + "  →  ").orElse("") + words(mode)));
        if (!moment.ticked()) {
            how.keys().map(ChordScore::new).ifPresent(drawn -> {
                score = Optional.of(drawn);
                drawn.setAloud(session.program().preferences().get().sound());
                getChildren().add(drawn);
            });
        }
        moment.takes().forEach(file -> row("Takes", file.placed()));
        if (moment.step() instanceof Step.Act act && !act.with().settings().isEmpty()) {
            row("Choose", act.with().settingsText());
        }
        reading();
        how.sign().ifPresent(sign -> {
            row("You should see", sign);
            getChildren().get(getChildren().size() - 1).getStyleClass().add("step-sign");
        });
        how.normalMinutes().ifPresent(normal -> {
            WaitBar bar = new WaitBar(session::now, normal, how.worryMinutes(), moment.begun());
            waiting = Optional.of(bar);
            getChildren().add(bar);
        });
    }

    /** What must be read; “Done” notes it as read, and what reads otherwise is typed in. */
    private void reading() {
        Map<Fact, String> expected = moment.step().expected();
        if (expected.isEmpty()) {
            return;
        }
        expected.forEach((fact, value) -> row("Must read", fact.label() + ": " + value));
        if (moment.ticked()) {
            return;
        }
        VBox fields = new VBox();
        fields.getStyleClass().add("readings-otherwise");
        expected.keySet()
                .forEach(fact -> fields.getChildren()
                        .add(new TypedValue("reads-" + fact.key(), fact, session.readings()::takeTyped)));
        fields.setVisible(moment.objection().isPresent() && moment.mayPass());
        fields.managedProperty().bind(fields.visibleProperty());
        Hyperlink otherwise = new Hyperlink("One of them reads something else …");
        otherwise.setId("reads-otherwise");
        otherwise.setOnAction(press -> {
            fields.setVisible(true);
            String first = expected.keySet().iterator().next().key();
            Optional.ofNullable(fields.lookup("#reads-" + first)).ifPresent(Node::requestFocus);
        });
        getChildren().addAll(otherwise, fields);
    }

    private static String words(String mode) {
        return mode.equals("os") ? "started up" : mode.replace('-', ' ');
    }

    private void row(String name, String text) {
        Label label = Texts.soft(name);
        label.getStyleClass().add("row-name");
        HBox row = new HBox(label, Texts.wrapped(Texts.plain(text)));
        row.getStyleClass().add("named-row");
        getChildren().add(row);
    }

    private void gate(GateJudge judged) {
        HBox line = new HBox(Sign.of(judged.result()), Texts.wrapped(Texts.plain(judged.sentence())));
        line.getStyleClass().add("signed-line");
        getChildren().add(line);
        boolean wanted = !moment.ticked() && moment.objection().isPresent();
        if (moment.overridden().isEmpty() && (wanted || judged.result() == Truth.UNKNOWN)) {
            getChildren()
                    .add(new TypedValue(
                            "gate-value", moment.step().gate().orElseThrow().fact(), session.readings()::takeTyped));
        }
    }

    /** Out of the way, since it is seldom right. */
    private VBox passing() {
        TextField reason = new TextField();
        HBox reasoning = reasoning(reason);
        reasoning.setVisible(false);
        reasoning.managedProperty().bind(reasoning.visibleProperty());
        Hyperlink without = new Hyperlink("Go on without it …");
        without.setId("pass");
        without.setOnAction(press -> {
            reasoning.setVisible(true);
            reason.requestFocus();
        });
        Escape.from(reasoning, () -> {
            reasoning.setVisible(false);
            without.requestFocus();
        });
        return new VBox(without, reasoning);
    }

    private HBox reasoning(TextField reason) {
        reason.setId("override-reason");
        reason.setPromptText("Say why; it is kept with the job");
        HBox.setHgrow(reason, Priority.ALWAYS);
        Button pass = new Button("Go on without it");
        pass.setId("override");
        pass.disableProperty().bind(reason.textProperty().map(String::isBlank));
        pass.setOnAction(press -> session.job().override(moment.step(), reason.getText()));
        HBox passing = new HBox(reason, pass);
        passing.getStyleClass().add("typing");
        return passing;
    }

    private void buttons() {
        FlowPane buttons = new FlowPane(Orientation.HORIZONTAL);
        buttons.getStyleClass().add("buttons");
        if (moment.ticked()) {
            Button untick = new Button("Take the tick back");
            untick.setId("untick");
            untick.setDisable(moment.objection().isPresent());
            untick.setOnAction(press -> session.job().untick(moment.step()));
            buttons.getChildren().add(untick);
        } else {
            moment.confirmation().ifPresent(this::confirming);
            Button first = moment.wantsBeginning() ? begin : tick;
            first.getStyleClass().add("do-this");
            begin.setId("begin");
            begin.setOnAction(press -> session.job().begin(moment.step(), confirm.getText()));
            tick.setId("tick");
            tick.setOnAction(press -> session.job().tick(moment.step(), confirm.getText()));
            if (moment.wantsBeginning()) {
                buttons.getChildren().add(begin);
            }
            buttons.getChildren().addAll(tick, Texts.soft("or the space bar"));
            allow();
            confirm.textProperty().addListener((property, old, text) -> allow());
        }
        boolean told = moment.gate().map(GateJudge::sentence).equals(moment.objection());
        getChildren().add(buttons);
        if (!told) {
            moment.objection().ifPresent(why -> getChildren().add(Texts.wrapped(Texts.soft(why))));
        }
    }

    private void confirming(String word) {
        confirm.setId("confirm");
        confirm.setPromptText(word);
        Label ask = Texts.wrapped(Texts.plain("To confirm, read the model number from the phone and type it: " + word));
        ask.getStyleClass().add("step-confirm");
        getChildren().addAll(ask, confirm);
    }

    private void allow() {
        boolean confirmed = moment.confirmation()
                .map(word -> word.equalsIgnoreCase(confirm.getText().strip()))
                .orElse(true);
        begin.setDisable(moment.objection().isPresent() || !confirmed);
        tick.setDisable(moment.objection().isPresent() || !confirmed);
    }

    /** What the space bar does. */
    void goOn() {
        Button first = moment.wantsBeginning() ? begin : tick;
        if (!moment.ticked() && !first.isDisabled()) {
            first.fire();
        }
    }

    /** Gives the keyboard to the button that goes on. */
    boolean takeKeyboard() {
        Node meant = moment.wantsBeginning() ? begin : tick;
        // Where it cannot be pressed yet, what is asked for; no other button, since the space bar would press it.
        Node target = meant.isDisabled() ? lookup("#gate-value") : meant;
        if (target != null) {
            target.requestFocus();
        }
        return target != null;
    }

    /** It is no longer shown; whatever counts in it stops. */
    void leave() {
        waiting.ifPresent(WaitBar::stop);
        score.ifPresent(ChordScore::leave);
    }

    /** What is wide enough to be read beside a phone. */
    static Region spacer() {
        Region spacer = new Region();
        HBox.setHgrow(spacer, Priority.ALWAYS);
        return spacer;
    }
}
