package org.mobrak.core.learn;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.learn.Lesson.Sure;

/** Goes through a guide line by line and notes what each clause says. */
final class Listening {
    private static final int HARDLY_MORE = 10;
    private static final String UNLOCK = "unlock";

    private final Wordings words;
    private final Telling telling;
    private final Heard heard = new Heard();
    private String section = "";
    private List<String> head = List.of();
    private final FileTalk files;
    private final StateTalk states;
    private final ThingTalk things;
    private final StepTalk steps;
    private final DateTalk dates;
    private final Set<String> families = new HashSet<>();
    /** Whether the line before asked for which phones it is. */
    private boolean asked;
    /** Whether a table was begun; what stands below one is no title. */
    private boolean rows;

    private @Nullable GuideLine parted;
    private List<Clause> clauses = List.of();

    private Listening(Wordings words, boolean numbered, boolean bulleted) {
        this.words = words;
        this.telling = new Telling(words);
        this.files = new FileTalk(words, heard);
        this.states = new StateTalk(words, heard);
        this.things = new ThingTalk(words, heard);
        this.steps = new StepTalk(words, heard, numbered, bulleted);
        this.dates = new DateTalk(words, heard);
    }

    /** Everything that lines say. */
    static Heard to(List<GuideLine> lines, Wordings words) {
        boolean numbered = lines.stream().anyMatch(line -> line.kind() == GuideLine.Kind.NUMBERED);
        return new Listening(words, numbered, hasBulletedSteps(lines, words)).listen(lines);
    }

    /** Whether a heading of steps is followed by a list; then the list is the steps. */
    private static boolean hasBulletedSteps(List<GuideLine> lines, Wordings words) {
        List<GuideLine> full =
                lines.stream().filter(line -> !line.text().isEmpty()).toList();
        return IntStream.range(1, full.size())
                .filter(i -> full.get(i).kind() == GuideLine.Kind.ITEM)
                .mapToObj(i -> full.get(i - 1))
                .filter(before -> before.kind() == GuideLine.Kind.HEADING)
                .anyMatch(before -> Wordings.key(before.lower(), words.sections())
                        .filter("steps"::equals)
                        .isPresent());
    }

    private Heard listen(List<GuideLine> lines) {
        lines.forEach(this::hear);
        settle();
        heard.family = words.families().stream()
                .map(Wordings.Family::name)
                .filter(families::contains)
                .filter(name -> !families.contains(UNLOCK) || !onlyUnlocks() || name.equals(UNLOCK))
                .findFirst();
        return heard;
    }

    /** Whoever unlocks and writes nothing passes through other modes, but the way is an unlock. */
    private boolean onlyUnlocks() {
        return heard.effects.containsKey(Fact.LOCK) && heard.writes.isEmpty() && heard.files.isEmpty();
    }

    /** The clauses of the line that is listened to. */
    private List<Clause> clauses(GuideLine line) {
        if (line != parted) {
            parted = line;
            clauses = Clause.of(line, words);
        }
        return clauses;
    }

    private Here here(GuideLine line) {
        return new Here(line, clauses(line), words.label(line.lower()).orElse(section), isReport(line), isRemedy(line));
    }

    private boolean isRemedy(GuideLine line) {
        return !heard.steps.isEmpty() && words.remedies().stream().anyMatch(line.lower()::startsWith);
    }

    private void family(GuideLine line) {
        clauses(line).stream()
                .filter(clause -> !clause.negated())
                .forEach(clause -> words.families().stream()
                        .filter(family -> !families.contains(family.name()))
                        .filter(family -> Wordings.any(clause.lower(), family.words()))
                        .forEach(family -> families.add(family.name())));
    }

    private void hear(GuideLine line) {
        if (line.text().isEmpty()) {
            // A blank line ends a list, and a row's table.
            section = section.equals("excluded") || section.equals("included") ? "" : section;
            head = List.of();
            return;
        }
        if (!tells(line)) {
            head = List.of();
            return;
        }
        if (line.kind() == GuideLine.Kind.QUOTE) {
            heard.warn("quoted-old", line, "Somebody else's words; nothing was taken from them.");
            return;
        }
        rows |= line.kind() == GuideLine.Kind.ROW;
        if (heard.title.isEmpty() && !rows) {
            heard.title = Optional.of(new Said<>(shortened(line.text(), 90), line, Sure.LIKELY));
        }
        if (line.kind() == GuideLine.Kind.HEADING || isShortHeading(line)) {
            section = Wordings.key(line.lower(), words.sections()).orElse("");
            files.under(Models.in(line.text(), false).stream()
                    .filter(found -> !found.isBuild() && !found.alike())
                    .map(Models.Found::value)
                    .toList());
        }
        if (line.kind() == GuideLine.Kind.ROW) {
            boolean talks = telling.hasPhrase(line.lower());
            if (talks) {
                family(line);
            }
            row(line, talks);
            return;
        }
        head = List.of();
        family(line);
        report(line);
        phones(line);
        Here here = here(line);
        files.hear(here);
        states.hear(here);
        dates.hear(here);
        things.hear(here);
        steps.hear(here);
    }

