package org.mobrak.core.learn.reading;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.mobrak.core.learn.page.Block;
import org.mobrak.core.learn.page.Text;

/** Tables of phones, versions and files: the head says what a column holds, else its cells do. */
final class TablesReading {
    private static final int MOST_ODD = 50;
    private static final int MOST_ROWS = 5_000;
    private static final Map<Column, Cue> HEADS = new EnumMap<>(Column.class);

    /** What a column holds. */
    private enum Column {
        MODEL,
        SUM,
        FILE,
        BUILD,
        OS,
        CARRIER,
        CHIPSET,
        BATTERY,
        STATUS,
        MAKER,
        SHOP
    }

    static {
        HEADS.put(Column.SUM, Cue.of("md5", "sha-?1", "sha-?256", "sum", "checksum", "hash", "digest"));
        HEADS.put(
                Column.FILE,
                Cue.of(
                        "files?",
                        "zip",
                        "image",
                        "package",
                        "download",
                        "archive",
                        "os zip",
                        "firmware file",
                        "name \\(size.*"));
        HEADS.put(
                Column.BUILD,
                Cue.of(
                        "builds?",
                        "build number",
                        "firmware",
                        "software build",
                        "from build",
                        "baseband",
                        "you(?:'re| are| have)(?: on| now)?",
                        "coming from",
                        "from(?! os| version)",
                        "current(?:ly)?(?: on)?",
                        "installed"));
        HEADS.put(Column.OS, Cue.of("os", "os version", "from os", "version", "system"));
        HEADS.put(Column.CARRIER, Cue.of("carriers?", "network", "operator", "provider", "branding"));
        HEADS.put(Column.CHIPSET, Cue.of("chip(?:set)?", "soc", "processor", "cpu"));
        HEADS.put(Column.BATTERY, Cue.of("charge", "battery", "charge \\(%\\)"));
        HEADS.put(
                Column.STATUS,
                Cue.of(
                        "status",
                        "state",
                        "tested\\??",
                        "works\\??",
                        "result",
                        "(?:unlock )?allowed\\??",
                        "ok\\??",
                        "supported\\??",
                        "remarks?",
                        "notes?",
                        "comment",
                        "since.*"));
        HEADS.put(Column.MAKER, Cue.of("maker", "make", "brand", "manufacturer", "vendor"));
        HEADS.put(
                Column.SHOP, Cue.of("sold as", "shop.?name", "phone", "name", "marketing name", "device", "known as"));
        HEADS.put(Column.MODEL, Cue.of("models?", "model number", "type", "variant", "model no\\.?"));
    }

    private static final Cue BUILT = Cue.of("builds?.*", "firmware", "baseband", "software build");
    private static final Cue WITHDRAWN = Cues.of("tablesReading.withdrawn");
    private static final Cue AFTERWARDS =
            Cue.of("to", "after(?:wards)?", "gives", "becomes", "new", "result", "target", "updates? to", "then");
    private static final Pattern NO = Pattern.compile(
            "(?:^|[|(])\\s*(?:no|n|nope|none|x|✗|✘|fails?|failed|never|withdrawn|dead|closed|locked\\b.*|not offered.*|not possible.*|no root.*|does not.*|doesn't.*|refused.*|bricks?.*|unsupported|not supported.*|taken down.*|removed|nothing|do not|don't|keep off|hands off)\\b\\s*(?:[(|,.;!¹²³\\d]|$)");
    /** How a status begins that is none: “fails since B15”, “nothing works”. */
    private static final Pattern REFUSED = Pattern.compile(
            "^\\W*(?:no(?! (?:problems?|issues?|complaints|trouble))|not(?! (?:tested|tried))|fails?|failed|broken|dead|bricks?|never|patched|closed|locked|doesn't|does not|nothing|refuses|hangs|loops|do not|don't)\\b");

