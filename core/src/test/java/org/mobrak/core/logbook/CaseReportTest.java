package org.mobrak.core.logbook;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mobrak.core.Sample;
import org.mobrak.core.identity.TypedReading;

/** A phone's name and what was typed of it come from outside; in no form of the report are they more than text. */
class CaseReportTest {
    private static final Instant NOON = Instant.parse("2026-11-26T12:00:00Z");
    private static final String HOSTILE = "<script>alert(1)</script> \u202e*x*, \"y\" | [z](q)";

    @TempDir
    private Path top;

    private CaseReport report() throws Exception {
        Path folder = top.resolve("own");
        Workspace.create(folder, List.of(Sample.HOME.resolve("catalogue")));
        try (Workspace open = Workspace.open(folder, top.resolve("cache"))) {
            PhoneRecord phone = open.logbook().addPhone(HOSTILE, NOON);
            open.logbook().take(phone, TypedReading.parse("model=AB-1", NOON));
            open.logbook().take(phone, TypedReading.parse("buildNumber=a,\"b\"<i>", NOON.plusSeconds(1)));
            open.logbook().take(phone, TypedReading.parse("carrier==1+cmd", NOON.plusSeconds(2)));
            Dossier dossier = open.logbook().dossier(phone);
            return new CaseReport(dossier, dossier.ledger().facts(), ZoneOffset.UTC, NOON);
        }
    }

    @Test
    void thePageIsTextAndNothingInItIsRun() throws Exception {
        Document page = Jsoup.parse(report().html());
        assertThat(page.select("script, i, a, img")).isEmpty();
        assertThat(page.selectFirst("h1").text())
                .startsWith("<script>alert(1)</script>")
                .contains("\\u202E");
        assertThat(page.select("td.exact").eachText()).contains("AB-1", "a,\"b\"<i>");
    }

    @Test
    void markdownKeepsItsOwnSigns() throws Exception {
        String first = report().markdown().lines().findFirst().orElseThrow();
        assertThat(first)
                .startsWith("# \\<script\\>")
                .contains("\\*x\\*", "\\[z\\](q)", "\\|")
                .doesNotContain("\u202e");
    }

    /** RFC 4180: a comma and a quote stand within quotes, which are doubled. */
    @Test
    void rowsAreReadBackByALibrary() throws Exception {
        List<CSVRecord> rows;
        try (CSVParser parsed = CSVParser.parse(report().csv(), CSVFormat.RFC4180)) {
            rows = parsed.getRecords();
        }
        assertThat(rows).allSatisfy(row -> assertThat(row.size()).isEqualTo(4));
        assertThat(rows.get(0).toList()).containsExactly("time", "kind", "what", "more");
        assertThat(rows).anySatisfy(row -> assertThat(row.get(3)).isEqualTo("a,\"b\"<i>"));
        assertThat(rows).anySatisfy(row -> assertThat(row.toList()).startsWith("2026-11-26 12:00", "text"));
        assertThat(rows)
                .as("no formula for a spreadsheet")
                .anySatisfy(row -> assertThat(row.get(3)).isEqualTo("'=1+cmd"))
                .allSatisfy(row -> assertThat(row.toList()).noneMatch(cell -> cell.matches("[=+@-].*")));
    }
}
