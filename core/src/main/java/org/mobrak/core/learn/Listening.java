package org.mobrak.core.learn;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.learn.Lesson.Sure;

/** Goes through a guide line by line and notes what each clause says. */
final class Listening {
    private static final int SHORTEST_SUM = 24;

    /** A checksum so many lines below a file still is that file's. */
    private static final int NEAR = 2;

    /** Sentences, and what forbids something behind a comma. */
    private static final Pattern SENTENCES = Pattern.compile(
            "(?<=[.!?])\\s+|[,;]\\s+(?=(?:and |but )?(?:do not|don['’]?t|never)\\b)|\\s+(?=(?:and|but) (?:do not|don['’]?t|never)\\b)|\\s+(?=dont\\b)",
            Pattern.CASE_INSENSITIVE);

    private static final Pattern WRITING = Pattern.compile(
            "\\b(?:flash|flashes|write|writes|flashing|writing|put|upgrade|downgrade) (?:the |a |an |its |this |that )?(?:old |older |new |custom |stock |right |matching )?");

    private final Wordings words;
    private final Set<String> beginnings;
    private final Heard heard = new Heard();
    private String section = "";
    private Optional<Heard.NamedFile> lastFile = Optional.empty();
    private int lastFileLine;
    private List<String> head = List.of();
    private boolean numbered;
    private final Set<String> families = new HashSet<>();
    private GuideLine parted;
    private List<Clause> clauses = List.of();

    Listening(Wordings words) {
        this.words = words;
        this.beginnings = words.beginnings();
    }

    Heard to(List<GuideLine> lines) {
        numbered = lines.stream().anyMatch(line -> line.kind() == GuideLine.Kind.NUMBERED);
        lines.forEach(this::hear);
        heard.family = words.families().stream()
                .map(Wordings.Family::name)
                .filter(families::contains)
                .findFirst();
        settle();
        return heard;
    }

    /** The clauses of the line that is listened to. */
    private List<Clause> clauses(GuideLine line) {
        if (line != parted) {
            parted = line;
            clauses = Clause.of(line, words);
        }
        return clauses;
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
        if (heard.title.isEmpty() && line.kind() != GuideLine.Kind.ROW) {
            heard.title = Optional.of(new Said<>(shortened(line.text(), 90), line, Sure.LIKELY));
        }
        if (line.kind() == GuideLine.Kind.HEADING || isShortHeading(line)) {
            section = Wordings.key(line.lower(), words.sections()).orElse("");
        }
        if (line.kind() == GuideLine.Kind.ROW) {
            family(line);
            row(line);
            return;
        }
        head = List.of();
        family(line);
        report(line);
        phones(line);
        files(line);
        state(line);
        step(line);
    }

    /** Whether any word of it begins a phrase that is known, or it has a figure; most lines of a long thread have neither. */
    private boolean tells(GuideLine line) {
        if (line.kind() != GuideLine.Kind.TEXT || heard.title.isEmpty()) {
            return true;
        }
        String lower = line.lower();
        int start = -1;
        for (int i = 0; i <= lower.length(); i++) {
            boolean letter = i < lower.length()
                    && (Character.isLetter(lower.charAt(i)) || lower.charAt(i) == '\'' || lower.charAt(i) == '’');
            if (letter && start < 0) {
                start = i;
            } else if (!letter && start >= 0) {
                if (beginnings.contains(lower.substring(start, i).replace('’', '\''))) {
                    return true;
                }
                start = -1;
            }
        }
        return line.text().chars().anyMatch(Character::isUpperCase)
                        && lower.chars().anyMatch(Character::isDigit)
                || lower.indexOf('%') >= 0
                || lower.length() >= SHORTEST_SUM && lower.indexOf(' ') < 0
                || lower.indexOf('.') >= 0;
    }

    private boolean isShortHeading(GuideLine line) {
        return line.text().endsWith(":") && line.text().length() < 80;
    }

    // Phones.

    private void phones(GuideLine line) {
        if (section.equals("replies") || isReport(line)) {
            return;
        }
        for (Clause clause : clauses(line)) {
            boolean inList = section.equals("excluded") || section.equals("included");
            boolean labelled =
                    Wordings.contains(clause.lower(), "model") || Wordings.contains(clause.lower(), "models") || inList;
            boolean out = clause.excluding() || section.equals("excluded") && !isSectionHead(line);
            for (Models.Found found : Models.in(clause.text(), labelled)) {
                phone(found, clause, out, labelled);
            }
            // “Not supported: OV-L215” says it in its own head.
            Figures.osVersion(clause, words)
                    .filter(versions -> !out && !clause.negated())
                    .ifPresent(versions -> {
                        if (heard.versions.stream()
                                .noneMatch(known -> known.value().equals(versions))) {
                            heard.versions.add(new Said<>(versions, line, Sure.LIKELY));
                        }
                    });
        }
    }

