package org.mobrak.desktop.fit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.stream.Collectors;
import javafx.collections.FXCollections;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Spinner;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.util.StringConverter;
import org.mobrak.app.Session;
import org.mobrak.app.Wish;
import org.mobrak.core.fit.School;
import org.mobrak.core.plan.Goal;
import org.mobrak.core.plan.Limits;
import org.mobrak.desktop.parts.Flow;
import org.mobrak.desktop.parts.Texts;

/** What is wanted of the phone, how exactly a route must match it, and what one will not put up with. */
final class WishBar {
    private final Session session;
    private final ComboBox<Goal> goal = new ComboBox<>();
    private final ComboBox<Optional<Goal>> also = new ComboBox<>();
    private final ComboBox<Strictness> school = new ComboBox<>(FXCollections.observableArrayList(Strictness.values()));
    private final CheckBox keepData = limit("limit-data", "keep the data");
    private final CheckBox noMarks = limit("limit-marks", "leave nothing for good");
    private final CheckBox noFuse = limit("limit-fuse", "blow no fuse");
    private final CheckBox noMoney = limit("limit-money", "cost nothing");
    private final CheckBox quick = limit("limit-minutes", "take at most");
    private final Spinner<Integer> minutes = new Spinner<>(5, 600, 30, 5);
    private final Label told = Texts.wrapped(Texts.plain(""));
    private final Button change = new Button();
    private final HBox line;
    private final List<FlowPane> boxes;
    private final VBox node = new VBox();
    private boolean folded;
    private boolean opened;
    private boolean showing;

    /** How exactly a route must match, as the user chooses it. */
    private enum Strictness {
        USUAL("By what it writes (usual)", Optional.empty()),
        EXACT("Exact build only", Optional.of(School.EXACT)),
        PRACTICAL("Same OS version will do", Optional.of(School.PRACTICAL));

        private final String label;
        private final Optional<School> school;

        Strictness(String label, Optional<School> school) {
            this.label = label;
            this.school = school;
        }
    }

    WishBar(Session session) {
        this.session = session;
        goal.setId("goal");
        goal.getItems().setAll(Goal.offered());
        goal.setConverter(labelled(Goal::label));
        goal.valueProperty().addListener((property, old, wanted) -> wish(this::goal));
        also.setId("also");
        also.setConverter(
                labelled(one -> one.map(other -> "and " + other.inSentence()).orElse("and nothing else")));
        also.valueProperty().addListener((property, old, wanted) -> wish(this::goal));
        school.setId("school");
        school.setConverter(labelled(one -> one.label));
        school.valueProperty().addListener((property, old, wanted) -> wish(() -> session.wish(wanted.school)));
        minutes.setId("minutes");
        minutes.setEditable(true);
        minutes.valueProperty()
                .addListener((property, old, value) -> wish(() -> {
                    if (quick.isSelected()) {
                        session.wish(limits());
                    }
                }));
        minutes.getStyleClass().add("minutes");
        // On a small screen, or with large text, what does not fit goes on in the next line; what belongs together
        // stays so.
        FlowPane head = new Flow(
                together(Texts.plain("Goal"), goal, also), together(Texts.plain("A route must match"), school));
        head.getStyleClass().add("page-head");
        FlowPane limits = new Flow(
                together(Texts.plain("A plan must"), keepData),
                noMarks,
                noFuse,
                noMoney,
                together(quick, minutes, Texts.plain("min")));
        limits.getStyleClass().addAll("page-head", "limits");
        told.setId("wish");
        told.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(told, Priority.ALWAYS);
        change.setId("change-wish");
        change.setMinWidth(Region.USE_PREF_SIZE);
        change.setOnAction(press -> {
            opened = !opened;
            layOut();
        });
        line = new HBox(told, change);
        line.getStyleClass().add("page-head");
        boxes = List.of(head, limits);
        layOut();
    }

    /** @param little whether there is little room, so that one line says what is set and the boxes come on demand */
    void setFolded(boolean little) {
        if (folded != little) {
            folded = little;
            opened = false;
            layOut();
        }
    }

    private void layOut() {
        Texts.say(change, opened ? "Fold" : "Change the goal …");
        List<Node> parts = new ArrayList<>();
        if (folded) {
            parts.add(line);
        }
        if (!folded || opened) {
            parts.addAll(boxes);
        }
        node.getChildren().setAll(parts);
    }