    private boolean tells(GuideLine line) {
        return line.kind() != GuideLine.Kind.TEXT || heard.title.isEmpty() && !rows || telling.isIn(line);
    }

    private boolean isShortHeading(GuideLine line) {
        return line.text().endsWith(":") && line.text().length() < 80
                || words.sections().values().stream().anyMatch(list -> list.contains(line.lower()));
    }

    // Phones.

    private void phones(GuideLine line) {
        if (section.equals("replies") || isReport(line)) {
            return;
        }
        String here = asked ? "included" : words.label(line.lower()).orElse(section);
        asked = line.text().endsWith("?") && Wordings.any(line.lower(), words.which());
        List<Clause> all = clauses(line);
        for (int i = 0; i < all.size(); i++) {
            Clause clause = all.get(i);
            boolean inList = here.equals("excluded") || here.equals("included");
            boolean labelled =
                    Wordings.contains(clause.lower(), "model") || Wordings.contains(clause.lower(), "models") || inList;
            boolean out = clause.excluding()
                    || here.equals("excluded") && !isSectionHead(line)
                    || clause.isTurnedAway()
                    || i + 1 < all.size() && all.get(i + 1).refersBackwards() && !clause.endsSentence();
            boolean supported = inList
                    || isHead(line)
                    || isListed(line)
                    || !FileMentions.names(line.text()).isEmpty()
                    || Wordings.any(clause.lower(), words.support());
            for (Models.Found found : Models.in(clause.text(), labelled)) {
                if (clause.unsure() || !supported && !out && !found.isBuild()) {
                    heard.doubtful.putIfAbsent(found.value(), line);
                } else {
                    phone(found, clause, out, labelled);
                }
            }
            // “Not supported: OV-L215” says it in its own head.
            if (!out && !clause.negated()) {
                Figures.osVersions(clause, words).stream()
                        .filter(versions -> heard.versions.stream()
                                .noneMatch(known -> known.value().equals(versions)))
                        .forEach(versions -> heard.versions.add(new Said<>(versions, line, Sure.LIKELY)));
            }
        }
    }

    /** What a guide's title and its headings name it is about. */
    private boolean isHead(GuideLine line) {
        return line.kind() == GuideLine.Kind.HEADING
                || heard.title.filter(said -> said.line().equals(line)).isPresent()
                || line.kind() == GuideLine.Kind.ITEM && here(line).isIn("included");
    }

    /** A line that holds hardly more than a model number stands in a list of them. */
    private static boolean isListed(GuideLine line) {
        int models = Models.in(line.text(), true).stream()
                .filter(found -> !found.isBuild())
                .mapToInt(found -> found.value().length())
                .sum();
        return models > 0 && line.text().length() - models <= HARDLY_MORE;
    }

    private boolean isSectionHead(GuideLine line) {
        return line.kind() == GuideLine.Kind.HEADING
                && !Wordings.any(
                        line.lower(), Objects.requireNonNull(words.sections().get("excluded")));
    }

    private void phone(Models.Found found, Clause clause, boolean out, boolean labelled) {
        if (found.alike()) {
            heard.warn(
                    "look-alike",
                    clause.line(),
                    "“" + found.value() + "” has letters of another alphabet; it was not taken.");
            return;
        }
        Said<String> said = new Said<>(found.value(), clause.line(), sure(found, labelled));
        boolean build = found.isBuild()
                || Wordings.contains(clause.lower(), "build") && !found.value().matches("[A-Z]{1,5}-.*");
        if (build) {
            boolean meant =
                    Wordings.any(clause.lower(), List.of("build", "builds", "build number", "firmware", "baseband"));
            if (out || clause.negated()) {
                heard.excludedBuilds.putIfAbsent(found.value(), said);
            } else if (meant && !Wordings.contains(clause.lower(), "baseband")) {
                heard.builds.putIfAbsent(found.value(), said);
            }
        } else if (out) {
            heard.excluded.putIfAbsent(found.value(), said);
        } else if (!clause.negated() || heard.models.containsKey(found.value())) {
            heard.models.putIfAbsent(found.value(), said);
        }
    }

