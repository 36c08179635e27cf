package org.mobrak.desktop.help;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import java.util.regex.Pattern;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.mobrak.desktop.parts.Texts;

/** Once round the pages, a few sentences at each; it can be left at any time and taken again. */
public final class Tour {
    private static final Pattern STOPS = Pattern.compile("(?m)^# ");

    private final Consumer<String> turn;
    private final Runnable leave;
    private final List<Stop> stops = new ArrayList<>();
    private final Label place = Texts.soft("");
    private final VBox text = new VBox();
    private final Button back = new Button("Back");
    private final Button next = new Button("Next");
    private final VBox node;
    private int at;

    /** A page, and what is said of it. */
    private record Stop(String page, String words) {}

    /**
     * A tour.
     *
     * @param turn opens a page by its name
     * @param leave puts the tour away
     */
    public Tour(Consumer<String> turn, Runnable leave) {
        this.turn = turn;
        this.leave = leave;
        for (String stop : STOPS.split(HelpText.of("tour"))) {
            if (!stop.isBlank()) {
                int end = stop.indexOf('\n');
                stops.add(new Stop(
                        stop.substring(0, end).strip(), stop.substring(end).strip()));
            }
        }
        back.setId("tour-back");
        back.setOnAction(press -> go(at - 1));
        next.setId("tour-next");
        next.getStyleClass().add("do-this");
        next.setOnAction(press -> go(at + 1));
        Button away = new Button("Leave the tour");
        away.setId("tour-leave");
        away.setOnAction(press -> leave.run());
        Region space = new Region();
        HBox.setHgrow(space, Priority.ALWAYS);
        HBox buttons = new HBox(back, next, space, away);
        buttons.getStyleClass().add("buttons");
        node = new VBox(place, text, buttons);
        node.setId("tour");
        node.getStyleClass().add("tour");
        node.setMaxSize(Region.USE_PREF_SIZE, Region.USE_PREF_SIZE);
        node.addEventFilter(KeyEvent.KEY_PRESSED, key -> {
            if (key.getCode() == KeyCode.ESCAPE) {
                leave.run();
                key.consume();
            }
        });
    }

    public Region node() {
        return node;
    }

    /** From the beginning. */
    public void begin() {
        go(0);
        next.requestFocus();
    }

    private void go(int stop) {
        if (stop >= stops.size()) {
            leave.run();
            return;
        }
        at = stop;
        turn.accept(stops.get(stop).page());
        Texts.say(place, "%d of %d".formatted(stop + 1, stops.size()));
        text.getChildren().setAll(Markdown.drawn(stops.get(stop).words()));
        back.setDisable(stop == 0);
        Texts.say(next, stop == stops.size() - 1 ? "Done" : "Next");
    }
}
