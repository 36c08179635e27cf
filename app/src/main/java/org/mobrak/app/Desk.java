package org.mobrak.app;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.KnownPhone;
import org.mobrak.core.catalogue.Phase;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.catalogue.match.Identity;
import org.mobrak.core.fit.NextReading;
import org.mobrak.core.fit.RouteFit;
import org.mobrak.core.gather.GatherItem;
import org.mobrak.core.gather.Gathering;
import org.mobrak.core.gather.Kept;
import org.mobrak.core.gather.RestoreCheck;
import org.mobrak.core.gather.Standing;
import org.mobrak.core.gather.StockCopy;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.identity.build.Overlay;
import org.mobrak.core.identity.build.Ruler;
import org.mobrak.core.job.Event;
import org.mobrak.core.job.Job;
import org.mobrak.core.job.RunSheet;
import org.mobrak.core.job.Step;
import org.mobrak.core.logbook.Dossier;
import org.mobrak.core.material.Material;
import org.mobrak.core.material.PartitionNames;
import org.mobrak.core.material.check.CheckContext;
import org.mobrak.core.material.check.MaterialCheck;
import org.mobrak.core.material.check.Use;
import org.mobrak.core.plan.Brief;
import org.mobrak.core.plan.Figure;
import org.mobrak.core.plan.Plan;
import org.mobrak.core.plan.Planner;
import org.mobrak.core.plan.Replay;
import org.mobrak.core.plan.RouteMap;
import org.mobrak.core.plan.Unused;
import org.mobrak.core.plan.WayBack;

/**
 * The one phone that lies on the desk, and all that follows from what is known of it.
 *
 * @param dossier all that is on disk of it; the running job's sheet is as strict as its files ask for
 * @param otherBuilds build numbers worth laying over the phone's own: those the routes for this model know, and older readings
 * @param asksMode whether nobody can say in what state the phone is: the work rested, or the program began anew amid it
 * @param rehearsed the plans that were rehearsed to their goal
 * @param gathering what the running job needs on the bench; without one, the first plan
 */
