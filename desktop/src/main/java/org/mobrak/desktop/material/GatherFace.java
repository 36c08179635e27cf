package org.mobrak.desktop.material;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.Spinner;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.core.catalogue.Route.Gate;
import org.mobrak.core.catalogue.Route.NeededFile;
import org.mobrak.core.gather.GatherItem;
import org.mobrak.core.gather.Gathering;
import org.mobrak.core.gather.JobFolder;
import org.mobrak.core.gather.Kept;
import org.mobrak.core.gather.Need;
import org.mobrak.core.gather.Standing;
import org.mobrak.core.plan.Plan;
import org.mobrak.core.plan.Sizes;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Empty;
import org.mobrak.desktop.parts.Sheet;
import org.mobrak.desktop.parts.Texts;
import org.mobrak.desktop.parts.TypedValue;
import org.mobrak.desktop.plan.Choice;
import org.mobrak.desktop.plan.PlansFace;
import org.mobrak.desktop.session.Desk;
import org.mobrak.desktop.session.Session;
import org.mobrak.desktop.session.Snapshot;
import org.mobrak.desktop.session.View;

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
    private final Empty nothing = new Empty(
            "Nothing to gather yet",
            "Choose a goal on the page Ways. When a plan leads there, everything it needs stands here: files, tools, cable, card, money.");
    private final VBox node;
    private Runnable toTable = () -> {};
    private Optional<Desk> shown = Optional.empty();
    private Optional<Gathering> list = Optional.empty();

    GatherFace(Session session, Choice choice) {
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
        lists = new HBox(items, detail);
        lists.getStyleClass().addAll("page", "page-columns");
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
        sums.setText(list.map(this::sums).orElse(""));
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
            content.getChildren().add(card(item));
            if (!item.findings().isEmpty()) {
                content.getChildren().add(new Card("What was found", Words.findings(item.findings())));
            }
        }
        detail.setContent(content);
    }

    private Card card(GatherItem item) {
        Card card = new Card(item.need().title(), Words.signed(StandingSign.of(item.standing()), item.reason()));
        card.setId("gather-detail");
        if (item.need() instanceof Need.OfFile need) {
            NeededFile file = need.file();
            line(card, "For", need.route());
            line(
                    card,
                    "As",
                    file.role()
                            + file.slot().map(slot -> ", in the slot " + slot).orElse(""));
            line(card, "Goes to", file.goesToPhone() ? "the phone" : "the computer only");
            file.keepZipped()
                    .ifPresent(keep -> line(card, "Zipped", keep ? "leave it as it is" : "unpack it before use"));
            file.holds().forEach((fact, value) -> line(card, fact.label(), value + ", the route says"));
            file.digests().forEach((name, value) -> line(card, name, value));
        }
        if (item.need() instanceof Need.OfThing thing && thing.gate().isPresent()) {
            line(card, "Because", thing.text());
        }
        item.kept().ifPresent(kept -> had(card, item, kept));
        if (item.standing() != Standing.HAVE) {
            byHand(item.need()).ifPresent(card.getChildren()::add);
        }
        return card;
    }

    /** What only a person can say: that a tool or a cable is there. */
    private Optional<Node> byHand(Need need) {
        Button have = new Button("I have it", new FontIcon(Feather.CHECK));
        have.setId("have-it");
        have.getStyleClass().add("do-this");
        Optional<Gate> asked = need instanceof Need.OfThing thing ? thing.gate() : Optional.empty();
        if (asked.flatMap(Gate::atLeast).isPresent()) {
            return asked.map(gate -> new TypedValue("bench-value", gate.fact(), session::takeTyped));
        }
        if (asked.isPresent()) {
            Gate gate = asked.get();
            have.setOnAction(press -> session.takeTyped(gate.fact(), gate.is().get(0)));
            return Optional.of(have);
        }
        return shown.flatMap(desk -> desk.dossier().runningJob())
                .filter(job -> need instanceof Need.OfTool)
                .flatMap(job -> job.sheet().steps().stream()
                        .filter(step -> step.id().equals(need.stepId()))
                        .findFirst())
                .map(step -> {
                    have.setOnAction(press -> session.tick(step));
                    return have;
                });
    }

    private static void line(Card card, String name, String value) {
        Label said = Texts.wrapped(name.contains("-") || name.equals("MD5") ? Texts.exact(value) : Texts.plain(value));
        HBox.setHgrow(said, Priority.ALWAYS);
        Label named = Texts.soft(name);
        named.getStyleClass().add("row-name");
        HBox line = new HBox(named, said);
        line.getStyleClass().add("named-row");
        card.getChildren().add(line);
    }

    private void had(Card card, GatherItem item, Kept kept) {
        line(card, "Taken for it", kept.path().toString());
        Button open = new Button("Lay it on the table", new FontIcon(Feather.SEARCH));
        open.setId("lay-on-table");
        open.setDisable(!kept.isThere());
        open.setOnAction(press -> {
            session.files().lay(kept);
            toTable.run();
        });
        FlowPane buttons = new FlowPane(open);
        buttons.getStyleClass().add("buttons");
        shown.filter(desk -> item.standing() == Standing.HAVE || item.standing() == Standing.UNCHECKED)
                .ifPresent(desk -> buttons.getChildren().add(keep(desk, item, kept)));
        card.getChildren().add(buttons);
    }

    private Button keep(Desk desk, GatherItem item, Kept kept) {
        JobFolder folder = session.files().jobFolder(desk);
        int turn = items.getItems().indexOf(item) + 1;
        boolean there = kept.path().startsWith(folder.path());
        Button keep =
                new Button(there ? "In the job's folder" : "Copy into the job's folder", new FontIcon(Feather.COPY));
        keep.setId("keep-for-job");
        keep.setDisable(there || !kept.isThere());
        keep.setOnAction(
                press -> session.files().keepForJob(kept, turn, item.need().title(), folder));
        return keep;
    }
}
