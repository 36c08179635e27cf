package org.mobrak.core.learn.page;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Records written as lines of “label: value”, one below the other: a table that was turned on its side. */
final class CardTables {
    private static final Pattern LINE = Pattern.compile("^\\s{0,8}(\\p{Lu}[\\p{L}\\d /.-]{1,24}?)\\s*:\\s+(\\S.*)$");
    private static final Pattern RULE = Pattern.compile("[-=_*~ ]{3,}");
    private static final int FEWEST_LINES = 3;
    private static final int FEWEST_CARDS = 2;

    private final String file;
    private final Markup markup;

    CardTables(String file, Markup markup) {
        this.file = file;
        this.markup = markup;
    }

    /** A value, and the index of its line. */
    private record Value(String text, int line) {}

    /** The records that begin at a line with a label that begins each of them; empty where there are not two. */
    Optional<TextTables.Found> at(String[] lines, int from) {
        Matcher first = LINE.matcher(lines[from]);
        if (!first.matches()) {
            return Optional.empty();
        }
        String begin = label(first.group(1));
        List<Map<String, Value>> cards = new ArrayList<>();
        int last = from;
        for (int i = from; i < lines.length; i++) {
            Matcher line = LINE.matcher(lines[i]);
            if (line.matches()) {
                String label = label(line.group(1));
                boolean again = cards.stream().anyMatch(card -> card.containsKey(label));
                if (i > from && lines[i - 1].isBlank() && !label.equals(begin) && !again) {
                    break;
                }
                if (label.equals(begin)) {
                    cards.add(new LinkedHashMap<>());
                }
                cards.get(cards.size() - 1)
                        .putIfAbsent(label, new Value(line.group(2).strip(), i));
                last = i;
            } else if (!lines[i].isBlank() && !RULE.matcher(lines[i].strip()).matches()) {
                break;
            }
        }
        long full = cards.stream().filter(card -> card.size() >= FEWEST_LINES).count();
        return full < FEWEST_CARDS || full < cards.size() - 1
                ? Optional.empty()
                : Optional.of(new TextTables.Found(rows(cards, from), last));
    }

    private static String label(String said) {
        return said.strip().toLowerCase(Locale.ROOT);
    }

    private List<Block> rows(List<Map<String, Value>> cards, int from) {
        List<String> labels = cards.stream()
                .flatMap(card -> card.keySet().stream())
                .distinct()
                .toList();
        List<Block> rows = new ArrayList<>();
        rows.add(row(
                Block.Kind.HEAD,
                labels.stream().map(label -> Text.of(file, from + 1, label)).toList()));
        cards.forEach(card -> rows.add(row(
                Block.Kind.ROW, labels.stream().map(label -> cell(card, label)).toList())));
        return rows;
    }

    private Text cell(Map<String, Value> card, String label) {
        int begin = card.values().iterator().next().line() + 1;
        return Optional.ofNullable(card.get(label))
                .map(value -> Text.of(
                        file,
                        value.line() + 1,
                        markup.line(value.line() + 1, value.text()).text()))
                .orElseGet(() -> Text.of(file, begin, ""));
    }

    private Block row(Block.Kind kind, List<Text> cells) {
        Text.Builder whole = new Text.Builder(file);
        cells.stream()
                .filter(cell -> !cell.isBlank())
                .forEach(cell -> whole.append((whole.isEmpty() ? "" : " | ") + cell.value(), cell.firstLine()));
        return new Block(
                kind, whole.build(), 0, cells.stream().map(Block.Cell::new).toList(), "");
    }
}
