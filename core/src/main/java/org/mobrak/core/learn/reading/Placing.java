package org.mobrak.core.learn.reading;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Lays each file at the step that takes it, and tells where the phone is at each: what hands need and writers take for granted. */
final class Placing {
    private static final Cue WORKS = Cues.of("placing.works");
    private static final Cue RESTARTS = Cues.of("placing.restarts");
    private static final Cue COMMANDS = Cues.of("placing.commands");
    private static final Cue COPIES = Cues.of("placing.copies");
    private static final Cue NOTHING = Cue.of("nothing", "no data", "\\W*nothing");
    private static final Cue WIPES = Cues.of("placing.wipes");
    private static final Cue ITSELF = Cues.of("placing.itself");
    private static final Pattern APP =
            Pattern.compile("\\b(?:install|open|tap|start|run)\\b[^.;]{0,20}[\\w.-]+\\.apk\\b");
    private static final Pattern CLAUSE = Pattern.compile("[,;:] ");
    private static final String OS = "os";

    private final List<StepRead> steps;
    private final List<Understood.File> files;
    private List<StepRead> working = List.of();
    /** The words of each step, in small letters. */
    private final Map<StepRead, String> words = new IdentityHashMap<>();

    /** Steps of which the guide does not say where the phone is. */
    private final Set<StepRead> supposed = new HashSet<>();

    Placing(List<StepRead> steps, List<Understood.File> files) {
        this.steps = steps;
        this.files = files;
    }

    /** Whether something is written or run there. */
    static boolean isWork(Sentence sentence) {
        if (!WORKS.in(sentence.lower())) {
            return false;
        }
        // What is forbidden in one clause is no word on the others.
        Matcher ends = CLAUSE.matcher(sentence.lower());
        int from = 0;
        while (from < sentence.lower().length()) {
            int to = ends.find() ? ends.end() : sentence.lower().length();
            Sentence clause = sentence.part(from, to);
            if (WORKS.in(clause.lower())
                    && !Acts.isNegated(clause)
                    && !COPIES.in(clause.lower())
                    && !NOTHING.begins(clause.lower())) {
                return true;
            }
            from = to;
        }
        return false;
    }

    /** The steps with their places; the same ones, and those between them that lead somewhere by a command. */
    List<StepRead> read(Optional<String> family) {
        List<StepRead> placed = new ArrayList<>();
        String here = OS;
        Set<String> been = new HashSet<>();
        for (StepRead step : steps) {
            String lower = step.lower();
            if (step.keys.isPresent() && step.mode.isEmpty() && step.phase.equals("do")) {
                // Who has been there already goes on into the recovery.
                step.mode = family.flatMap(Placing::entered)
                        .or(this::entered)
                        .map(mode -> been.contains(mode) ? "recovery" : mode);
            }
            boolean away = step.mode.isPresent() && !step.mode.get().equals(OS);
            if (away && here.equals(OS) && step.keys.isEmpty() && COMMANDS.in(lower)) {
                step.byItself = !step.works() && !step.phase.equals("prepare");
            }
            boolean app = step.keys.isEmpty() && APP.matcher(lower).find();
            if (step.mode.isEmpty() && (step.phase.equals("prove") || app)) {
                step.mode = Optional.of(OS);
            }
            // Where something is done, a restart comes after it.
            int restart = RESTARTS.at(step.first.lower());
            int work = WORKS.at(step.first.lower());
            boolean after = step.works() && !here.equals(OS) && (restart < 0 || work >= 0 && work < restart);
            if (step.mode.isEmpty() && RESTARTS.in(lower) && !COMMANDS.in(lower) && !after) {
                step.mode = Optional.of(OS);
                step.byItself = ITSELF.in(lower);
            }
            if (step.mode.isEmpty() && step.phase.equals("do") && step.keys.isEmpty()) {
                step.mode = Optional.of(here.equals("off") ? OS : here);
                supposed.add(step);
            }
            if (step.phase.equals("gather")) {
                // Files are fetched on a computer, whatever they are for.
                step.mode = Optional.empty();
            }
            here = step.mode.orElse(here);
            been.add(here);
            placed.add(step);
        }
        working = steps.stream()
                .filter(StepRead::works)
                .filter(step -> step.phase.equals("do"))
                .filter(step -> !step.first.lower().startsWith("if "))
                .toList();
        steps.forEach(step -> words.put(step, step.lower()));
        files.forEach(file -> taker(file).ifPresent(step -> take(step, file)));
        last(steps, step -> step.phase.equals("do") && WIPES.in(step.lower()) && !Acts.isNegated(step.first))
                .ifPresent(step -> step.wipes = true);
        return placed;
    }

    /** A file that is written from the phone is taken where such files are taken, if the guide does not say where it is then. */
    private void take(StepRead step, Understood.File file) {
        String name = file.name().value().toLowerCase(Locale.ROOT);
        step.takes.add(file.name().value());
        boolean unsaid = supposed.contains(step) && step.mode.equals(Optional.of(OS));
        if (unsaid && file.partition().isPresent() && !name.endsWith(".apk")) {
            step.mode = taken(name);
        }
    }

    /** Which mode a way of this kind begins with. */
    private static Optional<String> entered(String family) {
        if (family.contains("download")) {
            return Optional.of("download");
        }
        if (family.contains("console") || family.equals("unlock")) {
            return Optional.of("flash-console");
        }
        return family.contains("recovery") || family.contains("OS") || family.contains("update")
                ? Optional.of("recovery")
                : Optional.empty();
    }

    /** Where the first file that is written from a computer is taken. */
    private Optional<String> entered() {
        return files.stream()
                .map(file -> file.name().value().toLowerCase(Locale.ROOT))
                .flatMap(name -> taken(name).stream())
                .filter(mode -> !mode.equals(OS))
                .findFirst();
    }

    /** The step that takes a file: the last that names it and works, else the last that works where such a file is taken. */
    private Optional<StepRead> taker(Understood.File file) {
        String name = file.name().value().toLowerCase(Locale.ROOT);
        return last(working, step -> names(step, name))
                .or(() -> last(
                        steps,
                        step -> name.endsWith(".apk")
                                && step.phase.equals("prove")
                                && step.works()
                                && lower(step).contains(name)))
                .or(() -> last(working, step -> step.mode.equals(taken(name))))
                .or(() -> last(working, step -> true))
                .or(() -> last(
                        steps, step -> step.phase.equals("do") && lower(step).contains(name)));
    }

    /** Whether a step names a file for more than putting it somewhere. */
    private boolean names(StepRead step, String name) {
        String lower = lower(step);
        for (int at = lower.indexOf(name); at >= 0; at = lower.indexOf(name, at + 1)) {
            if (!PUTS.matcher(lower.substring(0, at)).find()) {
                return true;
            }
        }
        return false;
    }

    private static final Pattern PUTS = Pattern.compile("\\b(?:push|cp|cop(?:y|ied)|put) (?:the |that )?\\W?$");

    private static Optional<String> taken(String name) {
        if (name.matches(".*\\.(?:tar|md5)(?:\\..*)?")) {
            return Optional.of("download");
        }
        if (name.endsWith(".img")) {
            return Optional.of("flash-console");
        }
        return Optional.of(name.endsWith(".zip") ? "recovery" : OS);
    }

    private String lower(StepRead step) {
        return words.getOrDefault(step, "");
    }

    private static Optional<StepRead> last(List<StepRead> steps, Predicate<StepRead> is) {
        return steps.stream().filter(is).reduce((earlier, later) -> later);
    }
}
