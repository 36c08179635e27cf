package org.mobrak.core.logbook.search;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mobrak.core.Sample.NOW;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.apache.commons.io.file.PathUtils;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.mobrak.core.Sample;
import org.mobrak.core.identity.reader.RawText;
import org.mobrak.core.job.Event;
import org.mobrak.core.job.Job;
import org.mobrak.core.job.JobPlan;
import org.mobrak.core.job.RunSheet;
import org.mobrak.core.logbook.Logbook;
import org.mobrak.core.logbook.PhoneRecord;
import org.mobrak.core.logbook.Workspace;

/** Words are found in whatever was read, done or noted; what the index is worth is told by the logbook, never by itself. */
class SearchIndexTest {
    @TempDir
    private Path top;

    private Path folder;
    private Path cache;

    @BeforeEach
    void fill() throws Exception {
        folder = top.resolve("own");
        cache = top.resolve("cache");
        Workspace.create(folder, List.of(Sample.HOME.resolve("catalogue")));
        with(logbook -> {
            PhoneRecord grey = logbook.addPhone("The grey one, Änne's shelf", NOW);
            logbook.take(
                    grey,
                    text("listing.txt", "[ro.build.display.id]: [LN2-F09-131022]\n[ro.product.model]: [OV-L210F]"),
                    NOW);
            PhoneRecord pier = logbook.addPhone("Pier phone", NOW);
            logbook.take(pier, text("about.txt", "Build number: LN2-E03-130902\nThe lamp was warm"), NOW);
            JobPlan plan = new JobPlan("Permanent root", Optional.empty(), List.of(), List.of(), Map.of());
            Job job = logbook.start(
                    pier,
                    plan,
                    new RunSheet("Wick on the phone", List.of(), Set.of(), Optional.empty(), Optional.empty()),
                    NOW);
            logbook.record(job, new Event.Noted(NOW, "do-1", "The cable was pulled at the warning"));
        });
    }

    private interface Work {
        void on(Logbook logbook) throws Exception;
    }

    private void with(Work work) throws Exception {
        try (Workspace open = Workspace.open(folder, cache)) {
            work.on(open.logbook());
        }
    }

    private static RawText text(String name, String text) {
        return new RawText(name, text, List.of());
    }

    private Found find(String words) throws IOException {
        try (SearchIndex index = SearchIndex.open(folder, cache)) {
            return index.find(words);
        }
    }

    private List<String> phones(String words) throws IOException {
        return find(words).hits().stream().map(Hit::nickname).distinct().toList();
    }

    @ParameterizedTest
    @CsvSource({
        "LN2-F09, 'The grey one, Änne''s shelf'",
        "ln2-f0, 'The grey one, Änne''s shelf'",
        "OV-L210, 'The grey one, Änne''s shelf'",
        "anne, 'The grey one, Änne''s shelf'",
        "LN2-E03-130902, Pier phone",
        "lamp warm, Pier phone",
        "wick, Pier phone",
        "cabl pull, Pier phone",
        "warning, Pier phone",
    })
    void wordsTheirBeginningsAndBuildNumbersAreFound(String words, String phone) throws IOException {
        assertThat(phones(words)).containsExactly(phone);
    }

    @Test
    void aFolderWithOddLettersInItsNameIsSearchedToo() throws Exception {
        Path odd = top.resolve("a b #1 ?x %41 ä");
        PathUtils.copyDirectory(folder, odd);
        try (SearchIndex index = SearchIndex.open(odd, cache)) {
            assertThat(index.find("lamp").hits()).hasSize(1);
        }
    }

