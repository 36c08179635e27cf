package org.mobrak.app;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.mobrak.app.workshop.WorkshopPlace;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.catalogue.match.Identity;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.job.Job;
import org.mobrak.core.logbook.Dossier;
import org.mobrak.core.logbook.Logbook;
import org.mobrak.core.logbook.PhoneRecord;
import org.mobrak.core.logbook.Workspace;
import org.mobrak.core.logbook.history.Tally;
import org.mobrak.core.logbook.history.Timeline;
import org.mobrak.core.material.PartitionNames;
import org.mobrak.core.mend.MendOdds;

/**
 * Who the phones in the drawer are: what is on disk of them, held against the workspace's catalogue and what was reported besides.
 * On the worker thread only.
 */
final class Identities {
    private final Workspace workspace;
    private final PickedPhone picked;
    private final Dossiers dossiers;
    private final ReportBook reports;
    private final OutlookMemory memory = new OutlookMemory();

    Identities(Workspace workspace, PickedPhone picked) {
        this.workspace = workspace;
        this.picked = picked;
        this.dossiers = new Dossiers(workspace.logbook(), picked);
        this.reports = new ReportBook(workspace.logbook());
    }

    private Logbook logbook() {
        return workspace.logbook();
    }

    /** The workspace's, with what was reported besides. */
    Catalogue catalogue() {
        return reports.told(workspace.catalogue().catalogue());
    }

    /** What is on disk of the phone on the desk. */
    Dossier dossier() throws Refusal {
        return logbook().dossier(picked.orRefuse());
    }

    /** Who the phone on the desk is. */
    Identity identity() throws Refusal {
        return identity(dossier());
    }

    private Identity identity(Dossier dossier) {
        return memory.identity(catalogue(), dossier);
    }

    /** What follows for the phone on the desk. */
    Outlook outlook(Dossier dossier, Wish wish) {
        Catalogue catalogue = catalogue();
        return memory.outlook(catalogue, dossier, wish, identity -> odds(catalogue, identity, wish));
    }

    private Map<String, Double> odds(Catalogue catalogue, Identity identity, Wish wish) {
        Optional<String> trouble = wish.goal().mending();
        if (trouble.isEmpty()) {
            return Map.of();
        }
        try {
            return MendOdds.of(catalogue, workspace.troubles(), identity.facts(), trouble.get());
        } catch (IOException unreadable) {
            // The page of what broke tells that; plans are then compared without.
            return Map.of();
        }
    }

    /** Everything on disk, phone by phone. */
    List<Dossier> all() {
        return dossiers.all();
    }

    /** Of all phones, the one on the desk. */
    Optional<Dossier> onDesk(List<Dossier> all) {
        return picked.get()
                .flatMap(phone -> all.stream()
                        .filter(dossier -> dossier.phone().equals(phone))
                        .findFirst());
    }

    /** Who is there; it takes no routes to say that. */
    Glance glance() throws IOException {
        Catalogue known = workspace.whoIsKnown();
        List<Dossier> all = all();
        Function<Dossier, Identity> who = dossier -> memory.identity(known, dossier);
        return new Glance(entries(all, who), onDesk(all).map(dossier -> new Glance.Phone(dossier, who.apply(dossier))));
    }

    /** How the phones lie in the drawer. */
    List<DrawerEntry> entries(List<Dossier> all) {
        return entries(all, this::identity);
    }

    private List<DrawerEntry> entries(List<Dossier> all, Function<Dossier, Identity> who) {
        return all.stream().map(dossier -> dossiers.entry(dossier, who)).toList();
    }

    /** All phones, the one on the desk first. */
    List<WorkshopPlace.Known> inTheDrawer() {
        return logbook().phones().stream()
                .sorted(Comparator.comparing(phone -> !picked.is(phone)))
                .map(phone -> {
                    Dossier dossier = dossiers.of(phone);
                    Identity identity = identity(dossier);
                    return new WorkshopPlace.Known(
                            phone.nickname(), identity, identity.facts().value(Fact.MODEL), dossier.countingTexts());
                })
                .toList();
    }

    /** Names that tell of persons: what phones are called, and their serial numbers. */
    List<String> names() {
        return logbook().phones().stream()
                .flatMap(phone -> Stream.concat(
                        Stream.of(phone.nickname()), identity(dossiers.of(phone)).facts().value(Fact.SERIAL).stream()))
                .toList();
    }

    /** What the partitions of the phone on the desk are called. */
    PartitionNames partitionNames() {
        return PartitionNames.of(picked.get()
                .map(logbook()::dossier)
                .flatMap(dossier -> Desk.known(catalogue(), identity(dossier).facts())));
    }

    /** The jobs that have ended, the newest first. */
    List<Snapshot.PastJob> past(List<Dossier> all) {
        return all.stream()
                .flatMap(dossier -> dossier.jobs().stream()
                        .filter(job -> job.end().isPresent())
                        .map(job -> new Snapshot.PastJob(dossier.phone(), job, families(job))))
                .sorted(Comparator.comparing((Snapshot.PastJob past) ->
                                past.job().end().orElseThrow().at())
                        .reversed())
                .toList();
    }

    private Set<String> families(Job job) {
        return job.plan().routes().stream()
                .flatMap(planned -> catalogue().route(planned.id()).stream())
                .map(Route::family)
                .collect(Collectors.toSet());
    }

    /** What all jobs come to. */
    Tally tally() {
        List<Job> jobs =
                all().stream().flatMap(dossier -> dossier.jobs().stream()).toList();
        return Tally.of(jobs, catalogue());
    }

    /** What was known of a phone at a time. */
    Map<Fact, String> known(PhoneRecord phone, Instant at) {
        return Timeline.known(dossiers.of(phone), at).values();
    }

    /** Looks again at what was reported. */
    void readReports(List<Dossier> all) {
        reports.read(all);
    }

    /** Other people's reports, taken in as evidence. */
    Notice takeReports(Path file, UndoStack undo, Runnable changed) throws IOException {
        return reports.take(file, undo, changed);
    }

    /** Everything is read anew, as after rows came in from elsewhere. */
    void forget() {
        dossiers.forget();
    }
}