    private boolean isSectionHead(GuideLine line) {
        return line.kind() == GuideLine.Kind.HEADING
                && !Wordings.any(line.lower(), words.sections().get("excluded"));
    }

    private void phone(Models.Found found, Clause clause, boolean out, boolean labelled) {
        if (found.alike()) {
            heard.warn(
                    "look-alike",
                    clause.line(),
                    "“" + found.value() + "” has letters of another alphabet; it was not taken.");
            return;
        }
        Said<String> said = new Said<>(found.value(), clause.line(), labelled ? Sure.CERTAIN : Sure.LIKELY);
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

    // FileMentions.

    private void files(GuideLine line) {
        List<String> names = FileMentions.names(line.text());
        for (String name : names) {
            named(name, line);
        }
        List<FileMentions.Sum> sums = FileMentions.sums(line.text());
        if (names.size() == 1) {
            sums.forEach(sum -> sum(heard.files.get(names.get(0)), sum, line));
            FileMentions.bytes(line.text())
                    .ifPresent(bytes ->
                            heard.files.get(names.get(0)).bytes = Optional.of(new Said<>(bytes, line, Sure.CERTAIN)));
        } else if (names.isEmpty() && !sums.isEmpty()) {
            if (lastFile.isPresent() && line.number() - lastFileLine <= NEAR && sums.size() == distinctKinds(sums)) {
                sums.forEach(sum -> sum(lastFile.get(), sum, line));
            } else {
                heard.warn(
                        "contradiction",
                        line,
                        "A checksum stands here with no file it could belong to; it was not taken.");
            }
        } else if (!sums.isEmpty()) {
            heard.warn("contradiction", line, "Several files and a checksum stand in one line; it was not taken.");
        }
        if (names.size() == 1) {
            List<String> models = models(line);
            if (!models.isEmpty()) {
                pair(names.get(0), models);
            }
        }
        zipped(line, names);
    }

    private static int distinctKinds(List<FileMentions.Sum> sums) {
        return (int) sums.stream().map(sum -> sum.value().length()).distinct().count();
    }

    private List<String> models(GuideLine line) {
        return clauses(line).stream()
                .filter(clause -> !clause.excluding())
                .flatMap(clause -> Models.in(clause.text(), false).stream())
                .filter(found -> !found.isBuild() && !found.alike())
                .map(Models.Found::value)
                .distinct()
                .toList();
    }

    private void named(String name, GuideLine line) {
        Heard.NamedFile file =
                heard.files.computeIfAbsent(name, same -> new Heard.NamedFile(new Said<>(name, line, Sure.CERTAIN)));
        lastFile = Optional.of(file);
        lastFileLine = line.number();
        if (file.partition.isEmpty()) {
            String lower = name.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]", " ");
            file.partition = Wordings.key(lower, words.partitions()).filter(one -> !Wordings.contains(lower, "root"));
            file.partition.ifPresent(one -> heard.writes.putIfAbsent(one, new Said<>(one, line, Sure.LIKELY)));
        }
    }

    private void sum(Heard.NamedFile file, FileMentions.Sum sum, GuideLine line) {
        Optional<String> kind = sum.kind();
        if (kind.isEmpty()) {
            heard.warn(
                    "checksum-shape",
                    line,
                    "“" + sum.value() + "” has " + sum.value().length()
                            + " digits, as no checksum of that kind has; it was not taken.");
            return;
        }
        Said<String> before = file.sums.putIfAbsent(kind.get(), new Said<>(sum.value(), line, Sure.CERTAIN));
        if (before != null && !before.value().equals(sum.value())) {
            file.sums.remove(kind.get());
            heard.warn(
                    "contradiction",
                    line,
                    "Two checksums of one kind stand with " + file.name.value() + "; neither was taken.");
        }
    }

    private void zipped(GuideLine line, List<String> names) {
        boolean stays = Wordings.any(line.lower(), words.stayzipped());
        boolean opened = !stays
                && clauses(line).stream()
                        .anyMatch(clause -> !clause.negated() && Wordings.any(clause.lower(), words.unpack()));
        if (stays || opened) {
            List<Heard.NamedFile> zips = heard.files.values().stream()
                    .filter(file -> file.name.value().toLowerCase(Locale.ROOT).endsWith(".zip"))
                    .filter(file -> names.isEmpty() || names.contains(file.name.value()))
                    .toList();
            if (zips.size() == 1) {
                zips.get(0).keepZipped = Optional.of(stays);
            }
        }
    }

