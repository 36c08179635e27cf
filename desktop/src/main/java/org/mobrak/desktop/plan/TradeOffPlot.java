package org.mobrak.desktop.plan;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.ToDoubleFunction;
import javafx.css.PseudoClass;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Line;
import org.mobrak.core.plan.Cost;
import org.mobrak.core.plan.Plan;
import org.mobrak.desktop.parts.Texts;

/** Plans by how long they take and how much they risk; whiskers show between which times each most likely ends. */
final class TradeOffPlot extends Pane {
    private static final PseudoClass CHOSEN = PseudoClass.getPseudoClass("chosen");
    private static final double LEFT = 44;
    private static final double RIGHT = 24;
    private static final double TOP = 30;
    private static final double BOTTOM = 52;
    private static final int STEPS = 4;
    private static final double CELL = 13;

    private final Choice choice;
    private final Map<Plan, Button> marks = new HashMap<>();
    private List<Plan> plans = List.of();

    TradeOffPlot(Choice choice) {
        this.choice = choice;
        getStyleClass().add("plot");
        setId("plot");
        choice.plan().addListener((property, old, plan) -> point(plan));
        widthProperty().addListener((property, old, width) -> draw());
        heightProperty().addListener((property, old, height) -> draw());
    }

    void show(List<Plan> shown) {
        plans = List.copyOf(shown);
        draw();
    }

    private void draw() {
        getChildren().clear();
        marks.clear();
        if (getWidth() < LEFT + RIGHT || getHeight() < TOP + BOTTOM) {
            return;
        }
        double minutes = Scale.top(most(Cost::minutesHigh));
        double risk = Scale.top(most(Cost::riskPoints));
        axes(minutes, risk);
        List<Button> buttons = new ArrayList<>();
        for (int i = 0; i < plans.size(); i++) {
            Cost cost = plans.get(i).cost();
            double y = y(cost.riskPoints(), risk);
            getChildren().add(line("whisker", x(cost.minutesLow(), minutes), y, x(cost.minutesHigh(), minutes), y));
            buttons.add(mark(plans.get(i), i + 1, x(cost.minutes(), minutes), y));
        }
        getChildren().addAll(buttons);
        point(choice.plan().get());
    }

    private double most(ToDoubleFunction<Cost> respect) {
        return plans.stream().map(Plan::cost).mapToDouble(respect).max().orElse(1);
    }

    private void axes(double minutes, double risk) {
        for (int step = 0; step <= STEPS; step++) {
            double across = x(minutes * step / STEPS, minutes);
            double up = y(risk * step / STEPS, risk);
            getChildren().add(line("grid", across, TOP, across, getHeight() - BOTTOM));
            getChildren().add(line("grid", LEFT, up, getWidth() - RIGHT, up));
            label(number(minutes * step / STEPS), across - 8, getHeight() - BOTTOM + 6);
            label(number(risk * step / STEPS), 12, up - 9);
        }
        label("risk points", 6, 4);
        label("minutes in all, with the likely spread", LEFT, getHeight() - 24);
    }

    private static String number(double value) {
        return value == Math.rint(value) ? String.valueOf((long) value) : String.format(Locale.ROOT, "%.1f", value);
    }

    private void label(String text, double x, double y) {
        Label label = Texts.soft(text);
        label.relocate(x, y);
        getChildren().add(label);
    }

    private static Line line(String style, double x1, double y1, double x2, double y2) {
        Line line = new Line(x1, y1, x2, y2);
        line.getStyleClass().add(style);
        return line;
    }

    private Button mark(Plan plan, int number, double x, double y) {
        Button mark = new Button("", Cell.of(plan.cost(), number));
        mark.getStyleClass().add("plot-mark");
        mark.setId("mark-" + number);
        String words = number + ": " + plan.title() + ", " + Cell.words(plan.cost());
        mark.setAccessibleText(words);
        mark.setTooltip(new Tooltip(words));
        mark.setOnAction(press -> choice.take(plan));
        mark.relocate(x - CELL, clear(x, y) - CELL);
        marks.put(plan, mark);
        return mark;
    }

    /** Two plans may cost the same; then the later one stands a little above. */
    private double clear(double x, double y) {
        double free = y;
        while (isTaken(x, free)) {
            free -= CELL;
        }
        return free;
    }

    private boolean isTaken(double x, double y) {
        return marks.values().stream()
                .anyMatch(other -> Math.abs(other.getLayoutX() + CELL - x) < CELL
                        && Math.abs(other.getLayoutY() + CELL - y) < CELL);
    }

    private void point(Plan chosen) {
        marks.forEach((plan, mark) -> mark.pseudoClassStateChanged(CHOSEN, plan.equals(chosen)));
    }

    private double x(double value, double most) {
        return LEFT + value / most * (getWidth() - LEFT - RIGHT);
    }

    private double y(double value, double most) {
        return getHeight() - BOTTOM - value / most * (getHeight() - TOP - BOTTOM);
    }
}
