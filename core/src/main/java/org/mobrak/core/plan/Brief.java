package org.mobrak.core.plan;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.commonmark.Extension;
import org.commonmark.ext.gfm.tables.TablesExtension;
import org.commonmark.parser.Parser;
import org.commonmark.renderer.html.HtmlRenderer;
import org.commonmark.renderer.text.TextContentRenderer;
import org.mobrak.core.catalogue.NeededFile;
import org.mobrak.core.fit.Clause;
import org.mobrak.core.identity.VisibleText;

/**
 * A plan on one page, to take along or to send to somebody: what it does, why in this order, what it costs, what stays for good
 * and what to be careful of.
 *
 * @param phone who the phone is, for a heading
 * @param figures the plan's account
 * @param ways how its changes could be taken back
 */
public record Brief(String phone, Plan plan, Replay replay, List<Figure> figures, List<WayBack> ways, LocalDate day) {
    private static final List<String> CAUTIONS = List.of(
            "Only phones you own or may change; not for getting past someone else's lock. Local law and the carrier's terms decide.",
            "Warranty is usually lost. A rooted phone is easier to attack. Test the emergency call screen afterwards.",
            "A swollen, hot or damaged battery: stop. Back up first. What needs opening the phone belongs to a qualified technician.");
    private static final List<Extension> TABLES = List.of(TablesExtension.create());
    private static final String STYLE =
            "body{font:10.5pt/1.4 sans-serif;max-width:44em;margin:2em auto;color:#222}h1{font-size:1.5em;margin:0}"
                    + "h2{font-size:1.1em;margin:1.1em 0 .2em}table{border-collapse:collapse}td,th{text-align:left;"
                    + "padding:.1em 1em .1em 0;vertical-align:top;border-bottom:1px solid #ccc}p,ul,ol{margin:.2em 0}"
                    + "@page{margin:14mm}@media print{body{margin:0}}";

    public Brief {
        figures = List.copyOf(figures);
        ways = List.copyOf(ways);
    }

    /** As Markdown (CommonMark with tables). */
    public String markdown() {
        StringBuilder text = new StringBuilder();
        text.append("# ").append(escaped(phone)).append("\n\n");
        text.append("**").append(escaped(plan.goal().label())).append(":** ").append(escaped(plan.title()));
        text.append(". Written on ").append(day).append(".\n\n");
        text.append(escaped(plan.tradeOffs())).append("\n\n");
        text.append("## In this order, because\n\n");
        replay.steps().forEach(step -> text.append(step(step)));
        text.append("\n## What it costs\n\n| | | how it is worked out |\n|---|---|---|\n");
        figures.forEach(figure -> text.append(row(figure)));
        text.append(list(
                "What it takes for granted",
                plan.assumptions().stream().map(Assumption::sentence).toList()));
        text.append(list("To gather", gather()));
        text.append(list("The way back", ways.stream().map(WayBack::sentence).toList()));
        text.append(list(
                "What has gone wrong for others",
                plan.routes().stream()
                        .flatMap(route -> route.notes().hazards().stream())
                        .distinct()
                        .toList()));
        text.append(list("Cautions", CAUTIONS));
        return text.toString();
    }

    /** As a page of HTML that needs nothing else. */
    public String html() {
        String body = HtmlRenderer.builder()
                .extensions(TABLES)
                .escapeHtml(true)
                .build()
                .render(Parser.builder().extensions(TABLES).build().parse(markdown()));
        String title = VisibleText.oneLine(phone).replace("&", "&amp;").replace("<", "&lt;");
        return "<!DOCTYPE html>\n<html lang=\"en\"><head><meta charset=\"utf-8\"><title>" + title + "</title><style>"
                + STYLE + "</style></head><body>\n" + body + "</body></html>\n";
    }

    /** As plain text, for a printer. */
    public String text() {
        return TextContentRenderer.builder()
                .extensions(TABLES)
                .build()
                .render(Parser.builder().extensions(TABLES).build().parse(markdown()));
    }

    private static String step(Replay.Step step) {
        String because = step.clauses().stream().map(Clause::reason).collect(Collectors.joining(" "));
        return "1. **" + escaped(step.route().name()) + "** – " + escaped(step.changesInWords()) + ". "
                + escaped(because) + "\n";
    }

    private static String row(Figure figure) {
        String sums = figure.lines().stream()
                .map(line -> line.what() + ": " + line.sum())
                .collect(Collectors.joining("; "));
        return "| " + escaped(figure.name()) + " | " + escaped(figure.total()) + " | " + escaped(sums) + " |\n";
    }

    private List<String> gather() {
        return plan.routes().stream()
                .flatMap(route -> Stream.concat(
                        route.work().tools().stream().map(tool -> tool.name() + ", " + tool.versions()),
                        route.work().files().stream().map(Brief::file)))
                .distinct()
                .toList();
    }

    private static String file(NeededFile file) {
        String digests = file.digests().entrySet().stream()
                .limit(1)
                .map(Map.Entry::getValue)
                .collect(Collectors.joining());
        return file.role() + ": " + file.name() + (digests.isEmpty() ? ", no checksum known" : ", " + digests);
    }

    private static String list(String heading, List<String> lines) {
        return lines.isEmpty()
                ? ""
                : "\n## " + heading + "\n\n"
                        + lines.stream()
                                .map(line -> "- " + escaped(line) + "\n")
                                .collect(Collectors.joining());
    }

    /** A catalogue's words are words, whatever marks stand in them. */
    private static String escaped(String text) {
        return VisibleText.of(text.replace('\n', ' ')).replaceAll("([\\\\`*_\\[\\]<>|#])", "\\\\$1");
    }
}
