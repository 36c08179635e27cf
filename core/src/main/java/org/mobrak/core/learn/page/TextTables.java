package org.mobrak.core.learn.page;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Tables within a text: parted by strokes, by tabs, by BBCode, or set in columns. */
final class TextTables {
    private static final int MOST_CELLS = 60;
    private static final Pattern RULE = Pattern.compile("[-=:|+\\s]{3,}");
    private static final Pattern GAP = Pattern.compile("\\s{2,}");
    private static final Pattern CELL = Pattern.compile("(?i)\\[t([dh])[^\\]]{0,40}\\](.*?)(?=\\[/t[dh]\\]|$)");
    private static final Pattern HEADED = Pattern.compile(
            "(?i)\\b(?:model|type|phone|device|variant|version|os|build|file|zip|image|package|md5|sha-?1|sha-?256|sum|checksum|status|state|works|carrier|chip(?:set)?)s?\\b");
    private static final int FEWEST_COLUMNS = 3;

    private final String file;
    private final Markup markup;

    TextTables(String file, Markup markup) {
        this.file = file;
        this.markup = markup;
    }

    /** A table, and the index of its last line. */
    record Found(List<Block> rows, int last) {}

    /** The table that begins at a line, if one does. */
    Optional<Found> at(String[] lines, int from) {
        String line = lines[from];
        if (line.toLowerCase(Locale.ROOT).contains("[tr]")) {
            return Optional.of(tagged(lines, from));
        }
        if (line.strip().startsWith("{|")) {
            return Optional.of(wiki(lines, from));
        }
        if (isStroked(line) && from + 1 < lines.length && isStroked(lines[from + 1])) {
            return Optional.of(stroked(lines, from));
        }
        if (isTabbed(line) && from + 1 < lines.length && isTabbed(lines[from + 1])) {
            return Optional.of(tabbed(lines, from));
        }
        Optional<Found> cards = new CardTables(file, markup).at(lines, from);
        if (cards.isPresent()) {
            return cards;
        }
        Optional<Found> headed = columns(lines, from);
        return headed.isPresent() ? headed : headless(lines, from);
    }

    private static final Pattern VALUE = Pattern.compile(
            "[\\w.-]{3,60}\\.(?:zip|img|tar|md5|apk|bin)|[vV]?\\d{1,2}\\.\\d{1,2}(?:\\.\\d{1,2})?|[0-9a-fA-F]{32,64}");

    /** Lines of as many pieces with wide gaps between them, each with a file, a version or a checksum: a table that nobody headed. */
    private Optional<Found> headless(String[] lines, int from) {
        int pieces = pieces(lines[from]);
        if (pieces < FEWEST_COLUMNS) {
            return Optional.empty();
        }
        int to = from;
        int valued = 0;
        while (to < lines.length && Math.abs(pieces(lines[to]) - pieces) <= 1 && pieces(lines[to]) >= FEWEST_COLUMNS) {
            valued += Arrays.stream(GAP.split(lines[to].strip()))
                            .anyMatch(piece -> VALUE.matcher(piece).matches())
                    ? 1
                    : 0;
            to++;
        }
        if (to - from < FEWEST_COLUMNS || valued * 3 < (to - from) * 2) {
            return Optional.empty();
        }
        List<Block> rows = new ArrayList<>();
        add(rows, from + 1, java.util.Collections.nCopies(pieces, ""));
        for (int i = from; i < to; i++) {
            add(rows, i + 1, Arrays.asList(GAP.split(lines[i].strip())));
        }
        return Optional.of(new Found(rows, to - 1));
    }

    private static int pieces(String line) {
        return line.isBlank() || line.length() > 300 ? 0 : GAP.split(line.strip()).length;
    }

    private Found wiki(String[] lines, int from) {
        Wiki.Found found = Wiki.table(lines, from);
        List<Block> rows = new ArrayList<>();
        for (Wiki.Row row : found.rows()) {
            List<Text> cells = new ArrayList<>();
            int kept = 0;
            int struck = 0;
            for (int i = 0; i < row.cells().size(); i++) {
                int line = row.lines().get(i) + 1;
                String words = markup.line(line, row.cells().get(i)).text();
                kept += words.isBlank() ? 0 : 1;
                struck += words.isBlank() && !row.cells().get(i).isBlank() ? 1 : 0;
                cells.add(Text.of(file, line, words));
            }
            if (kept > 0 && struck <= kept) {
                row(rows, cells);
            }
        }
        return new Found(rows, found.last());
    }

    private static boolean isTabbed(String line) {
        return line.strip().chars().filter(one -> one == '\t').count() >= 2;
    }

    private static boolean isStroked(String line) {
        return line.chars().filter(one -> one == '|').count() >= 2
                && !line.strip().startsWith("+-");
    }

    private Found stroked(String[] lines, int from) {
        List<Block> rows = new ArrayList<>();
        int at = from;
        boolean headless = lines[from].chars().allMatch(one -> one == '|' || Character.isWhitespace(one));
        for (; at < lines.length && (isStroked(lines[at]) || lines[at].strip().startsWith("|")); at++) {
            String bare = lines[at].strip();
            if (RULE.matcher(bare).matches()
                    || bare.startsWith("{|")
                    || bare.startsWith("|}")
                    || bare.startsWith("|-")) {
                continue;
            }
            String inner = bare.startsWith("|") || bare.startsWith("!") ? bare.substring(1) : bare;
            inner = inner.endsWith("|") ? inner.substring(0, inner.length() - 1) : inner;
            add(rows, at + 1, Arrays.asList(inner.split(inner.contains("||") ? "\\|\\|" : "!!|\\|", MOST_CELLS)));
        }
        return new Found(headless && isSheet(rows) ? labelled(rows) : rows, at - 1);
    }

