package org.mobrak.core.learn.page;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The marks of a wiki's source: heads between equals signs, lists by stars and hashes, and tables between braces. */
final class Wiki {
    private static final Pattern HEAD = Pattern.compile("={2,5} ?[^=]{1,80} ?={2,5}\\s*");
    private static final Pattern LINK = Pattern.compile("\\[\\[(?:[^\\]|]{0,200}\\|)?([^\\]|]{1,200})\\]\\]");
    private static final Pattern NUMBERED = Pattern.compile("^(#{1,3})[ :]?(?=[^#\\s])");
    private static final Pattern ITEM = Pattern.compile("^(?:\\*{1,3}|[;:]{1,2}) ?(?=[^*\\s])");
    private static final Pattern NOTE =
            Pattern.compile("<ref[^>]{0,80}/>|<ref[^>]{0,80}>.{0,300}?</ref>|\\{\\{[^{}]{0,200}\\}\\}");
    /** What stands before a cell's text, such as {@code rowspan="2" |}. */
    private static final Pattern SPAN = Pattern.compile("(?i)(row|col)span=\"?(\\d{1,2})");

    private static final Pattern ATTRIBUTES = Pattern.compile("^[^|\\[\\]{}]{0,120}=[^|]{0,120}\\|(?!\\|)");

    private Wiki() {}

    private static boolean isWiki(String[] lines) {
        boolean braces = false;
        boolean heads = false;
        boolean bold = false;
        for (String line : lines) {
            braces |= line.strip().startsWith("{|");
            heads |= HEAD.matcher(line).matches();
            bold |= line.contains("'''") || line.contains("[[");
        }
        return braces || heads && bold;
    }

    /** Takes the marks off the lines of a wiki's source, outside its tables; other texts stay as they are. */
    static void plain(String[] lines) {
        if (!isWiki(lines)) {
            return;
        }
        for (int i = 0; i < lines.length; i++) {
            String line = NOTE.matcher(lines[i]).replaceAll("");
            line = LINK.matcher(line).replaceAll("$1").replace("'''", "").replace("''", "");
            line = NUMBERED.matcher(line).replaceFirst("1. ");
            lines[i] = ITEM.matcher(line).replaceFirst("- ");
        }
    }

    /** A cell of a row. */
    private record Cell(String text, int line, int rows, int columns) {}

    /** A row of a table, with the line of each cell. */
    record Row(List<String> cells, List<Integer> lines) {}

    /** A table, and the index of its last line. */
    record Found(List<Row> rows, int last) {}

    /** The table that begins with a brace on a line; spans are filled with what they span. */
    static Found table(String[] lines, int from) {
        List<List<Cell>> rows = new ArrayList<>();
        List<Cell> open = new ArrayList<>();
        int at = from + 1;
        for (; at < lines.length && !lines[at].strip().startsWith("|}"); at++) {
            String bare = lines[at].strip();
            if (bare.startsWith("|-")) {
                open = close(rows, open);
            } else if (bare.startsWith("|+") || bare.isEmpty()) {
                continue;
            } else if (bare.startsWith("|") || bare.startsWith("!")) {
                String[] parts = bare.substring(1).split(bare.startsWith("!") ? "!!|\\|\\|" : "\\|\\|", 60);
                for (String part : parts) {
                    open.add(cell(part, at));
                }
            } else if (!open.isEmpty()) {
                Cell last = open.remove(open.size() - 1);
                open.add(new Cell(last.text() + " " + bare, last.line(), last.rows(), last.columns()));
            }
        }
        close(rows, open);
        return new Found(spanned(rows), Math.min(at, lines.length - 1));
    }

    private static List<Cell> close(List<List<Cell>> rows, List<Cell> open) {
        if (!open.isEmpty()) {
            rows.add(open);
        }
        return new ArrayList<>();
    }

    private static Cell cell(String part, int line) {
        Matcher attributes = ATTRIBUTES.matcher(part);
        int rows = 1;
        int columns = 1;
        String text = part;
        if (attributes.find()) {
            Matcher span = SPAN.matcher(attributes.group());
            while (span.find()) {
                if (span.group(1).equalsIgnoreCase("row")) {
                    rows = Integer.parseInt(span.group(2));
                } else {
                    columns = Integer.parseInt(span.group(2));
                }
            }
            text = part.substring(attributes.end());
        }
        return new Cell(text.strip(), line, rows, columns);
    }

    private static List<Row> spanned(List<List<Cell>> rows) {
        int width = rows.stream()
                .mapToInt(row -> row.stream().mapToInt(Cell::columns).sum())
                .max()
                .orElse(0);
        Cell[] below = new Cell[Math.min(width, 60)];
        int[] left = new int[below.length];
        List<Row> filled = new ArrayList<>();
        for (List<Cell> row : rows) {
            String[] texts = new String[below.length];
            Integer[] at = new Integer[below.length];
            int column = 0;
            int next = 0;
            while (column < below.length) {
                if (left[column] > 0) {
                    texts[column] = below[column].text();
                    at[column] = below[column].line();
                    left[column]--;
                    column++;
                } else if (next < row.size()) {
                    Cell cell = row.get(next++);
                    for (int i = 0; i < cell.columns() && column < below.length; i++, column++) {
                        texts[column] = cell.text();
                        at[column] = cell.line();
                        below[column] = cell;
                        left[column] = cell.rows() - 1;
                    }
                } else {
                    break;
                }
            }
            filled.add(new Row(
                    Arrays.asList(texts).subList(0, column), Arrays.asList(at).subList(0, column)));
        }
        return filled;
    }
}
