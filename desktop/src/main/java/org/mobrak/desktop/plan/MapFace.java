package org.mobrak.desktop.plan;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.application.Platform;
import javafx.css.PseudoClass;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.shape.CubicCurve;
import org.mobrak.app.Desk;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.fit.RouteFit;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.plan.Plan;
import org.mobrak.core.plan.RouteMap;
import org.mobrak.core.plan.RouteMap.Link;
import org.mobrak.core.plan.RouteMap.Place;
import org.mobrak.desktop.parts.Texts;

/** The states between the phone as it is and the goal, with the routes that lead from one to the next, drawn. */
public final class MapFace {
    private static final PseudoClass CHOSEN = PseudoClass.getPseudoClass("chosen");
    private static final int MOST_LINES = 4;

    private final Choice choice;
    private final Pane drawing = new Pane();
    private final Label said = Texts.wrapped(Texts.plain(""));
    private final VBox node;
    private final Map<Link, List<Node>> drawn = new HashMap<>();
    private Optional<Desk> desk = Optional.empty();
    private List<Plan> plans = List.of();

    public MapFace(Choice choice) {
        this.choice = choice;
        drawing.setId("map");
        drawing.getStyleClass().add("map");
        ScrollPane scroll = new ScrollPane(drawing);
        scroll.getStyleClass().addAll("sheet", "map-scroll", "sideways");
        VBox.setVgrow(scroll, Priority.ALWAYS);
        said.setId("map-said");
        VBox words = new VBox(said);
        words.getStyleClass().add("map-words");
        node = new VBox(scroll, words);
        node.getStyleClass().add("page");
        // Not while styles are given out, in whose midst nothing may be taken out of the page.
        said.fontProperty().addListener((property, old, font) -> Platform.runLater(() -> desk.ifPresent(this::show)));
        choice.plan().addListener((property, old, plan) -> point());
        choice.route().addListener((property, old, route) -> point());
    }

    public Region node() {
        return node;
    }

    public void show(Desk one) {
        desk = Optional.of(one);
        plans = PlansFace.offered(one.answer(), true);
        draw(one.map(plans), one);
        point();
    }

    private void draw(RouteMap map, Desk one) {
        MapLayout layout = new MapLayout(map, said.getFont().getSize());
        List<Node> lines = new ArrayList<>();
        List<Node> over = new ArrayList<>();
        drawn.clear();
        for (Link link : map.links()) {
            List<CubicCurve> curves = layout.isDirect(link) ? straight(link, layout) : lane(link, layout);
            curves.forEach(curve -> curve.getStyleClass().add(link.isRefused() ? "map-line-refused" : "map-line"));
            Button label = label(link, layout);
            lines.addAll(curves);
            over.add(label);
            List<Node> parts = new ArrayList<>(curves);
            parts.add(label);
            drawn.put(link, parts);
        }
        map.places().forEach(place -> over.add(place(place, layout, map, one)));
        drawing.getChildren().setAll(lines);
        drawing.getChildren().addAll(over);
        drawing.setPrefSize(layout.width(), layout.height());
    }

    /** By way of the label, between two columns. */
    private static List<CubicCurve> straight(Link link, MapLayout layout) {
        double half = layout.placeHeight() / 2;
        double left = layout.labelX(link) - layout.labelWidth(link) / 2;
        double right = left + layout.labelWidth(link);
        double middle = layout.labelY(link);
        return List.of(
                across(layout.x(link.from()) + layout.placeWidth(), layout.y(link.from()) + half, left, middle),
                across(right, middle, layout.x(link.to()), layout.y(link.to()) + half));
    }

    private static CubicCurve across(double fromX, double fromY, double toX, double toY) {
        double between = (fromX + toX) / 2;
        return new CubicCurve(fromX, fromY, between, fromY, between, toY, toX, toY);
    }

    /** Down to the lane and up again. */
    private static List<CubicCurve> lane(Link link, MapLayout layout) {
        double middle = layout.labelY(link);
        double half = layout.placeWidth() / 2;
        double bottom = layout.placeHeight();
        return List.of(
                down(layout.x(link.from()) + half, layout.y(link.from()) + bottom, layout.labelX(link), middle),
                down(layout.x(link.to()) + half, layout.y(link.to()) + bottom, layout.labelX(link), middle));
    }

