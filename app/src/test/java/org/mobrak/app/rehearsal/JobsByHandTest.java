package org.mobrak.app.rehearsal;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.mobrak.app.Catalogues;
import org.mobrak.app.Desk;
import org.mobrak.app.Session;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.logbook.Workspace;
import org.mobrak.core.plan.Goal;
import org.mobrak.core.plan.Plan;
import org.mobrak.link.bench.BenchTruth;

/** Each job of {@code docs/jobs.md} once more, played by hand the way the window plays it: session, sheet, keys, gates, ticks. */
class JobsByHandTest {
    private static final Path HOME = Path.of(System.getProperty("mobrak.home"));

    @TempDir
    private static Path cache;

    @TempDir
    private Path folder;

    private static List<BenchTruth> phones;
    private static List<Route> routes;

    @BeforeAll
    static void readTheDemo() throws IOException {
        Catalogues catalogues = new Catalogues(HOME, cache);
        phones = catalogues.bench(List.of());
        routes = catalogues.load(List.of()).catalogue().routes();
    }

    static Stream<JobRow> jobs() throws IOException {
        return JobRow.all(HOME);
    }

    @ParameterizedTest
    @MethodSource("jobs")
    void isWalkedToItsEndWithEveryKeyHeldAndEverySignLookedFor(JobRow row) throws Exception {
        try (HandPlay hands = new HandPlay()) {
            Desk desk = lay(row, hands);
            Plan plan = Stream.concat(desk.answer().plans().stream(), desk.answer().rest().stream())
                    .filter(one -> one.routes().stream().map(Route::id).toList().containsAll(row.way()))
                    .findFirst()
                    .orElseThrow();
            hands.run(() -> hands.real.rehearsals().practise(desk, plan, 1, Optional.empty()));
            hands.takeUp();
            hands.workToTheEnd();
            assertThat(hands.view().verdict()).contains("The goal is reached, on the phone itself.");
            assertThat(hands.view().slips()).isEmpty();
            Map<Fact, String> claims = new EnumMap<>(Fact.class);
            hands.job().orElseThrow().readings().forEach(claim -> claims.put(claim.fact(), claim.value()));
            claims.remove(Fact.BATTERY_PERCENT);
            assertThat(hands.ask(hands.practice::truth)).as("recorded").containsAllEntriesOf(claims);
        }
    }

    /** A workspace with the job's own way, and a phone of which everything is known. */
    private Desk lay(JobRow row, HandPlay hands) throws Exception {
        Path workspace = folder.resolve("workspace");
        Workspace.create(workspace, List.of(HOME.resolve("catalogue"), HOME.resolve("demo/catalogue")));
        List<String> others = routes.stream()
                .filter(route -> !row.way().contains(route.id()) && !route.isHousekeeping())
                .map(Route::id)
                .toList();
        for (String other : others) {
            Files.deleteIfExists(workspace.resolve("catalogue/routes/" + other + ".yaml"));
        }
        hands.real = new Session(workspace, cache, new NoPhones(), Clock.systemUTC(), hands.drawing);
        hands.run(hands.real::open);
        hands.run(() -> hands.real.addPhone("Job " + row.job()));
        hands.run(() -> hands.real.takeByHand(row.phone(phones).truth()));
        hands.run(() -> hands.real.wish(Goal.ofKey(row.goal()).orElseThrow()));
        return hands.real.snapshot().get().desk().orElseThrow();
    }
}