public record Desk(
        Dossier dossier,
        Outlook outlook,
        List<String> otherBuilds,
        Stock stock,
        Optional<Gathering> gathering,
        boolean asksMode,
        Set<String> rehearsed) {

    /**
     * What lies ready for the phone.
     *
     * @param kept every file that was looked into, for whatever phone
     * @param copies those that bring this phone back
     * @param files whether a job's files lie here
     */
    public record Stock(List<Kept> kept, List<StockCopy> copies, FilesFrom files) {
        /** The same for a phone whose partitions are called so: the files may have been looked into for another. */
        Stock by(PartitionNames names) {
            return new Stock(kept.stream().map(file -> file.by(names)).toList(), copies, files);
        }
    }

    static Desk of(Dossier dossier, Outlook outlook, Stock found, Set<String> rehearsed, Instant opened) {
        Stock stock = found.by(PartitionNames.of(known(outlook.catalogue(), outlook.facts())));
        Optional<Gathering> gathering =
                gathering(dossier, first(outlook.answer()).map(outlook::sheet), outlook.against(), stock);
        Optional<Job> strict = dossier.runningJob().flatMap(job -> gathering.map(list -> job.asking(list.demands())));
        return new Desk(
                strict.map(dossier::running).orElse(dossier),
                outlook,
                otherBuilds(outlook.catalogue(), outlook.identity()),
                stock,
                gathering,
                dossier.runningJob().filter(job -> asksMode(job, opened)).isPresent(),
                rehearsed);
    }

    /** The plan that is offered before all others. */
    private static Optional<Plan> first(Planner.Answer answer) {
        return Stream.concat(answer.plans().stream(), answer.assuming().stream())
                .findFirst();
    }

    public Identity identity() {
        return outlook.identity();
    }

    public Wish wish() {
        return outlook.wish();
    }

    public Catalogue catalogue() {
        return outlook.catalogue();
    }

    public Planner.Answer answer() {
        return outlook.answer();
    }

    public List<NextReading> next() {
        return outlook.next();
    }

    /** Every route but housekeeping, held against the phone. */
    public List<RouteFit> fits() {
        return outlook.fits().stream()
                .filter(fit -> !fit.route().isHousekeeping())
                .toList();
    }

    private static boolean asksMode(Job job, Instant opened) {
        boolean begunBefore =
                job.hasBegun() && job.events().get(job.events().size() - 1).at().isBefore(opened);
        return begunBefore || job.state().resting().isPresent();
    }

    /** Whether a plan was played on the bench and led to its goal. */
    public boolean isRehearsed(Plan plan) {
        return rehearsed.contains(RehearsedPlans.key(plan));
    }

    /** Why a step of the running job may not be ticked now, in one sentence; empty if it may. */
    public Optional<String> objectionToTick(Job job, Step step) {
        return job.objectionToTick(step, outlook.facts())
                .or(() -> ofFile(job, step))
                .or(() -> wrongSince(job, step));
    }

    /** A file counts as fetched by its bytes, not by a person's word, unless the person has said why. */
    private Optional<String> ofFile(Job job, Step step) {
        return fetched(step).filter(item -> !isPassed(job, item)).flatMap(GatherItem::objection);
    }

    /** A reason covers what was known when it was given: not a file that turned up later, nor one that must never be passed. */
    private static boolean isPassed(Job job, GatherItem item) {
        return item.objectionToPass().isEmpty()
                && job.events().stream()
                        .anyMatch(event -> event instanceof Event.Overridden one
                                && one.step().equals(item.need().stepId())
                                && item.kept()
                                        .filter(file -> file.seenAt().isAfter(one.at()))
                                        .isEmpty());
    }

    /** Before the phone is touched, a file that turned up after its step was ticked and is wrong keeps the work from beginning. */
    private Optional<String> wrongSince(Job job, Step step) {
        boolean begins = step.isAtThePhone() && step.phase() == Phase.DO && !job.hasBegun();
        return job.sheet().of(Phase.GATHER).stream()
                .filter(fetch -> begins)
                .flatMap(fetch -> fetched(fetch).stream())
                .filter(item -> item.standing() == Standing.WRONG && !isPassed(job, item))
                .flatMap(item -> item.objection().stream())
                .findFirst();
    }

    /** Why a step of the running job may not be passed, in one sentence; empty if it may, with a reason. */
    public Optional<String> objectionToPass(Job job, Step step) {
        return fetched(step).map(GatherItem::objectionToPass).orElseGet(() -> job.objectionToOverride(step));
    }

    /** How it stands with what a step of the running job fetches; empty where that is not known here. */
    Optional<GatherItem> fetched(Step step) {
        return step.file()
                .filter(file -> stock.files() == FilesFrom.SHELF)
                .flatMap(file -> gathering)
                .flatMap(list -> list.of(step.id()));
    }

    /** What is typed before a step without a way back: the phone's model number. */
    public String confirmation() {
        return JobEdits.confirmation(this);
    }

    /** One of the phone's build strings with another laid over it; empty where the other is of no such form. */
    public Optional<Overlay> overlay(Ruler own, String other) {
        Facts facts = outlook.facts();
        return Stream.of(Fact.values())
                .filter(fact -> facts.value(fact).filter(own.text()::equals).isPresent())
                .flatMap(fact -> catalogue().rulers().of(fact, other.strip(), facts.value(Fact.MAKER)).stream())
                .flatMap(ruler -> Overlay.of(own, ruler).stream())
                .findFirst();
    }

    /** A plan played through from what is known of the phone. */
    public Replay replay(Plan plan) {
        return outlook.replay(plan);
    }

    /** The sums behind a plan's figures. */
    public List<Figure> account(Plan plan) {
        return outlook.account(plan);
    }

    /** How a plan's changes could be taken back. */
    public List<WayBack> wayBack(Plan plan) {
        return outlook.wayBack(plan);
    }

    /** The states on the way to the goal, and what is refused. */
    public RouteMap map(List<Plan> plans) {
        return RouteMap.of(answer().goal(), outlook.facts(), plans, fits(), known());
    }

    /** A plan on one page. */
    public Brief brief(Plan plan, LocalDate day) {
        String model = outlook.facts().value(Fact.MODEL).orElse("model not known");
        return outlook.brief(dossier.phone().nickname() + " (" + model + ")", plan, day);
    }

    /** What the running job needs on the bench; without one, what a plan would need. */
    public Optional<Gathering> gathering(Optional<Plan> plan) {
        boolean asked = dossier.runningJob().isPresent() || plan.equals(first(answer()));
        return asked
                ? gathering
                : plan.map(one -> Gathering.of(outlook.sheet(one), Set.of(), outlook.against(), stock.kept()));
    }

    private static Optional<Gathering> gathering(
            Dossier dossier, Optional<RunSheet> sheet, CheckContext against, Stock stock) {
        Optional<Job> job = dossier.runningJob();
        Set<String> ticked = job.stream()
                .flatMap(running -> running.sheet().steps().stream().filter(running::isTicked))
                .map(Step::id)
                .collect(Collectors.toSet());
        return job.map(Job::sheet).or(() -> sheet).map(list -> Gathering.of(list, ticked, against, stock.kept()));
    }

    /** The running job's sheet; without one, that of a plan. */
    public Optional<RunSheet> sheet(Optional<Plan> plan) {
        return dossier.runningJob().map(Job::sheet).or(() -> plan.map(outlook::sheet));
    }

    /** Why a route that could be taken is in none of the plans. */
    public String whyUnused(Route route) {
        return new Unused(answer(), catalogue(), outlook.facts(), wish().school(), wish().limits()).sentence(route);
    }

    /** Whether what a job writes could be put back. */
    public List<RestoreCheck> comeBack(Optional<Plan> plan) {
        return sheet(plan)
                .map(sheet -> RestoreCheck.of(sheet.writes(), outlook.facts(), stock.copies()))
                .orElse(List.of());
    }

    /** What there is to say of a file for this phone, whatever it is for. */
    public List<Finding> judge(Material file) {
        return MaterialCheck.of(Use.lookedAt(file, outlook.against()));
    }

    /** The phone as the catalogue knows it. */
    public Optional<KnownPhone> known() {
        return known(catalogue(), outlook.facts());
    }

    static Optional<KnownPhone> known(Catalogue catalogue, Facts facts) {
        return facts.value(Fact.MODEL).flatMap(catalogue::phone);
    }

    private static List<String> otherBuilds(Catalogue catalogue, Identity identity) {
        Optional<String> model = identity.facts().value(Fact.MODEL);
        Stream<String> ofRoutes = catalogue.routes().stream()
                .flatMap(route -> Stream.concat(
                        route.fits().phones().stream()
                                .filter(target ->
                                        model.filter(target.model()::equals).isPresent())
                                .flatMap(target -> target.builds().stream()),
                        route.reports().stream()
                                .filter(report ->
                                        model.filter(report.model()::equals).isPresent())
                                .map(Route.Report::build)));
        Stream<String> read = identity.ledger().of(Fact.BUILD_NUMBER).stream().map(Reading::value);
        String own = identity.facts().value(Fact.BUILD_NUMBER).orElse("");
        return Stream.concat(ofRoutes, read)
                .filter(build -> !build.equals(own))
                .distinct()
                .sorted()
                .toList();
    }
}
