package org.mobrak.desktop.material;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.Spinner;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import org.mobrak.app.Desk;
import org.mobrak.app.Session;
import org.mobrak.app.Snapshot;
import org.mobrak.core.gather.GatherItem;
import org.mobrak.core.gather.Gathering;
import org.mobrak.core.gather.Standing;
import org.mobrak.core.plan.Plan;
import org.mobrak.core.plan.Sizes;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Columns;
import org.mobrak.desktop.parts.Empty;
import org.mobrak.desktop.parts.Leads;
import org.mobrak.desktop.parts.Sheet;
import org.mobrak.desktop.parts.Texts;
import org.mobrak.desktop.parts.View;
import org.mobrak.desktop.plan.Choice;
import org.mobrak.desktop.plan.PlansFace;

/** The gathering list of the running job or of a plan: what is had, missing, wrong or unchecked. */
final class GatherFace implements View {
    private static final int MEGABITS = 8;
    private static final int FASTEST = 10_000;
    private static final int USUAL_MEGABITS = 16;

    private final Session session;
    private final Choice choice;
    private final ComboBox<Plan> plans = new ComboBox<>();
    private final Label sums = Texts.wrapped(Texts.plain(""));
    private final Spinner<Integer> rate = new Spinner<>(1, FASTEST, USUAL_MEGABITS);
    private final ListView<GatherItem> items = new ListView<>();
    private final Sheet detail = new Sheet(new VBox());
    private final HBox lists;
    private final HBox summary;
    private final StackPane empty;
    private final Empty nothing;
    private final VBox node;
    private Runnable toTable = () -> {};
    private Optional<Desk> shown = Optional.empty();
    private Optional<Gathering> list = Optional.empty();

    GatherFace(Session session, Choice choice, Leads leads) {
        nothing = new Empty(
                "Nothing to gather yet",
                "Choose a goal on the page Ways. When a plan leads there, everything it needs stands here: files, tools, cable, card, money.",
                Empty.action("empty-choose-goal", "Choose a goal", leads::ways));
        this.session = session;
        this.choice = choice;
        plans.setId("gather-plan");
        plans.setConverter(PlanNames.ofTitles());
        plans.setMaxWidth(Double.MAX_VALUE);
        // Only what the user picks: taking a plan anew would choose another route on the page Ways.
        plans.setOnAction(picked -> Optional.ofNullable(plans.getValue())
                .filter(plan -> !plan.equals(choice.plan().get()))
                .ifPresent(choice::take));
        choice.plan().addListener((property, old, plan) -> showList());
        rate.setId("rate");
        rate.setEditable(true);
        rate.getStyleClass().add("minutes");
        rate.valueProperty().addListener((property, old, now) -> showSums());
        sums.setId("gather-sums");
        sums.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(sums, Priority.ALWAYS);
        Label speed = Texts.soft("Your line, Mbit/s");
        speed.setMinWidth(Region.USE_PREF_SIZE);
        summary = new HBox(sums, speed, rate);
        summary.getStyleClass().add("page-summary");
        items.setId("gather-items");
        items.setCellFactory(view -> new GatherCell());
        items.getSelectionModel().selectedItemProperty().addListener((property, old, item) -> showDetail(item));
        HBox.setHgrow(detail, Priority.ALWAYS);
        lists = new Columns(items, detail);
        lists.getStyleClass().add("page");
        VBox.setVgrow(lists, Priority.ALWAYS);
        empty = new StackPane(nothing);
        VBox.setVgrow(empty, Priority.ALWAYS);
        HBox which = new HBox(Texts.soft("For the plan"), plans);
        which.getStyleClass().add("page-summary");
        HBox.setHgrow(plans, Priority.ALWAYS);
        which.managedProperty().bind(which.visibleProperty());
        which.visibleProperty().bind(plans.visibleProperty());
        node = new VBox(which, summary, lists);
    }

    /** How to turn to the table. */
    void toTable(Runnable turn) {
        toTable = turn;
    }

    @Override
    public Region node() {
        return node;
    }

