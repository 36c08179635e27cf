package org.mobrak.desktop.workshop;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiConsumer;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Hyperlink;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import org.kordamp.ikonli.feather.Feather;
import org.kordamp.ikonli.javafx.FontIcon;
import org.mobrak.app.Session;
import org.mobrak.app.workshop.WorkshopView.OnTable;
import org.mobrak.core.catalogue.file.Trial;
import org.mobrak.core.identity.Severity;
import org.mobrak.core.learn.Questions;
import org.mobrak.core.learn.form.Field;
import org.mobrak.core.learn.form.Group;
import org.mobrak.desktop.parts.Card;
import org.mobrak.desktop.parts.Flow;
import org.mobrak.desktop.parts.Sheet;
import org.mobrak.desktop.parts.Sign;
import org.mobrak.desktop.parts.Texts;

/** The draft as a person fills it: what is open first, then group by group. Rows stay while their field does, with what is typed in them. */
final class FormPane {
    private final Session session;
    private final BooleanSupplier inAll;
    private final BiConsumer<String, Integer> goToLine;
    private final Map<String, FieldRow> rows = new LinkedHashMap<>();
    private final Map<Group, Card> cards = new EnumMap<>(Group.class);
    private final Set<Group> unfolded = new HashSet<>();
    private final VBox content = new VBox();
    private final Card open = new Card("To be answered");
    private final PhonesCard names;
    private final Sheet sheet = new Sheet(content);
    private final Consumer<Questions.Question> answered;
    /** Whether there is a text in which an answer may stand. */
    private boolean fromText;

    private @Nullable OnTable shown;

    /**
     * The form.
     *
     * @param inAll whether a change is for all drafts
     * @param goToLine shows a line of a guide
     * @param answered lets the words of the guide that are clicked next answer a question
     */
    FormPane(
            Session session,
            BooleanSupplier inAll,
            BiConsumer<String, Integer> goToLine,
            Consumer<Questions.Question> answered) {
        this.answered = answered;
        this.session = session;
        this.inAll = inAll;
        this.goToLine = goToLine;
        this.names = new PhonesCard(session, inAll);
        content.getStyleClass().add("side");
        sheet.setId("draft-form");
        open.setId("open-questions");
    }

    Region node() {
        return sheet;
    }

    void show(OnTable draft, boolean guided) {
        fromText = guided;
        shown = draft;
        Set<String> now = new HashSet<>();
        for (Field field : draft.form().fields()) {
            now.add(field.id());
            rows.computeIfAbsent(field.id(), this::row).show(field, draft);
        }
        rows.keySet().retainAll(now);
        names.show(draft);
        layOut();
    }

    private FieldRow row(String id) {
        return new FieldRow(
                id,
                value -> session.workshop().change(id, value, inAll.getAsBoolean()),
                () -> session.workshop().leaveOpen(id, inAll.getAsBoolean()),
                () -> session.workshop().takeOut(id),
                goToLine);
    }

    private void layOut() {
        List<Node> all = new ArrayList<>();
        showOpen();
        if (open.getChildren().size() > 1) {
            all.add(open);
        }
        if (!shown().newModels().isEmpty()) {
            all.add(names.node());
        }
        for (Group group : Group.values()) {
            all.add(card(group));
        }
        // What stands already is left alone, so that nobody loses the field they are in.
        if (!content.getChildren().equals(all)) {
            content.getChildren().setAll(all);
        }
    }

    private void showOpen() {
        List<Node> lines = new ArrayList<>();
        lines.add(open.getChildren().get(0));
        for (Questions.Question question : shown().open()) {
            HBox asked = line(Severity.CAUTION, question.ask(), question.field());
            if (fromText) {
                Button words = new Button("In the text");
                words.setId("from-text-" + question.field().replace(':', '-'));
                Texts.aloud(words, "Click the words of the guide that answer: " + question.ask());
                words.setMinWidth(Region.USE_PREF_SIZE);
                words.setOnAction(press -> answered.accept(question));
                HBox.setHgrow(asked.getChildren().get(1), Priority.ALWAYS);
                asked.getChildren().add(words);
            }
            lines.add(asked);
        }
        for (Trial.Found fault : shown().faults()) {
            lines.add(line(
                    Severity.STOP,
                    fault.fault().what() + " " + fault.fault().remedy(),
                    field(fault.pointer()).map(Field::id).orElse("")));
        }
        open.getChildren().setAll(lines);
    }

    private HBox line(Severity severity, String words, String field) {
        Hyperlink link = new Hyperlink();
        Texts.say(link, words);
        link.setWrapText(true);
        link.setMaxWidth(Double.MAX_VALUE);
        link.setMinHeight(Region.USE_PREF_SIZE);
        link.setOnAction(press -> focus(field));
        link.setDisable(field.isEmpty());
        HBox line = new HBox(Sign.of(severity), link);
        line.getStyleClass().add("signed-line");
        return line;
    }

