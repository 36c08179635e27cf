package org.mobrak.core.mend;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mobrak.core.Sample;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.catalogue.file.CatalogueLoader;
import org.mobrak.core.catalogue.file.TroubleLoader;
import org.mobrak.core.catalogue.trouble.Cause;
import org.mobrak.core.catalogue.trouble.Question;
import org.mobrak.core.catalogue.trouble.Symptom;
import org.mobrak.core.catalogue.trouble.Troubles;
import org.mobrak.core.fit.Verdict;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.identity.Finding;
import org.mobrak.core.identity.Refusal;
import org.mobrak.core.proof.Comparison;

class DiagnosticsTest {
    private static Cause cause(
            String id, double weight, Map<String, Double> explains, Map<String, Map<String, Double>> answers) {
        return new Cause(
                id, id, weight, explains, List.of(), Map.of(), List.of(), answers, List.of(), Optional.empty(), false);
    }

    private static Question question(String id, String... answers) {
        return new Question(id, id + "?", "look", List.of(answers), Optional.empty(), false);
    }

    private static Symptom symptom(String id) {
        return new Symptom(id, id, List.of(), List.of(), List.of());
    }

    private static Complaint complaint(Facts facts, String... symptoms) {
        return new Complaint(List.of(symptoms), Map.of(), List.of(), facts, Optional.empty());
    }

    private static Complaint with(Complaint told, String question, String answer) {
        Map<String, String> answers = new HashMap<>(told.answers());
        answers.put(question, answer);
        return new Complaint(told.symptoms(), answers, told.did(), told.facts(), told.compared());
    }

    /** Two boxes of fruit: C. M. Bishop, Pattern Recognition and Machine Learning, 2006, §1.2, where p(red | orange) is 2/3. */
    @Test
    void weighsByBayesRuleAsTheTextbookDoes() {
        Troubles boxes = new Troubles(
                List.of(symptom("orange")),
                List.of(
                        cause("red", 4, Map.of("orange", .75), Map.of()),
                        cause("blue", 6, Map.of("orange", .25), Map.of())),
                List.of(),
                List.of());
        Diagnosis said =
                new Diagnostics(new Catalogue(List.of(), List.of()), boxes).diagnose(complaint(Facts.none(), "orange"));
        assertThat(said.causes().get(0).cause().id()).isEqualTo("red");
        assertThat(said.causes().get(0).probability()).isEqualTo(2 / 3.0, within(1e-12));
        assertThat(said.next()).isEmpty();
    }

    /** Fourteen days of tennis: T. M. Mitchell, Machine Learning, 1997, §3.4, with gains of 0.048 for wind and 0.151 for humidity. */
    @Test
    void expectsTheGainOfAQuestionAsTheTextbookDoes() {
        Troubles days = new Troubles(
                List.of(symptom("day")),
                List.of(
                        cause(
                                "play",
                                9,
                                Map.of("day", 1.0),
                                Map.of(
                                        "wind", Map.of("weak", 6 / 9.0, "strong", 3 / 9.0),
                                        "humidity", Map.of("high", 3 / 9.0, "normal", 6 / 9.0))),
                        cause(
                                "stay",
                                5,
                                Map.of("day", 1.0),
                                Map.of(
                                        "wind", Map.of("weak", 2 / 5.0, "strong", 3 / 5.0),
                                        "humidity", Map.of("high", 4 / 5.0, "normal", 1 / 5.0)))),
                List.of(
                        question("wind", "weak", "strong"),
                        question("humidity", "high", "normal"),
                        question("idle", "a", "b")),
                List.of());
        Diagnosis said =
                new Diagnostics(new Catalogue(List.of(), List.of()), days).diagnose(complaint(Facts.none(), "day"));
        assertThat(said.next().orElseThrow().question().id()).isEqualTo("humidity");
        assertThat(said.next().orElseThrow().bits()).isEqualTo(0.151, within(0.001));
        NextQuestion next = new NextQuestion(said.causes());
        assertThat(next.bits(question("wind", "weak", "strong"))).isEqualTo(0.048, within(0.0005));
        assertThat(next.bits(question("idle", "a", "b")))
                .as("tells nothing apart")
                .isEqualTo(0, within(1e-12));
    }

