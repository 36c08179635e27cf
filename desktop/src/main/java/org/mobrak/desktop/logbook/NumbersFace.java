package org.mobrak.desktop.logbook;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.scene.control.Label;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.mobrak.app.Session;
import org.mobrak.core.fit.Evidence;
import org.mobrak.core.logbook.history.Tally;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Empty;
import org.mobrak.desktop.parts.Leads;
import org.mobrak.desktop.parts.Sheet;
import org.mobrak.desktop.parts.Texts;

/** What all jobs come to, each figure with how far it can be trusted. */
final class NumbersFace {
    private static final int MOST = 12;

    private final Leads leads;
    private final VBox content = new VBox();
    private final Sheet sheet = new Sheet(content);

    /** @param leads the ways to other pages */
    NumbersFace(Session session, Leads leads) {
        this.leads = leads;
        content.getStyleClass().add("side");
        content.setId("numbers");
        sheet.getStyleClass().add("sideways");
        session.history().numbers().addListener((source, before, now) -> show(now));
        show(Optional.empty());
    }

    Region node() {
        return sheet;
    }

    private void show(Optional<Tally> now) {
        content.getChildren().clear();
        if (now.filter(tally -> tally.jobs() > 0).isEmpty()) {
            content.getChildren()
                    .add(new Empty(
                            "No job has ended yet",
                            "Once some have, here stands what worked and how long it took.",
                            Empty.action("empty-numbers-ways", "Choose a plan", leads::ways)));
            return;
        }
        Tally tally = now.get();
        content.getChildren()
                .addAll(
                        successes("How often each kind of way worked", "kinds", tally.families()),
                        successes("How often each route worked", "routes-worked", tally.routes()),
                        times(tally.times()),
                        counts(
                                "What held the work up",
                                "gates-held",
                                "A job ended there, or it was passed over.",
                                tally.gates()),
                        counts(
                                "Signs that did not come",
                                "signs-missed",
                                "Each time somebody said so.",
                                tally.signs()));
    }

    private static Card successes(String heading, String id, List<Tally.Success> found) {
        GridPane grid = grid();
        for (Tally.Success one : found.stream().limit(MOST).toList()) {
            Evidence evidence = one.evidence();
            row(
                    grid,
                    one.name(),
                    new Bar(evidence.lowerBound(), evidence.upperBound(), evidence.rate()),
                    String.format(
                            Locale.ROOT,
                            "%d of %d; likely %.0f to %.0f %%",
                            evidence.worked(),
                            evidence.tried(),
                            100 * evidence.lowerBound(),
                            100 * evidence.upperBound()));
        }
        return card(heading, id, grid, "Wilson's 95 % interval: the fewer jobs, the wider.", found.size());
    }

    private static Card times(List<Tally.Taken> found) {
        GridPane grid = grid();
        double most = found.stream()
                .mapToDouble(one -> Math.max(one.said(), one.own().mean()))
                .max()
                .orElse(1);
        for (Tally.Taken one : found.stream().limit(MOST).toList()) {
            row(
                    grid,
                    one.route(),
                    new Bar(
                            Math.min(one.said(), one.own().mean()) / most,
                            Math.max(one.said(), one.own().mean()) / most,
                            one.learnt() / most),
                    String.format(
                            Locale.ROOT,
                            "said %.0f min, took %.0f in %s%s",
                            one.said(),
                            one.own().mean(),
                            one.own().jobs() == 1 ? "one job" : one.own().jobs() + " jobs",
                            one.own().counts()
                                    ? String.format(Locale.ROOT, "; expected by now %.0f", one.learnt())
                                    : "; too few to learn from"));
        }
        return card(
                "How long it took",
                "times-taken",
                grid,
                "Fetching and making ready left out. From three jobs on what is expected is drawn towards your own, by n / (n + 3).",
                found.size());
    }

    private static Card counts(String heading, String id, String note, List<Tally.Count> found) {
        GridPane grid = grid();
        double most = found.stream().mapToInt(Tally.Count::times).max().orElse(1);
        for (Tally.Count one : found.stream().limit(MOST).toList()) {
            row(
                    grid,
                    one.what(),
                    new Bar(0, one.times() / most, Double.NaN),
                    one.times() == 1 ? "once" : one.times() + " times");
        }
        return card(heading, id, grid, note, found.size());
    }

    private static Card card(String heading, String id, GridPane grid, String note, int found) {
        Card card = new Card(heading);
        card.setId(id);
        if (found == 0) {
            card.getChildren().add(Texts.plain("None so far."));
            return card;
        }
        card.getChildren().addAll(grid, Texts.wrapped(Texts.soft(note)));
        if (found > MOST) {
            card.getChildren().add(Texts.soft("And %d more, with less to tell.".formatted(found - MOST)));
        }
        return card;
    }

    private static GridPane grid() {
        GridPane grid = new GridPane();
        grid.getStyleClass().add("numbers-grid");
        return grid;
    }

    private static void row(GridPane grid, String name, Bar bar, String told) {
        int row = grid.getRowCount();
        Label named = Texts.wrapped(Texts.plain(name));
        named.getStyleClass().add("numbers-name");
        Label figures = Texts.wrapped(Texts.soft(told));
        figures.getStyleClass().add("numbers-told");
        Texts.aloud(bar, name + ": " + told);
        grid.addRow(row, named, bar, figures);
    }

    /** A stretch between two shares of the whole, with a mark in it. */
    private static final class Bar extends Pane {
        private final Region stretch = new Region();
        private final Region mark = new Region();
        private final double from;
        private final double until;
        private final double at;

        /** @param at where the mark stands; no number for none */
        Bar(double from, double until, double at) {
            this.from = from;
            this.until = until;
            this.at = at;
            getStyleClass().add("numbers-bar");
            stretch.getStyleClass().add("numbers-stretch");
            mark.getStyleClass().add("numbers-mark");
            getChildren().add(stretch);
            if (!Double.isNaN(at)) {
                getChildren().add(mark);
            }
        }

        @Override
        protected void layoutChildren() {
            double width = getWidth();
            double middle = getHeight() / 2;
            stretch.resizeRelocate(from * width, middle - 3, Math.max(2, (until - from) * width), 6);
            mark.resizeRelocate(at * width - 2, middle - 8, 4, 16);
        }
    }
}