    private static final Pattern OPEN = Pattern.compile(
            "(?:^|[|(])\\s*(?:\\?+|beta\\b.*|untested.*|not tested.*|coming? soon.*|comin soon.*|nobody.*|maybe.*|soon|alpha|wip|reported.*|only built.*|0 days?)\\s*(?:[|)]|$)");
    private static final Pattern YES =
            Pattern.compile("^(?:y|yes|ok|works?|stable|✓|✔|good|fine|me|done|all right|tested)\\W{0,3}\\d?$");
    private static final Pattern SAME = Pattern.compile(
            "^(?:same(?: (?:zip|file|as above|image|one))?(?: as above)?|as above|ditto|dto\\.?|\"|''|〃|idem|s\\. ?o\\.|see above|(?:the )?same as (?:the )?[\\w.-]+)$");
    private static final Pattern VERSION =
            Pattern.compile("(?<![\\w.])\\d{1,2}\\.(?:\\d{1,2}|x)(?:\\.(?:\\d{1,2}|x))?(?![\\w]|\\.\\d)");

    private final List<RowRead> rows = new ArrayList<>();
    private final List<Understood.Odd> odd = new ArrayList<>();
    private final Set<String> seen = new java.util.HashSet<>();
    private int width;
    private final Set<String> marksOut = new LinkedHashSet<>();
    private final Set<String> marksOpen = new LinkedHashSet<>();

    /**
     * @param sentences among them what marks in front of rows mean
     */
    List<RowRead> read(List<Table> tables, List<Sentence> sentences) {
        sentences.forEach(this::legend);
        tables.stream().map(TablesReading::upright).forEach(this::table);
        return rows;
    }

    /** Rows that could not be read as the others. */
    List<Understood.Odd> odd() {
        return odd;
    }

    private void odd(Block row, String text) {
        if (odd.size() < MOST_ODD) {
            odd.add(new Understood.Odd("table-row", row.text().firstLine(), text));
        }
    }

    /** “!! = taken down”, “b = beta”. */
    private void legend(Sentence sentence) {
        Matcher marks = Pattern.compile("(?<![\\w])([!*#+xb~†]{1,3})\\s{1,3}?[=:]\\s{1,3}?([^=]{3,40})")
                .matcher(sentence.lower());
        while (marks.find()) {
            if (marks.group(2).matches("(?:taken down|withdrawn|removed|do not|delete|dead|broken|old).*")) {
                marksOut.add(marks.group(1));
            } else if (marks.group(2).matches("(?:beta|untested|not tested|nobody).*")) {
                marksOpen.add(marks.group(1));
            }
        }
    }

    /** A table with its phones across is turned, so that each has a row. */
    private static Table upright(Table table) {
        List<Block.Cell> head = table.head().cells();
        long phones = head.stream()
                .skip(1)
                .filter(cell -> cell.text().value().length() < 60
                        && ModelTokens.in(cell.text().value()).stream().anyMatch(token -> token.shape() > 0))
                .count();
        long named = table.rows().stream()
                .filter(row -> !row.cells().isEmpty()
                        && isLabel(row.cells().get(0).text().value()))
                .count();
        boolean across = head.size() > 2
                && phones * 2 > head.size() - 1
                && table.rows().size() <= MOST_LABELS
                && named * 2 >= table.rows().size()
                && named >= 2;
        return across ? turned(table) : table;
    }

    private static boolean isLabel(String cell) {
        String lower = Sentence.plain(cell).strip();
        return lower.length() < 30
                && HEADS.entrySet().stream().anyMatch(entry -> entry.getValue().in(lower));
    }

    private static final int MOST_LABELS = 30;

    private static Table turned(Table table) {
        List<Block.Cell> labels = new ArrayList<>();
        labels.add(new Block.Cell(
                Text.of(table.head().text().file(), table.head().text().firstLine(), "Model")));
        table.rows().forEach(row -> labels.add(row.cells().get(0)));
        Block head = new Block(
                Block.Kind.HEAD, table.head().text(), 0, labels, table.head().voice());
        List<Block> rows = new ArrayList<>();
        for (int i = 1; i < table.head().cells().size(); i++) {
            List<Block.Cell> cells = new ArrayList<>();
            cells.add(table.head().cells().get(i));
            for (Block row : table.rows()) {
                cells.add(
                        i < row.cells().size()
                                ? row.cells().get(i)
                                : new Block.Cell(
                                        Text.of(row.text().file(), row.text().firstLine(), "")));
            }
            rows.add(new Block(Block.Kind.ROW, table.head().cells().get(i).text(), 0, cells, ""));
        }
        return new Table(head, rows, table.heads(), table.before());
    }