    // Tables.

    private void row(GuideLine line) {
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
        boolean out = Wordings.any(line.lower(), words.excluding()) || saysNo(line) || section.equals("excluded");
        List<String> models = new ArrayList<>();
        for (int i = 0; i < line.cells().size(); i++) {
            cell(line, i, out, models);
        }
        files(line);
        List<String> names = FileMentions.names(line.text());
        if (!out && names.size() == 1 && !models.isEmpty()) {
            pair(names.get(0), models);
        }
    }

    private void pair(String file, List<String> models) {
        heard.pairs.computeIfAbsent(file, same -> new LinkedHashSet<>()).addAll(models);
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

    // States, figures, dangers.

    private void state(GuideLine line) {
        if (section.equals("replies") || isReport(line)) {
            return;
        }
        for (Clause clause : clauses(line)) {
            Figures.battery(clause).ifPresent(percent -> battery(percent, clause));
            if (clause.lower().startsWith("if ") || isRemedy(line)) {
                // What holds only then is neither needed nor brought about.
                continue;
            }
            if (!clause.negated()) {
                written(clause);
                words.requires().stream()
                        .filter(one -> Wordings.any(clause.lower(), one.words()))
                        .forEach(one -> needed(one, clause));
                words.gates().stream()
                        .filter(one -> Wordings.any(clause.lower(), one.words()))
                        .forEach(one -> heard.gates.putIfAbsent(one.of(), new Said<>(one.is(), line, Sure.LIKELY)));
                words.effects().stream()
                        .filter(one -> Wordings.any(clause.lower(), one.words()))
                        .forEach(
                                one -> heard.effects.putIfAbsent(one.of(), new Said<>(one.value(), line, Sure.LIKELY)));
                if (Wordings.any(clause.lower(), words.wipes())) {
                    heard.wipes = heard.wipes.or(() -> Optional.of(new Said<>(true, line, Sure.LIKELY)));
                }
            }
            if (Wordings.any(clause.lower(), words.kept())) {
                heard.wipes = heard.wipes.or(() -> Optional.of(new Said<>(false, line, Sure.LIKELY)));
            }
            if (Wordings.any(clause.lower(), words.hazards())
                    || section.equals("hazards") && line.kind() != GuideLine.Kind.HEADING) {
                heard.hazards.add(new Said<>(shortened(clause.text(), 400), line, Sure.LIKELY));
            }
        }
    }

    /** What is flashed or written is named right behind the word; “install it from the recovery” writes no recovery. */
    private void written(Clause clause) {
        Matcher writing = WRITING.matcher(clause.lower());
        while (writing.find()) {
            String rest = clause.lower().substring(writing.end());
            words.partitions()
                    .forEach((partition, phrases) -> phrases.stream()
                            .filter(phrase -> !phrase.equals("root")
                                    && rest.startsWith(phrase)
                                    && Wordings.contains(rest, phrase))
                            .forEach(phrase -> heard.writes.putIfAbsent(
                                    partition, new Said<>(partition, clause.line(), Sure.GUESS))));
        }
    }

    /** A word for a state is a need only where needs are told: under their heading, or with a word that asks. */
    private void needed(Wordings.Needed one, Clause clause) {
        boolean asks = section.equals("needs")
                || Wordings.any(
                        clause.lower(),
                        List.of(
                                "must",
                                "need",
                                "needs",
                                "needed",
                                "requires",
                                "require",
                                "required",
                                "has to be",
                                "have",
                                "already",
                                "only"));
        boolean brings = Wordings.any(
                clause.lower(), List.of("install", "installs", "flash", "write", "writes", "get", "gives"));
        if (asks && !brings) {
            heard.requires.putIfAbsent(one.of(), new Said<>(one.is(), clause.line(), Sure.LIKELY));
        }
    }

    private void battery(int percent, Clause clause) {
        if (heard.battery.isPresent() && heard.battery.get().value() != percent) {
            heard.warn(
                    "contradiction",
                    clause.line(),
                    "Here the battery should have %d %%, elsewhere %d %%; the higher one was taken."
                            .formatted(percent, heard.battery.get().value()));
        }
        if (heard.battery.isEmpty() || heard.battery.get().value() < percent) {
            heard.battery = Optional.of(new Said<>(percent, clause.line(), Sure.CERTAIN));
        }
    }

    // Steps.

    private void step(GuideLine line) {
        if (section.equals("replies")
                || section.equals("excluded")
                || section.equals("hazards")
                || isReport(line)
                || line.kind() == GuideLine.Kind.HEADING) {
            return;
        }
        if (isRemedy(line)) {
            remedy(line);
            return;
        }
        boolean listed = line.kind() == GuideLine.Kind.NUMBERED;
        boolean told = !numbered
                && (line.kind() == GuideLine.Kind.ITEM && section.equals("steps") || isTold(line.lower()))
                && !section.equals("needs")
                && !section.equals("files");
        if (!listed && !told) {
            return;
        }
        List<String> kept = new ArrayList<>();
        for (String sentence : SENTENCES.split(line.text())) {
            if (isForbidding(sentence.toLowerCase(Locale.ROOT).replace('’', '\''))) {
                heard.warn(
                        "negated",
                        line,
                        "“" + shortened(sentence, 120) + "” forbids something; it is kept as a danger and is no step.");
                heard.hazards.add(new Said<>(shortened(sentence, 400), line, Sure.CERTAIN));
            } else {
                kept.add(sentence);
            }
        }
        String text = String.join(" ", kept).strip();
        if (!text.isEmpty()) {
            heard.steps.add(task(text, line));
        }
    }

    /** It begins with what is to be done, or with where: “in recovery, install the zip”. */
    private boolean isTold(String lower) {
        String first = Wordings.firstWord(lower);
        int comma = lower.indexOf(", ");
        boolean behind = first.equals("in")
                && comma > 0
                && words.verbs().contains(Wordings.firstWord(lower.substring(comma + 2)));
        return words.verbs().contains(first)
                || behind
                || List.of("then", "now", "first", "next", "finally", "after").contains(first);
    }

    private boolean isForbidding(String lower) {
        return List.of("do not", "don't", "dont", "never", "not ", "no need").stream()
                        .anyMatch(lower::startsWith)
                || Wordings.any(lower, List.of("but do not", "and do not", "but don't", "and don't", "but never"));
    }

    private boolean isRemedy(GuideLine line) {
        return !heard.steps.isEmpty() && words.remedies().stream().anyMatch(line.lower()::startsWith);
    }

    private void remedy(GuideLine line) {
        int comma = line.text().indexOf(',') > 0
                ? line.text().indexOf(',')
                : line.text().indexOf(':');
        if (comma > 0 && comma + 2 < line.text().length()) {
            heard.steps.get(heard.steps.size() - 1).remedies.add(new String[] {
                line.text().substring(0, comma).strip(),
                line.text().substring(comma + 1).strip()
            });
        }
    }

    private Heard.Task task(String text, GuideLine line) {
        String lower = text.toLowerCase(Locale.ROOT);
        Heard.Task task = new Heard.Task(
                new Said<>(
                        shortened(text, 1900),
                        line,
                        line.kind() == GuideLine.Kind.NUMBERED ? Sure.CERTAIN : Sure.LIKELY),
                phase(lower));
        task.mode = Wordings.key(lower, words.modes());
        task.keys = Figures.keys(lower);
        Figures.Wait wait = Figures.minutes(lower);
        task.normal = wait.normal();
        task.worry = wait.worry();
        int until = lower.indexOf("until ");
        if (until >= 0 && task.keys.isEmpty()) {
            task.sign = Optional.of(
                    shortened(text.substring(until + "until ".length()).strip(), 200));
        }
        task.noReturn = Wordings.any(lower, words.noreturn());
        return task;
    }

    private String phase(String lower) {
        String plain = lower.replaceFirst("^(?:then|now|first|next|finally),? ", "");
        if (words.prove().stream().anyMatch(plain::startsWith)) {
            return "prove";
        }
        if (words.gather().stream().anyMatch(plain::startsWith)) {
            return "gather";
        }
        return words.prepare().stream().anyMatch(plain::startsWith) ? "prepare" : "do";
    }

    // At the end.

    /** A title with root in it is of a way to root. */
    private void title() {
        heard.title
                .filter(said -> !heard.effects.containsKey(Fact.ROOT))
                .filter(said -> Wordings.contains(said.value().toLowerCase(Locale.ROOT), "root"))
                .filter(said -> Clause.of(said.line(), words).stream().noneMatch(Clause::negated))
                .ifPresent(said -> heard.effects.put(Fact.ROOT, new Said<>("permanent", said.line(), Sure.GUESS)));
    }

    /** What is told to be out is never in. */
    private void settle() {
        title();
        Set<String> both = new LinkedHashSet<>(heard.models.keySet());
        both.retainAll(heard.excluded.keySet());
        for (String model : both) {
            heard.warn(
                    "contradiction",
                    heard.excluded.get(model).line(),
                    model + " is told to be in and to be out; it was left out.");
            heard.models.remove(model);
        }
        heard.excluded.forEach((model, said) -> heard.warn("excluded", said.line(), model + " is told to be out."));
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
