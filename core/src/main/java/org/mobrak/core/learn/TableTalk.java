package org.mobrak.core.learn;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.mobrak.core.learn.Lesson.Sure;

/** What the rows of tables say: phones, builds, files, and which of them are out. */
final class TableTalk {
    private final Wordings words;
    private final Heard heard;
    private final FileTalk files;
    private List<String> head = List.of();

    TableTalk(Wordings words, Heard heard, FileTalk files) {
        this.words = words;
        this.heard = heard;
        this.files = files;
    }

    /** What follows is another table, or none. */
    void end() {
        head = List.of();
    }

    /**
     * A row of a table.
     *
     * @param talks whether it has words that say something; most rows of long tables have none
     */
    void hear(Here here, boolean talks) {
        GuideLine line = here.line();
        List<Models.Found> all = Models.in(line.text(), true);
        boolean data = !all.isEmpty() || !FileMentions.names(line.text()).isEmpty();
        if (!data
                && (head.isEmpty()
                        || Wordings.any(line.lower(), List.of("model", "models", "phone", "file", "build")))) {
            head = line.cells().stream()
                    .map(cell -> cell.toLowerCase(Locale.ROOT))
                    .toList();
            return;
        }
        if (!head.isEmpty() && head.size() != line.cells().size()) {
            heard.warn(
                    "table-row",
                    line,
                    "This row has %d cells and its head %d; look at it."
                            .formatted(line.cells().size(), head.size()));
        }
        boolean out = talks && Wordings.any(line.lower(), words.excluding()) || saysNo(line) || here.isIn("excluded");
        List<String> models = new ArrayList<>();
        for (int i = 0; i < line.cells().size(); i++) {
            cell(line, i, out, models);
        }
        List<String> names = FileMentions.names(line.text());
        if (out) {
            files.leaveOut(names);
        } else {
            files.hear(here);
        }
        if (!out && names.size() == 1 && !models.isEmpty()) {
            files.pair(names.get(0), models);
        }
    }

    private boolean saysNo(GuideLine line) {
        for (int i = 0; i < line.cells().size(); i++) {
            String column = i < head.size() ? head.get(i) : "";
            boolean asks = Wordings.any(column, List.of("supported", "works", "status", "ok"));
            if (asks && line.cells().get(i).toLowerCase(Locale.ROOT).matches("no|n|none|not.*|fails?|✗|x|bricks?")) {
                return true;
            }
        }
        return false;
    }

    private void cell(GuideLine line, int index, boolean out, List<String> models) {
        String column = index < head.size() ? head.get(index) : "";
        String cell = line.cells().get(index);
        if (!FileMentions.names(cell).isEmpty()) {
            return;
        }
        for (Models.Found found : Models.in(cell, !column.contains("build"))) {
            if (found.alike()) {
                heard.warn(
                        "look-alike",
                        line,
                        "“" + found.value() + "” has letters of another alphabet; it was not taken.");
            } else if (found.isBuild() || column.contains("build")) {
                (out ? heard.excludedBuilds : heard.builds)
                        .putIfAbsent(found.value(), new Said<>(found.value(), line, Sure.CERTAIN));
            } else if (out) {
                heard.excluded.putIfAbsent(found.value(), new Said<>(found.value(), line, Sure.CERTAIN));
            } else {
                if (heard.models.putIfAbsent(found.value(), new Said<>(found.value(), line, Sure.CERTAIN)) != null) {
                    heard.warn("table-row", line, found.value() + " stands here a second time.");
                }
                models.add(found.value());
            }
        }
    }
}
