package org.mobrak.desktop.shell;

import java.util.List;
import java.util.Optional;
import org.mobrak.app.Desk;
import org.mobrak.app.Snapshot;
import org.mobrak.core.fit.RouteFit;
import org.mobrak.core.fit.Verdict;
import org.mobrak.core.gather.Standing;
import org.mobrak.core.plan.Plan;
import org.mobrak.core.proof.RootWords;

/** The stages of the work, in the order in which they are done, with the cautions that go with each. */
public enum Page {
    READINGS(
            "Readings",
            List.of(
                    "Only phones you own or may change. Not for getting past someone else's screen or account lock.",
                    "A swollen, hot or damaged battery: stop. Do not charge or flash; take it to a recycler or a professional.")),
    WAYS(
            "Ways",
            List.of(
                    "Warranty is usually lost, and some marks are permanent. A rooted phone is easier to attack.",
                    "Local law and the carrier's terms decide about unlocking, radio software and tethering.")),
    FILES(
            "Files",
            List.of(
                    "A wrong file is what turns a phone into a brick. Never write one made for another model, however alike.",
                    "Take files from one place only. A right checksum shows that it is the file; not that its maker meant well.")),
    RUN_SHEET(
            "Run sheet",
            List.of(
                    "Back up first. Do not touch the phone or the cable while something is written.",
                    "Mains-powered rework, battery replacement and board-level repair belong to a qualified technician.")),
    AFTER(
            "Afterwards",
            List.of(
                    "Nothing here fakes what a phone says of itself, and nothing gets past a lock.",
                    "A hot, swollen or smelling battery: stop, and do not charge. A qualified technician looks at what no write mends.")),
    LOGBOOK(
            "Logbook",
            List.of(
                    "Test the emergency call screen after any change. Never touch radio identity or region limits.",
                    "Root opens doors both ways: mind untrusted apps, the manager's questions, the patch level.")),
    CATALOGUE(
            "Catalogue",
            List.of(
                    "A catalogue is somebody's word. Look at what differs before you take it, above all models, builds and checksums.",
                    "An entry that is replaced is kept in the folder “replaced”; undo puts everything back.")),
    WORKSHOP(
            "Workshop",
            List.of(
                    "A guide is somebody's word. Look at models, builds and checksums in the text itself before you confirm a draft.",
                    "Nothing is fetched and nothing in a page is run; links are left where they are."));

    private final String label;
    private final List<String> cautions;

    Page(String label, List<String> cautions) {
        this.label = label;
        this.cautions = cautions;
    }

    public String label() {
        return label;
    }

    /** What to be careful of here, each in a sentence or two. */
    public List<String> cautions() {
        return cautions;
    }

    /**
     * How this stage stands, in a few words.
     *
     * @param plan the plan that is chosen
     */
    String standing(Snapshot snapshot, Optional<Plan> plan) {
        return switch (this) {
            case READINGS -> snapshot.desk().map(desk -> known(desk) + " facts").orElse("no phone");
            case WAYS -> snapshot.desk().map(Page::open).orElse("");
            case FILES -> snapshot.desk().map(desk -> gathered(desk, plan)).orElse("");
            case RUN_SHEET ->
                snapshot.desk()
                        .flatMap(desk -> desk.dossier().runningJob())
                        .map(job ->
                                job.tickedCount() + " of " + job.sheet().steps().size() + " done")
                        .orElse("no job");
            case AFTER ->
                snapshot.desk()
                        .map(desk -> RootWords.brief(desk.identity().facts()))
                        .orElse("");
            case LOGBOOK ->
                snapshot.past().size() == 1 ? "1 job" : snapshot.past().size() + " jobs";
            case CATALOGUE ->
                faults(snapshot) == 0
                        ? snapshot.catalogue().routes() + " routes"
                        : faults(snapshot) == 1 ? "1 fault" : faults(snapshot) + " faults";
            case WORKSHOP -> "from guides";
        };
    }

    /** What only might be wrong is told on the page. */
    private static long faults(Snapshot snapshot) {
        return snapshot.catalogue().faults().stream()
                .filter(fault -> !fault.isWarning())
                .count();
    }

    private static String gathered(Desk desk, Optional<Plan> plan) {
        return desk.gathering(plan.filter(one -> !one.routes().isEmpty()))
                .map(list -> list.count(Standing.HAVE) + " of " + list.items().size() + " there")
                .orElse("nothing yet");
    }

    private static int known(Desk desk) {
        return desk.identity().facts().values().size();
    }

    private static String open(Desk desk) {
        long open = desk.fits().stream()
                .map(RouteFit::verdict)
                .filter(verdict -> verdict == Verdict.FITS || verdict == Verdict.CAUTION)
                .count();
        return open + " of " + desk.fits().size() + " fit";
    }
}
