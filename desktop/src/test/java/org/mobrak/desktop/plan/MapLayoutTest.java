package org.mobrak.desktop.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import javafx.geometry.BoundingBox;
import javafx.geometry.Bounds;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.file.CatalogueLoader;
import org.mobrak.core.catalogue.match.Identity;
import org.mobrak.core.fit.FitCheck;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Ledger;
import org.mobrak.core.identity.reader.ReadingParser;
import org.mobrak.core.identity.reader.TextIntake;
import org.mobrak.core.plan.Goal;
import org.mobrak.core.plan.Limits;
import org.mobrak.core.plan.Plan;
import org.mobrak.core.plan.Planner;
import org.mobrak.core.plan.RouteMap;

/** Nothing on a map lies over anything else, whatever the plans and the size of the letters. */
class MapLayoutTest {
    private static final Path HOME = Path.of(System.getProperty("mobrak.home"));

    @ParameterizedTest
    @ValueSource(
            strings = {"hive-03-listing", "hive-04-listing", "hive-06-listing", "hive-11-listing", "hive-12-listing"})
    void nothingLiesOverAnythingElse(String listing) throws IOException {
        Catalogue catalogue = CatalogueLoader.load(new CatalogueLoader.Folders(
                        List.of(HOME.resolve("catalogue"), HOME.resolve("demo/catalogue")), Optional.empty()))
                .catalogue();
        Ledger ledger = new Ledger(
                ReadingParser.parse(TextIntake.of(HOME.resolve("demo/readings/" + listing + ".txt")), Instant.EPOCH)
                        .readings());
        Facts facts = Identity.of(catalogue, ledger, List.of())
                .facts()
                .supposing(
                        Map.of(Fact.RECOVERY, "stock", Fact.ROOT, "none", Fact.LOCK, "locked", Fact.OS_KIND, "stock"));
        for (String key : List.of("root", "root+recovery", "custom-os", "root+custom-os", "stock")) {
            Goal goal = Goal.ofKey(key).orElseThrow();
            Planner.Answer answer = Planner.plan(goal, catalogue, facts, Optional.empty(), Limits.none());
            List<Plan> plans = Stream.of(answer.plans(), answer.rest(), answer.assuming())
                    .flatMap(List::stream)
                    .toList();
            RouteMap map = RouteMap.of(
                    goal,
                    facts,
                    plans,
                    new FitCheck(catalogue, facts, Optional.empty()).routes(),
                    facts.value(Fact.MODEL).flatMap(catalogue::phone));
            for (double em : new double[] {9, 14, 24}) {
                assertApart(map, new MapLayout(map, em));
            }
        }
    }

    private static void assertApart(RouteMap map, MapLayout layout) {
        List<Bounds> all = new ArrayList<>();
        map.places()
                .forEach(place -> all.add(new BoundingBox(
                        layout.x(place.id()), layout.y(place.id()), layout.placeWidth(), layout.placeHeight())));
        map.links()
                .forEach(link -> all.add(new BoundingBox(
                        layout.labelX(link) - layout.labelWidth(link) / 2,
                        layout.labelY(link) - layout.labelHeight(link) / 2,
                        layout.labelWidth(link),
                        layout.labelHeight(link))));
        Bounds sheet = new BoundingBox(0, 0, layout.width(), layout.height());
        for (int i = 0; i < all.size(); i++) {
            Bounds one = all.get(i);
            assertThat(sheet.contains(one)).as("on the sheet: %s", one).isTrue();
            assertThat(all.subList(i + 1, all.size())).noneMatch(one::intersects);
        }
    }

    @ParameterizedTest
    @CsvSource({"0, 1", "0.4, 1", "1, 1", "3, 4", "23, 40", "100, 100", "101, 200", "950, 1000"})
    void axesEndAtRoundNumbers(double most, double end) {
        assertThat(Scale.top(most)).isEqualTo(end);
    }

    @Test
    void aPhoneWithNoWayAtAllStillHasAMap() {
        RouteMap map = RouteMap.of(Goal.ROOT, Facts.none(), List.of(), List.of(), Optional.empty());
        assertThat(map.places()).hasSize(2);
        assertApart(map, new MapLayout(map, 14));
    }
}