    private void table(Table table) {
        List<String> head = table.head().cells().stream()
                .map(cell -> Sentence.plain(cell.text().value()).strip())
                .toList();
        List<Integer> matrix = new ArrayList<>();
        for (int i = 1; i < head.size(); i++) {
            if (VERSION.matcher(head.get(i)).matches()) {
                matrix.add(i);
            }
        }
        width = head.size();
        Map<String, List<Integer>> across = across(head);
        seen.clear();
        heads = head;
        Map<Column, Integer> columns = columns(head, table.rows());
        List<Text> above = new ArrayList<>();
        for (Block row :
                table.rows().subList(0, Math.min(MOST_ROWS, table.rows().size()))) {
            List<Text> cells = filled(row, above);
            above = cells;
            if (matrix.size() > 1) {
                matrix(table, row, cells, matrix);
            } else if (!across.isEmpty()) {
                across.forEach((version, kept) -> side(row, cells, head, version, kept));
            } else {
                row(row, cells, columns);
            }
        }
    }

    /** By a version that stands in the head of some columns, the columns that hold for it; empty where there are not two. */
    private static Map<String, List<Integer>> across(List<String> head) {
        Map<String, List<Integer>> across = new LinkedHashMap<>();
        List<Integer> shared = new ArrayList<>();
        for (int i = 0; i < head.size(); i++) {
            Matcher version = VERSION.matcher(head.get(i));
            if (version.find() && head.get(i).length() > version.group().length() + 3) {
                across.computeIfAbsent(version.group(), none -> new ArrayList<>())
                        .add(i);
            } else {
                shared.add(i);
            }
        }
        boolean files = across.values().stream()
                .allMatch(columns -> columns.stream().anyMatch(at -> is(Column.FILE, head.get(at))));
        if (across.size() < 2 || !files) {
            return Map.of();
        }
        across.values().forEach(columns -> columns.addAll(0, shared));
        return across;
    }

    private static boolean is(Column column, String head) {
        Cue cue = HEADS.get(column);
        return cue != null && cue.in(head);
    }

    /** What a row says for one of the versions across. */
    private void side(Block row, List<Text> cells, List<String> head, String version, List<Integer> kept) {
        List<Text> own = new ArrayList<>();
        List<String> heads = new ArrayList<>();
        for (int at : kept) {
            own.add(
                    at < cells.size()
                            ? cells.get(at)
                            : Text.of(row.text().file(), row.text().firstLine(), ""));
            heads.add(head.get(at));
        }
        int before = rows.size();
        width = 0;
        row(row, own, columns(heads, List.of()));
        if (rows.size() > before) {
            RowRead read = rows.remove(rows.size() - 1);
            boolean some = !read.files().isEmpty() && read.stance() != Stance.AGAINST;
            if (some) {
                rows.add(read.on(new Read<>(Versions.exactly(version), row.text(), 0, Sure.LIKELY))
                        .as(Stance.FOR));
            }
        }
    }

    /** The cells of a row; “same as above” is what stands above. */
    private static List<Text> filled(Block row, List<Text> above) {
        List<Text> cells = new ArrayList<>();
        boolean all = false;
        for (int i = 0; i < row.cells().size(); i++) {
            Text own = row.cells().get(i).text();
            String lower = Sentence.plain(own.value()).strip();
            boolean same = SAME.matcher(lower).matches() && i < above.size();
            all |= same && lower.startsWith("same zip");
            cells.add(same || all && own.isBlank() && i < above.size() ? above.get(i) : own);
        }
        return cells;
    }

