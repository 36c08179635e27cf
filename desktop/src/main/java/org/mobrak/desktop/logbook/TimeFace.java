package org.mobrak.desktop.logbook;

import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeSet;
import java.util.function.Predicate;
import java.util.stream.Stream;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.app.HistoryDesk;
import org.mobrak.app.Session;
import org.mobrak.core.logbook.PhoneRecord;
import org.mobrak.core.logbook.history.Timeline;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Empty;
import org.mobrak.desktop.parts.Flow;
import org.mobrak.desktop.parts.Leads;
import org.mobrak.desktop.parts.Sheet;
import org.mobrak.desktop.parts.Texts;

/** The lives of all phones over time, one of them fact by fact, and what was known of it when. */
final class TimeFace {
    private static final double PART = 0.25;

    private final Session session;
    private final DateTimeFormatter minute;
    private final TimeView view;
    private final ListView<Timeline> phones = new ListView<>();
    private final VBox lanes = new VBox();
    private final Label seen = Texts.wrapped(Texts.soft(""));
    private final VBox then = new VBox();
    private final HBox node = new HBox();
    private boolean placed;

    TimeFace(Session session, ZoneId zone, Leads leads) {
        this.session = session;
        this.view = new TimeView(zone);
        this.minute =
                DateTimeFormatter.ofPattern("d MMM yyyy, HH:mm", Locale.ENGLISH).withZone(zone);
        phones.setId("lives");
        phones.getStyleClass().add("lives");
        Texts.aloud(phones, "Phones over time. Left and right go from event to event, plus and minus zoom.");
        phones.setCellFactory(list -> new LifeCell());
        phones.setPlaceholder(new Empty(
                "Nothing yet",
                "What is read of a phone and done to it appears here, over time.",
                Empty.action("empty-time-reading", "Take a reading", leads::takeReading)));
        phones.getSelectionModel().selectedItemProperty().addListener((property, old, now) -> showLanes());
        phones.addEventFilter(KeyEvent.KEY_PRESSED, this::key);
        VBox.setVgrow(phones, Priority.ALWAYS);
        lanes.getStyleClass().addAll("lanes", "life-aligned");
        view.follow(this::tellSeen);
        HBox axis = new HBox(spacer(), new TimeAxis(view));
        HBox.setHgrow(axis.getChildren().get(1), Priority.ALWAYS);
        axis.getStyleClass().addAll("life-row", "life-aligned");
        VBox picture = new VBox(controls(), axis, phones, lanes);
        picture.getStyleClass().add("time-picture");
        HBox.setHgrow(picture, Priority.ALWAYS);
        Sheet side = new Sheet(then);
        side.getStyleClass().add("time-side");
        then.getStyleClass().add("side");
        node.getChildren().addAll(picture, side);
        node.getStyleClass().add("page-columns");
        session.history().lives().addListener((source, before, now) -> show(now));
        session.history().then().addListener((source, before, now) -> showThen(now));
        showThen(Optional.empty());
    }

    Region node() {
        return node;
    }

    private List<Timeline> all = List.of();
    private Predicate<Timeline> wanted = life -> true;
    private Optional<PhoneRecord> onDesk = Optional.empty();

    /**
     * Shows only some of the phones.
     *
     * @param phone the one on the desk, which is the first to be looked at
     */
    void only(Predicate<Timeline> filter, Optional<PhoneRecord> phone) {
        wanted = filter;
        onDesk = phone;
        show(all);
    }

    private static Region spacer() {
        Label name = Texts.soft("");
        name.getStyleClass().add("life-name");
        return name;
    }

    private Flow controls() {
        Button nearer = button("time-nearer", "Nearer", Feather.ZOOM_IN, view::nearer);
        Button farther = button("time-farther", "Farther", Feather.ZOOM_OUT, view::farther);
        Button whole = button("time-whole", "All of it", Feather.MAXIMIZE, this::seeAll);
        Flow controls = new Flow(nearer, farther, whole, seen);
        controls.getStyleClass().add("time-controls");
        return controls;
    }

    private static Button button(String id, String label, Feather icon, Runnable action) {
        Button button = new Button(label, new FontIcon(icon));
        button.setId(id);
        button.setOnAction(press -> action.run());
        return button;
    }

    private void show(List<Timeline> lives) {
        all = lives;
        List<Timeline> now = lives.stream().filter(wanted).toList();
        if (now.equals(phones.getItems())) {
            return;
        }
        Optional<PhoneRecord> chosen = chosen().map(Timeline::phone).or(() -> onDesk);
        phones.getItems().setAll(now);
        if (!placed && !now.isEmpty()) {
            placed = true;
            seeAll();
        }
        phones.getSelectionModel().selectFirst();
        now.stream()
                .filter(life -> chosen.filter(life.phone()::equals).isPresent())
                .findFirst()
                .ifPresent(life -> {
                    phones.getSelectionModel().select(life);
                    phones.scrollTo(Math.max(0, phones.getSelectionModel().getSelectedIndex() - 1));
                });
    }

