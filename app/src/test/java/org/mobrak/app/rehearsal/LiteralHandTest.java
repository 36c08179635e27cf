package org.mobrak.app.rehearsal;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.mobrak.app.Outlook;
import org.mobrak.app.Wish;
import org.mobrak.core.catalogue.Habit;
import org.mobrak.core.catalogue.Route;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.job.Card;
import org.mobrak.core.job.RunSheet;
import org.mobrak.core.job.Step;
import org.mobrak.core.plan.Goal;
import org.mobrak.core.plan.Limits;
import org.mobrak.core.plan.Plan;
import org.mobrak.link.bench.BenchTruth;

/** The jobs of {@code docs/jobs.md} by somebody who has only the printed card. */
class LiteralHandTest {
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
    void isDoneFromThePaperAlone(JobRow row) throws IOException {
        Setting setting = setting(row);
        Report report = new Rehearsals(setting.outlook().catalogue(), bench.files())
                .rehearse(setting, 1, List.of(), Person.LITERAL);
        assertThat(report.end())
                .as(
                        "%s%n%s",
                        report.stuck(),
                        String.join(
                                "\n",
                                report.events().stream()
                                        .map(one -> one.kind() + " " + one.text())
                                        .toList()))
                .isEqualTo(Report.End.GOAL);
    }

    /** Without a card in the phone the files are copied after the wipe, or they are gone when they are wanted. */
    @Test
    void whatAWipeWouldTakeIsCopiedAfterIt() throws IOException {
        List<JobRow> wiping = jobs().filter(row -> List.of("6", "17", "9").contains(row.job()))
                .toList();
        for (JobRow row : wiping) {
            Setting setting = setting(row, Map.of(Fact.CARD, "no"));
            Report report = new Rehearsals(setting.outlook().catalogue(), bench.files())
                    .rehearse(setting, 1, List.of(), Person.LITERAL);
            assertThat(report.end()).as("%s %s", row, report.stuck()).isEqualTo(Report.End.GOAL);
        }
        assertThat(wiping).hasSize(3);
    }

    /** A card that is wrong in one thing must not lead to the goal: else the bench heals it, or the card says too much. */
    @Test
    void cardsThatAreWrongInOneThingFail() throws IOException {
        Map<String, int[]> rates = new TreeMap<>();
        List<String> healed = new ArrayList<>();
        Map<String, Integer> leftOut = new TreeMap<>();
        int turn = 0;
        for (JobRow row : jobs().toList()) {
            Setting cardless = setting(row, Map.of(Fact.CARD, "no"));
            for (Setting setting : List.of(setting(row), unready(setting(row)), cardless)) {
                Rehearsals rehearsals = new Rehearsals(setting.outlook().catalogue(), bench.files());
                Report right = rehearsals.rehearse(setting, 1, List.of(), Person.LITERAL);
                for (CardMutants.Mutant mutant : CardMutants.of(Card.of(setting.sheet()), right)) {
                    if (!mutant.matters()) {
                        leftOut.merge(mutant.why(), 1, Integer::sum);
                        continue;
                    }
                    turn++;
                    Report report = rehearsals.literally(setting, mutant.card(), turn, List.of());
                    int[] rate = rates.computeIfAbsent(mutant.kind(), none -> new int[2]);
                    rate[0]++;
                    if (report.reached()) {
                        healed.add(row + ": " + mutant.kind() + " at " + mutant.at());
                    } else {
                        rate[1]++;
                    }
                }
                withoutRemedies(row, setting, rates, healed);
            }
        }
        List<String> told = new ArrayList<>();
        rates.forEach((kind, rate) -> told.add("%-32s %4d of %4d fail".formatted(kind, rate[1], rate[0])));
        healed.forEach(one -> told.add("led to its goal all the same: " + one));
        leftOut.forEach((why, count) -> told.add("%4d not played: %s".formatted(count, why)));
        Files.write(Path.of("target", "cards.txt"), told);
        int all = rates.values().stream().mapToInt(rate -> rate[0]).sum();
        assertThat(all - healed.size()).as("%s of %d: %s", rates, all, healed).isGreaterThanOrEqualTo((int)
                Math.ceil(0.95 * all));
    }

