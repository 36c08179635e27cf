package org.mobrak.app.workshop;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.core.type.TypeReference;
import com.fasterxml.jackson.dataformat.yaml.YAMLMapper;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.mobrak.app.PhoneInquiry;
import org.mobrak.app.rehearsal.Person;
import org.mobrak.app.rehearsal.Rehearsals;
import org.mobrak.app.rehearsal.Report;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.catalogue.file.CatalogueLoader;
import org.mobrak.core.catalogue.match.Identity;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Origin;
import org.mobrak.core.identity.Reading;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.identity.reader.RawText;
import org.mobrak.core.learn.Learner;
import org.mobrak.core.learn.Questions;

/**
 * From a stranger's text and a phone's listing to a card that somebody can follow who has nothing else: the text is read, what it
 * leaves unsaid is answered, the route is confirmed and planned, and the card is played by its words alone.
 */
class StrangersJourneyTest {
    private static final Path TEXTS = Path.of(System.getProperty("mobrak.home"))
            .resolve("core/src/test/resources/org/mobrak/core/learn/strangers");
    private static final LocalDate DAY = LocalDate.of(2026, 12, 1);

    /** What somebody answers who has done the like before, where the row says nothing else. */
    private static final Map<String, String> KNOWN = Map.of(
            "costs:handsOn", "5 10 30",
            "costs:waiting", "5 10 30",
            "gate:batteryPercent", "60",
            "wipesData", "no",
            "keys:recovery", "hold volume-up + power until the logo",
            "keys:download", "hold volume-down + home + power until the warning; press volume-up",
            "keys:flash-console", "hold volume-down + power until it vibrates");

    @TempDir
    private Path top;

    /**
     * A journey.
     *
     * @param phone what its listing says, by the key of a fact
     * @param answers by field, what is answered where the text leaves something unsaid
     */
    record Row(String guide, Map<String, String> phone, Map<String, String> answers) {
        Row {
            answers = answers == null ? Map.of() : answers;
        }

        @Override
        public String toString() {
            return guide;
        }

        /** A property listing, as a computer reads it from a phone. */
        String listing() {
            return "[ro.product.model]: [%s]\n[ro.build.version.release]: [%s]\n[ro.build.display.id]: [%s]\n"
                    .formatted(
                            phone.get("model"),
                            phone.getOrDefault("osVersion", "4.4.2"),
                            phone.getOrDefault("buildNumber", "KX1.24"));
        }
    }

    static Stream<Row> rows() throws IOException {
        try (InputStream in = StrangersJourneyTest.class.getResourceAsStream("journeys.yaml")) {
            return new YAMLMapper().readValue(in, new TypeReference<List<Row>>() {}).stream();
        }
    }

    /** A workspace with one phone and an empty catalogue. */
    private static final class Place implements WorkshopPlace {
        private final Path folder;
        private final Row row;

        Place(Path folder, Row row) {
            this.folder = folder;
            this.row = row;
        }

        @Override
        public Catalogue catalogue() {
            try {
                return CatalogueLoader.load(folder).catalogue();
            } catch (IOException broken) {
                throw new IllegalStateException(broken);
            }
        }

        @Override
        public Path folder() {
            return folder;
        }

        @Override
        public List<Known> phones() {
            List<Reading> said = row.phone().entrySet().stream()
                    .map(one -> new Reading(
                            Fact.ofKey(one.getKey()).orElseThrow(), one.getValue(), new Origin.Typed(), Instant.EPOCH))
                    .toList();
            Identity identity = new PhoneInquiry(catalogue(), Instant.EPOCH)
                    .identify(List.of(new RawText("listing", row.listing(), List.of())), said);
            return List.of(
                    new Known("mine", identity, Optional.ofNullable(row.phone().get("model")), List.of()));
        }

        @Override
        public LocalDate today() {
            return DAY;
        }

        @Override
        public String kept(Piece piece) {
            return "";
        }

        @Override
        public void keep(Piece piece, String text) {
            // Nothing is kept of a journey.
        }

        @Override
        public void did(String what, Runnable undo, Runnable redo) {
            // Nobody takes anything back.
        }

        @Override
        public void changed() {
            // It is loaded anew each time.
        }
    }

    @ParameterizedTest
    @MethodSource("rows")
    void endsWithACardThatIsFollowedToItsGoal(Row row) throws Exception {
        Path folder = Files.createDirectories(top.resolve("catalogue/routes")).getParent();
        Workshop workshop = new Workshop(new Place(folder, row));
        List<Learner.Source> sources =
                List.of(new Learner.Source(row.guide(), Files.readAllBytes(TEXTS.resolve(row.guide()))));
        workshop.lay(sources, new Learner().learn(sources, DAY));
        choose(workshop, row);
        workshop.waveOffAll();
        answer(workshop, row);
        workshop.call("Somebody", "Something", false);
        workshop.confirm(false);

        Tryout tryout = workshop.tryout();
        assertThat(tryout.name()).isEqualTo("mine");
        assertThat(tryout.outlook().answer().plans())
                .as("planned without supposing anything")
                .anyMatch(plan -> plan.routes().stream()
                        .map(Route::name)
                        .anyMatch(name -> named(workshop).equals(name)));
        Report report = Rehearsals.ofDrawer(
                tryout.name(), tryout.outlook(), tryout.plan().orElseThrow(), 1, List.of(), Person.LITERAL);
        assertThat(report.end()).as("%s %s", report.silent(), report.events()).isEqualTo(Report.End.GOAL);
    }

    private static String named(Workshop workshop) {
        return draft(workshop).form().field("name").orElseThrow().value();
    }

    private static WorkshopView.OnTable draft(Workshop workshop) {
        return workshop.look().orElseThrow().draft().orElseThrow();
    }

    /** Of several drafts the one for this phone. */
    private static void choose(Workshop workshop, Row row) throws Refusal {
        int count = workshop.look().orElseThrow().drafts().size();
        String model = Objects.requireNonNull(row.phone().get("model"));
        for (int i = 0; i < count; i++) {
            workshop.choose(i);
            if (draft(workshop)
                    .form()
                    .field("models")
                    .orElseThrow()
                    .value()
                    .lines()
                    .anyMatch(model::equals)) {
                return;
            }
        }
    }

    /** Answers what is open until nothing is; a checksum that nobody gives is left open. */
    private static void answer(Workshop workshop, Row row) throws Refusal {
        for (Map.Entry<String, String> said : row.answers().entrySet()) {
            workshop.change(said.getKey(), said.getValue(), false);
        }
        for (int turn = 0; turn < 60 && !draft(workshop).open().isEmpty(); turn++) {
            Questions.Question open = draft(workshop).open().get(0);
            String answer = KNOWN.get(open.field());
            if (answer == null && open.field().endsWith(":sign")) {
                answer = "It says that it is done.";
            }
            if (answer == null) {
                workshop.leaveOpen(open.field(), false);
            } else {
                workshop.change(open.field(), answer, false);
            }
        }
    }
}
