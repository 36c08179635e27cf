package org.mobrak.core.learn;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.mobrak.core.identity.Fact;

/** Everything that was understood of a guide, before it becomes drafts. Filled line by line. */
final class Heard {
    final Map<String, Said<String>> models = new LinkedHashMap<>();
    final Map<String, Said<String>> excluded = new LinkedHashMap<>();
    final Map<String, Said<String>> builds = new LinkedHashMap<>();
    final Map<String, Said<String>> excludedBuilds = new LinkedHashMap<>();
    final List<Said<Figures.Versions>> versions = new ArrayList<>();
    final Map<Fact, Said<String>> requires = new LinkedHashMap<>();
    final Map<Fact, Said<String>> gates = new LinkedHashMap<>();
    final Map<Fact, Said<String>> effects = new LinkedHashMap<>();
    final Map<String, Said<String>> writes = new LinkedHashMap<>();
    final Map<String, NamedFile> files = new LinkedHashMap<>();
    final Map<String, Tool> tools = new LinkedHashMap<>();
    /** Carriers and regions for which it is, and is not. */
    final Map<Fact, Map<String, Said<String>>> markets = new EnumMap<>(Fact.class);

    final Map<Fact, Map<String, Said<String>>> otherMarkets = new EnumMap<>(Fact.class);
    final Map<String, Said<String>> chipsets = new LinkedHashMap<>();
    final List<Task> steps = new ArrayList<>();
    final List<Said<String>> hazards = new ArrayList<>();
    final List<Report> reports = new ArrayList<>();
    /** By the name of a file, the models it stands with. */
    final Map<String, Set<String>> pairs = new LinkedHashMap<>();

    /** Models that are named, and nothing says whether the guide is for them. */
    final Map<String, GuideLine> doubtful = new LinkedHashMap<>();

    final List<Lesson.Warning> warnings = new ArrayList<>();
    Optional<Said<Integer>> battery = Optional.empty();
    Optional<Said<Price>> price = Optional.empty();
    Optional<Said<String>> bootloader = Optional.empty();
    Optional<Said<Bounds>> kernel = Optional.empty();
    Optional<Said<LocalDate>> written = Optional.empty();
    Optional<Said<LocalDate>> updated = Optional.empty();
    Optional<Said<Boolean>> wipes = Optional.empty();
    Optional<Said<String>> title = Optional.empty();
    Optional<String> family = Optional.empty();

    /** What it costs. */
    record Price(String amount, String currency) {}

    /**
     * Between which releases a kernel must be.
     *
     * @param below the release that is too new already
     */
    record Bounds(Optional<String> atLeast, Optional<String> atMost, Optional<String> below) {}

    /** A program or driver of the computer. */
    record Tool(Said<String> name, String kind, Optional<String> atLeast, Optional<String> atMost) {}

    /** A file as it is named. */
    static final class NamedFile {
        final Said<String> name;
        final Map<String, Said<String>> sums = new LinkedHashMap<>();
        Optional<Said<Long>> bytes = Optional.empty();
        Optional<String> partition = Optional.empty();
        Optional<Boolean> keepZipped = Optional.empty();
        Optional<Said<String>> slot = Optional.empty();

        NamedFile(Said<String> name) {
            this.name = name;
        }
    }

    /** A thing to do. */
    static final class Task {
        final Said<String> text;
        final String phase;
        Optional<String> mode = Optional.empty();
        Optional<String> keys = Optional.empty();
        Optional<Said<Integer>> normal = Optional.empty();
        Optional<Said<Integer>> worry = Optional.empty();
        Optional<String> sign = Optional.empty();
        final List<String[]> remedies = new ArrayList<>();
        boolean noReturn;

        Task(Said<String> text, String phase) {
            this.text = text;
            this.phase = phase;
        }
    }

    /** Somebody tried it. */
    record Report(String model, Optional<String> build, boolean worked, GuideLine line) {}

    void warn(String code, GuideLine line, String text) {
        warnings.add(new Lesson.Warning(code, line.number(), text));
    }
}
