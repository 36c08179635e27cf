package org.mobrak.app.rehearsal;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mobrak.app.Catalogues;
import org.mobrak.app.Outlook;
import org.mobrak.app.Wish;
import org.mobrak.app.rehearsal.Report.End;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.job.Step;
import org.mobrak.core.plan.Goal;
import org.mobrak.core.plan.Limits;
import org.mobrak.core.plan.Plan;
import org.mobrak.link.bench.BenchTruth;

/** Every sheet of the demo, played: the bench is the oracle of the sheets, and the sheets of the bench. */
class RehearsalTest {
    private static final Path HOME = Path.of(System.getProperty("mobrak.home"));
    private static final int RANDOM_RUNS = Integer.getInteger("mobrak.rehearsals", 600);

    @TempDir
    private static Path cache;

    private static BenchFiles files;
    private static Rehearsals rehearsals;
    private static List<Played> sheets;

    /** A phone, a goal and a plan for it. */
    private record Played(Setting setting) {
        Report with(long seed, Person person, Fault.At... faults) throws IOException {
            return rehearsals.rehearse(setting, seed, List.of(faults), person);
        }

        List<String> steps() {
            return setting.sheet().steps().stream().map(Step::id).toList();
        }

        BenchTruth phone() {
            return setting.phone();
        }

        Plan plan() {
            return setting.plan();
        }

        @Override
        public String toString() {
            return phone().id() + " " + plan().goal().key() + " by " + plan().title();
        }
    }

    @BeforeAll
    static void layOut() throws IOException {
        Catalogues catalogues = new Catalogues(HOME, cache);
        files = new BenchFiles();
        rehearsals = new Rehearsals(catalogues.load(List.of()).catalogue(), files);
        sheets = new ArrayList<>();
        for (BenchTruth phone : catalogues.bench(List.of())) {
            List<Goal> goals = new ArrayList<>(Goal.usual());
            goals.add(Goal.HAND_ON);
            for (Goal goal : goals) {
                Outlook outlook = rehearsals.outlook(phone, new Wish(goal, Optional.empty(), Limits.none()));
                outlook.answer().plans().stream()
                        .filter(plan -> !plan.routes().isEmpty())
                        .forEach(plan -> sheets.add(new Played(new Setting(outlook, plan, phone))));
            }
        }
        assertThat(sheets).hasSizeGreaterThan(20);
    }

    @AfterAll
    static void putAway() throws IOException {
        files.close();
    }

    /** What is offered first when a question is made is what is right; the bench, which knows nothing of that, must find so too. */
    @Test
    void inEveryMishapOneChoiceIsBestAndTheBenchShowsWhy() {
        Map<String, Set<Worth>> worths = new HashMap<>();
        for (Played sheet : sheets) {
            for (WhatNow asked :
                    Mishaps.of(sheet.setting().outlook(), sheet.setting().sheet())) {
                assertThat(asked.answers().get(0).worth())
                        .as("%s: %s", sheet, asked)
                        .isEqualTo(Worth.GOES_ON);
                assertThat(asked.answers().stream().filter(asked::isRight))
                        .as("%s: %s", sheet, asked)
                        .hasSize(1);
                assertThat(asked.shuffled(3).answers()).containsExactlyInAnyOrderElementsOf(asked.answers());
                asked.answers()
                        .forEach(answer -> worths.computeIfAbsent(asked.key(), key -> new HashSet<>())
                                .add(answer.worth()));
            }
        }
        assertThat(worths).hasSize(8);
        assertThat(worths.get("wrong-variant-file"))
                .as("by the partition that is written")
                .contains(Worth.STUCK);
        assertThat(worths.get("loops-at-logo")).contains(Worth.LOSES_DATA, Worth.STUCK);
        assertThat(worths.get("stock-recovery-returns")).contains(Worth.NOT_DONE);
    }

