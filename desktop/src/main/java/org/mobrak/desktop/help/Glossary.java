package org.mobrak.desktop.help;

import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Labeled;

/** The words of the trade: underlined wherever they are seen while help is open, and explained in it. */
final class Glossary {
    private static final Pattern ENTRY = Pattern.compile("- \\*\\*(.+?)\\*\\*: (.*)");
    private static final String MARK = "has-term";

    private final Map<String, String> meanings = new LinkedHashMap<>();
    private final Pattern any;
    private final Set<Node> marked = new LinkedHashSet<>();

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
        marked.forEach(node -> node.getStyleClass().remove(MARK));
        marked.clear();
    }

    private void walk(Node node, Set<String> found) {
        if (!node.isVisible()) {
            return;
        }
        if (node instanceof Labeled labeled && labeled.getText() != null) {
            Set<String> here = in(labeled.getText());
            if (!here.isEmpty()) {
                found.addAll(here);
                node.getStyleClass().add(MARK);
                marked.add(node);
            }
        }
        if (node instanceof Parent parent) {
            parent.getChildrenUnmodifiable().forEach(child -> walk(child, found));
        }
    }

    Set<String> in(String text) {
        return any.matcher(text)
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
