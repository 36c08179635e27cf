package org.mobrak.desktop.logbook;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.DatePicker;
import javafx.util.StringConverter;
import org.mobrak.app.DrawerEntry;
import org.mobrak.app.JobFilter;
import org.mobrak.app.Snapshot;
import org.mobrak.core.job.Event;
import org.mobrak.core.logbook.PhoneRecord;
import org.mobrak.desktop.parts.Days;
import org.mobrak.desktop.parts.Texts;

/** Which of the past is to be seen: whose, in which state, of which kind, with which end, from when to when. */
final class FilterBar {
    private final ComboBox<Optional<PhoneRecord>> phone = box("filter-phone", "Any phone", one -> one.nickname());
    private final ComboBox<Optional<DrawerEntry.Mark>> state = box("filter-state", "Any state", DrawerEntry.Mark::word);
    private final ComboBox<Optional<String>> family = box("filter-family", "Any kind of way", one -> one);
    private final ComboBox<Optional<Event.End>> end = box("filter-end", "Any end", Event.End::word);
    private final DatePicker from = Days.field("filter-from", "From");
    private final DatePicker until = Days.field("filter-until", "Until");
    private final Button clear = new Button("Show all");
    private final Runnable changed;
    private boolean filling;

    /** @param changed is called whenever something else is to be seen */
    FilterBar(Runnable changed) {
        this.changed = changed;
        set(state, List.of(DrawerEntry.Mark.values()));
        set(end, List.of(Event.End.values()));
        clear.setId("filter-clear");
        clear.setOnAction(press -> clear());
        Stream.of(phone, state, family, end).forEach(box -> box.getStyleClass().add("filter"));
        Stream.of(from, until).forEach(day -> day.getStyleClass().add("filter-day"));
        Stream.of(phone, state, family, end)
                .forEach(box -> box.valueProperty().addListener((property, old, now) -> tell()));
        Stream.of(from, until).forEach(date -> date.valueProperty().addListener((property, old, now) -> tell()));
        show(clear, false);
    }

    private <T> ComboBox<Optional<T>> box(String id, String any, Function<T, String> word) {
        ComboBox<Optional<T>> box = new ComboBox<>();
        box.setId(id);
        Texts.aloud(box, any);
        box.setConverter(new StringConverter<>() {
            @Override
            public String toString(Optional<T> one) {
                return one == null ? any : one.map(word).map(Texts::oneLine).orElse(any);
            }

            @Override
            public Optional<T> fromString(String text) {
                return Optional.empty();
            }
        });
        box.getItems().add(Optional.empty());
        box.setValue(Optional.empty());
        return box;
    }

    /** Offers what there is by now; what is chosen stays. */
    void show(Snapshot snapshot) {
        filling = true;
        set(phone, snapshot.drawer().stream().map(DrawerEntry::phone).toList());
        set(
                family,
                snapshot.past().stream()
                        .flatMap(past -> past.families().stream())
                        .distinct()
                        .sorted()
                        .toList());
        filling = false;
    }

    private static <T> void set(ComboBox<Optional<T>> box, List<T> all) {
        List<Optional<T>> items = Stream.concat(
                        Stream.of(Optional.<T>empty()), all.stream().map(Optional::of))
                .toList();
        if (!items.equals(box.getItems())) {
            Optional<T> chosen = box.getValue();
            box.getItems().setAll(items);
            box.setValue(chosen != null && items.contains(chosen) ? chosen : Optional.empty());
        }
    }

    /** Its controls one behind the other, for a row that wraps where it is narrow. */
    List<Node> controls() {
        return List.of(phone, state, family, end, from, until, clear);
    }

    /**
     * Shows what is of use.
     *
     * @param jobs whether jobs are chosen from; of a phone's whole life only phone and state matter
     */
    void show(boolean useful, boolean jobs) {
        Stream.of(phone, state).forEach(control -> show(control, useful));
        Stream.of(family, end, from, until).forEach(control -> show(control, useful && jobs));
        show(clear, useful && !filter().isNone());
    }

    private static void show(Node control, boolean shown) {
        control.setVisible(shown);
        control.setManaged(shown);
    }

    JobFilter filter() {
        return new JobFilter(
                phone.getValue().map(PhoneRecord::id),
                state.getValue(),
                family.getValue(),
                end.getValue(),
                Optional.ofNullable(from.getValue()),
                Optional.<LocalDate>ofNullable(until.getValue()));
    }

    private void clear() {
        filling = true;
        Stream.of(phone, state, family, end)
                .forEach(box -> box.getSelectionModel().selectFirst());
        from.setValue(null);
        until.setValue(null);
        filling = false;
        tell();
    }

    private void tell() {
        if (!filling) {
            show(clear, !filter().isNone());
            changed.run();
        }
    }
}