    private static CubicCurve down(double fromX, double fromY, double toX, double toY) {
        return new CubicCurve(fromX, fromY, fromX, toY, fromX, toY, toX, toY);
    }

    private Button label(Link link, MapLayout layout) {
        Button label = new Button(link.route().name());
        label.setWrapText(layout.isDirect(link));
        label.getStyleClass().add(link.isRefused() ? "map-label-refused" : "map-label");
        label.setPrefSize(layout.labelWidth(link), layout.labelHeight(link));
        label.relocate(layout.labelX(link) - label.getPrefWidth() / 2, layout.labelY(link) - label.getPrefHeight() / 2);
        label.setId("map-" + link.route().id());
        Texts.aloud(
                label,
                link.route().name()
                        + link.refusal().map(why -> ", refused: " + why).orElse(""));
        Texts.tip(label, link.refusal().orElse(link.route().summary()));
        label.setOnAction(press -> choose(link));
        return label;
    }

    private void choose(Link link) {
        boolean elsewhere = link.plans().stream()
                .noneMatch(plan -> plans.get(plan).equals(choice.plan().get()));
        if (!link.isRefused() && elsewhere) {
            choice.take(plans.get(link.plans().get(0)));
        }
        choice.route().set(link.route());
    }

    private static VBox place(Place place, MapLayout layout, RouteMap map, Desk one) {
        VBox box = new VBox();
        box.getStyleClass()
                .addAll("map-place", place.goal() ? "map-goal" : place.id() == 0 ? "map-now" : "map-between");
        box.setPrefSize(layout.placeWidth(), layout.placeHeight());
        box.setMaxSize(layout.placeWidth(), layout.placeHeight());
        box.relocate(layout.x(place.id()), layout.y(place.id()));
        Label title = Texts.plain(place.goal() ? "Goal" : place.id() == 0 ? "Now" : "Then");
        title.getStyleClass().add("route-name");
        box.getChildren().add(title);
        List<String> lines = place.id() == 0 ? now(map, one) : words(place.changed());
        lines.stream().limit(MOST_LINES).forEach(line -> box.getChildren().add(Texts.soft(line)));
        Texts.tip(box, String.join("\n", lines));
        return box;
    }

    private static List<String> words(Map<Fact, String> facts) {
        return facts.entrySet().stream()
                .sorted(Map.Entry.comparingByKey())
                .map(entry -> entry.getKey().label() + " " + entry.getValue())
                .toList();
    }

    /** Of the phone as it is, what the plans change. */
    private static List<String> now(RouteMap map, Desk one) {
        return map.places().stream()
                .flatMap(place -> place.changed().keySet().stream())
                .distinct()
                .sorted()
                .map(fact ->
                        fact.label() + " " + one.identity().facts().value(fact).orElse("not known"))
                .toList();
    }

    private void point() {
        Plan plan = choice.plan().get();
        int number = plan == null ? -1 : plans.indexOf(plan);
        drawn.forEach((link, nodes) -> {
            boolean asked =
                    link.isRefused() && link.route().equals(choice.route().get());
            boolean chosen = asked || link.plans().contains(number);
            nodes.forEach(part -> part.pseudoClassStateChanged(CHOSEN, chosen));
        });
        desk.ifPresent(one -> Texts.say(said, words(one, choice.route().get())));
    }

    private String words(Desk one, Route route) {
        Optional<RouteFit> fit =
                one.fits().stream().filter(other -> other.route().equals(route)).findFirst();
        Optional<String> refusal = drawn.keySet().stream()
                .filter(link -> link.route().equals(route))
                .flatMap(link -> link.refusal().stream())
                .findFirst();
        return fit.map(known -> known.route().name() + " – " + known.verdict().word() + ". "
                        + refusal.orElse(known.route().summary()))
                .orElse("Choose a route on the map to see what it does, or why it is refused.");
    }
}
