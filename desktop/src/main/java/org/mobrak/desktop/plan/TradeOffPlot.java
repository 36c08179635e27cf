package org.mobrak.desktop.plan;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.ToDoubleFunction;
import javafx.application.Platform;
import javafx.css.PseudoClass;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Line;
import org.mobrak.core.plan.Cost;
import org.mobrak.core.plan.Plan;
import org.mobrak.desktop.parts.Texts;

/** Plans by how long they take and how much they risk; whiskers show between which times each most likely ends. */
final class TradeOffPlot extends Pane {
    private static final PseudoClass CHOSEN = PseudoClass.getPseudoClass("chosen");
    private static final int STEPS = 4;
    /** Margins and the half of a cell, in the size of the letters. */
    private static final double LEFT = 3.1;

    private static final double RIGHT = 1.7;
    private static final double TOP = 2.2;
    private static final double BOTTOM = 3.8;
    private static final double CELL = 0.95;

    private final Choice choice;
    private final Map<Plan, Button> marks = new HashMap<>();
    private final Label heading = Texts.soft("risk points");
    private List<Plan> plans = List.of();

    TradeOffPlot(Choice choice) {
        this.choice = choice;
        getStyleClass().add("plot");
        setId("plot");
        choice.plan().addListener((property, old, plan) -> point(plan));
        widthProperty().addListener((property, old, width) -> draw());
        heightProperty().addListener((property, old, height) -> draw());
        // Not while styles are given out, in whose midst nothing may be taken out of the page.
        heading.fontProperty().addListener((property, old, font) -> Platform.runLater(this::draw));
    }

    void show(List<Plan> shown) {
        plans = List.copyOf(shown);
        draw();
    }

    private void draw() {
        getChildren().clear();
        marks.clear();
        if (getWidth() < em(LEFT) + em(RIGHT) || getHeight() < em(TOP) + em(BOTTOM)) {
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

    private double em(double size) {
        return size * heading.getFont().getSize();
    }

    private double most(ToDoubleFunction<Cost> respect) {
        return plans.stream().map(Plan::cost).mapToDouble(respect).max().orElse(1);
    }

    private void axes(double minutes, double risk) {
        for (int step = 0; step <= STEPS; step++) {
            double across = x(minutes * step / STEPS, minutes);
            double up = y(risk * step / STEPS, risk);
            getChildren().add(line("grid", across, em(TOP), across, getHeight() - em(BOTTOM)));
            getChildren().add(line("grid", em(LEFT), up, getWidth() - em(RIGHT), up));
            label(number(minutes * step / STEPS), across - em(0.6), getHeight() - em(BOTTOM) + em(0.4));
            label(number(risk * step / STEPS), em(0.8), up - em(0.65));
        }
        heading.relocate(0, 0);
        getChildren().add(heading);
        label("minutes in all, likely spread", em(LEFT), getHeight() - em(1.7));
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
        Texts.aloud(mark, words);
        Texts.tip(mark, words);
        mark.setOnAction(press -> choice.take(plan));
        mark.relocate(x - em(CELL), clear(x, y) - em(CELL));
        marks.put(plan, mark);
        return mark;
    }

    /** Two plans may cost the same; then the later one stands a little above. */
    private double clear(double x, double y) {
        double free = y;
        while (isTaken(x, free)) {
            free -= em(CELL);
        }
        return free;
    }

    private boolean isTaken(double x, double y) {
        return marks.values().stream()
                .anyMatch(other -> Math.abs(other.getLayoutX() + em(CELL) - x) < em(CELL)
                        && Math.abs(other.getLayoutY() + em(CELL) - y) < em(CELL));
    }

    private void point(Plan chosen) {
        marks.forEach((plan, mark) -> mark.pseudoClassStateChanged(CHOSEN, plan.equals(chosen)));
    }

    private double x(double value, double most) {
        return em(LEFT) + value / most * (getWidth() - em(LEFT) - em(RIGHT));
    }

    private double y(double value, double most) {
        return getHeight() - em(BOTTOM) - value / most * (getHeight() - em(TOP) - em(BOTTOM));
    }
}
