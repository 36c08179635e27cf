package org.mobrak.desktop.fit;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.stream.Collectors;
import javafx.collections.FXCollections;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.util.StringConverter;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.fit.Clause;
import org.mobrak.core.fit.RouteFit;
import org.mobrak.core.fit.School;
import org.mobrak.core.plan.Goal;
import org.mobrak.core.plan.Limits;
import org.mobrak.core.plan.Planner;
import org.mobrak.desktop.parts.Empty;
import org.mobrak.desktop.parts.Sheet;
import org.mobrak.desktop.parts.Texts;
import org.mobrak.desktop.session.Desk;
import org.mobrak.desktop.session.Session;
import org.mobrak.desktop.session.Snapshot;
import org.mobrak.desktop.session.View;

/** The page on which a way to the goal is weighed and taken. */
public final class WaysPage implements View {
    private final Session session;
    private final ComboBox<Goal> goal = new ComboBox<>(FXCollections.observableArrayList(Goal.usual()));
    private final ComboBox<Strictness> school = new ComboBox<>(FXCollections.observableArrayList(Strictness.values()));
    private final Label summary = Texts.wrapped(Texts.plain(""));
    private final CheckBox keepData = new CheckBox("keep the data");
    private final CheckBox noMarks = new CheckBox("leave no permanent mark");
    private final CheckBox noMoney = new CheckBox("spend no money");
    private final TextField search = new TextField();
    private final ListView<RouteFit> routes = new ListView<>();
    private final Sheet detail = new Sheet(new VBox());
    private final VBox node;
    private Optional<Desk> desk = Optional.empty();
    private Optional<Planner.Answer> answer = Optional.empty();
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

    public WaysPage(Session session) {
        this.session = session;
        goal.setId("goal");
        goal.setConverter(labelled(Goal::label));
        goal.valueProperty().addListener((property, old, wanted) -> wish(() -> session.wish(wanted)));
        school.setId("school");
        school.setConverter(labelled(one -> one.label));
        school.valueProperty().addListener((property, old, wanted) -> wish(() -> session.wish(wanted.school)));
        routes.setId("routes");
        routes.setCellFactory(list -> new RouteCell());
        routes.setPlaceholder(new Empty(
                "No such route", "Search for something else, or add a route to the catalogue of this workspace."));
        routes.getSelectionModel().selectedItemProperty().addListener((property, old, fit) -> showDetail(fit));
        detail.getStyleClass().add("wide-scroll");
        search.setId("search");
        search.setPromptText("Search the routes");
        search.setAccessibleText("Search the routes by name, family or reason");
        search.textProperty().addListener((property, old, words) -> fill());
        HBox head = new HBox(Texts.plain("Goal"), goal, Texts.plain("A route must match"), school, spring(), search);
        HBox limits = new HBox(Texts.plain("A plan must"), keepData, noMarks, noMoney);
        limits.getStyleClass().add("page-head");
        for (CheckBox limit : List.of(keepData, noMarks, noMoney)) {
            limit.setOnAction(press -> session.wish(limits()));
        }
        keepData.setId("limit-data");
        noMarks.setId("limit-marks");
        noMoney.setId("limit-money");
        head.getStyleClass().add("page-head");
        HBox body = new HBox(routes, detail);
        body.getStyleClass().add("page");
        HBox.setHgrow(detail, Priority.ALWAYS);
        VBox.setVgrow(body, Priority.ALWAYS);
        summary.getStyleClass().add("page-summary");
        node = new VBox(head, limits, summary, body);
    }

    private static Region spring() {
        Region spring = new Region();
        HBox.setHgrow(spring, Priority.ALWAYS);
        return spring;
    }

    private Limits limits() {
        return new Limits(
                keepData.isSelected(), noMarks.isSelected(), false, noMoney.isSelected(), OptionalDouble.empty());
    }

    @Override
    public Region node() {
        return node;
    }

    @Override
    public void show(Snapshot snapshot) {
        showing = true;
        desk = snapshot.desk();
        node.setDisable(desk.isEmpty());
        desk.ifPresent(this::show);
        showing = false;
    }

    private void show(Desk one) {
        goal.setValue(one.wish().goal());
        school.setValue(Arrays.stream(Strictness.values())
                .filter(strictness -> strictness.school.equals(one.wish().school()))
                .findFirst()
                .orElseThrow());
        summary.setText(summary(one));
        Optional<String> wanted = samePlan(one) ? chosen() : ending(one.answer());
        answer = Optional.of(one.answer());
        fill();
        select(routes.getItems(), wanted);
        showDetail(routes.getSelectionModel().getSelectedItem());
    }

    /** The routes that are searched for: by verdict, and within it those first of which the least is missing. */
    private void fill() {
        String words = search.getText().strip().toLowerCase(Locale.ROOT);
        Optional<String> kept = chosen();
        List<RouteFit> found = desk.map(Desk::fits).orElse(List.of()).stream()
                .filter(fit -> words.isEmpty() || text(fit).contains(words))
                .sorted(Comparator.comparing(RouteFit::verdict)
                        .thenComparing(RouteFit::missing)
                        .thenComparing(fit -> fit.route().name()))
                .toList();
        routes.getItems().setAll(found);
        select(found, kept);
    }

    private static String text(RouteFit fit) {
        String reasons = fit.clauses().stream().map(Clause::reason).collect(Collectors.joining(" "));
        return String.join(
                        " ",
                        fit.route().name(),
                        fit.route().family(),
                        fit.verdict().word(),
                        reasons)
                .toLowerCase(Locale.ROOT);
    }

    /** While phone, wish and plans stay the same, the user's choice stays; else the best plan is shown. */
    private boolean samePlan(Desk one) {
        return answer.filter(one.answer()::equals).isPresent();
    }

    private Optional<String> chosen() {
        return Optional.ofNullable(routes.getSelectionModel().getSelectedItem())
                .map(fit -> fit.route().id());
    }

    private static Optional<String> ending(Planner.Answer answer) {
        return answer.plans().stream()
                .limit(1)
                .flatMap(plan -> plan.routes().stream())
                .reduce((first, last) -> last)
                .map(Route::id);
    }

    private void select(List<RouteFit> ordered, Optional<String> wanted) {
        ordered.stream()
                .filter(fit -> wanted.filter(fit.route().id()::equals).isPresent())
                .findFirst()
                .ifPresentOrElse(
                        routes.getSelectionModel()::select,
                        () -> routes.getSelectionModel().selectFirst());
    }

    private static String summary(Desk desk) {
        long open = desk.answer().plans().size();
        if (open > 0) {
            String first = desk.answer().plans().get(0).title();
            return open == 1
                    ? "One plan leads there: " + first + "."
                    : open + " plans lead there; the mildest is " + first + ".";
        }
        String instead = desk.answer().reachable().isEmpty()
                ? ""
                : " Within reach instead: "
                        + desk.answer().reachable().stream().map(Goal::label).collect(Collectors.joining(", "))
                        + ".";
        return "No plan leads there yet. In the way: "
                + String.join(" ", desk.answer().blockers()) + instead;
    }

    private void showDetail(RouteFit fit) {
        if (fit != null && desk.isPresent()) {
            detail.setContent(new RouteDetail(session, desk.get(), fit));
            detail.setVvalue(0);
        }
    }

    /** Only the user's own choice is a wish, not the showing of the one that holds. */
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