    private Card card(Group group) {
        Card card = cards.computeIfAbsent(group, same -> {
            Card made = new Card(same.label());
            made.setId("group-" + same.name().toLowerCase(Locale.ROOT));
            return made;
        });
        List<Node> wanted = new ArrayList<>();
        wanted.add(card.getChildren().get(0));
        boolean whole = unfolded.contains(group);
        int hidden = 0;
        for (Field field : shown().form().fields()) {
            if (field.group() != group) {
                continue;
            }
            boolean said = !field.value().isEmpty() || field.question().isPresent();
            if (said || whole) {
                wanted.add(Objects.requireNonNull(rows.get(field.id())).node());
            } else {
                hidden++;
            }
        }
        wanted.add(more(group, hidden, whole));
        boolean same = wanted.size() == card.getChildren().size()
                && wanted.subList(0, wanted.size() - 1)
                        .equals(card.getChildren().subList(0, wanted.size() - 1));
        if (same) {
            card.getChildren().set(wanted.size() - 1, wanted.get(wanted.size() - 1));
        } else {
            card.getChildren().setAll(wanted);
        }
        return card;
    }

    private Node more(Group group, int hidden, boolean whole) {
        FlowPane buttons = new Flow();
        buttons.getStyleClass().add("buttons");
        if (hidden > 0 || whole) {
            Button more = new Button(
                    whole ? "Only what is said" : "Say more (%d fields)".formatted(hidden),
                    new FontIcon(whole ? Feather.MINUS : Feather.PLUS));
            more.setId("more-" + group.name().toLowerCase(Locale.ROOT));
            more.setOnAction(press -> {
                if (!unfolded.remove(group)) {
                    unfolded.add(group);
                }
                layOut();
            });
            buttons.getChildren().add(more);
        }
        if (group == Group.STEPS) {
            buttons.getChildren().add(adding("add-step", "Add a step", session.workshop()::addStep));
        } else if (group == Group.FILES) {
            buttons.getChildren().add(adding("add-file", "Add a file", session.workshop()::addFile));
        }
        return buttons;
    }

    private static Button adding(String id, String words, Consumer<String> adder) {
        Button add = new Button(words, new FontIcon(Feather.PLUS));
        add.setId(id);
        add.setOnAction(press -> adder.accept(""));
        return add;
    }

    /** From a value's path to its field. */
    void goTo(String path) {
        field(path).ifPresent(field -> focus(field.id()));
    }

    private Optional<Field> field(String path) {
        return shown().form().fields().stream()
                .filter(field -> !field.path().isEmpty() && path.startsWith(field.path()))
                .max(Comparator.comparingInt(field -> field.path().length()))
                .or(() -> shown().form().fields().stream()
                        .filter(field -> !path.isEmpty() && field.path().startsWith(path))
                        .findFirst());
    }

    private void focus(String id) {
        FieldRow row = rows.get(id.equals("steps") ? "step:0:text" : id);
        if (row == null) {
            content.lookup("#add-step").requestFocus();
            return;
        }
        if (row.node().getScene() == null) {
            shown().form().field(id).ifPresent(field -> unfolded.add(field.group()));
            layOut();
        }
        content.applyCss();
        content.layout();
        Bounds place = content.sceneToLocal(row.node().localToScene(row.node().getBoundsInLocal()));
        double room = content.getHeight() - sheet.getViewportBounds().getHeight();
        if (room > 0) {
            sheet.setVvalue(Math.min(1, Math.max(0, (place.getMinY() - 40) / room)));
        }
        row.focus();
    }

    /** What phones are called that the catalogue does not know. */
    private static final class PhonesCard {
        private final TextField maker = new TextField();
        private final TextField shopName = new TextField();
        private final Label which = Texts.wrapped(Texts.soft(""));
        private final Card node;

        PhonesCard(Session session, BooleanSupplier inAll) {
            maker.setId("new-maker");
            maker.setPromptText("Maker");
            Texts.aloud(maker, "Maker");
            shopName.setId("new-shop-name");
            shopName.setPromptText("What the shop called it");
            Texts.aloud(shopName, "What the shop called it");
            Button call = new Button("Call them so");
            call.setId("call-phones");
            call.disableProperty()
                    .bind(maker.textProperty()
                            .isEmpty()
                            .or(shopName.textProperty().isEmpty()));
            call.setOnAction(
                    press -> session.workshop().call(maker.getText(), shopName.getText(), inAll.getAsBoolean()));
            FlowPane row = new Flow(maker, shopName, call);
            row.getStyleClass().add("buttons");
            node = new Card("Phones that no catalogue knows yet", which, row);
        }

        Card node() {
            return node;
        }

        void show(OnTable draft) {
            int count = draft.newModels().size();
            String some = String.join(", ", draft.newModels().stream().limit(4).toList());
            Texts.say(
                    which,
                    (count > 4 ? "%s and %d more".formatted(some, count - 4) : some)
                            + (draft.shopName().isEmpty()
                                    ? ". They are added with the route; say what they are called, or leave it."
                                    : ". They are added with the route as “%s %s”."
                                            .formatted(draft.maker(), draft.shopName())));
        }
    }

    /** What is shown; nothing is asked of it before. */
    private OnTable shown() {
        return Objects.requireNonNull(shown);
    }
}