    @Test
    void aHitSaysWhatItIsAndShowsTheWordsInTheirPlace() throws IOException {
        Hit note = find("cable").hits().get(0);
        assertThat(note.kind()).isEqualTo(Hit.Kind.EVENT);
        assertThat(note.text()).contains("›cable‹ was pulled");
        assertThat(find("wick").hits()).extracting(Hit::kind).containsExactly(Hit.Kind.JOB);
        assertThat(find("pier").hits()).extracting(Hit::kind).contains(Hit.Kind.PHONE);
        assertThat(find("LN2").hits()).hasSize(2).extracting(Hit::kind).containsOnly(Hit.Kind.READING);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "\"",
                "'",
                "* OR *",
                "a\" OR body MATCH \"b",
                "NEAR(a b)",
                "-",
                "(((",
                "^lamp",
                "body:lamp",
                "\u0000",
                "%",
                "{a} : b",
                "AND",
                "…"
            })
    void nothingThatIsTypedIsACommand(String typed) throws IOException {
        assertThat(find(typed).hits()).allSatisfy(hit -> assertThat(hit.text()).isNotBlank());
        assertThat(find("").hits()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"lmap, lamp", "warnign, warning", "cabel, cable", "waning, warning"})
    void aSlipIsProposedAWordThatIsThere(String typed, String word) throws IOException {
        assertThat(find(typed).hits()).isEmpty();
        assertThat(find(typed).proposals()).contains(word);
    }

    @Test
    void whatIsTakenBackIsNotFoundAndWhatComesLaterIs() throws Exception {
        assertThat(phones("orchard")).isEmpty();
        long[] id = new long[1];
        with(logbook -> id[0] =
                logbook.take(logbook.phones().get(0), text("t", "by the orchard wall"), NOW.plus(Duration.ofHours(1))));
        assertThat(phones("orchard")).hasSize(1);
        with(logbook -> logbook.withdraw(id[0], NOW));
        assertThat(phones("orchard")).isEmpty();
        with(logbook -> logbook.restore(id[0]));
        assertThat(phones("orchard")).hasSize(1);
        with(logbook -> logbook.withdraw(logbook.phones().get(1), NOW));
        assertThat(phones("lamp"))
                .as("a phone that was taken out of the drawer")
                .isEmpty();
    }

    @Test
    void anIndexOfAnotherLogbookAndOneThatIsBrokenAreMadeAnew() throws Exception {
        assertThat(phones("lamp")).hasSize(1);
        Path index = Files.list(cache)
                .filter(file -> file.getFileName().toString().startsWith("search-")
                        && file.toString().endsWith(".db"))
                .findFirst()
                .orElseThrow();
        Files.writeString(index, "no index at all");
        assertThat(phones("lamp")).hasSize(1);
        PathUtils.deleteDirectory(folder);
        Workspace.create(folder, List.of(Sample.HOME.resolve("catalogue")));
        with(logbook -> {
            PhoneRecord other = logbook.addPhone("Another", NOW.plusSeconds(1));
            logbook.take(other, text("t", "kettle"), NOW.plusSeconds(2));
        });
        assertThat(phones("lamp")).as("of the logbook that was there before").isEmpty();
        assertThat(phones("kettle")).containsExactly("Another");
    }

    /** Held against reading every text. */
    @Test
    void whatIsFoundIsWhatWouldBeFoundByReadingEverything() throws Exception {
        Random random = new Random(20261126);
        List<String> words = List.of("oak", "elm", "ash", "yew", "fir", "bay", "box", "fig");
        List<String> texts = new ArrayList<>();
        with(logbook -> {
            PhoneRecord phone = logbook.addPhone("Many", NOW);
            for (int i = 0; i < 300; i++) {
                String text = "t" + i + " " + words.get(random.nextInt(8)) + " " + words.get(random.nextInt(8)) + " "
                        + words.get(random.nextInt(8));
                texts.add(text);
                logbook.take(phone, text("t", text), NOW.plusMillis(i));
            }
        });
        for (String one : words) {
            for (String other : words) {
                long expected = texts.stream()
                        .filter(text -> text.contains(" " + one) && text.contains(" " + other))
                        .count();
                assertThat(find(one + " " + other).hits())
                        .as("%s %s", one, other)
                        .hasSize((int) Math.min(200, expected));
            }
        }
    }
}
