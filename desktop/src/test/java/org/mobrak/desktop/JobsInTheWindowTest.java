package org.mobrak.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import javafx.scene.control.ButtonBase;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.mobrak.app.Catalogues;
import org.mobrak.app.Desk;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.logbook.Workspace;
import org.mobrak.core.plan.Goal;
import org.mobrak.core.plan.Plan;
import org.mobrak.link.bench.BenchTruth;

/** Each job of {@code docs/jobs.md} in the drawn window, from its first step to its proof: sheet, bench, keys, ticks. */
class JobsInTheWindowTest {
    @TempDir
    private static Path top;

    private static List<BenchTruth> phones;
    private static List<Route> routes;

    @BeforeAll
    static void readTheDemo() throws IOException {
        Catalogues catalogues = new Catalogues(Desktop.HOME, top.resolve("cache"));
        phones = catalogues.bench(List.of());
        routes = catalogues.load(List.of()).catalogue().routes();
    }

    /** The rows of the table, cell by cell: job, what it is, phone, what is otherwise with it, goal, way, trap. */
    static Stream<List<String>> jobs() throws IOException {
        return Files.readAllLines(Desktop.HOME.resolve("docs/jobs.md")).stream()
                .filter(line -> line.matches("\\| [0-9]+ \\|.*"))
                .map(line -> Stream.of(line.substring(1).split("\\|", -1))
                        .map(String::strip)
                        .toList());
    }

    @ParameterizedTest
    @MethodSource("jobs")
    void isWorkedToItsProof(List<String> row) throws Exception {
        try (Desktop desktop = Desktop.open(workspace(row))) {
            desktop.robot().interact(() -> {
                desktop.session().addPhone("Job " + row.get(0));
                desktop.session().readings().takeByHand(phone(row).truth());
                desktop.session().wish(Goal.ofKey(row.get(4)).orElseThrow());
            });
            desktop.rest();
            Desk desk = desktop.session().snapshot().get().desk().orElseThrow();
            desktop.robot()
                    .interact(
                            () -> desktop.session().rehearsals().practise(desk, plan(desk, row), 1, Optional.empty()));
            BenchHands hands = new BenchHands(desktop, id -> fire(desktop, id));
            hands.click("pace-ten-times");
            hands.workToTheEnd();
            desktop.assertShows("The goal is reached, on the phone itself.");
            assertThat(hands.view().slips()).isEmpty();
            Map<Fact, String> claims = new EnumMap<>(Fact.class);
            hands.job().orElseThrow().readings().forEach(claim -> claims.put(claim.fact(), claim.value()));
            claims.remove(Fact.BATTERY_PERCENT);
            assertThat(hands.practice().truth()).as("recorded").containsAllEntriesOf(claims);
        }
    }

    private static void fire(Desktop desktop, String id) {
        ButtonBase button = desktop.find(id);
        desktop.robot().interact(button::fire);
    }

    private static List<String> way(List<String> row) {
        return List.of(row.get(5).split(" "));
    }

    /** A workspace with the job's own way. */
    private static Path workspace(List<String> row) throws IOException {
        Path folder = top.resolve("job-" + row.get(0));
        Workspace.create(folder, List.of(Desktop.HOME.resolve("catalogue"), Desktop.HOME.resolve("demo/catalogue")));
        for (Route route : routes) {
            if (!way(row).contains(route.id()) && !route.isHousekeeping()) {
                Files.deleteIfExists(folder.resolve("catalogue/routes/" + route.id() + ".yaml"));
            }
        }
        return folder;
    }

    private static BenchTruth phone(List<String> row) {
        Map<Fact, String> so = new EnumMap<>(Fact.class);
        Stream.of(row.get(3).split(" "))
                .filter(word -> !word.isEmpty())
                .map(word -> word.split("=", 2))
                .forEach(word -> so.put(Fact.ofKey(word[0]).orElseThrow(), word[1]));
        return phones.stream()
                .filter(one -> one.id().equals(row.get(2)))
                .findFirst()
                .orElseThrow()
                .knowing(so);
    }

    private static Plan plan(Desk desk, List<String> row) {
        return Stream.concat(desk.answer().plans().stream(), desk.answer().rest().stream())
                .filter(one -> one.routes().stream().map(Route::id).toList().containsAll(way(row)))
                .findFirst()
                .orElseThrow();
    }
}