    private static Diagnostics shipped() throws Exception {
        Catalogue catalogue = Sample.shipped();
        TroubleLoader.Loaded loaded = TroubleLoader.load(Sample.SHIPPED_FOLDERS, catalogue);
        assertThat(loaded.faults()).isEmpty();
        assertThat(loaded.troubles().symptoms()).hasSizeGreaterThanOrEqualTo(25);
        assertThat(loaded.troubles().causes()).hasSizeGreaterThanOrEqualTo(60);
        for (Symptom symptom : loaded.troubles().symptoms()) {
            assertThat(symptom.words()).as(symptom.id()).hasSizeGreaterThanOrEqualTo(3);
            assertThat(loaded.troubles().causes())
                    .as(symptom.id())
                    .filteredOn(cause -> cause.explains().containsKey(symptom.id()))
                    .isNotEmpty();
        }
        assertThat(Fact.TROUBLE.domain().objection("wifi-gone-after-write")).isEmpty();
        return new Diagnostics(catalogue, loaded.troubles());
    }

    @Test
    void whatShipsFindsCausesAsksOnAndOffersWhatMends() throws Exception {
        Diagnostics shipped = shipped();
        Facts blown = Facts.none()
                .supposing(Map.of(Fact.WARRANTY_FUSE, "blown", Fact.ROOT, "permanent", Fact.ROOT_MANAGER, "present"));
        Diagnosis said = shipped.diagnose(shipped.complete(complaint(blown, "app-refuses-custom-state")));
        assertThat(said.causes().get(0).cause().id()).isEqualTo("custom-state-property");
        assertThat(said.causes().stream()
                        .mapToDouble(Diagnosis.Likely::probability)
                        .sum())
                .isEqualTo(1, within(.01));
        assertThat(said.mends().get(0).fit().route().id()).isEqualTo("mend-custom-state");
        assertThat(said.mends().get(0).fit().verdict()).isIn(Verdict.FITS, Verdict.CAUTION);
        Complaint answered = with(shipped.complete(complaint(blown, "app-refuses-custom-state")), "app-says", "root");
        assertThat(shipped.diagnose(answered).causes().get(0).cause().id()).isEqualTo("root-seen-by-app");
        Facts open = Facts.none().supposing(Map.of(Fact.ROOT_MANAGER, "none", Fact.ROOT, "temporary"));
        Complaint shown = shipped.complete(complaint(open));
        assertThat(shown.symptoms()).as("shown by the facts").containsExactly("root-without-manager");
        assertThat(shipped.diagnose(shown).mends().get(0).fit().route().id()).isEqualTo("mend-install-manager");
        Comparison job = Comparison.of(
                Facts.none().supposing(Map.of(Fact.MODEL, "A")),
                Facts.none().supposing(Map.of(Fact.MODEL, "B")),
                List.of());
        Complaint after = shipped.complete(
                new Complaint(List.of(), Map.of(), List.of("custom-os"), Facts.none(), Optional.of(job)));
        assertThat(after.symptoms()).as("what came out so opens it").containsExactly("wrong-model-shown");
        assertThat(shipped.diagnose(after).causes().get(0).cause().id()).isEqualTo("model-rewritten");
        assertThat(shipped.diagnose(after).causes().get(0).because())
                .anyMatch(because -> because.startsWith("Model number came out"));
        Diagnosis hot = shipped.diagnose(shipped.complete(complaint(
                Facts.none().supposing(Map.of(Fact.BATTERY_TEMPERATURE, "47", Fact.BATTERY_BODY, "swollen")))));
        assertThat(hot.next().orElseThrow().question().stop())
                .as("first what may forbid the rest")
                .isTrue();
        assertThat(hot.findings()).extracting(Finding::code).contains("battery-failing");
        assertThatThrownBy(() -> shipped.complete(complaint(Facts.none(), "sings")))
                .isInstanceOf(Refusal.class);
        assertThatThrownBy(() -> shipped.complete(new Complaint(
                        List.of("ota-fails"), Map.of("app-says", "hm"), List.of(), Facts.none(), Optional.empty())))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("state-of-the-phone");
    }