    private static Sure sure(Models.Found found, boolean labelled) {
        return found.worked() ? Sure.GUESS : labelled ? Sure.CERTAIN : Sure.LIKELY;
    }

    private boolean isReport(GuideLine line) {
        return Wordings.any(line.lower(), words.worked()) || Wordings.any(line.lower(), words.failed());
    }

    private void report(GuideLine line) {
        if (!isReport(line)) {
            return;
        }
        boolean failed = Wordings.any(line.lower(), words.failed());
        List<Models.Found> found = Models.in(line.text(), true);
        Optional<String> build = found.stream()
                .filter(Models.Found::isBuild)
                .map(Models.Found::value)
                .findFirst();
        found.stream()
                .filter(one -> !one.isBuild() && !one.alike())
                .findFirst()
                .ifPresent(model -> heard.reports.add(new Heard.Report(model.value(), build, !failed, line)));
    }

    // Tables.

    /**
     * A row of a table.
     *
     * @param talks whether it has words that say something; most rows of long tables have none
     */
    private void row(GuideLine line, boolean talks) {
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
        boolean out =
                talks && Wordings.any(line.lower(), words.excluding()) || saysNo(line) || section.equals("excluded");
        List<String> models = new ArrayList<>();
        for (int i = 0; i < line.cells().size(); i++) {
            cell(line, i, out, models);
        }
        List<String> names = FileMentions.names(line.text());
        if (out) {
            files.leaveOut(names);
        } else {
            files.hear(talks ? here(line) : new Here(line, List.of(), section, false, false));
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

    // At the end.

    /** A title with root in it is of a way to root, and so is a file called that; both are guesses. */
    private void title() {
        if (heard.effects.containsKey(Fact.ROOT) || heard.requires.containsKey(Fact.ROOT)) {
            return;
        }
        Optional<GuideLine> titled = heard.title
                .map(Said::line)
                .filter(line -> Clause.of(line, words).stream()
                        .anyMatch(clause -> !clause.negated()
                                && Wordings.any(clause.lower(), List.of("root", "rooted"))
                                && !Wordings.any(clause.lower(), words.lasts())));
        titled.or(() -> heard.files.values().stream()
                        .filter(file -> Wordings.contains(
                                file.name.value().toLowerCase(Locale.ROOT).replaceAll("[^a-z]", " "), "root"))
                        .map(file -> file.name.line())
                        .findFirst())
                .ifPresent(line -> heard.effects.put(Fact.ROOT, new Said<>("permanent", line, Sure.GUESS)));
    }

    /** Whoever brings another OS writes the system. */
    private void derived() {
        Optional.ofNullable(heard.effects.get(Fact.OS_KIND))
                .ifPresent(said -> heard.writes.putIfAbsent("system", new Said<>("system", said.line(), Sure.GUESS)));
    }

    /** What is told to be out is never in. */
    private void settle() {
        title();
        derived();
        files.pairByHeadings();
        Set<String> both = new LinkedHashSet<>(heard.models.keySet());
        both.retainAll(heard.excluded.keySet());
        for (String model : both) {
            heard.warn(
                    "contradiction",
                    Objects.requireNonNull(heard.excluded.get(model)).line(),
                    model + " is told to be in and to be out; it was left out.");
            heard.models.remove(model);
        }
        heard.excluded.forEach((model, said) -> heard.warn("excluded", said.line(), model + " is told to be out."));
        heard.doubtful.keySet().removeAll(heard.models.keySet());
        heard.doubtful.keySet().removeAll(heard.excluded.keySet());
        heard.doubtful.forEach(
                (model, line) -> heard.warn(
                        "excluded",
                        line,
                        model
                                + " is named, but nothing says that this is for it; it was left out. Add it if you know better."));
        Map<Fact, Said<String>> effects = heard.effects;
        if (effects.containsKey(Fact.LOCK)) {
            heard.requires.remove(Fact.LOCK);
        }
        if (effects.containsKey(Fact.RECOVERY)) {
            heard.requires.remove(Fact.RECOVERY);
        }
        heard.builds.keySet().removeAll(heard.excludedBuilds.keySet());
    }

    static String shortened(String text, int most) {
        return text.length() <= most ? text : text.substring(0, most - 1) + "…";
    }
}
