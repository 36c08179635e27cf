package org.mobrak.desktop.workshop;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Hyperlink;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.fxmisc.flowless.VirtualizedScrollPane;
import org.fxmisc.richtext.Caret.CaretVisibility;
import org.fxmisc.richtext.StyleClassedTextArea;
import org.fxmisc.richtext.model.StyleSpans;
import org.fxmisc.richtext.model.StyleSpansBuilder;
import org.fxmisc.richtext.model.TwoDimensional;
import org.mobrak.app.Session;
import org.mobrak.app.workshop.Since;
import org.mobrak.app.workshop.WorkshopView;
import org.mobrak.core.identity.Severity;
import org.mobrak.core.learn.GuideView;
import org.mobrak.core.learn.Lesson;
import org.mobrak.core.learn.Questions;
import org.mobrak.core.learn.form.Group;
import org.mobrak.core.learn.form.Saying;
import org.mobrak.core.learn.reading.Understood.Role;
import org.mobrak.desktop.parts.Flow;
import org.mobrak.desktop.parts.Sheet;
import org.mobrak.desktop.parts.Sign;
import org.mobrak.desktop.parts.Texts;

/** The guide as it was written, with what was understood marked in it; a piece of it can be given a meaning. */
final class GuidePane {
    private static final int MOST_WARNINGS = 12;
    private static final int MOST_UNPLACED = 20;
    /** Below so many letters' heights the legend has no room. */
    private static final double LOW = 40;

    private static final int LONG_LINE = 90;

    private final Session session;
    private final Consumer<String> goToField;
    private final StyleClassedTextArea text = new StyleClassedTextArea();
    private final MenuButton meaning = new MenuButton("This is …");
    private final Label picked = Texts.soft("");
    private final VBox warnings = new VBox();
    private final Sheet odd = new Sheet(warnings);
    private final FlowPane legend = legend();
    private final VBox node = new VBox();
    private GuideView shown = new GuideView(List.of());
    /** The question that the words clicked next answer. */
    private Optional<Questions.Question> awaited = Optional.empty();

    /** @param goToField is given the path of the value that was clicked */
    GuidePane(Session session, Consumer<String> goToField) {
        this.session = session;
        this.goToField = goToField;
        text.setId("guide");
        text.setEditable(false);
        text.setWrapText(true);
        text.setShowCaret(CaretVisibility.ON);
        text.getStyleClass().add("guide");
        text.setParagraphGraphicFactory(this::number);
        Texts.aloud(text, "The guide's text; select a piece and say what it is");
        text.selectedTextProperty().addListener((source, before, now) -> showPicked(now));
        text.addEventHandler(MouseEvent.MOUSE_CLICKED, click -> {
            if (awaited.isPresent()) {
                answer();
            } else {
                open();
            }
        });
        text.addEventHandler(KeyEvent.KEY_PRESSED, key -> {
            if (key.getCode() == KeyCode.ENTER) {
                open();
            }
        });
        meaning.setId("meaning");
        for (Saying saying : Saying.values()) {
            MenuItem item = Texts.item(saying.label());
            item.setId("meaning-" + saying.name().toLowerCase(Locale.ROOT));
            item.setOnAction(press -> selected()
                    .ifPresent(line ->
                            session.workshop().say(saying, text.getSelectedText(), line.file(), line.number())));
            meaning.getItems().add(item);
        }
        meaning.setMinWidth(Region.USE_PREF_SIZE);
        HBox.setHgrow(picked, Priority.ALWAYS);
        picked.setMinWidth(0);
        HBox bar = new HBox(meaning, Texts.wrapped(picked));
        bar.getStyleClass().add("signed-line");
        warnings.getStyleClass().add("lines");
        VirtualizedScrollPane<StyleClassedTextArea> scroll = new VirtualizedScrollPane<>(text);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        odd.setId("guide-odd");
        odd.getStyleClass().add("guide-warnings");
        node.getChildren().addAll(scroll, bar, legend, odd);
        node.getStyleClass().add("guide-pane");
        showPicked("");
        // Where there is little height, the text comes before what its marks mean.
        node.heightProperty()
                .addListener((source, before, now) ->
                        showLegend(now.doubleValue() > LOW * picked.getFont().getSize()));
    }

    private void showLegend(boolean seen) {
        legend.setVisible(seen);
        legend.setManaged(seen);
    }

    Region node() {
        return node;
    }

