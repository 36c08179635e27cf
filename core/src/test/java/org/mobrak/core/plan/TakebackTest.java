package org.mobrak.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mobrak.core.Sample.facts;

import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.mobrak.core.Sample;
import org.mobrak.core.catalogue.Catalogue;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.Facts;
import org.mobrak.core.plan.Takeback.Before;
import org.mobrak.core.plan.Takeback.Standing;

/** What comes back, and what never does (common practice, no published source). */
class TakebackTest {
    private static final Catalogue NOTHING = new Catalogue(List.of(), List.of());

    private static Before before(Map<Fact, String> facts) {
        return new Before(facts, Set.of(), false, false, Optional.empty());
    }

    private static List<Fact> never(Before before, Facts now) {
        return Takeback.of(before, now, NOTHING).stream()
                .filter(one -> one.standing() == Standing.NEVER)
                .map(Takeback::fact)
                .toList();
    }

    @Test
    void fusesCountersRevisionsWipedDataAndMoneyNeverComeBack() {
        Map<Fact, String> then = Map.of(
                Fact.WARRANTY_FUSE, "intact",
                Fact.CUSTOM_WRITES, "1",
                Fact.BOOTLOADER, "L3-B01");
        assertThat(never(
                        before(then),
                        facts("warrantyFuse=blown", "customWrites=2", "bootloader=L3-B02", "rollbackFuse=present")))
                .containsExactly(Fact.WARRANTY_FUSE, Fact.CUSTOM_WRITES, Fact.BOOTLOADER);
        assertThat(never(
                        before(then),
                        facts("warrantyFuse=intact", "customWrites=1", "bootloader=L3-B02", "rollbackFuse=absent")))
                .as("without a rollback fuse an older bootloader may be written")
                .isEmpty();
        assertThat(never(before(then), Facts.none()))
                .as("what is not known now is not claimed")
                .isEmpty();
        assertThat(never(new Before(Map.of(), Set.of(), true, false, Optional.of("25 USD")), Facts.none()))
                .containsExactly(Fact.APP_BACKUP, Fact.MODEL);
        assertThat(Takeback.of(new Before(Map.of(), Set.of(), true, true, Optional.empty()), Facts.none(), NOTHING))
                .extracting(Takeback::standing)
                .as("what a backup has is put back by hand")
                .containsExactly(Standing.NO_PLAN);
    }

    @Test
    void whatAPlanOfTheCatalogueBringsBackBecomesAGoalAndWhatNoneDoesIsLeftOutOfIt() throws Exception {
        Facts now = facts(
                "model=TS-J540",
                "device=juniper5",
                "osVersion=5.1.1",
                "buildNumber=J540-5.1.110",
                "lock=unlocked",
                "recovery=custom",
                "root=none",
                "batteryPercent=90",
                "cable=data");
        List<Takeback> all = Takeback.of(
                before(Map.of(Fact.LOCK, "locked", Fact.RECOVERY, "stock", Fact.ROOT, "none")), now, Sample.shipped());
        assertThat(all).extracting(Takeback::fact).containsExactlyInAnyOrder(Fact.LOCK, Fact.RECOVERY);
        assertThat(all)
                .filteredOn(one -> one.fact() == Fact.LOCK)
                .extracting(Takeback::standing)
                .containsExactly(Standing.NO_PLAN);
        assertThat(Takeback.goal(all))
                .hasValueSatisfying(goal -> assertThat(goal.key()).isEqualTo("as:recovery=stock"));
        assertThat(Takeback.goal(Takeback.of(before(Map.of(Fact.LOCK, "locked")), now, NOTHING)))
                .isEmpty();
    }

    @Test
    void everyWayAPhoneCanStandIsAGoalThatReadsBackAsItself() {
        Random random = new Random(17);
        for (int round = 0; round < 2_000; round++) {
            Map<Fact, String> wanted = new EnumMap<>(Fact.class);
            List<Fact> states = new ArrayList<>(Goal.states());
            Collections.shuffle(states, random);
            states.subList(0, 1 + random.nextInt(states.size())).forEach(fact -> {
                List<String> words = List.copyOf(fact.domain().words());
                wanted.put(fact, words.get(random.nextInt(words.size())));
            });
            Goal goal = Goal.asBefore(wanted).orElseThrow();
            assertThat(Goal.ofKey(goal.key())).contains(goal);
            assertThat(goal.wanted()).isEqualTo(wanted);
            assertThat(Goal.ofKey(goal.key() + "+mend:store-missing")).isPresent();
        }
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "as:",
                "as:root",
                "as:root=",
                "as:root=maybe",
                "as:nothing=none",
                "as:model=TS-J540",
                "as:root=none,root=permanent",
                "as:root=none,,",
                "as:root=none,lock=open",
                "As:root=none"
            })
    void whatNoPhoneCanBeIsNoGoal(String key) {
        assertThat(Goal.ofKey(key)).isEmpty();
    }
}
