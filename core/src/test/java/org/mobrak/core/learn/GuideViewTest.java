package org.mobrak.core.learn;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.mobrak.core.catalogue.file.EntryCheck;
import org.mobrak.core.catalogue.file.EntryYaml;
import org.mobrak.core.catalogue.file.Fault;

/** What was understood is marked where it stands, and things beside the work are understood at all. */
class GuideViewTest {
    private static Learner.Source source(String name, String text) {
        return new Learner.Source(name, text.getBytes(StandardCharsets.UTF_8));
    }

    private static Lesson learn(Learner.Source... sources) {
        return new Learner().learn(List.of(sources), LocalDate.of(2026, 11, 26));
    }

    private static List<String> marked(GuideView view) {
        return view.lines().stream()
                .flatMap(line -> line.marks().stream()
                        .map(mark -> line.number() + ":" + line.text().substring(mark.start(), mark.end())))
                .toList();
    }

    @Test
    void everyMarkCoversTheValueAndNoTwoLieOverEachOther() {
        Learner.Source guide = source(
                "g.txt",
                "Root for KQ-1 and KQ-1B\n\nBattery 50 % or more.\n1. Write kq-kernel.tar in download mode.\n   md5 9f86d081884c7d659a2feaa0c55ad015\n2. Check root with a proof app.\n");
        Lesson lesson = learn(guide);
        GuideView view = GuideView.of(List.of(guide), lesson.evidence(), lesson.account());
        assertThat(view.lines()).hasSize(7);
        assertThat(marked(view))
                .contains("1:KQ-1", "1:KQ-1B", "3:50", "5:9f86d081884c7d659a2feaa0c55ad015")
                .noneMatch(mark -> mark.endsWith(":"));
        view.lines().forEach(line -> {
            int end = 0;
            for (GuideView.Mark mark : line.marks()) {
                assertThat(mark.start()).as("%s", line).isGreaterThanOrEqualTo(end);
                assertThat(mark.end())
                        .isGreaterThan(mark.start())
                        .isLessThanOrEqualTo(line.text().length());
                end = mark.end();
            }
        });
    }

    @Test
    void aShortValueIsMarkedWhereItStandsAloneAndNotWithinAWord() {
        Learner.Source guide = source(
                "g.txt",
                "Root for KQ-1\n1. Install phone-one.apk after switching unknown sources on\n2. Open the app\n");
        GuideView view = GuideView.of(List.of(guide), learn(guide).evidence(), List.of());
        GuideView.Line line = view.lines().get(1);
        assertThat(line.marks())
                .filteredOn(
                        mark -> line.text().substring(mark.start(), mark.end()).equals("on"))
                .extracting(GuideView.Mark::start)
                .containsExactly(line.text().length() - 2);
    }

    @Test
    void aPageIsShownWithoutItsMarkupAndSeveralFilesOneAfterTheOther() {
        Learner.Source page = source(
                "p.html",
                "<html><head><script>KQ-9()</script></head><body>\n<h1>Root for KQ-1</h1>\n<ol><li>Install kq.apk</li>\n<li>Open the app</li></ol></body></html>");
        Learner.Source more = source("m.txt", "md5 of kq.apk: 9f86d081884c7d659a2feaa0c55ad015\u202e");
        Lesson lesson = learn(page, more);
        GuideView view = GuideView.of(List.of(page, more), lesson.evidence(), lesson.account());
        assertThat(view.lines())
                .extracting(GuideView.Line::text)
                .noneMatch(text -> text.contains("<") || text.contains("KQ-9"));
        assertThat(view.lines()).extracting(GuideView.Line::file).contains("p.html", "m.txt");
        assertThat(marked(view)).contains("2:KQ-1");
        assertThat(view.lines().get(view.lines().size() - 1).text())
                .as("what turns text round is shown")
                .contains("\\u202E");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "The licence costs 25 USD.|/costs/money/amount|25",
                "You pay $4.99 for the app|/costs/money/amount|4.99",
                "Price: 12 EUR a phone|/costs/money/currency|EUR",
                "My phone was 90 EUR new|/costs/money|",
                "Use bench flasher 3.07 or newer|/work/tools/0/atLeast|3.07",
                "Use bench flasher 3.07 or newer|/work/tools/0/name|bench flasher",
                "only with flasher version 1.85|/work/tools/0/atMost|1.85",
                "Install the Kestrin USB driver v1.5+|/work/tools/0/kind|driver",
                "no flasher 3.09, it hangs|/work/tools|",
                "Put kq.tar in the slot \"recovery area\".|/work/files/0/slot|recovery area",
                "chipset: QX-88|/fits/requires/0/is/0|QX-88",
                "Kernel 3.4.0 or older|/fits/requires/0/atMost|3.4.0",
                "kernel older than 3.0.31|/fits/requires/0/not/atLeast|3.0.31",
                "kernel at least 3.10|/fits/requires/0/atLeast|3.10",
                "the kernel 3.4.0-custom is fine|/fits/requires|[]",
                "Carriers: Brookcell and Moorline|/fits/requires/0/is/1|Moorline",
                "Not for carrier Hillnet|/fits/requires/0/not/is/0|Hillnet",
                "my carrier is slow|/fits/requires|[]",
                "Models KQ-10 to KQ-13|/fits/phones/4/model|KQ-13",
                "Models KQ-10 to KQ-900|/fits/phones/2/model|KQ-900",
                "Models KQ-10 through KR-13|/fits/phones/2/model|KR-13",
                "Also for KQ-2x|/fits/phones/1/model|KQ-2?",
            })
    void thingsBesideTheWorkAreUnderstoodOrLeftAlone(String line, String pointer, String there) {
        Lesson lesson = learn(
                source("g.txt", "Root for KQ-1\n" + line + "\n\nFiles: kq.tar\n1. Install kq.tar\n2. Open the app\n"));
        var found = lesson.routes().get(0).at(pointer);
        String shown = found.isContainerNode() ? found.toString() : found.asText();
        assertThat(shown).isEqualTo(there == null ? "" : there);
    }

    /** What is made of a guide is an entry that the catalogue's own check reads. */
    @Test
    void aDraftIsReadAgainAsItWasWritten() {
        Lesson lesson =
                learn(source("g.txt", "Root for KQ-1, OS 4.4\n1. Install kq.apk\n2. Check root with a proof app.\n"));
        String yaml = EntryYaml.of(lesson.routes().get(0));
        List<Fault> faults = EntryCheck.of("routes/x.yaml", yaml);
        assertThat(faults)
                .isNotEmpty()
                .allSatisfy(fault -> assertThat(fault.isWarning()).isTrue());
        assertThat(EntryCheck.of("routes/x.yaml", "id: [")).anyMatch(fault -> !fault.isWarning());
        assertThat(Stream.of("routes/x.yaml", "phones/x.yaml", "grammars/x.yaml", "holes/x.yaml", "symptoms/x.yaml"))
                .allSatisfy(name -> assertThat(EntryCheck.of(name, "id: 7\n")).isNotEmpty());
        assertThat(EntryCheck.of("readme.txt", "x")).isEmpty();
    }
}