    /** Two columns: a sheet of labels and what stands behind them. */
    private static boolean isSheet(List<Block> rows) {
        return rows.size() > 1 && rows.stream().allMatch(row -> row.cells().size() <= 2);
    }

    private List<Block> labelled(List<Block> rows) {
        List<Block> items = new ArrayList<>();
        for (Block row : rows) {
            Text.Builder item = new Text.Builder(file);
            for (Block.Cell cell : row.cells()) {
                item.append(
                        (item.isEmpty() ? "" : ": ") + cell.text().value().strip(),
                        cell.text().firstLine());
            }
            items.add(Block.of(Block.Kind.ITEM, item.build()));
        }
        return items;
    }

    private Found tabbed(String[] lines, int from) {
        List<Block> rows = new ArrayList<>();
        int at = from;
        List<String> head = new ArrayList<>();
        for (; at < lines.length && lines[at].contains("\t"); at++) {
            List<String> cells = Arrays.asList(lines[at].split("\t", MOST_CELLS));
            boolean words = cells.stream().noneMatch(cell -> cell.matches(".*\\d{2,}.*"));
            if (rows.isEmpty() && words && at + 1 < lines.length && lines[at + 1].contains("\t") && head.isEmpty()) {
                head.addAll(cells);
                boolean second = Arrays.stream(lines[at + 1].split("\t"))
                        .noneMatch(cell -> cell.matches(".*(?:\\d\\.\\d|\\d{3,}).*"));
                if (second) {
                    List<String> lower = Arrays.asList(lines[++at].split("\t", MOST_CELLS));
                    List<String> both = new ArrayList<>();
                    for (int i = 0; i < Math.max(head.size(), lower.size()); i++) {
                        both.add(((i < lower.size() ? lower.get(i) : "") + " " + (i < head.size() ? head.get(i) : ""))
                                .strip());
                    }
                    add(rows, at + 1, both);
                } else {
                    add(rows, at + 1, head);
                }
                continue;
            }
            add(rows, at + 1, cells);
        }
        return new Found(rows, at - 1);
    }

    private Found tagged(String[] lines, int from) {
        List<Block> rows = new ArrayList<>();
        int at = from;
        for (; at < lines.length; at++) {
            String line = lines[at];
            String lower = line.toLowerCase(Locale.ROOT);
            Matcher cells = CELL.matcher(line);
            List<String> found = new ArrayList<>();
            int struck = 0;
            while (cells.find()) {
                String cell = cells.group(2).strip();
                String rest = markup.unstruck(at + 1, cell).strip();
                struck += !cell.isEmpty() && rest.length() * 2 < cell.length() ? 1 : 0;
                found.add(rest);
            }
            if (!found.isEmpty() && struck * 2 < found.size()) {
                add(rows, at + 1, found);
            }
            if (lower.contains("[/table]") || found.isEmpty() && !lower.contains("[t")) {
                break;
            }
        }
        return new Found(rows, Math.min(at, lines.length - 1));
    }

    /** Columns below a head of known words, parted by two blanks or more. */
    private Optional<Found> columns(String[] lines, int from) {
        String head = lines[from];
        String[] names = GAP.split(head.strip());
        if (names.length < FEWEST_COLUMNS || names.length > 12 || head.length() > 300) {
            return Optional.empty();
        }
        long known = Arrays.stream(names)
                .filter(name -> name.length() < 24 && HEADED.matcher(name).find())
                .count();
        if (known < 2) {
            return Optional.empty();
        }
        List<Integer> starts = new ArrayList<>();
        int at = 0;
        for (String name : names) {
            at = head.indexOf(name, at);
            starts.add(at);
            at += name.length();
        }
        List<Block> rows = new ArrayList<>();
        add(rows, from + 1, Arrays.asList(names));
        int last = from;
        for (int i = from + 1; i < lines.length && !lines[i].isBlank(); i++) {
            last = i;
            if (!RULE.matcher(lines[i].strip()).matches()) {
                add(rows, i + 1, cut(lines[i], starts));
            }
        }
        return rows.size() < 2 ? Optional.empty() : Optional.of(new Found(rows, last));
    }

    /** The cells of a row by where its columns begin; a word is never cut. */
    private static List<String> cut(String line, List<Integer> starts) {
        List<String> cells = new ArrayList<>();
        int from = 0;
        for (int i = 0; i < starts.size(); i++) {
            int to = i + 1 < starts.size() ? Math.min(line.length(), starts.get(i + 1)) : line.length();
            while (i + 1 < starts.size()
                    && to > from
                    && to < line.length()
                    && !Character.isWhitespace(line.charAt(to - 1))) {
                to--;
            }
            cells.add(from < to ? line.substring(from, to).strip() : "");
            from = Math.max(from, to);
        }
        return cells;
    }

    private void add(List<Block> rows, int line, List<String> cells) {
        row(
                rows,
                cells.stream()
                        .map(cell -> Text.of(file, line, markup.line(line, cell).text()))
                        .toList());
    }

    private void row(List<Block> rows, List<Text> cells) {
        Text.Builder whole = new Text.Builder(file);
        for (Text cell : cells) {
            whole.append((whole.isEmpty() ? "" : " | ") + cell.value(), cell.firstLine());
        }
        rows.add(new Block(
                rows.isEmpty() ? Block.Kind.HEAD : Block.Kind.ROW,
                whole.build(),
                0,
                cells.stream().map(Block.Cell::new).toList(),
                ""));
    }
}
