package org.mobrak.core.logbook;

import com.samskivert.mustache.Escapers;
import com.samskivert.mustache.Mustache;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.Reader;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.mobrak.core.identity.Belief;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.identity.VisibleText;
import org.mobrak.core.job.Event;
import org.mobrak.core.job.EventWords;
import org.mobrak.core.job.Job;

/**
 * What is known of a phone and was done to it, to be kept with it or sent along: as a page of HTML that needs nothing else, as
 * CommonMark, or as rows of CSV (RFC 4180).
 *
 * @param zone in which times are told
 * @param at when it was written
 */
public record CaseReport(Dossier dossier, Facts facts, ZoneId zone, Instant at) {
    private static final DateTimeFormatter MINUTE = DateTimeFormatter.ofPattern("uuuu-MM-dd HH:mm");

    public String html() {
        return render("case.html", Escapers.HTML);
    }

    public String markdown() {
        return render("case.md", text -> text.replace('\n', ' ').replaceAll("([\\\\`*_\\[\\]<>|#])", "\\\\$1"));
    }

    /** A row for each fact, text and thing that happened: when, what kind of row, what, and more of it. */
    public String csv() {
        StringWriter out = new StringWriter();
        try (CSVPrinter rows = new CSVPrinter(out, CSVFormat.RFC4180)) {
            rows.printRecord("time", "kind", "what", "more");
            for (Known known : known()) {
                row(rows, "", "fact", known.label(), known.value());
            }
            for (Taken taken : taken()) {
                row(rows, taken.time(), "text", taken.name(), "");
            }
            for (Done done : done()) {
                row(rows, done.from(), "job", done.title(), done.end());
                for (Happened one : done.events()) {
                    row(rows, one.time(), "event", one.words(), "");
                }
            }
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
        return out.toString();
    }

    /**
     * A row whose cells no spreadsheet takes for a formula: those that begin like one get an apostrophe, as OWASP's “CSV Injection”
     * advises. What must come back exactly goes out as an export.
     */
    private static void row(CSVPrinter rows, String... cells) throws IOException {
        rows.printRecord(Arrays.stream(cells)
                .map(cell -> cell.isEmpty() || "=+-@\t\r".indexOf(cell.charAt(0)) < 0 ? cell : "'" + cell));
    }

    private String render(String template, Mustache.Escaper escaper) {
        try (InputStream in = CaseReport.class.getResourceAsStream(template);
                Reader text = new InputStreamReader(in, StandardCharsets.UTF_8)) {
            return Mustache.compiler()
                    .withEscaper(raw -> escaper.escape(VisibleText.of(raw)))
                    .compile(text)
                    .execute(new Page(dossier.phone().nickname(), time(at), known(), taken(), done()));
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
    }

    private String time(Instant when) {
        return MINUTE.format(when.atZone(zone));
    }

    /** Everything that is believed, and where sources disagree all that they say. */
    private List<Known> known() {
        return Stream.of(Fact.values())
                .filter(fact -> facts.value(fact).isPresent())
                .map(fact -> new Known(fact.label(), told(fact), source(fact)))
                .toList();
    }

    private String told(Fact fact) {
        String value = facts.value(fact).orElseThrow();
        return facts.belief(fact) instanceof Belief.Conflicting ? value + " (sources disagree)" : value;
    }

    private String source(Fact fact) {
        return facts.belief(fact).readings().stream()
                .findFirst()
                .map(Reading::source)
                .map(source -> source.word())
                .orElse("");
    }

    private List<Taken> taken() {
        return dossier.intakes().stream()
                .filter(Intake::counts)
                .map(intake -> new Taken(time(intake.takenAt()), intake.name()))
                .toList();
    }

    private List<Done> done() {
        return dossier.jobs().stream().map(this::done).toList();
    }

    private Done done(Job job) {
        List<Happened> events = new ArrayList<>();
        job.events().stream()
                .sorted(Comparator.comparing(Event::at))
                .forEach(event -> events.add(new Happened(time(event.at()), EventWords.of(job, event))));
        String end = job.end().map(one -> one.end().word()).orElse("not ended yet");
        return new Done(time(job.startedAt()), job.sheet().title(), end, events);
    }

    // What the templates name.

    record Page(String phone, String written, List<Known> known, List<Taken> taken, List<Done> done) {}

    record Known(String label, String value, String source) {}

    record Taken(String time, String name) {}

    record Done(String from, String title, String end, List<Happened> events) {}

    record Happened(String time, String words) {}
}
