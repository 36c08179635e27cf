package org.mobrak.core.learn;

import java.util.HashSet;
import java.util.List;
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
    private final FileTalk files;
    private final TableTalk tables;
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
        this.tables = new TableTalk(words, heard, files);
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
        new Settling(words, heard, files).settle();
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
            tables.end();
            return;
        }
        if (!tells(line)) {
            tables.end();
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
            tables.hear(talks ? here(line) : new Here(line, List.of(), section, false, false), talks);
            return;
        }
        tables.end();
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

    static String shortened(String text, int most) {
        return text.length() <= most ? text : text.substring(0, most - 1) + "…";
    }
}