    private void seeAll() {
        List<Timeline.Range> ranges = phones.getItems().stream()
                .flatMap(life -> life.range().stream())
                .toList();
        Optional<Instant> first = ranges.stream().map(Timeline.Range::from).min(Instant::compareTo);
        Optional<Instant> last = ranges.stream().map(Timeline.Range::until).max(Instant::compareTo);
        if (first.isPresent() && last.isPresent()) {
            view.see(TimeWindow.around(first.get(), last.get()));
        }
    }

    private void tellSeen() {
        Texts.say(
                seen,
                "From " + minute.format(view.window().from()) + " to "
                        + minute.format(view.window().until()));
    }

    private Optional<Timeline> chosen() {
        return Optional.ofNullable(phones.getSelectionModel().getSelectedItem());
    }

    private void showLanes() {
        lanes.getChildren().clear();
        chosen().ifPresent(life -> {
            Label heading = Texts.wrapped(Texts.heading(life.phone().nickname()));
            lanes.getChildren().add(heading);
            life.lanes().forEach(lane -> lanes.getChildren().add(LifeRow.of(lane, view, this::point)));
        });
    }

    private void point(Instant at) {
        view.point(at);
        chosen().ifPresent(life -> session.history().recall(life.phone(), at));
    }

    private void key(KeyEvent key) {
        if (key.getCode() == KeyCode.LEFT || key.getCode() == KeyCode.RIGHT) {
            boolean later = key.getCode() == KeyCode.RIGHT;
            if (key.isControlDown()) {
                view.see(view.window().moved(later ? PART : -PART));
            } else {
                step(later);
            }
        } else if (key.getCode() == KeyCode.PLUS || key.getCode() == KeyCode.ADD || key.getCode() == KeyCode.EQUALS) {
            view.nearer();
        } else if (key.getCode() == KeyCode.MINUS || key.getCode() == KeyCode.SUBTRACT) {
            view.farther();
        } else if (key.getCode() == KeyCode.DIGIT0) {
            seeAll();
        } else {
            return;
        }
        key.consume();
    }

    /** To the next or the last thing that happened to the phone. */
    private void step(boolean later) {
        TreeSet<Instant> times = new TreeSet<>(chosen().stream()
                .flatMap(life -> Stream.concat(
                        life.marks().stream().map(Timeline.Mark::at),
                        life.jobs().stream()
                                .flatMap(job -> Stream.concat(Stream.of(job.from()), job.until().stream()))))
                .toList());
        Instant now = view.pointed().orElse(later ? Instant.MIN : Instant.MAX);
        Optional.ofNullable(later ? times.higher(now) : times.lower(now)).ifPresent(this::point);
    }

    private void showThen(Optional<HistoryDesk.Then> now) {
        Card card = new Card("What was known then");
        card.setId("then");
        if (now.isEmpty()) {
            card.getChildren()
                    .add(
                            Texts.wrapped(
                                    Texts.soft(
                                            "Click into a strip, or go with the left and right keys from event to event: here stands what was known of the phone then.")));
        } else {
            card.getChildren()
                    .addAll(
                            Texts.wrapped(Texts.plain(now.get().phone().nickname())),
                            Texts.soft(minute.format(now.get().at())));
            now.get()
                    .known()
                    .forEach((fact, value) -> card.getChildren()
                            .add(new VBox(Texts.soft(fact.label()), Texts.wrapped(Texts.exact(value)))));
            if (now.get().known().isEmpty()) {
                card.getChildren().add(Texts.wrapped(Texts.plain("Nothing yet.")));
            }
        }
        then.getChildren().setAll(card);
    }

    private final class LifeCell extends ListCell<Timeline> {
        private @Nullable Timeline drawn;

        @Override
        protected void updateItem(Timeline life, boolean empty) {
            super.updateItem(life, empty);
            Timeline wanted = empty ? null : life;
            // A list asks its rows again and again as it is scrolled; most are what they were.
            if (Objects.equals(wanted, drawn)) {
                return;
            }
            drawn = wanted;
            setGraphic(wanted == null ? null : row(wanted));
        }

        private LifeRow row(Timeline life) {
            LifeRow row = LifeRow.of(life, view, at -> {
                getListView().getSelectionModel().select(getIndex());
                point(at);
            });
            row.prefWidthProperty()
                    .bind(Objects.requireNonNull(getListView()).widthProperty().subtract(34));
            return row;
        }
    }
}
