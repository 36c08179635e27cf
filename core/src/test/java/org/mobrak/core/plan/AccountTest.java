package org.mobrak.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.mobrak.core.Sample.facts;
import static org.mobrak.core.Sample.route;

import java.io.IOException;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.commonmark.node.Node;
import org.commonmark.parser.Parser;
import org.commonmark.renderer.text.TextContentRenderer;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.mobrak.core.Sample;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.fit.FitCheck;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;

/** What a plan costs, how it is drawn and written down. */
class AccountTest {
    private static final Facts LANTERN = facts(
            "model=OV-L210F",
            "osVersion=4.1.2",
            "recovery=stock",
            "root=none",
            "warrantyFuse=intact",
            "kernelRelease=3.0.31",
            "buildDate=2013-10-22",
            "batteryPercent=41",
            "dataFree=30000",
            "cardFree=20000");

    private Catalogue catalogue;

    @BeforeEach
    void loadTheShippedCatalogue() throws IOException {
        catalogue = Sample.shipped();
    }

    /** Powers of ten, as the SI has them; not those of two. */
    @ParameterizedTest
    @CsvSource({
        "0, 0 bytes",
        "999, 999 bytes",
        "1000, 1 kB",
        "71680, 72 kB",
        "999499, 999 kB",
        "1000000, 1.0 MB",
        "1048576, 1.0 MB",
        "1500000000, 1.5 GB",
        "4294967296, 4.3 GB"
    })
    void sizesInWords(long bytes, String words) {
        assertThat(Sizes.words(bytes)).isEqualTo(words);
    }

    /**
     * USB 2.0 specification, table 5-10: at most 13 bulk transfers of 512 bytes in a microframe, 53,248,000 bytes a second.
     * FAT32 File System Specification 1.03: the size of a file is a 32-bit number of bytes. Both written down from memory.
     */
    @Test
    void keepsToTheLimitsOfCableAndCard() {
        assertThat(Transfer.USB2_MOST).isEqualTo(53_248_000);
        assertThat(Transfer.USUAL).isLessThan(Transfer.USB2_MOST);
        assertThat(Transfer.FAT32_MOST).isEqualTo(4_294_967_295L);
        assertThat(Transfer.minutes(600_000_000)).isCloseTo(1, within(1e-9));
    }

    @Test
    void everyFigureOpensToItsSum() {
        Plan plan = plan("lantern2-recovery-package", "root-package-from-recovery");
        List<Figure> figures = Account.of(plan, LANTERN);
        assertThat(figures)
                .allSatisfy(figure -> assertThat(figure.source()).isNotBlank())
                .extracting(Figure::name)
                .containsExactly(
                        "Left for good",
                        "Data",
                        "Risk points",
                        "Money",
                        "Phone in hand",
                        "Waiting",
                        "In all",
                        "Battery",
                        "Storage");
        assertThat(figure(figures, "Phone in hand").lines())
                .extracting(Figure.Line::sum)
                .contains("(8 + 4 × 12 + 25) / 6 = 13.5 min");
        Figure battery = figure(figures, "Battery");
        assertThat(battery.total())
                .as("the gate of what is written is above the drain")
                .isEqualTo("50 %");
        assertThat(battery.enough()).isEqualTo(Truth.NO);
        assertThat(figure(figures, "Storage").enough())
                .as("neither volume takes all")
                .isEqualTo(Truth.NO);
        assertThat(figure(Account.of(plan, facts("cardFree=20000")), "Storage").enough())
                .as("the other volume may")
                .isEqualTo(Truth.UNKNOWN);
    }

    @Test
    void aLongPlanNeedsMoreThanItsGates() {
        Route slow =
                route("slow").writing(PartitionClass.APP).costing(0, 120, false).making(Fact.ROOT, "permanent");
        Plan plan = new Plan(Goal.ROOT, List.of(slow), Cost.of(slow, Facts.none()));
        assertThat(figure(Account.of(plan, Facts.none()), "Battery").total())
                .as("0.5 × 120 + 10")
                .isEqualTo("70 %");
    }

    private static Figure figure(List<Figure> figures, String name) {
        return figures.stream()
                .filter(figure -> figure.name().equals(name))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void saysHowChangesCouldBeTakenBack() {
        assertThat(WayBack.of(plan("lantern2-recovery-package"), catalogue, LANTERN, Optional.empty()))
                .extracting(WayBack::sentence)
                .contains("Recovery: back to stock by “Lantern 2 back to stock”.")
                .anyMatch(
                        sentence -> sentence.startsWith("Warranty fuse: nothing in the catalogue brings intact back"));
    }

    @Test
    void drawsPlansAndWhatIsRefusedBetweenTheSamePlaces() {
        Goal goal = Goal.ofKey("root+recovery").orElseThrow();
        List<Plan> plans = Planner.plan(goal, catalogue, LANTERN, Optional.empty(), Limits.none())
                .plans();
        RouteMap map = RouteMap.of(
                goal,
                LANTERN,
                plans,
                new FitCheck(catalogue, LANTERN, Optional.empty()).routes(),
                catalogue.phone("OV-L210F"));
        assertThat(map.places().get(0).changed()).isEmpty();
        assertThat(map.places())
                .filteredOn(RouteMap.Place::goal)
                .singleElement()
                .satisfies(end -> {
                    assertThat(end.changed()).isEqualTo(goal.wanted());
                    assertThat(end.column()).isEqualTo(2);
                });
        for (int i = 0; i < plans.size(); i++) {
            int number = i;
            assertThat(map.links().stream().filter(link -> link.plans().contains(number)))
                    .extracting(RouteMap.Link::route)
                    .containsAll(plans.get(i).routes().stream()
                            .filter(route -> !route.isHousekeeping())
                            .toList());
        }
        assertThat(map.links())
                .filteredOn(RouteMap.Link::isRefused)
                .isNotEmpty()
                .allSatisfy(link -> assertThat(link.refusal().orElseThrow()).contains("this route"));
    }

    /** A brief must survive words that mean something in Markdown or HTML. */
    @Test
    void writesAPlanOnOnePage() {
        Plan plan = plan("lantern2-recovery-package", "root-package-from-recovery");
        Brief brief = new Brief(
                "Hive <3> | *best*",
                plan,
                Replay.of(plan, catalogue, LANTERN, Optional.empty()),
                Account.of(plan, LANTERN),
                WayBack.of(plan, catalogue, LANTERN, Optional.empty()),
                LocalDate.of(2026, 11, 25));
        Node read = Parser.builder().build().parse(brief.markdown());
        String text = TextContentRenderer.builder().build().render(read);
        assertThat(text)
                .startsWith("Hive <3> | *best*")
                .contains("Recovery stock → custom", "Left for good", "The way back", "key-recovery-l210.tar");
        assertThat(brief.html())
                .contains("<h1>Hive &lt;3&gt; | *best*</h1>", "<table>", "c0af184f2d2e579c")
                .doesNotContain("<3>");
    }

    private Plan plan(String... ids) {
        List<Route> routes = List.of(ids).stream()
                .map(id -> catalogue.route(id).orElseThrow())
                .toList();
        Cost cost = routes.stream().map(route -> Cost.of(route, Facts.none())).reduce(Cost.none(), Cost::plus);
        return new Plan(Goal.ROOT, routes, cost);
    }
}