    @Test
    void anAnswerNeverMakesItsOwnCauseLessLikely() throws Exception {
        Catalogue catalogue = Sample.shipped();
        Troubles troubles =
                TroubleLoader.load(Sample.SHIPPED_FOLDERS, catalogue).troubles();
        Diagnostics shipped = new Diagnostics(catalogue, troubles);
        for (Cause cause : troubles.causes()) {
            String symptom = cause.explains().keySet().iterator().next();
            Complaint told = complaint(Facts.none(), symptom);
            double before = probability(shipped.diagnose(told), cause);
            for (Map.Entry<String, Map<String, Double>> said : cause.answers().entrySet()) {
                Map.Entry<String, Double> best = said.getValue().entrySet().stream()
                        .max(Map.Entry.comparingByValue())
                        .orElseThrow();
                double after = probability(shipped.diagnose(with(told, said.getKey(), best.getKey())), cause);
                boolean others = troubles.causes().stream()
                        .anyMatch(other -> other.answers()
                                        .getOrDefault(said.getKey(), Map.of())
                                        .getOrDefault(best.getKey(), 0.0)
                                > best.getValue());
                if (!others) {
                    assertThat(after)
                            .as("%s after %s=%s", cause.id(), said.getKey(), best.getKey())
                            .isGreaterThanOrEqualTo(before - 1e-9);
                }
            }
        }
    }

    private static double probability(Diagnosis said, Cause cause) {
        return said.causes().stream()
                .filter(one -> one.cause().equals(cause))
                .mapToDouble(Diagnosis.Likely::probability)
                .sum();
    }

    @TempDir
    Path folder;

    @Test
    void aFileWithAFaultIsToldWithItsLineAndTheOthersServe() throws Exception {
        for (String kind : List.of("routes", "symptoms", "causes", "questions")) {
            Files.createDirectory(folder.resolve(kind));
        }
        Files.writeString(folder.resolve("symptoms/a.yaml"), "id: sings\nname: It sings\n");
        Files.writeString(
                folder.resolve("questions/q.yaml"), "id: q\nquestion: Loud?\nhow: listen\nanswers: [yes, no]\n");
        Files.writeString(
                folder.resolve("causes/good.yaml"),
                "id: bird\nname: A bird\nweight: 1\nexplains: {sings: 1}\nadvice: open the window\n");
        Files.writeString(
                folder.resolve("causes/bad.yaml"),
                "id: fish\nname: A fish\nweight: 1\nexplains: {dances: 1}\nanswers:\n  q: {maybe: 1}\nmends: [nowhere]\n");
        Files.writeString(
                folder.resolve("causes/worse.yaml"), "id: cat\nname: A cat\nweight: -1\nexplains: {sings: 2}\n");
        TroubleLoader.Loaded loaded =
                TroubleLoader.load(CatalogueLoader.Folders.of(folder), new Catalogue(List.of(), List.of()));
        assertThat(loaded.troubles().causes()).extracting(Cause::id).containsExactly("bird");
        assertThat(loaded.faults())
                .filteredOn(fault -> fault.file().equals("causes/bad.yaml"))
                .extracting(fault -> fault.line())
                .containsExactlyInAnyOrder(4, 6, 7);
        assertThat(loaded.faults()).anyMatch(fault -> fault.file().equals("causes/worse.yaml"));
    }

    @Test
    void aSymptomIsFoundByTheWordsPeopleUse() throws Exception {
        List<Symptom> known = TroubleLoader.load(Sample.SHIPPED_FOLDERS, Sample.shipped())
                .troubles()
                .symptoms();
        assertThat(SymptomSearch.find(known, "").size()).isEqualTo(known.size());
        assertThat(SymptomSearch.find(known, "my bank app will not start")
                        .get(0)
                        .id())
                .isEqualTo("app-refuses-custom-state");
        assertThat(SymptomSearch.find(known, "stuck at logo").get(0).id()).isEqualTo("loops-at-logo");
        assertThat(SymptomSearch.find(known, "BATTERY hot!").get(0).id()).isEqualTo("battery-hot");
        assertThat(SymptomSearch.find(known, "xylophone")).isEmpty();
        assertThat(SymptomSearch.find(known, "phone ".repeat(100_000))).isNotEmpty();
    }
}