    private static Map<Column, Integer> columns(List<String> head, List<Block> rows) {
        Map<Column, Integer> columns = new EnumMap<>(Column.class);
        for (Map.Entry<Column, Cue> entry : HEADS.entrySet()) {
            for (int i = 0; i < head.size(); i++) {
                boolean later = entry.getKey() == Column.BUILD && AFTERWARDS.in(head.get(i));
                if (!later && entry.getValue().in(head.get(i)) && !columns.containsValue(i)) {
                    columns.putIfAbsent(entry.getKey(), i);
                }
            }
        }
        // What a phone is on may be a version.
        Optional.ofNullable(columns.get(Column.BUILD))
                .filter(at -> !BUILT.in(head.get(at)))
                .filter(at ->
                        count(rows, at, cell -> VERSION.matcher(cell.strip()).matches()) * 2 > rows.size())
                .ifPresent(at -> {
                    columns.remove(Column.BUILD);
                    columns.putIfAbsent(Column.OS, at);
                });
        // Files, checksums and models are known by their cells wherever they stand.
        for (int i = 0; i < head.size(); i++) {
            int column = i;
            long files = count(rows, column, cell -> !FileNames.names(cell).isEmpty());
            long sums = count(rows, column, cell -> !FileNames.sums(cell).isEmpty());
            long models = count(
                    rows,
                    column,
                    cell -> ModelTokens.in(cell).stream().anyMatch(token -> token.shape() > 0) && cell.length() < 40);
            if (files * 3 > rows.size()) {
                columns.values().remove(column);
                columns.put(Column.FILE, column);
            } else if (sums * 3 > rows.size()) {
                columns.values().remove(column);
                columns.put(Column.SUM, column);
            } else if (!columns.containsKey(Column.MODEL)
                    && models * 2 > rows.size()
                    && !Integer.valueOf(column).equals(columns.get(Column.BUILD))
                    && !Integer.valueOf(column).equals(columns.get(Column.CHIPSET))) {
                columns.values().remove(column);
                columns.put(Column.MODEL, column);
            }
        }
        return columns;
    }

    private static long count(List<Block> rows, int column, java.util.function.Predicate<String> test) {
        return rows.stream()
                .limit(200)
                .filter(row -> column < row.cells().size()
                        && test.test(row.cells().get(column).text().value()))
                .count();
    }

    private static Optional<Text> cell(List<Text> cells, Map<Column, Integer> columns, Column column) {
        return Optional.ofNullable(columns.get(column))
                .filter(at -> at < cells.size())
                .map(cells::get)
                .filter(cell -> !cell.isBlank());
    }

    private void row(Block row, List<Text> cells, Map<Column, Integer> columns) {
        List<Read<String>> models =
                cell(cells, columns, Column.MODEL).map(cell -> models(cell)).orElse(List.of());
        List<Read<String>> files = new ArrayList<>();
        List<Read<String>> sums = new ArrayList<>();
        for (Text cell : cells) {
            FileNames.names(cell.value())
                    .forEach(name -> files.add(new Read<>(name.value(), cell, name.start(), Sure.CERTAIN)));
            FileNames.sums(cell.value())
                    .forEach(sum -> sums.add(new Read<>(sum.value(), cell, sum.start(), Sure.CERTAIN)));
        }
        if (row.cells().size() < width) {
            odd(row, "This row has fewer cells than the head of its table.");
        }
        if (!models.isEmpty() && files.isEmpty() && !seen.add(row.text().value())) {
            odd(row, "This row stands in its table twice.");
        }
        if (models.isEmpty() && files.isEmpty()) {
            return;
        }
        List<Read<Versions>> versions = cell(cells, columns, Column.OS)
                .map(cell -> versions(cell, columns, row))
                .orElse(List.of());
        List<Read<String>> builds = cell(cells, columns, Column.BUILD)
                .map(cell -> builds(cell, models))
                .orElse(List.of());
        rows.add(new RowRead(
                models,
                versions,
                builds,
                files,
                sums,
                name(cells, columns, Column.CARRIER),
                name(cells, columns, Column.CHIPSET),
                name(cells, columns, Column.MAKER),
                name(cells, columns, Column.SHOP),
                cell(cells, columns, Column.BATTERY).flatMap(TablesReading::percent),
                stance(cells, columns, models, files),
                row.text()));
    }

