package org.mobrak.core.learn.page;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jsoup.nodes.Element;

/** A table of a page as rows; cells that reach over several rows or columns stand in each. A row that is crossed out is none. */
final class HtmlTable {
    private static final int MOST_CELLS = 60;
    private static final int MOST_SPAN = 500;
    private static final int MOST_ROWS = 20_000;

    private final String file;
    private final List<Block> blocks;
    private final List<Text> struck;

    HtmlTable(String file, List<Block> blocks, List<Text> struck) {
        this.file = file;
        this.blocks = blocks;
        this.struck = struck;
    }

    /** A cell that reaches down into rows to come. */
    private record Reach(int rows, Text text, boolean crossed) {}

    /** The cells of the row at hand that are crossed out. */
    private final List<Integer> lone = new ArrayList<>();

    void read(Element table) {
        Element caption = table.selectFirst("> caption");
        if (caption != null && !caption.text().isBlank()) {
            blocks.add(new Block(Block.Kind.HEADING, text(caption), 3, List.of(), ""));
        }
        Map<Integer, Reach> above = new HashMap<>();
        List<Text> head = new ArrayList<>();
        boolean headed = false;
        List<Element> rows = table.select("> tr, > thead > tr, > tbody > tr, > tfoot > tr");
        for (Element row : rows.subList(0, Math.min(rows.size(), MOST_ROWS))) {
            boolean heads = row.select("> td").isEmpty();
            List<Text> cells = new ArrayList<>();
            lone.clear();
            int crossed = cells(row, above, cells);
            if (cells.isEmpty()) {
                continue;
            }
            if (heads && !headed) {
                merge(head, cells);
                continue;
            }
            if (!headed && !head.isEmpty()) {
                add(Block.Kind.HEAD, head);
            }
            headed = true;
            if (crossed * 2 > cells.size()) {
                cells.stream().filter(cell -> !cell.isBlank()).forEach(struck::add);
            } else {
                lone.forEach(at -> {
                    struck.add(cells.get(at));
                    cells.set(at, Text.of(file, cells.get(at).firstLine(), ""));
                });
                add(
                        cells.size() == 2 && row.select("> th").size() == 1 && head.isEmpty()
                                ? Block.Kind.ITEM
                                : Block.Kind.ROW,
                        cells);
            }
        }
    }

    /** A head of two rows: the lower says more. */
    private static void merge(List<Text> head, List<Text> cells) {
        for (int i = 0; i < cells.size(); i++) {
            if (i >= head.size()) {
                head.add(cells.get(i));
            } else if (!cells.get(i).value().equals(head.get(i).value())) {
                head.set(
                        i,
                        Text.of(
                                head.get(i).file(),
                                cells.get(i).firstLine(),
                                head.get(i).value() + " " + cells.get(i).value()));
            }
        }
    }

    private void add(Block.Kind kind, List<Text> cells) {
        Text.Builder whole = new Text.Builder(file);
        for (int i = 0; i < cells.size(); i++) {
            String mark = i == 0 ? "" : kind == Block.Kind.ITEM ? ": " : " | ";
            whole.append(mark + cells.get(i).value(), cells.get(i).firstLine());
        }
        List<Block.Cell> own = cells.stream().map(Block.Cell::new).toList();
        blocks.add(new Block(kind, whole.build(), 0, kind == Block.Kind.ITEM ? List.of() : own, ""));
    }

    /** Fills the cells of a row; how many of them are crossed out. */
    private int cells(Element row, Map<Integer, Reach> above, List<Text> cells) {
        int crossed = 0;
        List<Element> own = row.select("> td, > th");
        int next = 0;
        while (cells.size() < MOST_CELLS && (next < own.size() || above.containsKey(cells.size()))) {
            Reach reach = above.get(cells.size());
            if (reach != null) {
                crossed += reach.crossed() ? 1 : 0;
                if (reach.rows() > 1) {
                    above.put(cells.size(), new Reach(reach.rows() - 1, reach.text(), reach.crossed()));
                } else {
                    above.remove(cells.size());
                }
                cells.add(reach.text());
                continue;
            }
            Element cell = own.get(next++);
            Element line = cell.selectFirst("s, del, strike");
            boolean out = HtmlPage.isCrossedOut(cell)
                    || HtmlPage.isCrossedOut(row)
                    || line != null && line.text().length() * 2 > cell.text().length();
            Text text = out ? Text.of(file, line(cell), cell.text().strip()) : text(cell);
            int wide = span(cell, "colspan", MOST_CELLS);
            int high = span(cell, "rowspan", MOST_SPAN);
            for (int i = 0; i < wide && cells.size() < MOST_CELLS; i++) {
                if (high > 1) {
                    above.put(cells.size(), new Reach(high - 1, text, out));
                }
                crossed += out ? 1 : 0;
                if (out && !text.isBlank()) {
                    lone.add(cells.size());
                }
                cells.add(text);
            }
        }
        return crossed;
    }

    private static int span(Element cell, String name, int most) {
        String value = cell.attr(name);
        return value.matches("\\d{1,4}") ? Math.max(1, Math.min(most, Integer.parseInt(value))) : 1;
    }

    private static int line(Element cell) {
        return Math.max(1, cell.sourceRange().start().lineNumber());
    }

    private Text text(Element cell) {
        Text.Builder words = new Text.Builder(file);
        new HtmlPage(file, new ArrayList<>()).inline(cell, words);
        Text text = words.build();
        return text.isBlank()
                ? Text.of(file, line(cell), "")
                : text.sub(0, text.value().length());
    }
}
