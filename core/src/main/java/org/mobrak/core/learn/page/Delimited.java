package org.mobrak.core.learn.page;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;

/** Tables of values parted by a mark (RFC 4180 and its relatives): the first full row is the head; lines that are no rows are text. */
final class Delimited {
    private static final int FEWEST_ROWS = 3;
    private static final int FEWEST_OF_COMMAS = 3;
    private static final int HEAD_AMONG = 8;
    private static final Pattern HEAD = Pattern.compile("(?i)\"?(?:models?|phones?|devices?|types?)\"?,[^,]{1,60}");
    private static final int MOST_CELLS = 60;
    private static final Pattern REMARK = Pattern.compile("^\\s*(?:#|--|//|;)\\s*|;+\\s*$");
    private static final int A_LOOK = 400;

    private Delimited() {}

    /** The mark by which most of the lines are parted into the same number of cells; empty where the text is no such table. */
    static Optional<Character> of(String[] lines) {
        List<String> full = Arrays.stream(lines)
                .limit(A_LOOK)
                .filter(line -> !line.isBlank())
                .toList();
        return List.of('\t', ';', ',').stream()
                .filter(mark -> {
                    int usual = usual(full, mark);
                    long rows = full.stream()
                            .filter(line -> cells(line, mark).size() == usual)
                            .count();
                    return usual >= (mark == ',' && !isHeaded(full) ? FEWEST_OF_COMMAS : 2)
                            && rows >= FEWEST_ROWS
                            && rows * 10 >= full.size() * 6L;
                })
                .findFirst();
    }

    /** Two columns are a table only below a head that says so. */
    private static boolean isHeaded(List<String> lines) {
        return lines.stream()
                .limit(HEAD_AMONG)
                .anyMatch(line -> HEAD.matcher(line.strip()).matches());
    }

    private static int usual(List<String> lines, char mark) {
        int[] counts = new int[MOST_CELLS + 1];
        lines.forEach(line -> counts[Math.min(MOST_CELLS, cells(line, mark).size())]++);
        int best = 1;
        for (int i = 2; i < counts.length; i++) {
            best = counts[i] > (best == 1 ? 0 : counts[best]) ? i : best;
        }
        return best;
    }

    static Page read(String file, String[] lines, char mark, List<Page.Oddity> oddities) {
        int usual = usual(
                Arrays.stream(lines)
                        .limit(A_LOOK)
                        .filter(line -> !line.isBlank())
                        .toList(),
                mark);
        List<Block> blocks = new ArrayList<>();
        boolean headed = false;
        boolean awaits = Arrays.stream(lines)
                        .limit(A_LOOK)
                        .anyMatch(line -> HEAD.matcher(line.strip()).matches())
                && mark == ',';
        String[] rest = new String[lines.length];
        Arrays.fill(rest, "");
        for (int i = 0; i < lines.length; i++) {
            String line = Decoded.seen(lines[i]).strip();
            if (line.isEmpty()) {
                continue;
            }
            List<String> cells = cells(lines[i], mark);
            awaits &= !HEAD.matcher(line.strip()).matches();
            boolean row = !awaits
                    && cells.size() >= Math.max(2, usual - 1)
                    && !line.startsWith("#")
                    && !line.startsWith("--");
            if (!row) {
                rest[i] = REMARK.matcher(lines[i]).replaceFirst("");
                continue;
            }
            int number = i + 1;
            List<Block.Cell> own = cells.stream()
                    .map(cell -> new Block.Cell(Text.of(file, number, Decoded.seen(cell))))
                    .toList();
            blocks.add(new Block(headed ? Block.Kind.ROW : Block.Kind.HEAD, Text.of(file, number, line), 0, own, ""));
            headed = true;
        }
        // What stands between the rows is text as anywhere.
        Page text = new PlainPage(file, oddities).read(rest);
        blocks.addAll(text.blocks());
        blocks.sort(Comparator.comparingInt(block -> block.text().firstLine()));
        return new Page(file, blocks, text.struck(), text.passed(), false, oddities);
    }

    /** The cells of a line; a mark within quotes parts nothing. */
    static List<String> cells(String line, char mark) {
        List<String> cells = new ArrayList<>();
        StringBuilder cell = new StringBuilder();
        boolean quoted = false;
        for (int i = 0; i < line.length() && cells.size() < MOST_CELLS; i++) {
            char one = line.charAt(i);
            if (one == '"') {
                quoted = !quoted;
            } else if (one == mark && !quoted) {
                cells.add(cell.toString().strip());
                cell.setLength(0);
            } else {
                cell.append(one);
            }
        }
        cells.add(cell.toString().strip());
        return cells;
    }
}