    private Stance stance(
            List<Text> cells, Map<Column, Integer> columns, List<Read<String>> models, List<Read<String>> files) {
        int own = columns.getOrDefault(Column.MODEL, -1);
        Set<Integer> others = others(columns);
        boolean open = false;
        for (int i = 0; i < cells.size(); i++) {
            String lower = Sentence.plain(cells.get(i).value()).strip();
            String mark = i <= own && !models.isEmpty() ? lower.replaceFirst("\\s.*$", "") : "";
            if (marksOut.contains(mark)
                    || i != own && !others.contains(i) && NO.matcher(lower).find()
                    || Integer.valueOf(i).equals(columns.get(Column.STATUS))
                            && REFUSED.matcher(lower).find()
                    || WITHDRAWN.in(lower)) {
                return Stance.AGAINST;
            }
            open |= marksOpen.contains(mark) || i != own && OPEN.matcher(lower).find();
        }
        if (open || columns.containsKey(Column.FILE) && files.isEmpty()) {
            return Stance.UNSURE;
        }
        // Where a table has neither files nor a word on whether it works, the text about it tells what it is of.
        return columns.containsKey(Column.FILE) || columns.containsKey(Column.STATUS) ? Stance.FOR : Stance.NONE;
    }

    /** Columns in which a “no” is no word on whether it works. */
    private Set<Integer> others(Map<Column, Integer> columns) {
        Set<Integer> others = new LinkedHashSet<>();
        for (Column column : ABOUT_THE_PHONE) {
            Optional.ofNullable(columns.get(column)).ifPresent(others::add);
        }
        for (int i = 0; i < heads.size(); i++) {
            if (ANOTHER_MATTER.in(heads.get(i))) {
                others.add(i);
            }
        }
        return others;
    }

    private static final Set<Column> ABOUT_THE_PHONE =
            EnumSet.of(Column.CARRIER, Column.CHIPSET, Column.BATTERY, Column.SUM, Column.MAKER, Column.SHOP);
    private static final Cue ANOTHER_MATTER = Cues.of("tablesReading.anotherMatter");
    /** The head of the table that is read. */
    private List<String> heads = List.of();

    private static List<Read<String>> models(Text cell) {
        List<Read<String>> found = new ArrayList<>();
        List<ModelTokens.Token> tokens = ModelTokens.in(cell.value());
        for (ModelTokens.Token token : tokens) {
            String[] parts = token.value().split("/");
            found.add(new Read<>(
                    parts.length > 1 && parts[1].matches("\\d") ? token.value() : parts[0],
                    cell,
                    token.start(),
                    Sure.CERTAIN));
            for (int i = 1; i < parts.length; i++) {
                if (parts[i].matches("[A-Z]{1,3}")) {
                    found.add(new Read<>(
                            parts[0].replaceFirst("[A-Za-z]{1,3}$", "") + parts[i], cell, token.start(), Sure.GUESS));
                } else if (ModelTokens.isCandidate(parts[i])) {
                    found.add(new Read<>(parts[i], cell, token.start(), Sure.CERTAIN));
                }
            }
        }
        if (found.isEmpty()) {
            Matcher bare = Pattern.compile("(?<![\\w.])[A-Za-z]{0,3}\\d{1,5}(?:[./-]\\w{1,6})?(?![\\w.])")
                    .matcher(cell.value());
            if (bare.find()
                    && cell.value().length() < 24
                    && !VERSION.matcher(bare.group()).matches()) {
                found.add(new Read<>(bare.group(), cell, bare.start(), Sure.LIKELY));
            }
        }
        return found;
    }

