package org.mobrak.core.proof;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.UnreadableInput;
import org.mobrak.core.job.Job;
import org.mobrak.core.job.JobPlan;
import org.mobrak.core.job.Step;

/**
 * How a route went on one build, as others can use it: one line of a CSV file (RFC 4180). There is nothing in it of the person or
 * the single phone: no name, no serial number, no path, no note, no hour.
 *
 * @param route its id
 * @param step the step at which it ended, in the catalogue's words; empty where it worked
 */
public record OutcomeReport(String route, String model, String build, Went went, Optional<String> step, LocalDate day) {
    private static final List<String> HEAD = List.of("route", "model", "build", "outcome", "step", "day");
    private static final CSVFormat FORM = CSVFormat.RFC4180
            .builder()
            .setHeader(HEAD.toArray(String[]::new))
            .setSkipHeaderRecord(true)
            .get();
    private static final int MOST_LINES = 100_000;
    private static final int LONGEST = 200;

    /** How it went; the words stand in the file. */
    public enum Went {
        WORKED,
        FAILED,
        /** It ended before its end. */
        PARTLY;

        String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** What an ended job tells of each of its routes; nothing where model or build were not known. */
    public static List<OutcomeReport> of(Job job) {
        Optional<String> model = Optional.ofNullable(job.plan().start().get(Fact.MODEL));
        Optional<String> build = Optional.ofNullable(job.plan().start().get(Fact.BUILD_NUMBER));
        if (job.end().isEmpty() || model.isEmpty() || build.isEmpty()) {
            return List.of();
        }
        LocalDate day = LocalDate.ofInstant(job.end().get().at(), ZoneOffset.UTC);
        List<OutcomeReport> reports = new ArrayList<>();
        for (var planned : job.plan().routes()) {
            if (isBegun(job, planned.name())) {
                Optional<String> step = openStep(job, planned.name());
                reports.add(new OutcomeReport(planned.id(), model.get(), build.get(), went(job, step), step, day));
            }
        }
        return reports;
    }

    /** Whether a route of an ended job worked; empty if it was never begun. */
    public static Optional<Boolean> worked(Job job, JobPlan.PlannedRoute planned) {
        return isBegun(job, planned.name())
                ? Optional.of(went(job, openStep(job, planned.name())) == Went.WORKED)
                : Optional.empty();
    }

    private static boolean isBegun(Job job, String route) {
        return job.sheet().steps().stream().anyMatch(step -> step.line().route().equals(route) && isDone(job, step));
    }

    private static boolean isDone(Job job, Step step) {
        return job.isTicked(step) && step.isAtThePhone() || job.begun(step).isPresent();
    }

    private static Optional<String> openStep(Job job, String route) {
        return job.sheet().steps().stream()
                .filter(step -> step.line().route().equals(route) && !job.isTicked(step))
                .map(Step::title)
                .findFirst();
    }

    private static Went went(Job job, Optional<String> open) {
        return switch (job.end().orElseThrow().end()) {
            case WORKED -> Went.WORKED;
            case FAILED -> Went.FAILED;
            case STOPPED -> open.isPresent() ? Went.PARTLY : Went.WORKED;
        };
    }

    /** Reports as a file, the head first. */
    public static String csv(List<OutcomeReport> reports) {
        StringBuilder text = new StringBuilder();
        try (CSVPrinter printer = new CSVPrinter(text, CSVFormat.RFC4180)) {
            printer.printRecord(HEAD);
            for (OutcomeReport report : reports) {
                printer.printRecord(
                        report.route,
                        report.model,
                        report.build,
                        report.went.word(),
                        report.step.orElse(""),
                        report.day);
            }
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
        return text.toString();
    }

    /** Reads such a file; an {@link UnreadableInput} tells the line that is none. */
    public static List<OutcomeReport> parse(String text) throws UnreadableInput {
        List<OutcomeReport> reports = new ArrayList<>();
        try (CSVParser lines = CSVParser.parse(new StringReader(text), FORM)) {
            for (CSVRecord line : lines) {
                if (reports.size() == MOST_LINES) {
                    throw new UnreadableInput("There are more than 100000 reports in it; split the file.");
                }
                reports.add(read(line));
            }
        } catch (IOException | UncheckedIOException broken) {
            throw broken instanceof UnreadableInput told
                    ? told
                    : new UnreadableInput("It is no CSV file: " + broken.getMessage());
        }
        if (reports.isEmpty()) {
            throw new UnreadableInput("There is no report in it; its first line is: " + String.join(",", HEAD));
        }
        return reports;
    }

    private static OutcomeReport read(CSVRecord line) throws UnreadableInput {
        if (line.size() != HEAD.size()) {
            throw wrong(line, "has %d fields and not %d".formatted(line.size(), HEAD.size()));
        }
        for (String field : line) {
            if (field.length() > LONGEST) {
                throw wrong(line, "has a field of more than 200 characters");
            }
        }
        try {
            return new OutcomeReport(
                    line.get("route"),
                    line.get("model"),
                    line.get("build"),
                    Went.valueOf(line.get("outcome").toUpperCase(Locale.ROOT)),
                    Optional.of(line.get("step")).filter(step -> !step.isEmpty()),
                    LocalDate.parse(line.get("day")));
        } catch (DateTimeParseException noDay) {
            throw wrong(line, "has “%s” for a day".formatted(line.get("day")));
        } catch (IllegalArgumentException noOutcome) {
            throw wrong(line, "says “%s”; it must be worked, failed or partly".formatted(line.get("outcome")));
        }
    }

    private static UnreadableInput wrong(CSVRecord line, String what) {
        return new UnreadableInput("Report %d %s.".formatted(line.getRecordNumber(), what));
    }

    /** As evidence for its route; what went only partly did not work. */
    public Route.Report evidence() {
        return new Route.Report(model, build, went == Went.WORKED, day.toString());
    }
}