    void show(WorkshopView view) {
        if (!shown.equals(view.guide())) {
            boolean sameText = texts(shown).equals(texts(view.guide()));
            shown = view.guide();
            if (!sameText) {
                text.replaceText(texts(shown));
                text.moveTo(0);
                text.requestFollowCaret();
            }
            if (!shown.lines().isEmpty() && text.getLength() > 0) {
                text.setStyleSpans(0, spans());
            }
        }
        warnings.getChildren().setAll(unplaced(view.unplaced()));
        warnings.getChildren().addAll(since(view.since()));
        warnings.getChildren()
                .addAll(view.warnings().stream()
                        .limit(MOST_WARNINGS)
                        .map(GuidePane::warning)
                        .toList());
        odd.getStyleClass().remove("guide-unplaced");
        if (!view.unplaced().isEmpty() || !view.since().isNothing()) {
            odd.getStyleClass().add("guide-unplaced");
        }
        if (view.warnings().size() > MOST_WARNINGS) {
            warnings.getChildren()
                    .add(Texts.soft("… and %d more.".formatted(view.warnings().size() - MOST_WARNINGS)));
        }
    }

    private static String texts(GuideView view) {
        return view.lines().stream().map(GuideView.Line::text).collect(Collectors.joining("\n"));
    }

    /** Lines that look like orders or conditions and were not understood: the first thing to look at. */
    private List<Node> unplaced(List<GuideView.Line> lines) {
        if (lines.isEmpty()) {
            return List.of();
        }
        List<Node> rows = new ArrayList<>();
        rows.add(Texts.wrapped(Texts.plain((lines.size() == 1
                        ? "1 line looks like an order or a condition and was not understood."
                        : lines.size() + " lines look like orders or conditions and were not understood.")
                + " Before you confirm, select each and say what it is, or say that it does not matter.")));
        for (GuideView.Line line : lines.subList(0, Math.min(MOST_UNPLACED, lines.size()))) {
            rows.add(unplaced(line));
        }
        Button none = new Button("None of them matters");
        none.setId("wave-off-all");
        none.setOnAction(press -> session.workshop().waveOffAll());
        rows.add(none);
        return rows;
    }

    private Node unplaced(GuideView.Line line) {
        Hyperlink there = new Hyperlink();
        Texts.say(there, "Line %d: %s".formatted(line.number(), shortened(line.text())));
        there.setOnAction(press -> goTo(line.file(), line.number()));
        HBox.setHgrow(there, Priority.ALWAYS);
        there.setMinWidth(0);
        Button off = new Button("Does not matter");
        off.setId("wave-off-" + line.number());
        off.setMinWidth(Region.USE_PREF_SIZE);
        off.setOnAction(press -> session.workshop().waveOff(line.file(), line.number()));
        HBox row = new HBox(Sign.of(Severity.CAUTION), there, off);
        row.getStyleClass().add("signed-line");
        return row;
    }

    private static String shortened(String text) {
        String line = text.strip();
        return line.length() <= LONG_LINE ? line : line.substring(0, LONG_LINE) + "…";
    }

    /** What is otherwise since the same guide was read before. */
    private List<Node> since(Since since) {
        if (since.isNothing()) {
            return List.of();
        }
        List<Node> rows = new ArrayList<>();
        rows.add(Texts.wrapped(Texts.plain("Since you last read it: %d new lines, %d gone."
                .formatted(since.fresh().size(), since.gone().size()))));
        for (Since.Fresh line :
                since.fresh().subList(0, Math.min(MOST_UNPLACED, since.fresh().size()))) {
            Hyperlink there = new Hyperlink();
            Texts.say(there, "New, line %d: %s".formatted(line.line(), shortened(line.text())));
            there.setOnAction(press -> goTo(line.file(), line.line()));
            rows.add(there);
        }
        since.gone().stream()
                .limit(MOST_UNPLACED)
                .forEach(text -> rows.add(Texts.wrapped(Texts.soft("Gone: " + shortened(text)))));
        return rows;
    }

    /** The next words that are clicked or selected answer a question. */
    void await(Questions.Question question) {
        awaited = Optional.of(question);
        Texts.say(picked, "Click the word that answers it, or select the words: " + question.ask());
        picked.setVisible(true);
        picked.setManaged(true);
        text.requestFocus();
    }

    private void answer() {
        if (text.getSelectedText().isBlank()) {
            text.selectWord();
        }
        String words = text.getSelectedText();
        if (words.isBlank()) {
            return;
        }
        Optional<GuideView.Line> line = selected();
        awaited.ifPresent(question ->
                line.ifPresent(one -> session.workshop().answer(question.field(), words, one.file(), one.number())));
        awaited = Optional.empty();
        showPicked(words);
    }

