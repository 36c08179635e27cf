package org.mobrak.desktop.help;

import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.event.Event;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.control.skin.TextFieldSkin;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import org.mobrak.desktop.parts.Empty;
import org.mobrak.desktop.parts.Marked;
import org.mobrak.desktop.parts.Pasting;
import org.mobrak.desktop.parts.Sought;
import org.mobrak.desktop.parts.Texts;

/** Finds pages, phones, routes and actions by words of their names, and does what was chosen. */
public final class Palette {
    private final Supplier<List<Command>> commands;
    private final TextField words = new TextField();
    private final ListView<Command> found = new ListView<>();
    private final VBox card = new VBox(words, found);
    private final StackPane node = new StackPane(card);
    private final Used used;
    private final Runnable taken;
    private Sought sought = Sought.of("");
    private List<Command> all = List.of();
    private Optional<Node> before = Optional.empty();

    /**
     * A palette.
     *
     * @param commands asked each time it is opened
     * @param used how often each was taken
     * @param taken told when one was taken
     */
    public Palette(Supplier<List<Command>> commands, Used used, Runnable taken) {
        this.commands = commands;
        this.used = used;
        this.taken = taken;
        Pasting.seeks(words);
        words.setId("palette-words");
        // Letters that come before it is drawn for the first time would be lost: a field without a skin takes none.
        words.setSkin(new TextFieldSkin(words));
        words.setPromptText("A page, a phone, a fact, a route, something to do …");
        Texts.aloud(words, "Find a page, a phone, a route or an action");
        words.textProperty().addListener((source, before, now) -> list());
        found.setId("palette-found");
        found.setFocusTraversable(false);
        found.setCellFactory(list -> new CommandCell(this::take));
        found.setPlaceholder(new Empty("No matches", "Try fewer letters."));
        card.getStyleClass().add("palette");
        card.setMaxSize(Region.USE_PREF_SIZE, Region.USE_PREF_SIZE);
        StackPane.setAlignment(card, Pos.TOP_CENTER);
        node.getStyleClass().add("palette-place");
        node.setId("palette");
        node.addEventFilter(KeyEvent.KEY_PRESSED, this::key);
        node.setOnMousePressed(press -> close());
        card.setOnMousePressed(Event::consume);
        node.setVisible(false);
    }

    public Region node() {
        return node;
    }

    /** Opens it with nothing sought yet. */
    public void open() {
        all = commands.get();
        words.clear();
        list();
        if (!node.isVisible()) {
            before = Optional.ofNullable(node.getScene().getFocusOwner());
        }
        node.setVisible(true);
        words.requestFocus();
    }

    /** The keyboard goes back to where it was, or the next key would be typed into what is not seen. */
    private void close() {
        node.setVisible(false);
        before.ifPresent(Node::requestFocus);
    }

    private void key(KeyEvent key) {
        int chosen = found.getSelectionModel().getSelectedIndex();
        switch (key.getCode()) {
            case ESCAPE -> close();
            case ENTER -> take();
            case DOWN -> choose(Math.min(chosen + 1, found.getItems().size() - 1));
            case UP -> choose(Math.max(0, chosen - 1));
            default -> {
                return;
            }
        }
        key.consume();
    }

    private void choose(int row) {
        found.getSelectionModel().select(row);
        found.scrollTo(Math.max(0, row - 3));
    }

    private void take() {
        Command chosen = found.getSelectionModel().getSelectedItem();
        close();
        if (chosen != null) {
            used.take(chosen);
            taken.run();
            chosen.action().run();
        }
    }

    private void list() {
        sought = Sought.of(words.getText());
        found.getItems().setAll(Finder.find(all, sought, used));
        found.getSelectionModel().selectFirst();
    }

    private final class CommandCell extends ListCell<Command> {
        /** @param take does what is selected; a click selects first */
        CommandCell(Runnable take) {
            setOnMouseClicked(click -> {
                if (!isEmpty()) {
                    take.run();
                }
            });
        }

        @Override
        protected void updateItem(Command command, boolean empty) {
            super.updateItem(command, empty);
            if (empty || command == null) {
                setGraphic(null);
                return;
            }
            Label kind = Texts.soft(command.kind());
            kind.getStyleClass().add("palette-kind");
            Marked name = new Marked(command.name(), sought);
            HBox.setHgrow(name, Priority.ALWAYS);
            name.setMaxWidth(Double.MAX_VALUE);
            HBox row = new HBox(kind, name, Texts.soft(command.keys()));
            row.getStyleClass().add("palette-row");
            setGraphic(row);
            setPrefWidth(0);
        }
    }
}