    /** Where the label lies, the model's comparison stops the work; nothing else does. */
    @Test
    void everySheetLeadsToItsGoalAndTheJobClaimsNothingButTheTruth() throws IOException {
        for (Played sheet : sheets) {
            Report report = sheet.with(7, Person.CAREFUL);
            boolean mislabelled = sheet.phone().says().containsKey(Fact.MODEL)
                    && sheet.plan().routes().stream()
                            .anyMatch(route -> !route.changes().writes().isEmpty());
            assertThat(report.end())
                    .as("%s: %s", sheet, report.events())
                    .isIn(mislabelled ? Set.of(End.STOPPED_AT_GATE) : Set.of(End.GOAL));
            Map<Fact, String> untrue = report.claimed().entrySet().stream()
                    .filter(one -> one.getKey() != Fact.BATTERY_PERCENT)
                    .filter(one -> !one.getValue().equals(report.facts().get(one.getKey())))
                    .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
            assertThat(untrue).as("claimed and not so: %s", sheet).isEmpty();
            assertThat(sheet.with(7, Person.CAREFUL)).as("the same again").isEqualTo(report);
        }
    }

    @Test
    void noSingleFaultAtAnyStepKillsAPhoneInCarefulHands() throws IOException {
        sheets.parallelStream().forEach(sheet -> {
            for (String step : sheet.steps()) {
                for (Fault fault : Fault.values()) {
                    Report report = played(sheet, new Fault.At(fault, Optional.of(step)));
                    assertThat(report.end())
                            .as("%s with %s at %s: %s", sheet, fault, step, report.events())
                            .isIn(EnumSet.of(End.GOAL, End.STOPPED_AT_GATE, End.CAME_BACK));
                }
            }
        });
    }

    private static Report played(Played sheet, Fault.At fault) {
        try {
            return sheet.with(11, Person.CAREFUL, fault);
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    @Test
    void carefulHandsLoseNoPhoneAndHastyOnesDoAndAreToldByWhatTheyPassed() throws IOException {
        SplittableRandom random = new SplittableRandom(14);
        for (int run = 0; run < RANDOM_RUNS; run++) {
            Played sheet = sheets.get(random.nextInt(sheets.size()));
            long seed = random.nextLong();
            Fault.At[] faults = random.ints(random.nextInt(4), 0, Fault.values().length)
                    .mapToObj(one -> new Fault.At(
                            Fault.values()[one],
                            random.nextBoolean()
                                    ? Optional.empty()
                                    : Optional.of(sheet.steps()
                                            .get(random.nextInt(sheet.steps().size())))))
                    .toArray(Fault.At[]::new);
            assertThat(sheet.with(seed, Person.CAREFUL, faults).end())
                    .as("%s %s", sheet, List.of(faults))
                    .isNotEqualTo(End.DEAD);
            Report hasty = sheet.with(seed, Person.HASTY, faults);
            if (hasty.end() == End.DEAD) {
                assertThat(hasty.caught())
                        .as("%s %s", sheet, List.of(faults))
                        .anyMatch(by -> by.startsWith("gate: ") || by.startsWith("file check: "));
            }
        }
        BenchTruth chain = sheets.stream()
                .map(Played::phone)
                .filter(phone -> phone.id().equals("hive-08"))
                .findFirst()
                .orElseThrow();
        BenchTruth honest =
                new BenchTruth(chain.id(), chain.name(), chain.truth(), Map.of(), chain.nature(), chain.ways());
        Outlook outlook = rehearsals.outlook(honest, new Wish(Goal.RECOVERY, Optional.empty(), Limits.none()));
        Setting setting = new Setting(outlook, outlook.answer().plans().get(0), honest);
        Fault.At wrongLoader = new Fault.At(Fault.DAMAGED_FILE, Optional.empty());
        Report lost = rehearsals.rehearse(setting, 1, List.of(wrongLoader), Person.HASTY);
        assertThat(lost.end()).as("%s", lost.events()).isEqualTo(End.DEAD);
        assertThat(lost.caught()).anyMatch(by -> by.startsWith("file check: "));
        assertThat(rehearsals
                        .rehearse(setting, 1, List.of(wrongLoader), Person.CAREFUL)
                        .end())
                .isEqualTo(End.GOAL);
    }
}
