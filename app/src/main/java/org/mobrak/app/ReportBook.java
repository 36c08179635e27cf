package org.mobrak.app;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.UnreadableInput;
import org.mobrak.core.logbook.Dossier;
import org.mobrak.core.logbook.Logbook;
import org.mobrak.core.logbook.history.OwnTimes;
import org.mobrak.core.proof.OutcomeReport;

/**
 * What one's own jobs and other people report of routes: evidence and times beside those of the catalogue. Own jobs count at once; what
 * others report is kept as it was taken in. On the worker thread only.
 */
final class ReportBook {
    private static final String TAKEN = "reports";
    private static final long MOST_BYTES = 16 << 20;

    private final Logbook logbook;
    private final Map<Long, Told> phones = new HashMap<>();
    private List<OutcomeReport> known = List.of();
    private Map<String, Route.OwnPace> paces = Map.of();
    private Catalogue plain = new Catalogue(List.of(), List.of());
    private Catalogue told = plain;

    ReportBook(Logbook logbook) {
        this.logbook = logbook;
    }

    /** What the jobs of one phone tell. */
    private record Told(Dossier dossier, List<OutcomeReport> reports, List<Map<String, Double>> minutes) {
        static Told by(Dossier dossier) {
            return new Told(
                    dossier,
                    dossier.jobs().stream()
                            .flatMap(job -> OutcomeReport.of(job).stream())
                            .toList(),
                    dossier.jobs().stream()
                            .filter(job -> job.end().isPresent())
                            .map(OwnTimes::of)
                            .toList());
        }
    }

    /** Looks again at what was reported; of a phone that is as it was nothing is worked out anew. */
    void read(Collection<Dossier> dossiers) {
        List<OutcomeReport> now = new ArrayList<>(taken());
        List<Map<String, Double>> minutes = new ArrayList<>();
        for (Dossier dossier : dossiers) {
            Told told = phones.compute(
                    dossier.phone().id(),
                    (id, before) -> before != null && before.dossier() == dossier ? before : Told.by(dossier));
            now.addAll(told.reports());
            minutes.addAll(told.minutes());
        }
        Map<String, Route.OwnPace> timed = OwnTimes.paces(minutes);
        if (!now.equals(known) || !timed.equals(paces)) {
            known = now;
            paces = timed;
            plain = new Catalogue(List.of(), List.of());
        }
    }

    /** The catalogue with what was reported; the very same one as long as nothing is new. */
    Catalogue told(Catalogue catalogue) {
        if (plain != catalogue) {
            plain = catalogue;
            told = known.isEmpty() && paces.isEmpty() ? catalogue : with(catalogue);
        }
        return told;
    }

    private Catalogue with(Catalogue catalogue) {
        Map<String, List<Route.Report>> byRoute = known.stream()
                .collect(Collectors.groupingBy(
                        OutcomeReport::route, Collectors.mapping(OutcomeReport::evidence, Collectors.toList())));
        return catalogue.with(catalogue.routes().stream()
                .map(route -> byRoute.containsKey(route.id()) ? route.with(byRoute.get(route.id())) : route)
                .map(this::timed)
                .toList());
    }

    private Route timed(Route route) {
        Route.OwnPace pace = paces.get(route.id());
        return pace == null ? route : route.at(pace);
    }

    private List<OutcomeReport> taken() {
        try {
            String kept = logbook.setting(TAKEN).orElse("");
            return kept.isEmpty() ? List.of() : OutcomeReport.parse(kept);
        } catch (UnreadableInput broken) {
            return List.of();
        }
    }

    /** Takes other people's reports in; a line that is there already counts once. */
    Notice take(Path file, UndoStack undo, Runnable changed) throws IOException {
        if (Files.size(file) > MOST_BYTES) {
            throw new UnreadableInput(file + " is too large for reports; check the path.");
        }
        List<OutcomeReport> fresh;
        try {
            fresh = OutcomeReport.parse(Files.readString(file, StandardCharsets.UTF_8));
        } catch (UnreadableInput wrong) {
            throw new UnreadableInput(file.getFileName() + ": " + wrong.getMessage());
        }
        String before = logbook.setting(TAKEN).orElse("");
        Set<OutcomeReport> all = new LinkedHashSet<>(taken());
        int count = all.size();
        all.addAll(fresh);
        String after = OutcomeReport.csv(List.copyOf(all));
        keep(after, changed);
        undo.did(new UndoStack.Step("taking reports in", () -> keep(before, changed), () -> keep(after, changed)));
        return new Notice(false, "%d reports taken in, %d of them new.".formatted(fresh.size(), all.size() - count));
    }

    private void keep(String reports, Runnable changed) {
        logbook.putSetting(TAKEN, reports);
        changed.run();
    }
}
