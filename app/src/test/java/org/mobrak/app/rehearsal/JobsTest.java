package org.mobrak.app.rehearsal;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.mobrak.app.Outlook;
import org.mobrak.app.Wish;
import org.mobrak.core.catalogue.NeededFile;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.fit.RouteFit;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.fit.Verdict;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.job.RunSheet;
import org.mobrak.core.job.Step;
import org.mobrak.core.plan.Goal;
import org.mobrak.core.plan.Limits;
import org.mobrak.core.plan.Plan;
import org.mobrak.link.bench.BenchTruth;

/** Each job of {@code docs/jobs.md}, from the judgement to what is recorded of it. */
class JobsTest {
    @TempDir
    private static Path cache;

    private static JobBench bench;

    @BeforeAll
    static void readTheDemo() throws IOException {
        bench = JobBench.open(cache);
    }

    @AfterAll
    static void removeFiles() throws IOException {
        bench.close();
    }

    static Stream<JobRow> jobs() throws IOException {
        return JobBench.jobs();
    }

    @ParameterizedTest
    @MethodSource("jobs")
    void isJudgedGatheredWalkedRehearsedProvedAndRecorded(JobRow row) throws IOException {
        BenchTruth phone = row.phone(bench.phones());
        Goal goal = Goal.ofKey(row.goal()).orElseThrow();
        Wish wish = new Wish(goal, Optional.empty(), Limits.none());
        row.refused()
                .forEach(route -> assertThat(
                                verdict(new Rehearsals(bench.catalogue(), bench.files()).outlook(phone, wish), route))
                        .as("the trap " + route)
                        .isEqualTo(Verdict.REFUSED));
        Rehearsals rehearsals = new Rehearsals(bench.only(row.way()), bench.files());
        Outlook outlook = rehearsals.outlook(phone, wish);
        row.way()
                .forEach(route -> assertThat(verdict(outlook, route))
                        .as(clauses(outlook, List.of(route)))
                        .isNotEqualTo(Verdict.REFUSED));
        Plan plan = Stream.concat(outlook.answer().plans().stream(), outlook.answer().rest().stream())
                .filter(one -> ids(one).containsAll(row.way()))
                .findFirst()
                .orElseThrow(() -> new AssertionError("No plan: " + clauses(outlook, row.way())));
        RunSheet sheet = outlook.sheet(plan);
        assertThat(sheet.steps())
                .filteredOn(Step.Fetch.class::isInstance)
                .extracting(step -> ((Step.Fetch) step).needed().map(NeededFile::name))
                .as("gathered")
                .containsAll(plan.routes().stream()
                        .flatMap(route -> route.work().files().stream())
                        .map(file -> Optional.of(file.name()))
                        .toList());
        assertThat(sheet.steps()).as("proved").anyMatch(Step.Prove.class::isInstance);
        Report report = rehearsals.rehearse(new Setting(outlook, plan, phone), 1, List.of(), Person.CAREFUL);
        assertThat(report.end()).as(report.events().toString()).isEqualTo(Report.End.GOAL);
        assertThat(report.claimed())
                .as("recorded")
                .containsKeys(goal.wanted().keySet().toArray(Fact[]::new));
        report.claimed().entrySet().stream()
                .filter(claim -> claim.getKey() != Fact.BATTERY_PERCENT)
                .forEach(claim -> assertThat(report.facts()).contains(claim));
    }

    private static Verdict verdict(Outlook outlook, String route) {
        return outlook.fits().stream()
                .filter(fit -> fit.route().id().equals(route))
                .findFirst()
                .map(RouteFit::verdict)
                .orElseThrow();
    }

    private static String clauses(Outlook outlook, List<String> routes) {
        return outlook.fits().stream()
                .filter(fit -> routes.contains(fit.route().id()))
                .map(fit -> fit.route().id() + " " + fit.verdict() + " "
                        + fit.clauses().stream()
                                .filter(clause -> clause.result() != Truth.YES)
                                .toList())
                .collect(Collectors.joining("; "));
    }

    private static List<String> ids(Plan plan) {
        return plan.routes().stream().map(Route::id).toList();
    }
}
