package org.mobrak.desktop.fit;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import org.mobrak.core.plan.Goal;
import org.mobrak.core.plan.Plan;
import org.mobrak.desktop.parts.Texts;
import org.mobrak.desktop.plan.Choice;
import org.mobrak.desktop.plan.MapFace;
import org.mobrak.desktop.plan.PlansFace;
import org.mobrak.desktop.session.Desk;
import org.mobrak.desktop.session.Session;
import org.mobrak.desktop.session.Snapshot;
import org.mobrak.desktop.session.View;

/** The page on which a way to the goal is weighed and taken: plans, routes and map are three faces of one choice. */
public final class WaysPage implements View {
    private final Choice choice = new Choice();
    private final WishBar wish;
    private final PlansFace plans;
    private final RouteBoard board;
    private final MapFace map;
    private final ObjectProperty<Face> face = new SimpleObjectProperty<>(Face.PLANS);
    private final ToggleGroup turn = new ToggleGroup();
    private final StackPane body = new StackPane();
    private final Label summary = Texts.wrapped(Texts.plain(""));
    private final VBox node;
    private Optional<Desk> shown = Optional.empty();

    /** The faces, in the order in which one looks at them. */
    private enum Face {
        PLANS("Plans"),
        ROUTES("Routes"),
        MAP("Map");

        private final String label;

        Face(String label) {
            this.label = label;
        }
    }

    public WaysPage(Session session) {
        wish = new WishBar(session);
        plans = new PlansFace(session, choice);
        board = new RouteBoard(choice, () -> face.set(Face.PLANS));
        map = new MapFace(choice);
        summary.setId("summary");
        summary.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(summary, Priority.ALWAYS);
        HBox faces = new HBox();
        faces.getStyleClass().add("ruler-kinds");
        faces.setMinWidth(Region.USE_PREF_SIZE);
        Arrays.stream(Face.values()).map(this::tab).forEach(faces.getChildren()::add);
        HBox said = new HBox(summary, faces);
        said.getStyleClass().add("page-summary");
        VBox.setVgrow(body, Priority.ALWAYS);
        node = new VBox(wish.node(), said, body);
        face.addListener((property, old, now) -> turnTo(now));
        turnTo(Face.PLANS);
    }

    private ToggleButton tab(Face one) {
        ToggleButton tab = new ToggleButton(one.label);
        tab.setId("face-" + one.label.toLowerCase(Locale.ROOT));
        tab.getStyleClass().add("ruler-kind");
        tab.setToggleGroup(turn);
        tab.setUserData(one);
        tab.setOnAction(press -> {
            face.set(one);
            tab.setSelected(true);
        });
        return tab;
    }

    /** The map is drawn only when it is looked at. */
    private void turnTo(Face now) {
        if (now == Face.MAP) {
            shown.ifPresent(map::show);
        }
        turn.getToggles().stream()
                .filter(tab -> tab.getUserData() == now)
                .findFirst()
                .ifPresent(turn::selectToggle);
        body.getChildren()
                .setAll(
                        switch (now) {
                            case PLANS -> plans.node();
                            case ROUTES -> board.node();
                            case MAP -> map.node();
                        });
    }

    @Override
    public Region node() {
        return node;
    }

    @Override
    public void show(Snapshot snapshot) {
        node.setDisable(snapshot.desk().isEmpty());
        snapshot.desk().ifPresent(this::show);
    }

    private void show(Desk desk) {
        wish.show(desk.wish());
        summary.setText(summary(desk));
        choice.offer(PlansFace.offered(desk.answer(), true));
        if (choice.route().get() == null && !desk.fits().isEmpty()) {
            choice.route().set(desk.fits().get(0).route());
        }
        plans.show(desk);
        board.show(desk);
        shown = Optional.of(desk);
        if (face.get() == Face.MAP) {
            map.show(desk);
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
        return "No plan leads there yet." + instead;
    }
}