    private static List<Read<Versions>> versions(Text cell, Map<Column, Integer> columns, Block row) {
        List<Read<Versions>> found = new ArrayList<>();
        String lower = Sentence.plain(cell.value());
        boolean least = lower.matches(".*(?:\\+|or (?:newer|later|up)|from|>=).*");
        Matcher versions = VERSION.matcher(lower);
        List<String> all = new ArrayList<>();
        int first = -1;
        while (versions.find()) {
            all.add(versions.group());
            first = first < 0 ? versions.start() : first;
        }
        if (all.size() == 2 && lower.matches(".*\\d\\s?(?:-|to|until)\\s?\\d.*")) {
            found.add(new Read<>(Versions.between(all.get(0), all.get(1)), cell, first, Sure.CERTAIN));
            return found;
        }
        for (String version : all) {
            Versions said = least
                    ? Versions.from(version)
                    : lower.matches(".*(?:up to|<=|until).*") ? Versions.upTo(version) : Versions.exactly(version);
            found.add(new Read<>(said, cell, Math.max(0, lower.indexOf(version)), Sure.CERTAIN));
        }
        return found;
    }

    private static List<Read<String>> builds(Text cell, List<Read<String>> models) {
        List<Read<String>> found = new ArrayList<>();
        Matcher parts = Pattern.compile("[\\w][\\w./-]*[\\w]").matcher(cell.value());
        while (parts.find()) {
            boolean build = parts.group().chars().anyMatch(Character::isDigit)
                    && parts.group().length() > 2;
            boolean model = models.stream().anyMatch(read -> read.value().equals(parts.group()));
            if (build && !model && !FileNames.isFile(parts.group())) {
                found.add(new Read<>(parts.group(), cell, parts.start(), Sure.CERTAIN));
            }
        }
        return found;
    }

    private static Optional<Read<Integer>> percent(Text cell) {
        Matcher number = Pattern.compile("\\b(\\d{2})\\b").matcher(cell.value());
        return number.find()
                ? Optional.of(new Read<>(Integer.parseInt(number.group(1)), cell, number.start(), Sure.CERTAIN))
                : Optional.empty();
    }

    private static Optional<Read<String>> name(List<Text> cells, Map<Column, Integer> columns, Column column) {
        return cell(cells, columns, column)
                .filter(cell -> cell.value().chars().anyMatch(Character::isLetter)
                        && cell.value().length() < 60)
                .map(cell -> new Read<>(
                        cell.value()
                                .replaceFirst("\\s*[¹²³⁴⁵]$", "")
                                .replaceFirst("\\s*\\(.*\\)$", "")
                                .strip(),
                        cell,
                        0,
                        Sure.LIKELY))
                .filter(read -> !read.value().isBlank() && !read.value().equalsIgnoreCase("null"));
    }

    /** Phones down, versions across: each cell says whether it works. */
    private void matrix(Table table, Block row, List<Text> cells, List<Integer> columns) {
        List<Read<String>> models = models(cells.get(0));
        if (models.isEmpty()) {
            return;
        }
        List<Read<Versions>> good = new ArrayList<>();
        List<Read<Versions>> open = new ArrayList<>();
        boolean bad = false;
        for (int column : columns) {
            if (column < cells.size()) {
                String lower = Sentence.plain(cells.get(column).value()).strip();
                Text version = table.head().cells().get(column).text();
                Read<Versions> read =
                        new Read<>(Versions.exactly(version.value().strip()), version, 0, Sure.LIKELY);
                String bare = lower.replaceAll("[¹²³⁴⁵*†]", "");
                boolean yes = YES.matcher(bare).matches();
                bad |= NO.matcher(bare).find();
                if (yes) {
                    (lower.equals(bare) ? good : open).add(read);
                }
            }
        }
        good.addAll(good.isEmpty() ? List.of() : open);
        Matcher brackets =
                Pattern.compile("\\(([^()]{2,40})\\)").matcher(cells.get(0).value());
        Optional<Read<String>> shop = brackets.find() && !brackets.group(1).startsWith("same")
                ? Optional.of(new Read<>(brackets.group(1), cells.get(0), brackets.start(1), Sure.LIKELY))
                : Optional.empty();
        Stance stance = !good.isEmpty() ? Stance.FOR : bad ? Stance.AGAINST : Stance.UNSURE;
        rows.add(new RowRead(
                models,
                good,
                List.of(),
                List.of(),
                List.of(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                shop,
                Optional.empty(),
                stance,
                row.text()));
    }

    static String key(String value) {
        return value.toLowerCase(Locale.ROOT);
    }
}
