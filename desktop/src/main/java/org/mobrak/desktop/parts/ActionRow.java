package org.mobrak.desktop.parts;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;

/** Actions in one row, the most wanted first. Those that have no room in it stand in a menu at its end. */
public final class ActionRow extends HBox {
    private final List<Button> actions = new ArrayList<>();
    private final MenuButton more = new MenuButton("More");
    private int shown = -1;

    /** @param id of the row; its menu is called {@code ID-more} */
    public ActionRow(String id) {
        setId(id);
        getStyleClass().addAll("page-head", "action-row");
        more.setId(id + "-more");
        more.setMinWidth(Region.USE_PREF_SIZE);
        more.setOnShowing(opened -> fill());
        // Without a line it would not open.
        more.getItems().add(Texts.item(""));
        setMinWidth(0);
    }

    /** @param actions the first of them always stays a button */
    public void offer(Button... actions) {
        this.actions.clear();
        this.actions.addAll(List.of(actions));
        for (Button action : actions) {
            action.setMinWidth(Region.USE_PREF_SIZE);
        }
        shown = -1;
        requestLayout();
    }

    @Override
    protected double computePrefWidth(double height) {
        return snappedLeftInset() + snappedRightInset() + width(actions.size());
    }

    @Override
    protected double computeMinWidth(double height) {
        return snappedLeftInset() + snappedRightInset() + width(1) + getSpacing() + more.prefWidth(-1);
    }

    @Override
    protected double computePrefHeight(double width) {
        double most =
                actions.stream().mapToDouble(one -> one.prefHeight(-1)).max().orElse(0);
        return snappedTopInset() + snappedBottomInset() + most;
    }

    @Override
    protected double computeMinHeight(double width) {
        return computePrefHeight(width);
    }

    @Override
    protected void layoutChildren() {
        int fit = fit(getWidth() - snappedLeftInset() - snappedRightInset());
        if (fit != shown) {
            shown = fit;
            List<Node> row = new ArrayList<>(actions.subList(0, fit));
            if (fit < actions.size()) {
                row.add(more);
            }
            getChildren().setAll(row);
        }
        super.layoutChildren();
    }

    private int fit(double room) {
        if (width(actions.size()) <= room) {
            return actions.size();
        }
        int fit = actions.size() - 1;
        while (fit > 1 && width(fit) + getSpacing() + more.prefWidth(-1) > room) {
            fit--;
        }
        return fit;
    }

    private double width(int count) {
        double sum = actions.stream()
                .limit(count)
                .mapToDouble(one -> one.prefWidth(-1))
                .sum();
        return sum + Math.max(0, count - 1) * getSpacing();
    }

    private void fill() {
        more.getItems()
                .setAll(actions.stream()
                        .skip(Math.max(0, shown))
                        .map(ActionRow::item)
                        .toList());
    }

    private static MenuItem item(Button action) {
        MenuItem item = Texts.item(action.getText());
        item.setId("more-" + action.getId());
        item.setDisable(action.isDisabled());
        item.setOnAction(press -> action.fire());
        return item;
    }
}
