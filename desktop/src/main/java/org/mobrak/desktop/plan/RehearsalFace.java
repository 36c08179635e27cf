package org.mobrak.desktop.plan;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.beans.binding.Bindings;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.util.StringConverter;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.app.Desk;
import org.mobrak.app.Outlook;
import org.mobrak.app.Session;
import org.mobrak.app.rehearsal.Fault;
import org.mobrak.app.rehearsal.Person;
import org.mobrak.app.rehearsal.Report;
import org.mobrak.core.plan.Plan;
import org.mobrak.desktop.parts.Empty;
import org.mobrak.desktop.parts.Flow;
import org.mobrak.desktop.parts.Sheet;
import org.mobrak.desktop.parts.Texts;

/** The chosen plan played on a simulated phone: what would happen, minute by minute, and what catches it when something goes wrong. */
public final class RehearsalFace {
    private static final double WIDE = 850;
    private static final String NOTHING = "nothing";

    private final Session session;
    private final Choice choice;
    private final Label title = Texts.wrapped(Texts.heading(""));
    private final Label ended = Texts.wrapped(Texts.heading(""));
    private final VBox caught = new VBox();
    private final ComboBox<Optional<Fault>> fault = new ComboBox<>();
    private final Button literally = new Button("Try it literally", new FontIcon(Feather.FILE_TEXT));
    private final CheckBox hasty = new CheckBox("in haste: no gate, no sign, no check");
    private final Button play = new Button("Rehearse", new FontIcon(Feather.PLAY));
    private final Button byHand = new Button("Play it yourself", new FontIcon(Feather.USER));
    private final ListView<Report.Happened> events = new ListView<>();
    private final StackPane body = new StackPane();
    private final PracticeSide practice;
    private final Sheet node;
    private Optional<Desk> desk = Optional.empty();
    private Optional<Plan> drilled = Optional.empty();
    private Optional<Outlook> drilledFor = Optional.empty();
    private long seed;

    /** @param plans turns to the plans, of which one is chosen */
    public RehearsalFace(Session session, Choice choice, Runnable plans) {
        this.session = session;
        this.choice = choice;
        this.practice = new PracticeSide(session.rehearsals());
        fault.setId("fault");
        fault.getItems().add(Optional.empty());
        for (Fault one : Fault.values()) {
            fault.getItems().add(Optional.of(one));
        }
        fault.setConverter(new Words());
        fault.setValue(Optional.empty());
        hasty.setId("hasty");
        play.setId("rehearse");
        play.getStyleClass().add("do-this");
        play.setOnAction(press -> play());
        byHand.setId("practise");
        byHand.setOnAction(press -> practise());
        ended.setId("rehearsal-end");
        // No room is kept for what is not said yet.
        ended.managedProperty().bind(ended.textProperty().isNotEmpty());
        caught.managedProperty().bind(Bindings.isNotEmpty(caught.getChildren()));
        events.setId("rehearsal-events");
        events.setCellFactory(list -> new Line());
        Button first = Empty.action("empty-rehearse-now", "Rehearse", this::play);
        first.disableProperty().bind(play.disableProperty());
        events.setPlaceholder(new Empty(
                "Nothing rehearsed yet",
                "The simulated phone starts from what you know; unknown values are random each time.",
                first,
                Empty.action("empty-plans", "Choose another plan", plans)));
        literally.disableProperty().bind(play.disableProperty());
        literally.setId("rehearse-literally");
        literally.setOnAction(press -> play(Person.LITERAL));
        Texts.tip(
                literally,
                "As somebody does it who has only the printed card: every place where it is silent is marked.");
        FlowPane asking = new Flow(play, byHand, literally, Texts.soft("What goes wrong:"), fault, hasty);
        asking.getStyleClass().add("buttons");
        caught.getStyleClass().add("lines");
        Label mark = Texts.soft("On the bench, no real job: nothing here reaches the logbook.");
        HBox.setHgrow(events, Priority.ALWAYS);
        VBox.setVgrow(events, Priority.ALWAYS);
        VBox.setVgrow(body, Priority.ALWAYS);
        VBox all = new VBox(new HBox(title), mark, asking, ended, caught, body);
        all.getStyleClass().addAll("page", "rehearsal");
        // Where the window is low it scrolls, and the list stays tall enough to be read.
        node = new Sheet(all);
        node.setFitToHeight(true);
        node.sceneProperty().addListener((property, before, scene) -> {
            if (scene != null) {
                head();
            }
        });
        node.widthProperty().addListener((property, before, now) -> arrange(now.doubleValue() >= WIDE));
        arrange(true);
        choice.plan().addListener((property, old, plan) -> {
            if (node.getScene() != null) {
                head();
            }
        });
        session.rehearsals().report().addListener((source, before, now) -> now.ifPresent(this::show));
    }

    /** Side by side where there is room for both; else the keys stand below. */
    private void arrange(boolean beside) {
        boolean already = !body.getChildren().isEmpty() && body.getChildren().get(0) instanceof HBox == beside;
        if (!already) {
            body.getChildren().clear();
            Pane pane = beside ? new HBox(events, practice) : new VBox(events, practice);
            pane.getStyleClass().add("rehearsal-body");
            body.getChildren().add(pane);
        }
    }

