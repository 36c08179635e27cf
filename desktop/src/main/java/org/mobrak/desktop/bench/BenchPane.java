package org.mobrak.desktop.bench;

import java.util.List;
import java.util.Locale;
import java.util.Set;
import javafx.css.PseudoClass;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.util.StringConverter;
import org.mobrak.app.rehearsal.BenchView;
import org.mobrak.app.rehearsal.BenchView.Lead;
import org.mobrak.app.rehearsal.Practice;
import org.mobrak.core.catalogue.KeyChord.Key;
import org.mobrak.desktop.parts.Flow;
import org.mobrak.desktop.parts.Texts;

/** The bench: the phone, its keys, the cable and the computer's port, and what hands can do besides. */
final class BenchPane {
    private static final PseudoClass ON = PseudoClass.getPseudoClass("on");

    private final Practice practice;
    private final PhonePicture phone = new PhonePicture();
    private final BenchKeys keys;
    private final HandTrace trace = new HandTrace();
    private final Region light = new Region();
    private final Label port = Texts.soft("");
    private final ComboBox<Lead> lead = new ComboBox<>();
    private final Button driver = new Button("Install the driver");
    private final FlowPane offers = new Flow();
    private final Label told = Texts.wrapped(Texts.plain(""));
    private final VBox slips = new VBox();
    private final VBox node;
    private List<BenchView.Offer> offered = List.of();
    private boolean showing;

    BenchPane(Practice practice) {
        this.practice = practice;
        keys = new BenchKeys(practice.keys(), this::hold);
        lead.setId("bench-cable");
        lead.getItems().setAll(Lead.values());
        lead.setConverter(new Words());
        lead.setFocusTraversable(false);
        lead.valueProperty().addListener((property, before, now) -> {
            if (!showing) {
                practice.plug(now);
            }
        });
        driver.setId("bench-driver");
        driver.setOnAction(press -> practice.installDriver());
        driver.managedProperty().bind(driver.visibleProperty());
        light.getStyleClass().add("port-light");
        port.setId("bench-port");
        port.setMinWidth(Region.USE_PREF_SIZE);
        told.setId("bench-told");
        told.getStyleClass().add("bench-told");
        offers.getStyleClass().add("buttons");
        slips.getStyleClass().add("lines");
        HBox computer = new HBox(light, port);
        computer.getStyleClass().add("signed-line");
        VBox beside = new VBox(keys, lead, driver, computer, menu());
        beside.getStyleClass().add("lines");
        HBox top = new HBox(phone, beside);
        top.getStyleClass().add("together");
        node = new VBox(top, told, offers, trace, slips);
        node.getStyleClass().add("bench-pane");
    }

    Region node() {
        return node;
    }

    BenchKeys keys() {
        return keys;
    }

    private void hold(Key key, boolean down) {
        if (down) {
            practice.press(key);
        } else {
            practice.release(key);
        }
    }

    private MenuButton menu() {
        MenuButton menu = new MenuButton("At the phone");
        menu.setId("bench-menu");
        menu.setFocusTraversable(false);
        menu.getItems()
                .setAll(
                        item("Switch it off", practice::switchOff),
                        item("Start it", () -> practice.restart(false)),
                        item("Start its recovery", () -> practice.restart(true)),
                        item("In the recovery: empty the cache", practice::wipeLightly),
                        item("Stock firmware over it", practice::writeStock));
        return menu;
    }

    private static MenuItem item(String words, Runnable action) {
        MenuItem item = Texts.item(words);
        item.setOnAction(press -> action.run());
        return item;
    }

    void show(BenchView view) {
        showing = true;
        phone.show(view);
        keys.show(view.held());
        trace.ask(practice.chord());
        lead.setValue(view.wire().lead());
        driver.setVisible(!view.wire().driver());
        light.pseudoClassStateChanged(ON, view.wire().port());
        Texts.say(port, view.wire().port() ? "Computer: sees it" : "Computer: no phone");
        String word = view.verdict().orElse(view.told());
        // What the screen shows already need not be said twice.
        Texts.say(told, word.equals(view.screen()) ? "" : word);
        if (!view.offers().equals(offered)) {
            offered = view.offers();
            offers.getChildren().setAll(offered.stream().map(this::button).toList());
        }
        if (view.verdict().isPresent()
                && slips.getChildren().size() != view.slips().size()) {
            slips.getChildren()
                    .setAll(view.slips().stream()
                            .map(one -> Texts.wrapped(Texts.soft(one)))
                            .toList());
        }
        showing = false;
    }

    /** The keys that are down at a moment of the bench's time. */
    void trace(double seconds, Set<Key> held) {
        trace.show(seconds, held);
    }

    private Button button(BenchView.Offer offer) {
        Button button = new Button();
        Texts.say(button, offer.words());
        button.setId("bench-" + offer.doing().name().toLowerCase(Locale.ROOT).replace('_', '-'));
        button.setOnAction(press -> practice.take(offer.doing()));
        return button;
    }

    private static final class Words extends StringConverter<Lead> {
        @Override
        public String toString(Lead lead) {
            return lead == null ? "" : lead.words();
        }

        @Override
        public Lead fromString(String words) {
            throw new UnsupportedOperationException("Cables are picked, not typed.");
        }
    }
}
