package org.mobrak.app.rehearsal;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.mobrak.app.Catalogues;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.link.bench.BenchTruth;

/** What the jobs of {@code docs/jobs.md} are played with: the demo's catalogue, its bench phones, and files made for them. */
record JobBench(BenchFiles files, Catalogue catalogue, List<BenchTruth> phones) implements AutoCloseable {
    private static final Path HOME = Path.of(System.getProperty("mobrak.home"));

    static JobBench open(Path cache) throws IOException {
        Catalogues catalogues = new Catalogues(HOME, cache);
        return new JobBench(new BenchFiles(), catalogues.load(List.of()).catalogue(), catalogues.bench(List.of()));
    }

    static Stream<JobRow> jobs() throws IOException {
        return JobRow.all(HOME);
    }

    /** The job by its own way, where another might be milder: its routes, and whatever makes a phone ready. */
    Catalogue only(List<String> way) {
        return catalogue.with(catalogue.routes().stream()
                .filter(route -> way.contains(route.id()) || route.isHousekeeping())
                .toList());
    }

    @Override
    public void close() throws IOException {
        files.close();
    }
}