    public Region node() {
        return node;
    }

    public void show(Desk one) {
        boolean another = desk.filter(
                        before -> before.dossier().phone().equals(one.dossier().phone()))
                .isEmpty();
        desk = Optional.of(one);
        if (another) {
            clear();
        }
        head();
    }

    private void clear() {
        events.getItems().clear();
        caught.getChildren().clear();
        Texts.say(ended, "");
    }

    private void head() {
        Optional<Plan> plan = plan();
        Texts.say(title, plan.map(Plan::title).orElse("No plan to rehearse"));
        play.setDisable(plan.isEmpty());
        byHand.setDisable(plan.isEmpty());
        offer(plan);
    }

    /** A sheet is written only where the plan or what is known of the phone is another. */
    private void offer(Optional<Plan> plan) {
        Optional<Outlook> now = desk.map(Desk::outlook);
        if (node.getScene() == null) {
            // Nothing is worked out for a face that nobody sees.
            return;
        }
        boolean same = plan.equals(drilled) && now.orElse(null) == drilledFor.orElse(null);
        if (!same) {
            drilled = plan;
            drilledFor = now;
            now.ifPresent(outlook -> session.rehearsals().prepare(outlook, plan));
        }
    }

    private Optional<Plan> plan() {
        return Optional.ofNullable(choice.plan().get())
                .filter(plan -> !plan.routes().isEmpty())
                .filter(plan -> desk.filter(one -> one.answer().plans().contains(plan)
                                || one.answer().rest().contains(plan))
                        .isPresent());
    }

    private void play() {
        play(hasty.isSelected() ? Person.HASTY : Person.CAREFUL);
    }

    private void play(Person person) {
        clear();
        seed++;
        plan().ifPresent(plan ->
                session.rehearsals().rehearse(desk.orElseThrow(), plan, seed, fault.getValue(), person));
    }

    private void practise() {
        seed++;
        plan().ifPresent(plan -> session.rehearsals().practise(desk.orElseThrow(), plan, seed, fault.getValue()));
    }

    private void show(Report report) {
        boolean ofThisPhone = desk.filter(
                        one -> one.dossier().phone().nickname().equals(report.phone()))
                .isPresent();
        if (!ofThisPhone) {
            return;
        }
        Texts.say(ended, String.format(Locale.ROOT, "%s It took %.0f minutes.", sentence(report), report.minutes()));
        ended.getStyleClass()
                .setAll("label", "heading", "rehearsal-" + report.end().word());
        List<Label> by = report.caught().stream()
                .limit(4)
                .map(one -> Texts.wrapped(Texts.soft("Caught, or would have been, by " + one)))
                .toList();
        caught.getChildren().setAll(by);
        events.getItems().setAll(report.events());
    }

    private static String sentence(Report report) {
        return switch (report.end()) {
            case GOAL -> "The goal is reached.";
            case STOPPED_AT_GATE -> "It stops at a gate; the phone is as it was.";
            case CAME_BACK -> "It did not work, and the phone starts as before.";
            case GAVE_UP -> "It did not work, and the phone does not start.";
            case STUCK ->
                "The card does not say how to go on"
                        + report.stuck().map(one -> ": " + one.missing()).orElse(".");
            case DEAD -> "This phone is lost.";
        };
    }

    /** One thing that happened, with its minute. */
    private static final class Line extends ListCell<Report.Happened> {
        @Override
        protected void updateItem(Report.Happened one, boolean empty) {
            super.updateItem(one, empty);
            if (empty || one == null) {
                setGraphic(null);
                return;
            }
            Label minute = Texts.exact(String.format(Locale.ROOT, "%5.1f min", one.seconds() / 60));
            minute.setMinWidth(Region.USE_PREF_SIZE);
            Label kind = Texts.soft(kind(one.kind()));
            kind.getStyleClass().add("row-name");
            Label text = Texts.plain(one.kind().equals("fault") ? one.text().replace('-', ' ') : one.text());
            // What is caught stands above the list in full; here long words may end in dots, and are told on pointing.
            Texts.tip(text, one.text());
            setPrefWidth(0);
            text.getStyleClass().add("rehearsal-" + one.kind());
            HBox row = new HBox(minute, kind, text);
            row.getStyleClass().add("named-row");
            setGraphic(row);
        }

        private static String kind(String kind) {
            return switch (kind) {
                case "step" -> "Step";
                case "seen" -> "is seen";
                case "fault" -> "goes wrong";
                case "caught" -> "noticed";
                case "remedy" -> "remedy";
                case "passed" -> "passed over";
                case "stuck" -> "not said";
                default -> "End";
            };
        }
    }

    private static final class Words extends StringConverter<Optional<Fault>> {
        @Override
        public String toString(Optional<Fault> one) {
            return one == null
                    ? ""
                    : one.map(fault -> fault.word().replace('-', ' ')).orElse(NOTHING);
        }

        @Override
        public Optional<Fault> fromString(String word) {
            return Fault.ofWord(word.replace(' ', '-'));
        }
    }
}
