package org.mobrak.app.rehearsal;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.mobrak.core.identity.Fact;
import org.mobrak.link.bench.BenchTruth;

/** A row of the table in {@code docs/jobs.md}. */
record JobRow(String job, String phone, List<String> from, String goal, List<String> way, List<String> refused) {
    private static final int JOBS = 21;
    private static final int COLUMNS = 7;

    static Stream<JobRow> all(Path home) throws IOException {
        List<JobRow> rows = Files.readAllLines(home.resolve("docs/jobs.md")).stream()
                .filter(line -> line.matches("\\| [0-9]+ \\|.*"))
                .map(JobRow::of)
                .toList();
        assertThat(rows).hasSize(JOBS);
        return rows.stream();
    }

    private static JobRow of(String line) {
        List<String> cells = Arrays.stream(line.substring(1).split("\\|", -1))
                .map(String::strip)
                .toList();
        assertThat(cells).as(line).hasSize(COLUMNS + 1);
        return new JobRow(
                cells.get(0),
                cells.get(2),
                words(cells.get(3)),
                cells.get(4),
                words(cells.get(5)),
                words(cells.get(6)));
    }

    private static List<String> words(String cell) {
        return Arrays.stream(cell.split(" ")).filter(word -> !word.isEmpty()).toList();
    }

    /** The bench phone as it is when the job begins. */
    BenchTruth phone(List<BenchTruth> phones) {
        BenchTruth phone = phones.stream()
                .filter(one -> one.id().equals(phone()))
                .findFirst()
                .orElseThrow();
        Map<Fact, String> so = new EnumMap<>(Fact.class);
        from.forEach(word -> so.put(
                Fact.ofKey(word.substring(0, word.indexOf('='))).orElseThrow(), word.substring(word.indexOf('=') + 1)));
        return phone.knowing(so);
    }

    @Override
    public String toString() {
        return "job " + job;
    }
}