    @Override
    public void show(Snapshot snapshot) {
        if (shown.isPresent() && shown.equals(snapshot.desk())) {
            // What is as it was is left alone: somebody may be typing into it.
            return;
        }
        shown = snapshot.desk();
        List<Plan> offered = snapshot.desk()
                .map(desk -> PlansFace.offered(desk.answer(), true).stream()
                        .filter(plan -> !plan.routes().isEmpty())
                        .toList())
                .orElse(List.of());
        boolean runs =
                snapshot.desk().flatMap(desk -> desk.dossier().runningJob()).isPresent();
        if (!plans.getItems().equals(offered)) {
            plans.getItems().setAll(offered);
        }
        plans.setVisible(!runs && offered.size() > 1);
        showList();
    }

    private void showList() {
        Optional<Plan> plan = Optional.ofNullable(choice.plan().get()).filter(plans.getItems()::contains);
        plans.setValue(plan.orElse(null));
        list = shown.flatMap(desk -> desk.gathering(plan));
        List<GatherItem> now = new ArrayList<>(list.map(Gathering::items).orElse(List.of()));
        Optional<String> picked =
                Optional.ofNullable(items.getSelectionModel().getSelectedItem()).map(GatherFace::key);
        items.getItems().setAll(now);
        now.stream()
                .filter(item -> picked.filter(key(item)::equals).isPresent())
                .findFirst()
                .or(() -> worst(now))
                .ifPresent(items.getSelectionModel()::select);
        node.getChildren().set(2, now.isEmpty() ? empty : lists);
        summary.setVisible(!now.isEmpty());
        showSums();
    }

    /** What stays the same of a line when files come and go. */
    private static String key(GatherItem item) {
        return item.need().stepId() + item.need().getClass().getSimpleName();
    }

    /** What to see to first. */
    private static Optional<GatherItem> worst(List<GatherItem> items) {
        return items.stream().min(Comparator.comparing(GatherItem::standing));
    }

    private void showSums() {
        Texts.say(sums, list.map(this::sums).orElse(""));
    }

    private String sums(Gathering gathering) {
        String had = "%d of %d had"
                .formatted(gathering.count(Standing.HAVE), gathering.items().size());
        String wrong = count(gathering, Standing.WRONG)
                + count(gathering, Standing.MISSING)
                + count(gathering, Standing.UNCHECKED);
        return had + wrong + fetch(gathering) + "." + room(gathering);
    }

    /** What is fetched lies here twice for a while: as it came, and in the job's folder. */
    private String room(Gathering gathering) {
        long free = session.files().free();
        return free < 2 * gathering.missingBytes()
                ? " Only %s are free here; make room first.".formatted(Sizes.words(free))
                : " %s free here.".formatted(Sizes.words(free));
    }

    private static String count(Gathering gathering, Standing standing) {
        long count = gathering.count(standing);
        return count == 0 ? "" : ", %d %s".formatted(count, standing.word());
    }

    private String fetch(Gathering gathering) {
        long bytes = gathering.missingBytes();
        if (bytes == 0) {
            return gathering.hasUnknownSizes() ? "; how much there is to fetch is not known" : "";
        }
        double minutes = bytes * (double) MEGABITS / (rate.getValue() * 1e6) / 60;
        String time = minutes < 1 ? "under a minute" : String.format(Locale.ROOT, "about %.0f min", minutes);
        return "; to fetch: %s%s, %s"
                .formatted(gathering.hasUnknownSizes() ? "at least " : "", Sizes.words(bytes), time);
    }

    private void showDetail(GatherItem item) {
        VBox content = new VBox();
        content.getStyleClass().add("side");
        if (item != null) {
            shown.ifPresent(desk -> content.getChildren()
                    .add(new GatherCard(session, desk, item, items.getItems().indexOf(item) + 1, toTable)));
            if (!item.findings().isEmpty()) {
                content.getChildren().add(new Card("What was found", Words.findings(item.findings())));
            }
        }
        detail.setContent(content);
    }
}
