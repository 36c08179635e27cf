package org.mobrak.desktop.job;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.application.Platform;
import javafx.event.EventHandler;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ComboBoxBase;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.ProgressBar;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.app.Desk;
import org.mobrak.app.Session;
import org.mobrak.app.Snapshot;
import org.mobrak.core.catalogue.Phase;
import org.mobrak.core.job.Job;
import org.mobrak.core.job.Step;
import org.mobrak.desktop.parts.Columns;
import org.mobrak.desktop.parts.Sheet;
import org.mobrak.desktop.parts.Texts;
import org.mobrak.desktop.parts.View;

/** The page on which a job is worked through: one step large, all of them small beside it. */
public final class RunPage implements View {
    private final Session session;
    private final Label title = Texts.wrapped(Texts.heading(""));
    private final ProgressBar progress = new ProgressBar();
    private final Label count = Texts.soft("");
    private final Button pause = new Button("Pause", new FontIcon(Feather.PAUSE));
    private final ListView<StepRow> steps = new ListView<>();
    private final VBox large = new VBox();
    private final Sheet scroll = new Sheet(large);
    private final EndCard end;
    private final ModeQuestion modeQuestion;
    private final StackPane node;
    private Optional<Desk> desk = Optional.empty();
    private Optional<String> nextShown = Optional.empty();
    private Optional<StepCard> card = Optional.empty();
    private boolean filling;
    private boolean asked;
    /** Somebody has come here by a button and there was no step to be shown yet. */
    private boolean hasCome;

    /** @param nothing stands there while no job runs */
    public RunPage(Session session, Region nothing) {
        this.session = session;
        this.end = new EndCard(session);
        this.modeQuestion = ModeQuestion.afterRest(session);
        steps.setId("steps");
        steps.setCellFactory(list -> new StepCell());
        steps.getSelectionModel().selectedItemProperty().addListener((property, old, row) -> {
            if (!filling) {
                showStep();
            }
        });
        large.getStyleClass().add("side");
        scroll.getStyleClass().add("wide-scroll");
        progress.setId("progress");
        count.setId("step-count");
        pause.setId("pause");
        pause.setOnAction(press -> session.job().pause(""));
        HBox head = new HBox(title, progress, count, pause);
        head.getStyleClass().add("page-head");
        count.setMinWidth(Region.USE_PREF_SIZE);
        pause.setMinWidth(Region.USE_PREF_SIZE);
        title.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(title, Priority.ALWAYS);
        HBox body = new Columns(steps, scroll);
        body.getStyleClass().add("page");
        HBox.setHgrow(scroll, Priority.ALWAYS);
        VBox.setVgrow(body, Priority.ALWAYS);
        VBox sheet = new VBox(head, body);
        node = new StackPane(sheet, nothing);
        EventHandler<KeyEvent> space = this::spaceIsDone;
        // Wherever the keyboard is: in the drawer it means the same.
        node.sceneProperty().addListener((property, before, scene) -> {
            Optional.ofNullable(before).ifPresent(left -> left.removeEventFilter(KeyEvent.KEY_PRESSED, space));
            Optional.ofNullable(scene).ifPresent(entered -> entered.addEventFilter(KeyEvent.KEY_PRESSED, space));
        });
    }

    /** One hand is enough: the space bar stands for the button in the accent's colour, unless it types or presses another. */
    private void spaceIsDone(KeyEvent key) {
        boolean meant = key.getCode() == KeyCode.SPACE
                && !key.isShortcutDown()
                && !(key.getTarget() instanceof TextInputControl)
                && !(key.getTarget() instanceof ButtonBase)
                && !(key.getTarget() instanceof ComboBoxBase);
        if (meant) {
            card.ifPresent(StepCard::goOn);
            key.consume();
        }
    }

    /** The step that is next is what the keyboard means, for whoever has just come here. */
    public void takeKeyboard() {
        hasCome = card.isEmpty();
        Platform.runLater(() -> card.ifPresent(this::giveKeyboard));
    }

    /** To the step; where nothing of it can be done yet, to the list, and not to whatever stands nearest. */
    private void giveKeyboard(StepCard shown) {
        if (!shown.takeKeyboard()) {
            steps.requestFocus();
        }
    }

    /**
     * Whether the step that is shown next is meant by the keyboard: not by whoever types, nor by a list that is gone through by keys.
     * To be asked while the step before is still there: what takes its place has the keyboard by chance.
     */
    private boolean hasKeyboard() {
        Node owner = node.getScene() == null ? null : node.getScene().getFocusOwner();
        boolean has = hasCome || owner == null || owner instanceof ButtonBase && isWithin(owner);
        hasCome = false;
        return has;
    }