    /** Where something goes wrong at a box, its remedy leads on, and without it the hand is lost. */
    private static void withoutRemedies(JobRow row, Setting setting, Map<String, int[]> rates, List<String> healed)
            throws IOException {
        Rehearsals rehearsals = new Rehearsals(setting.outlook().catalogue(), bench.files());
        Card card = Card.of(setting.sheet());
        for (Step step : setting.sheet().steps()) {
            Optional<Fault> fault = goingWrong(step);
            if (fault.isEmpty()) {
                continue;
            }
            List<Fault.At> wrong = List.of(new Fault.At(fault.get(), Optional.of(step.id())));
            Report helped = rehearsals.literally(setting, card, 1, wrong);
            assertThat(helped.end())
                    .as("%s with %s at %s %s: %s", row, fault.get(), step.id(), step.title(), helped.stuck())
                    .isEqualTo(Report.End.GOAL);
            Card silent = new Card(card.entries().stream()
                    .map(entry -> entry.id().equals(step.id()) ? entry.helping(List.of()) : entry)
                    .toList());
            int[] rate = rates.computeIfAbsent("remedy removed, " + fault.get().word(), none -> new int[2]);
            rate[0]++;
            if (rehearsals.literally(setting, silent, 1, wrong).reached()) {
                healed.add(row + ": remedy removed at " + step.id() + " " + step.title());
            } else {
                rate[1]++;
            }
        }
    }

    private static Optional<Fault> goingWrong(Step step) {
        if (step instanceof Step.Move move && move.doing().keys().isPresent()) {
            return Optional.of(Fault.KEYS_WRONG);
        }
        return step instanceof Step.Plug ? Optional.of(Fault.DRIVER_MISSING) : Optional.empty();
    }

    /** Who uses a plug and a recovery with buttons, and lets the phone restart, comes as far. */
    @ParameterizedTest
    @MethodSource("jobs")
    void isDoneFromThePaperInOtherHabits(JobRow row) throws IOException {
        Setting setting = setting(row, Map.of(Fact.SERVICE_PLUG, "yes"));
        RunSheet sheet = setting.sheet();
        Set<Habit> habits = EnumSet.of(Habit.PLUG, Habit.BUTTONS, Habit.RESTARTS);
        List<Step> steps = sheet.steps().stream().map(step -> step.by(habits)).toList();
        Card card = Card.of(new RunSheet(sheet.title(), steps, sheet.writes(), sheet.money(), sheet.atEnd()));
        Report report =
                new Rehearsals(setting.outlook().catalogue(), bench.files()).literally(setting, card, 1, List.of());
        assertThat(report.end()).as("%s %s", report.stuck(), report.events()).isEqualTo(Report.End.GOAL);
    }

    /** The same job at a bench where nothing is ready yet. */
    private static Setting unready(Setting ready) {
        Map<Fact, String> wrong = new EnumMap<>(Fact.class);
        List.of(Fact.USB_DEBUGGING, Fact.UNKNOWN_SOURCES, Fact.OEM_UNLOCK).stream()
                .filter(fact -> !"absent".equals(ready.phone().truth().get(fact)))
                .forEach(fact -> wrong.put(fact, "off"));
        wrong.put(Fact.INTERNET, "no");
        wrong.put(Fact.BATTERY_PERCENT, "34");
        return new Setting(ready.outlook(), ready.plan(), ready.phone().knowing(wrong));
    }

    @ParameterizedTest
    @MethodSource("jobs")
    void isDoneFromThePaperWhereNothingIsReady(JobRow row) throws IOException {
        Setting setting = unready(setting(row));
        Report report = new Rehearsals(setting.outlook().catalogue(), bench.files())
                .rehearse(setting, 1, List.of(), Person.LITERAL);
        assertThat(report.end()).as("%s %s", report.stuck(), report.events()).isEqualTo(Report.End.GOAL);
    }

    private static Setting setting(JobRow row) {
        return setting(row, Map.of());
    }

    private static Setting setting(JobRow row, Map<Fact, String> otherwise) {
        BenchTruth phone = row.phone(bench.phones()).knowing(otherwise);
        Wish wish = new Wish(Goal.ofKey(row.goal()).orElseThrow(), Optional.empty(), Limits.none());
        Outlook outlook = new Rehearsals(bench.only(row.way()), bench.files()).outlook(phone, wish);
        Plan plan = Stream.concat(outlook.answer().plans().stream(), outlook.answer().rest().stream())
                .filter(one -> one.routes().stream().map(Route::id).toList().containsAll(row.way()))
                .findFirst()
                .orElseThrow();
        return new Setting(outlook, plan, phone);
    }
}