    /** The line in which the selection begins. */
    private Optional<GuideView.Line> selected() {
        int paragraph = text.offsetToPosition(text.getSelection().getStart(), TwoDimensional.Bias.Forward)
                .getMajor();
        return paragraph < shown.lines().size() ? Optional.of(shown.lines().get(paragraph)) : Optional.empty();
    }

    private static Node warning(Lesson.Warning warning) {
        HBox line = new HBox(
                Sign.of(Severity.CAUTION),
                Texts.wrapped(Texts.soft("Line %d: %s".formatted(warning.line(), warning.text()))));
        line.getStyleClass().add("signed-line");
        return line;
    }

    private StyleSpans<Collection<String>> spans() {
        StyleSpansBuilder<Collection<String>> spans = new StyleSpansBuilder<>();
        for (GuideView.Line line : shown.lines()) {
            int at = 0;
            for (GuideView.Mark mark : line.marks()) {
                spans.add(List.of(), mark.start() - at);
                spans.add(List.of(style(mark), "sure-" + mark.sure().word()), mark.end() - mark.start());
                at = mark.end();
            }
            spans.add(List.of(), line.text().length() - at + 1);
        }
        return spans.create();
    }

    private static String style(GuideView.Mark mark) {
        String inRoute = mark.path().replaceFirst("^/routes/[0-9]{1,6}", "");
        return "read-" + Group.ofPath(inRoute).name().toLowerCase(Locale.ROOT);
    }

    /** The line's number and what it was taken for. */
    private Node number(int paragraph) {
        if (paragraph >= shown.lines().size()) {
            return new HBox();
        }
        GuideView.Line line = shown.lines().get(paragraph);
        Label number = Texts.soft(String.valueOf(line.number()));
        number.getStyleClass().add("guide-number");
        Label role = Texts.soft(line.text().isBlank() ? "" : word(line.role()));
        role.getStyleClass().addAll("guide-role", "role-" + line.role().word());
        HBox margin = new HBox(number, role);
        margin.setMinWidth(Region.USE_PREF_SIZE);
        return margin;
    }

    private static String word(Role role) {
        return switch (role) {
            case UNPLACED -> "what?";
            case TITLE -> "title";
            case STEP -> "step";
            case REQUIREMENT -> "needs";
            case FILE -> "file";
            case EXCLUDED -> "not for";
            case PHONE -> "phone";
            case WAIT -> "wait";
            case REMEDY -> "if not";
            case SIGN -> "sign";
            case DANGER -> "danger";
            case EDIT -> "edit";
            case REPORT -> "report";
            case WITHDRAWN -> "struck";
            case QUOTED -> "quoted";
            case NAVIGATION -> "skipped";
            case TALK -> "";
        };
    }

    private void showPicked(String now) {
        boolean none = now.isBlank();
        meaning.setDisable(none);
        Texts.say(
                picked,
                none
                        ? "Select a piece to say what it is; a click on a mark, or Enter, leads to its field."
                        : "“%s”".formatted(now.length() > 60 ? now.substring(0, 60) + "…" : now));
    }

    /** From the mark under the caret to its field. */
    private void open() {
        int paragraph = text.getCurrentParagraph();
        int column = text.getCaretColumn();
        if (text.getSelectedText().isEmpty() && paragraph < shown.lines().size()) {
            markAt(shown.lines().get(paragraph), column)
                    .ifPresent(mark -> goToField.accept(mark.path().replaceFirst("^/routes/[0-9]{1,6}", "")));
        }
    }

    private static Optional<GuideView.Mark> markAt(GuideView.Line line, int column) {
        return line.marks().stream()
                .filter(mark -> mark.start() <= column && column <= mark.end())
                .findFirst();
    }

    /** Shows a line of the guide and marks it. */
    void goTo(String file, int line) {
        for (int i = 0; i < shown.lines().size(); i++) {
            GuideView.Line one = shown.lines().get(i);
            if (one.number() == line && one.file().equals(file)) {
                text.showParagraphInViewport(i);
                text.selectRange(i, 0, i, one.text().length());
                return;
            }
        }
    }

    private static FlowPane legend() {
        FlowPane legend = new Flow();
        legend.getStyleClass().add("legend");
        for (Group group : Group.values()) {
            Label label = Texts.soft(group.word());
            label.getStyleClass()
                    .addAll("legend-entry", "legend-" + group.name().toLowerCase(Locale.ROOT));
            legend.getChildren().add(label);
        }
        return legend;
    }
}
