package org.mobrak.desktop.fit;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.mobrak.app.Desk;
import org.mobrak.app.Session;
import org.mobrak.app.Snapshot;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.catalogue.match.Recognition;
import org.mobrak.core.plan.Goal;
import org.mobrak.core.plan.Plan;
import org.mobrak.desktop.parts.Empty;
import org.mobrak.desktop.parts.Faces;
import org.mobrak.desktop.parts.Leads;
import org.mobrak.desktop.parts.SummaryRow;
import org.mobrak.desktop.parts.Texts;
import org.mobrak.desktop.parts.View;
import org.mobrak.desktop.plan.Choice;
import org.mobrak.desktop.plan.MapFace;
import org.mobrak.desktop.plan.PlansFace;
import org.mobrak.desktop.plan.RehearsalFace;

/** The page on which a way to the goal is weighed and taken: plans, routes and map are three faces of one choice. */
public final class WaysPage implements View {
    /** Letters side by side, and above each other, below which the wish stands in one line; our own choice. */
    private static final double WIDE = 50;

    private static final double HIGH = 40;

    private final Choice choice;
    private final WishBar wish;
    private final PlansFace plans;
    private final RouteBoard board;
    private final MapFace map;
    private final RehearsalFace rehearsal;
    private final Label summary = Texts.wrapped(Texts.plain(""));
    private final Faces faces = new Faces();
    private final List<Region> parts;
    private final Empty nothing;
    private final VBox node;
    private final Runnable turnToRoutes;
    private final Runnable turnToRehearsal;
    private Runnable turnToPlans = () -> {};
    private Optional<Desk> shown = Optional.empty();

    /** @param leads the ways to other pages */
    public WaysPage(Session session, Choice choice, Leads leads) {
        this.choice = choice;
        wish = new WishBar(session);
        plans = new PlansFace(session, choice, leads);
        map = new MapFace(choice);
        rehearsal = new RehearsalFace(session, choice, () -> turnToPlans.run());
        turnToPlans = faces.add("face-plans", "Plans", plans::node);
        board = new RouteBoard(choice, turnToPlans);
        turnToRoutes = faces.add("face-routes", "Routes", board::node);
        faces.add("face-map", "Map", this::drawnMap);
        turnToRehearsal = faces.add("face-rehearsal", "Rehearsal", this::rehearsed);
        summary.setId("summary");
        summary.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(summary, Priority.ALWAYS);
        SummaryRow said = new SummaryRow(summary, faces.tabs());
        parts = List.of(wish.node(), said, faces.body());
        nothing = Empty.noPhone(leads);
        VBox.setVgrow(nothing, Priority.ALWAYS);
        node = new VBox(wish.node(), said, faces.body());
        node.widthProperty().addListener(now -> giveRoom());
        node.heightProperty().addListener(now -> giveRoom());
    }

    private void giveRoom() {
        double letter = summary.getFont().getSize();
        wish.setFolded(node.getWidth() < WIDE * letter || node.getHeight() < HIGH * letter);
    }

    /** Shows the plans. */
    public void showPlans() {
        turnToPlans.run();
    }

    /** Shows where a plan is rehearsed. */
    public void showRehearsal() {
        turnToRehearsal.run();
    }

    /** Shows every route by its verdict. */
    public void showRoutes() {
        turnToRoutes.run();
    }

    /** Shows a route on the board. */
    public void show(Route route) {
        turnToRoutes.run();
        choice.take(route);
    }

    /** The map is drawn only when it is looked at. */
    private Region drawnMap() {
        shown.ifPresent(map::show);
        return map.node();
    }

    /** Its sheet is worked out only when it is looked at. */
    private Region rehearsed() {
        shown.ifPresent(rehearsal::show);
        return rehearsal.node();
    }

    @Override
    public List<Faces.Face> faces() {
        return faces.all();
    }

    @Override
    public Region node() {
        return node;
    }

    @Override
    public void show(Snapshot snapshot) {
        node.getChildren().setAll(snapshot.desk().isPresent() ? parts : List.of(nothing));
        snapshot.desk().ifPresent(this::show);
    }

    private void show(Desk desk) {
        wish.show(desk.wish());
        Texts.say(summary, summary(desk));
        plans.show(desk);
        board.show(desk);
        shown = Optional.of(desk);
        if (map.node().getScene() != null) {
            map.show(desk);
        }
        if (rehearsal.node().getScene() != null) {
            rehearsal.show(desk);
        }
    }

    private static String summary(Desk desk) {
        List<Plan> open = desk.answer().plans();
        if (open.stream().anyMatch(plan -> plan.routes().isEmpty())) {
            return "Nothing to do: the goal is reached.";
        }
        if (!open.isEmpty()) {
            int count = open.size() + desk.answer().rest().size();
            String first = open.get(0).title();
            return count == 1
                    ? "One plan leads there: " + first + "."
                    : count + " plans lead there; the mildest is " + first + ".";
        }
        String instead = desk.answer().reachable().isEmpty()
                ? ""
                : " Within reach instead: "
                        + desk.answer().reachable().stream().map(Goal::label).collect(Collectors.joining(", ")) + ".";
        return desk.answer().recognition() instanceof Recognition.NotRead
                ? "Read the model number first: nearly every file is made for one."
                : "No plan leads there yet." + instead;
    }
}
