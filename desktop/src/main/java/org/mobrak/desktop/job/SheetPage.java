package org.mobrak.desktop.job;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.ProgressBar;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import org.mobrak.core.catalogue.Route.Phase;
import org.mobrak.core.job.Job;
import org.mobrak.core.job.SheetStep;
import org.mobrak.desktop.parts.Empty;
import org.mobrak.desktop.parts.Sheet;
import org.mobrak.desktop.parts.Texts;
import org.mobrak.desktop.session.Desk;
import org.mobrak.desktop.session.Session;
import org.mobrak.desktop.session.Snapshot;
import org.mobrak.desktop.session.View;

/** The page on which a job is worked through. */
public final class SheetPage implements View {
    private final Session session;
    private final Label title = Texts.wrapped(Texts.heading(""));
    private final ProgressBar progress = new ProgressBar();
    private final Label count = Texts.soft("");
    private final ListView<StepRow> steps = new ListView<>();
    private final Sheet detail = new Sheet(new VBox());
    private final EndCard end;
    private final VBox sheet;
    private final StackPane node;
    private Optional<Desk> desk = Optional.empty();
    private Optional<String> nextShown = Optional.empty();

    public SheetPage(Session session) {
        this.session = session;
        this.end = new EndCard(session);
        steps.setId("steps");
        steps.setCellFactory(list -> new StepCell());
        steps.getSelectionModel().selectedItemProperty().addListener((property, old, row) -> showDetail(row));
        detail.getStyleClass().add("wide-scroll");
        progress.setId("progress");
        HBox head = new HBox(title, progress, count);
        head.getStyleClass().add("page-head");
        title.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(title, Priority.ALWAYS);
        HBox body = new HBox(steps, detail);
        body.getStyleClass().add("page");
        HBox.setHgrow(detail, Priority.ALWAYS);
        VBox.setVgrow(body, Priority.ALWAYS);
        sheet = new VBox(head, body);
        node = new StackPane(
                sheet,
                new Empty("No job runs on this phone", "Choose a way on the page before, and write its run sheet."));
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
        job.ifPresent(this::show);
    }

    private void show(Job job) {
        title.setText(job.sheet().title());
        long ticked = job.tickedCount();
        int all = job.sheet().steps().size();
        progress.setProgress((double) ticked / all);
        count.setText("%d of %d".formatted(ticked, all));
        Optional<String> next = job.next().map(SheetStep::id);
        Optional<String> wanted = next.equals(nextShown) ? selected().or(() -> next) : next;
        nextShown = next;
        steps.getItems().setAll(rows(job));
        select(wanted.orElse(job.sheet().steps().get(all - 1).id()));
        showDetail(steps.getSelectionModel().getSelectedItem());
    }

    private static List<StepRow> rows(Job job) {
        Optional<SheetStep> next = job.next();
        List<StepRow> rows = new ArrayList<>();
        for (Phase phase : Phase.values()) {
            List<SheetStep> ofPhase = job.sheet().of(phase);
            if (!ofPhase.isEmpty()) {
                rows.add(new StepRow.Heading(
                        phase, ofPhase.stream().filter(job::isTicked).count(), ofPhase.size()));
                ofPhase.forEach(step -> rows.add(new StepRow.Line(
                        step, job.isTicked(step), next.filter(step::equals).isPresent())));
            }
        }
        return rows;
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

    private void showDetail(StepRow row) {
        Optional<Job> job = desk.flatMap(one -> one.dossier().runningJob());
        if (row instanceof StepRow.Line line && job.isPresent()) {
            VBox content = new VBox(
                    new StepCard(
                            session,
                            job.get(),
                            line.step(),
                            desk.get().identity().facts()),
                    end.node(job.get()));
            content.getStyleClass().add("side");
            detail.setContent(content);
        }
    }
}