    private static HBox together(Node... parts) {
        HBox row = new HBox(parts);
        row.getStyleClass().add("together");
        return row;
    }

    VBox node() {
        return node;
    }

    private CheckBox limit(String id, String words) {
        CheckBox box = new CheckBox(words);
        box.setId(id);
        box.setOnAction(press -> wish(() -> this.session.wish(limits())));
        return box;
    }

    private Limits limits() {
        return new Limits(
                keepData.isSelected(),
                noMarks.isSelected(),
                noFuse.isSelected(),
                noMoney.isSelected(),
                quick.isSelected() ? OptionalDouble.of(minutes.getValue()) : OptionalDouble.empty());
    }

    private void goal() {
        Goal first = goal.getValue();
        Optional<Goal> both =
                also.getValue() == null ? Optional.empty() : also.getValue().flatMap(first::and);
        session.wish(both.orElse(first));
    }

    /** Puts the boxes as the wish is; only the user's own choice is a new wish. */
    void show(Wish wish) {
        showing = true;
        List<Goal> parts = parts(wish.goal());
        List<Goal> offered = new ArrayList<>(Goal.offered());
        if (!offered.contains(parts.get(0))) {
            // That the phone stands as before is wished elsewhere, and each time for other facts.
            offered.add(0, parts.get(0));
        }
        if (!goal.getItems().equals(offered)) {
            goal.getItems().setAll(offered);
        }
        goal.setValue(parts.get(0));
        List<Optional<Goal>> more = new ArrayList<>(List.of(Optional.empty()));
        Goal.usual().stream()
                .filter(other ->
                        !other.equals(parts.get(0)) && parts.get(0).and(other).isPresent())
                .forEach(other -> more.add(Optional.of(other)));
        also.getItems().setAll(more);
        also.setValue(parts.stream().skip(1).findFirst());
        school.setValue(Arrays.stream(Strictness.values())
                .filter(strictness -> strictness.school.equals(wish.school()))
                .findFirst()
                .orElseThrow());
        Limits limits = wish.limits();
        keepData.setSelected(limits.noDataLoss());
        noMarks.setSelected(limits.noMarks());
        noFuse.setSelected(limits.noBlownFuse());
        noMoney.setSelected(limits.noMoney());
        quick.setSelected(limits.minutes().isPresent());
        limits.minutes().ifPresent(most -> minutes.getValueFactory().setValue((int) most));
        showing = false;
        Texts.say(told, inWords(wish));
    }

    private static String inWords(Wish wish) {
        String how = wish.school().isEmpty()
                ? ""
                : "; "
                        + Arrays.stream(Strictness.values())
                                .filter(one -> one.school.equals(wish.school()))
                                .map(one -> one.label.toLowerCase(Locale.ROOT))
                                .collect(Collectors.joining());
        Limits limits = wish.limits();
        List<String> must = new ArrayList<>();
        add(must, limits.noDataLoss(), "keep the data");
        add(must, limits.noMarks(), "leave nothing for good");
        add(must, limits.noBlownFuse(), "blow no fuse");
        add(must, limits.noMoney(), "cost nothing");
        limits.minutes().ifPresent(most -> must.add("take at most %.0f min".formatted(most)));
        return "Goal: " + wish.goal().label() + how + (must.isEmpty() ? "" : ". A plan must " + String.join(", ", must))
                + ".";
    }

    private static void add(List<String> words, boolean wanted, String word) {
        if (wanted) {
            words.add(word);
        }
    }

    private static List<Goal> parts(Goal goal) {
        return Arrays.stream(goal.key().split("\\+"))
                .flatMap(key -> Goal.ofKey(key).stream())
                .toList();
    }

    private void wish(Runnable change) {
        if (!showing) {
            change.run();
        }
    }

    private static <T> StringConverter<T> labelled(Function<T, String> label) {
        return new StringConverter<>() {
            @Override
            public String toString(T value) {
                return value == null ? "" : label.apply(value);
            }

            @Override
            public T fromString(String text) {
                throw new UnsupportedOperationException("These boxes are chosen from, not typed into");
            }
        };
    }
}
