package org.mobrak.desktop.help;

import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import javafx.beans.value.ChangeListener;
import javafx.collections.ListChangeListener;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Labeled;
import org.jspecify.annotations.Nullable;

/** The words of the trade: underlined wherever they are seen while help is open, and explained in it. */
final class Glossary {
    private static final Pattern ENTRY = Pattern.compile("- \\*\\*(.+?)\\*\\*: (.*)");
    private static final String MARK = "has-term";

    private final Map<String, String> meanings = new LinkedHashMap<>();
    private final Pattern any;
    private final Map<Labeled, ChangeListener<String>> followed = new LinkedHashMap<>();
    private final Map<Parent, ListChangeListener<Node>> awaited = new LinkedHashMap<>();

    Glossary(String text) {
        text.lines()
                .map(ENTRY::matcher)
                .filter(Matcher::matches)
                .forEach(entry -> meanings.put(entry.group(1), entry.group(2)));
        // The longer first, so that a warranty fuse is not taken for anything shorter; a plural is the same word.
        String words = meanings.keySet().stream()
                .sorted((one, other) -> other.length() - one.length())
                .map(Pattern::quote)
                .collect(Collectors.joining("|"));
        any = Pattern.compile("\\b(" + words + ")(?:s|es)?\\b", Pattern.CASE_INSENSITIVE);
    }

    /** Underlines what stands below a node and has words of the trade in it; gives those words. */
    Set<String> mark(Node root) {
        unmark();
        Set<String> found = new LinkedHashSet<>();
        walk(root, found);
        return found;
    }

    void unmark() {
        followed.forEach((label, follower) -> {
            label.textProperty().removeListener(follower);
            label.getStyleClass().remove(MARK);
        });
        followed.clear();
        awaited.forEach((parent, follower) -> parent.getChildrenUnmodifiable().removeListener(follower));
        awaited.clear();
    }

    private void walk(Node node, Set<String> found) {
        if (!node.isVisible()) {
            return;
        }
        if (node instanceof Labeled label) {
            found.addAll(in(label.getText()));
            follow(label);
        }
        if (node instanceof Parent parent) {
            parent.getChildrenUnmodifiable().forEach(child -> walk(child, found));
            await(parent);
        }
    }

    /** A list makes rows when they are scrolled to. */
    private void await(Parent parent) {
        if (awaited.containsKey(parent)) {
            return;
        }
        ListChangeListener<Node> follower = change -> {
            while (change.next()) {
                change.getAddedSubList().forEach(child -> walk(child, new LinkedHashSet<>()));
            }
        };
        parent.getChildrenUnmodifiable().addListener(follower);
        awaited.put(parent, follower);
    }

    /** A row of a list comes to say something else while help is open. */
    private void follow(Labeled label) {
        if (followed.containsKey(label)) {
            return;
        }
        ChangeListener<String> follower = (property, before, now) -> underline(label, now);
        label.textProperty().addListener(follower);
        followed.put(label, follower);
        underline(label, label.getText());
    }

    private void underline(Labeled label, @Nullable String text) {
        label.getStyleClass().remove(MARK);
        if (!in(text).isEmpty()) {
            label.getStyleClass().add(MARK);
        }
    }

    Set<String> in(@Nullable String text) {
        return any.matcher(text == null ? "" : text)
                .results()
                .map(word -> word.group(1).toLowerCase(Locale.ROOT))
                .collect(Collectors.toCollection(LinkedHashSet::new));
    }

    /** Some words with their meanings, as the help shows them. */
    String told(String heading, Set<String> words) {
        return "# " + heading + "\n\n"
                + meanings.entrySet().stream()
                        .filter(entry -> words.contains(entry.getKey()))
                        .map(entry -> "- **" + entry.getKey() + "**: " + entry.getValue())
                        .collect(Collectors.joining("\n"));
    }

    Set<String> words() {
        return meanings.keySet();
    }
}
