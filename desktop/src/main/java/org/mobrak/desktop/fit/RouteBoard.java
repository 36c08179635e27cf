package org.mobrak.desktop.fit;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.scene.control.Button;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.app.Desk;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.catalogue.match.Identity;
import org.mobrak.core.fit.Clause;
import org.mobrak.core.fit.Evidence;
import org.mobrak.core.fit.RouteFit;
import org.mobrak.core.fit.Verdict;
import org.mobrak.core.identity.Facts;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Columns;
import org.mobrak.desktop.parts.Empty;
import org.mobrak.desktop.parts.Pasting;
import org.mobrak.desktop.parts.Sheet;
import org.mobrak.desktop.parts.Texts;
import org.mobrak.desktop.plan.Choice;

/** Every route by its verdict, the nearest first; one of them in full, or two side by side. */
final class RouteBoard {
    private static final Comparator<RouteFit> NEAREST_FIRST = Comparator.comparing(RouteFit::verdict)
            .thenComparing(RouteFit::missing)
            .thenComparing(fit -> fit.route().name());

    private final Choice choice;
    private final Runnable showPlan;
    private final TextField search = new TextField();
    private final ListView<BoardRow> routes = new ListView<>();
    private final Sheet detail = new Sheet(new VBox());
    private final Button compare = new Button();
    private final HBox node;
    private Optional<Desk> desk = Optional.empty();
    private Optional<RouteFit> pinned = Optional.empty();
    private boolean filling;

    /**
     * A board.
     *
     * @param showPlan turns to the plan that is chosen
     */
    RouteBoard(Choice choice, Runnable showPlan) {
        this.choice = choice;
        this.showPlan = showPlan;
        routes.setId("routes");
        routes.setCellFactory(list -> new RouteCell(list, this::evidence));
        routes.setPlaceholder(new Empty(
                "No such route", "Search for something else, or add a route to the catalogue of this workspace."));
        routes.getSelectionModel().selectedItemProperty().addListener((property, old, row) -> chosen(row));
        Pasting.seeks(search);
        search.setId("search");
        search.setPromptText("Search the routes");
        Texts.aloud(search, "Search the routes by name, family or reason");
        search.textProperty().addListener((property, old, words) -> fill());
        HBox.setHgrow(search, Priority.ALWAYS);
        compare.setId("compare");
        compare.setMinWidth(Region.USE_PREF_SIZE);
        compare.setOnAction(press -> pinOrLetGo());
        HBox tools = new HBox(search, compare);
        tools.getStyleClass().add("typing");
        VBox.setVgrow(routes, Priority.ALWAYS);
        VBox left = new VBox(tools, routes);
        left.getStyleClass().add("board-left");
        HBox.setHgrow(detail, Priority.ALWAYS);
        node = new Columns(left, detail);
        node.getStyleClass().add("page");
        choice.route().addListener((property, old, route) -> select(route));
        nameCompare();
    }

    Region node() {
        return node;
    }

    void show(Desk one) {
        desk = Optional.of(one);
        pinned = pinned.flatMap(fit -> fit(one, fit.route()));
        fill();
        draw();
    }

    private void fill() {
        filling = true;
        String words = search.getText().strip().toLowerCase(Locale.ROOT);
        List<RouteFit> found = desk.map(Desk::fits).orElse(List.of()).stream()
                .filter(fit -> words.isEmpty() || text(fit).contains(words))
                .sorted(NEAREST_FIRST)
                .toList();
        routes.getItems().setAll(grouped(found));
        select(choice.route().get());
        filling = false;
    }

    private static List<BoardRow> grouped(List<RouteFit> ordered) {
        List<BoardRow> rows = new ArrayList<>();
        for (Verdict verdict : Verdict.values()) {
            List<RouteFit> alike =
                    ordered.stream().filter(fit -> fit.verdict() == verdict).toList();
            if (!alike.isEmpty()) {
                rows.add(new BoardRow.Heading(verdict, alike.size()));
                alike.forEach(fit -> rows.add(new BoardRow.Strip(fit)));
            }
        }
        return rows;
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

    private static Optional<RouteFit> fit(Desk desk, Route route) {
        return desk.fits().stream().filter(fit -> fit.route().equals(route)).findFirst();
    }

    private void chosen(BoardRow row) {
        if (!filling && row instanceof BoardRow.Strip strip) {
            choice.take(strip.fit().route());
            draw();
        }
    }

    private void select(Route route) {
        for (int i = 0; i < routes.getItems().size(); i++) {
            if (routes.getItems().get(i) instanceof BoardRow.Strip strip
                    && strip.fit().route().equals(route)) {
                if (routes.getSelectionModel().getSelectedIndex() != i) {
                    routes.getSelectionModel().select(i);
                    routes.scrollTo(Math.max(0, i - 3));
                }
                draw();
                return;
            }
        }
        draw();
    }

    private void pinOrLetGo() {
        pinned = pinned.isPresent()
                ? Optional.empty()
                : desk.flatMap(one -> fit(one, choice.route().get()));
        draw();
    }

    private void nameCompare() {
        compare.setGraphic(new FontIcon(pinned.isPresent() ? Feather.X : Feather.COLUMNS));
        Texts.say(compare, pinned.isPresent() ? "End comparing" : "Compare");
        compare.setDisable(pinned.isEmpty() && choice.route().get() == null);
    }

    private void draw() {
        nameCompare();
        Optional<RouteFit> fit =
                desk.flatMap(one -> Optional.ofNullable(choice.route().get()).flatMap(route -> fit(one, route)));
        if (fit.isEmpty()) {
            detail.setContent(new Empty("No route is chosen", "Choose one in the list to see why it fits or not."));
        } else if (pinned.isPresent()) {
            detail.setContent(compared(pinned.get(), fit.get()));
        } else {
            detail.setContent(new RouteDetail(desk.get(), fit.get(), showPlan));
        }
        detail.setVvalue(0);
    }

    private Card compared(RouteFit one, RouteFit other) {
        return one.route().equals(other.route())
                ? new Card(
                        "Comparing " + one.route().name(),
                        Texts.wrapped(Texts.plain("Now choose the route to set beside it, in the list.")))
                : new Card("Side by side", new CompareTable(one, other, this::evidence));
    }

    private Evidence evidence(Route route) {
        return Evidence.of(route, desk.map(Desk::identity).map(Identity::facts).orElseGet(Facts::none));
    }
}