    private boolean isWithin(Node owner) {
        Node here = owner;
        while (here != null && here != node) {
            here = here.getParent();
        }
        return here == node;
    }

    @Override
    public Region node() {
        return node;
    }

    @Override
    public void show(Snapshot snapshot) {
        desk = snapshot.desk();
        Optional<Job> job = desk.flatMap(one -> one.dossier().runningJob());
        node.getChildren().get(0).setVisible(job.isPresent());
        node.getChildren().get(1).setVisible(job.isEmpty());
        if (job.isPresent()) {
            show(job.get());
        } else {
            card.ifPresent(StepCard::leave);
            card = Optional.empty();
        }
    }

    private void show(Job job) {
        Texts.say(title, job.sheet().title());
        long ticked = job.tickedCount();
        int all = job.sheet().steps().size();
        progress.setProgress((double) ticked / all);
        Texts.say(count, "%d of %d".formatted(ticked, all));
        pause.setDisable(!job.hasBegun() || job.state().resting().isPresent());
        Optional<String> next = job.next().map(Step::id);
        Optional<String> wanted = next.equals(nextShown) ? selected().or(() -> next) : next;
        nextShown = next;
        filling = true;
        List<StepRow> rows = rows(job);
        if (!steps.getItems().equals(rows)) {
            steps.getItems().setAll(rows);
            select(wanted.orElse(job.sheet().steps().get(all - 1).id()));
        }
        filling = false;
        showStep();
    }

    private static List<StepRow> rows(Job job) {
        Optional<Step> next = job.next();
        List<StepRow> rows = new ArrayList<>();
        Optional<Phase> above = Optional.empty();
        for (Step step : job.sheet().steps()) {
            // Proofs stand among what is done: a route is proved before the next begins.
            Phase phase = step.phase() == Phase.PROVE ? Phase.DO : step.phase();
            if (above.filter(phase::equals).isEmpty()) {
                rows.add(heading(job, phase));
                above = Optional.of(phase);
            }
            rows.add(new StepRow.Line(
                    step, job.isTicked(step), next.filter(step::equals).isPresent()));
        }
        return rows;
    }

    private static StepRow heading(Job job, Phase phase) {
        List<Step> under = job.sheet().steps().stream()
                .filter(step -> step.phase() == phase || phase == Phase.DO && step.phase() == Phase.PROVE)
                .toList();
        return new StepRow.Heading(phase, under.stream().filter(job::isTicked).count(), under.size());
    }

    private Optional<String> selected() {
        return steps.getSelectionModel().getSelectedItem() instanceof StepRow.Line line
                ? Optional.of(line.step().id())
                : Optional.empty();
    }

    private void select(String id) {
        for (int i = 0; i < steps.getItems().size(); i++) {
            if (steps.getItems().get(i) instanceof StepRow.Line line
                    && line.step().id().equals(id)) {
                steps.getSelectionModel().select(i);
                steps.scrollTo(Math.max(0, i - 4));
            }
        }
    }

    /** A card is made anew only where it would say another thing: what is being typed into it stays. */
    private void showStep() {
        Optional<Job> job = desk.flatMap(one -> one.dossier().runningJob());
        if (job.isEmpty() || !(steps.getSelectionModel().getSelectedItem() instanceof StepRow.Line line)) {
            return;
        }
        Moment moment = Moment.of(desk.get(), job.get(), line.step());
        if (card.filter(shown -> shown.moment().equals(moment)).isEmpty()) {
            card.ifPresent(StepCard::leave);
            StepCard fresh = new StepCard(session, moment);
            card = Optional.of(fresh);
            scroll.setVvalue(0);
            if (hasKeyboard()) {
                Platform.runLater(() -> giveKeyboard(fresh));
            }
        }
        if (asked && !desk.get().asksMode()) {
            // The button that was pressed is gone, and the keyboard must not fall to whatever stands nearest.
            StepCard waiting = card.get();
            Platform.runLater(() -> giveKeyboard(waiting));
        }
        asked = desk.get().asksMode();
        List<Region> shown = new ArrayList<>();
        if (asked) {
            shown.add(modeQuestion.node());
        }
        moment.warnings().forEach(warning -> shown.add(StepCard.warning(warning)));
        shown.add(card.get());
        job.get().sheet().steps().stream()
                .dropWhile(step -> !step.equals(line.step()))
                .skip(1)
                .findFirst()
                .ifPresent(after -> shown.add(Texts.soft("Then: " + after.title())));
        shown.add(end.node(job.get()));
        large.getChildren().setAll(shown);
    }
}
