package org.mobrak.core.job;

import com.samskivert.mustache.Escapers;
import com.samskivert.mustache.Mustache;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.mobrak.core.catalogue.NeededFile;
import org.mobrak.core.catalogue.Phase;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.VisibleText;

/**
 * A run sheet on paper: large letters, boxes to tick, keys drawn over time, and nothing that needs colour. As a page of HTML that
 * needs nothing else, or as Markdown.
 *
 * @param phone who the phone is, for the heading
 */
public record JobCard(String phone, RunSheet sheet, LocalDate day) {

    public String html() {
        return render("card.html", Escapers.HTML);
    }

    /** CommonMark. */
    public String markdown() {
        return render("card.md", text -> text.replace('\n', ' ').replaceAll("([\\\\`*_\\[\\]<>|#])", "\\\\$1"));
    }

    private String render(String template, Mustache.Escaper escaper) {
        try (InputStream in = JobCard.class.getResourceAsStream(template);
                Reader text = new InputStreamReader(in, StandardCharsets.UTF_8)) {
            String money =
                    sheet.money().map(amount -> "It costs " + amount + ".").orElse("");
            return Mustache.compiler()
                    .withEscaper(raw -> escaper.escape(VisibleText.of(raw)))
                    .compile(text)
                    .execute(new Page(phone, sheet.title(), day.toString(), money, parts()));
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
    }

    private List<Part> parts() {
        List<Part> parts = new ArrayList<>();
        List<Box> boxes = new ArrayList<>();
        Phase above = Phase.GATHER;
        int number = 0;
        for (Step step : sheet.steps()) {
            Phase phase = step.phase() == Phase.PROVE ? Phase.DO : step.phase();
            if (phase != above && !boxes.isEmpty()) {
                parts.add(new Part(above.label(), boxes));
                boxes = new ArrayList<>();
            }
            above = phase;
            number++;
            boxes.add(box(step, number));
        }
        parts.add(new Part(above.label(), boxes));
        return parts;
    }

    private Box box(Step step, int number) {
        List<Line> lines = new ArrayList<>();
        step.file().ifPresent(file -> lines.addAll(digests(file)));
        // In the order in which hands need it: what to do, what it leaves, what is seen, what helps.
        step.how().ifPresent(how -> lines.addAll(doing(how)));
        Card.files(step, sheet).forEach(file -> lines.add(new Line("Takes", file.placed())));
        if (step instanceof Step.Act act && !act.with().settings().isEmpty()) {
            lines.add(new Line("Choose", act.with().settingsText()));
        }
        marks(step).ifPresent(marks -> lines.add(new Line("Stays for good", marks)));
        step.how().flatMap(Step.Doing::sign).ifPresent(sign -> lines.add(new Line("You should see", sign)));
        step.expected().forEach((fact, value) -> lines.add(new Line("Must read", fact.label() + ": " + value)));
        step.how().ifPresent(how -> lines.addAll(waiting(how)));
        return new Box(
                String.valueOf(number),
                step.title(),
                step.text(),
                step.hasNoReturn(),
                step instanceof Step.Ready,
                lines,
                step.how().flatMap(Step.Doing::keys).map(DrawnChord::of).stream()
                        .toList());
    }

    /** What nothing takes back, on the step that brings it about. */
    private static Optional<String> marks(Step step) {
        List<String> marks = new ArrayList<>();
        Map<Fact, String> effects = step.changes().effects();
        if ("blown".equals(effects.get(Fact.WARRANTY_FUSE))) {
            marks.add("the warranty fuse is blown");
        }
        if (effects.containsKey(Fact.CUSTOM_WRITES)) {
            marks.add("the counter of custom writes goes up");
        }
        return marks.isEmpty() ? Optional.empty() : Optional.of(String.join("; ", marks));
    }

    private static List<Line> digests(NeededFile file) {
        return file.digests().entrySet().stream()
                .map(one -> new Line(one.getKey(), one.getValue()))
                .toList();
    }

    private static List<Line> doing(Step.Doing how) {
        List<Line> lines = new ArrayList<>();
        how.mode()
                .ifPresent(
                        mode -> lines.add(new Line("Mode", mode.equals("os") ? "started up" : mode.replace('-', ' '))));
        how.keys().ifPresent(keys -> lines.add(new Line("Keys", keys.text())));
        how.or().forEach(other -> lines.add(new Line("Or " + other.by().label(), other.text())));
        return lines;
    }

    private static List<Line> waiting(Step.Doing how) {
        List<Line> lines = new ArrayList<>();
        how.normalMinutes().ifPresent(normal -> lines.add(new Line("Wait", waiting(normal, how))));
        how.remedies().forEach(remedy -> lines.add(new Line("If: " + remedy.seen(), remedy.what())));
        return lines;
    }

    private static String waiting(int normal, Step.Doing how) {
        return "up to %d min is normal".formatted(normal)
                + how.worryMinutes().map("; worry only after %d min"::formatted).orElse("");
    }

    // What the templates name.

    record Page(String phone, String title, String day, String money, List<Part> parts) {}

    record Part(String heading, List<Box> boxes) {}

    record Box(
            String number,
            String title,
            String text,
            boolean noReturn,
            boolean asks,
            List<Line> lines,
            List<DrawnChord> chords) {}

    record Line(String name, String said) {}
}
