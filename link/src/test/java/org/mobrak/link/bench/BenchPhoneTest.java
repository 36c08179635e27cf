package org.mobrak.link.bench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mobrak.core.catalogue.KeyChord;
import org.mobrak.core.catalogue.KeyChord.Key;
import org.mobrak.core.catalogue.PartitionClass;
import org.mobrak.core.fit.Truth;
import org.mobrak.core.identity.Fact;
import org.mobrak.core.identity.UnreadableInput;
import org.mobrak.link.Mode;
import org.mobrak.link.bench.Stimulus.Image;
import org.mobrak.link.bench.Stimulus.Pass;
import org.mobrak.link.bench.Stimulus.Press;
import org.mobrak.link.bench.Stimulus.Release;

class BenchPhoneTest {
    /** It asks for a password once its lock was opened, and an app on it minds the fuse. */
    private static final Nature SEALING = new Nature(
            40, 300, 2, 8, 12, 40, false, true, Map.of("the health app", Map.of(Fact.WARRANTY_FUSE, "blown")));

    private static final BenchTruth PHONE = new BenchTruth(
            "one",
            "one",
            Map.of(Fact.MODEL, "KQ-T5", Fact.DEVICE, "tern", Fact.RECOVERY, "stock", Fact.LOCK, "locked"),
            Map.of(),
            SEALING,
            List.of(
                    way("hold volume-down + home + power until the warning; press volume-up", Mode.DOWNLOAD),
                    way("hold volume-up + power until it vibrates", Mode.FLASH_CONSOLE),
                    way("hold volume-up + power until the logo; hold volume-up until the menu", Mode.RECOVERY)));

    @TempDir
    private Path folder;

    private static KeyWay way(String keys, Mode to) {
        return new KeyWay(KeyChord.parse(keys), Set.of(Mode.OFF), to);
    }

    private static BenchState after(BenchState state, Stimulus... stimuli) {
        BenchState now = state;
        for (Stimulus stimulus : stimuli) {
            now = stimulus.on(PHONE, now).state();
        }
        return now;
    }

    private static BenchState off() {
        return after(BenchState.of(PHONE), new Stimulus.SwitchOff());
    }

    private static Stimulus[] held(double seconds, Key... keys) {
        Stimulus[] stimuli = new Stimulus[keys.length + 1];
        for (int i = 0; i < keys.length; i++) {
            stimuli[i] = new Press(keys[i]);
        }
        stimuli[keys.length] = new Pass(seconds);
        return stimuli;
    }

    private static BenchState write(BenchState state, PartitionClass where, Image image, OptionalDouble broken) {
        return after(
                state,
                new Stimulus.Work(new Stimulus.Task(
                        Set.of(Mode.DOWNLOAD),
                        true,
                        Map.of(where, image),
                        where == PartitionClass.RECOVERY ? Map.of(Fact.RECOVERY, "custom") : Map.of(),
                        false,
                        Truth.YES,
                        60,
                        broken,
                        true)));
    }

    private static BenchState download() {
        return after(off(), new Stimulus.Restart(Mode.DOWNLOAD));
    }

    @Test
    void keysCountOnlyInTheirOrderAndTheirTime() {
        BenchState warned = after(off(), held(3, Key.VOLUME_DOWN, Key.HOME, Key.POWER));
        assertThat(warned.mode()).isEqualTo(Mode.WARNING);
        BenchState free = after(warned, new Release(Key.VOLUME_DOWN), new Release(Key.HOME), new Release(Key.POWER));
        assertThat(after(free, new Press(Key.VOLUME_UP)).mode()).isEqualTo(Mode.DOWNLOAD);
        assertThat(after(free, new Press(Key.VOLUME_DOWN)).mode())
                .as("the other key goes back")
                .isEqualTo(Mode.OS);
        assertThat(after(off(), held(1, Key.VOLUME_DOWN, Key.HOME, Key.POWER)).mode())
                .as("too short")
                .isEqualTo(Mode.OFF);
        assertThat(after(off(), held(3, Key.VOLUME_DOWN, Key.HOME)).mode())
                .as("one is missing")
                .isEqualTo(Mode.OFF);
        assertThat(after(off(), held(30, Key.VOLUME_DOWN, Key.HOME, Key.POWER)).mode())
                .as("far too long")
                .isEqualTo(Mode.OFF);
        assertThat(after(off(), held(3, Key.POWER)).mode()).isEqualTo(Mode.OS);
    }

    @Test
    void theSameKeysMeanAnotherThingWhenTheyAreHeldOn() {
        BenchState shaken = after(off(), held(2.5, Key.VOLUME_UP, Key.POWER));
        assertThat(after(shaken, new Release(Key.POWER)).mode()).isEqualTo(Mode.FLASH_CONSOLE);
        BenchState logo = after(shaken, new Pass(2));
        assertThat(after(logo, new Release(Key.POWER), new Pass(3)).mode()).isEqualTo(Mode.RECOVERY);
    }

    @Test
    void theStockSystemPutsItsRecoveryBackWhenItStartsFirst() {
        BenchState repairing = after(download(), new Stimulus.Upset(false, false, true));
        BenchState written = write(repairing, PartitionClass.RECOVERY, Image.RIGHT, OptionalDouble.empty());
        BenchState straight = after(written, new Stimulus.Restart(Mode.RECOVERY), new Stimulus.Restart(Mode.OS));
        assertThat(straight.facts()).containsEntry(Fact.RECOVERY, "custom");
        assertThat(after(written, new Stimulus.Restart(Mode.OS)).facts()).containsEntry(Fact.RECOVERY, "stock");
    }

    @Test
    void whatIsWrittenWronglyShowsAtTheNextStart() {
        OptionalDouble whole = OptionalDouble.empty();
        BenchState foreign = write(download(), PartitionClass.KERNEL, Image.FOREIGN, whole);
        assertThat(after(foreign, new Stimulus.Restart(Mode.OS)).mode()).isEqualTo(Mode.LOOP);
        BenchState again =
                write(after(foreign, new Stimulus.Restart(Mode.DOWNLOAD)), PartitionClass.KERNEL, Image.RIGHT, whole);
        assertThat(after(again, new Stimulus.Restart(Mode.OS)).mode()).isEqualTo(Mode.OS);
        BenchState loader = write(download(), PartitionClass.BOOTLOADER, Image.DAMAGED, whole);
        assertThat(after(loader, new Stimulus.Restart(Mode.OS)).mode()).isEqualTo(Mode.DEAD);
        BenchState pulled = write(download(), PartitionClass.KERNEL, Image.RIGHT, OptionalDouble.of(0.5));
        assertThat(after(pulled, new Stimulus.Restart(Mode.OS)).mode())
                .as("the cable was pulled")
                .isEqualTo(Mode.LOOP);
        BenchState empty = write(after(download(), new Stimulus.Sink(0.1)), PartitionClass.SYSTEM, Image.RIGHT, whole);
        assertThat(empty.mode()).isEqualTo(Mode.OFF);
        assertThat(empty.inside().broken()).contains(PartitionClass.SYSTEM);
    }

    /** Explored breadth first: from wherever stimuli lead, short of a dead phone, stock firmware leads back to a start. */
    @Test
    void fromEveryStateThatIsNotDeadThereIsAWayBack() {
        List<Stimulus> all = List.of(
                new Press(Key.POWER),
                new Release(Key.POWER),
                new Pass(9),
                new Stimulus.Plug(Cable.NONE),
                new Stimulus.SwitchOff(),
                new Stimulus.Restart(Mode.OS),
                new Stimulus.Restart(Mode.RECOVERY),
                new Stimulus.Restart(Mode.DOWNLOAD),
                new Stimulus.Upset(true, true, true),
                opened(),
                new Stimulus.FormatData(),
                work(PartitionClass.KERNEL, Image.FOREIGN),
                work(PartitionClass.RECOVERY, Image.DAMAGED),
                work(PartitionClass.BOOTLOADER, Image.RIGHT));
        Deque<BenchState> open = new ArrayDeque<>(List.of(BenchState.of(PHONE)));
        Set<String> known = new HashSet<>();
        while (!open.isEmpty()) {
            BenchState state = open.remove();
            String shape = state.mode() + " " + state.hands().held().keySet()
                    + state.hands().strokes() + state.wire() + state.inside();
            if (!known.add(shape)) {
                continue;
            }
            if (state.mode() != Mode.DEAD) {
                assertThat(broughtBack(state).mode()).as("%s", state).isEqualTo(Mode.OS);
            }
            all.forEach(stimulus -> open.add(stimulus.on(PHONE, state).state()));
        }
        assertThat(known).hasSizeGreaterThan(100);
    }

    private static Stimulus work(PartitionClass where, Image image) {
        return work(Map.of(where, image), Map.of(), Mode.DOWNLOAD);
    }

    private static Stimulus opened() {
        return work(Map.of(), Map.of(Fact.LOCK, "unlocked"), Mode.DOWNLOAD);
    }

    private static Stimulus work(Map<PartitionClass, Image> images, Map<Fact, String> effects, Mode mode) {
        return new Stimulus.Work(new Stimulus.Task(
                Set.of(mode), true, images, effects, false, Truth.YES, 1, OptionalDouble.empty(), true));
    }

    private static BenchState broughtBack(BenchState state) {
        return after(
                state,
                new Release(Key.POWER),
                new Stimulus.Plug(Cable.DATA),
                new Stimulus.Driver(true),
                new Stimulus.Charge(90),
                new Stimulus.Restart(Mode.DOWNLOAD),
                work(PartitionClass.KERNEL, Image.RIGHT),
                work(PartitionClass.SYSTEM, Image.RIGHT),
                work(PartitionClass.RECOVERY, Image.RIGHT),
                new Stimulus.Restart(Mode.RECOVERY),
                new Stimulus.LightWipe(),
                new Stimulus.FormatData(),
                new Stimulus.Restart(Mode.OS));
    }

    private static List<String> seen(Turn turn) {
        return turn.seen().stream().map(Turn.Observation::text).toList();
    }

    @Test
    void aPhoneWhoseLockWasOpenedAsksForAPasswordUntilItsStorageIsFormatted() {
        Stimulus zip = work(Map.of(PartitionClass.SYSTEM, Image.RIGHT), Map.of(), Mode.RECOVERY);
        BenchState sealed = after(
                BenchState.of(PHONE),
                new Stimulus.Restart(Mode.DOWNLOAD),
                opened(),
                work(Map.of(PartitionClass.RECOVERY, Image.RIGHT), Map.of(Fact.RECOVERY, "custom"), Mode.DOWNLOAD),
                new Stimulus.Restart(Mode.RECOVERY));
        assertThat(sealed.asksForPassword()).isTrue();
        assertThat(seen(zip.on(PHONE, sealed))).last().asString().contains("password");
        BenchState empty = after(sealed, new Stimulus.FormatData());
        assertThat(zip.on(PHONE, empty).done()).isTrue();
        Turn first = new Stimulus.Restart(Mode.OS).on(PHONE, empty);
        assertThat(seen(first)).containsExactly("it says that it prepares its apps", Mode.OS.screen());
        assertThat(first.state().seconds() - empty.seconds()).isEqualTo(300);
    }

    @Test
    void anAppThatMindsTheFuseClosesItselfFromTheNextStartOn() {
        BenchState blown = after(
                BenchState.of(PHONE),
                new Stimulus.Restart(Mode.DOWNLOAD),
                work(Map.of(PartitionClass.KERNEL, Image.RIGHT), Map.of(Fact.WARRANTY_FUSE, "blown"), Mode.DOWNLOAD));
        assertThat(seen(new Stimulus.Restart(Mode.OS).on(PHONE, blown)))
                .last()
                .asString()
                .startsWith("the health app says");
        assertThat(blown.facts()).containsEntry(Fact.TROUBLE, "app-refuses-custom-state");
        BenchState mended = blown.with(blown.inside().knowing(Map.of(Fact.TROUBLE, "none")));
        assertThat(seen(new Stimulus.Restart(Mode.OS).on(PHONE, mended))).containsExactly(Mode.OS.screen());
    }

    /**
     * Newton's law of cooling (any textbook of physics): what is between a body and what it tends to shrinks by 1 − 1/e in one time
     * constant; so cooling for two stretches is cooling for their sum.
     */
    @Test
    void theBatteryWarmsWithWorkAndCoolsAsNewtonHasIt() {
        double whole = Heat.after(45, 1200, Heat.RESTING);
        assertThat(whole).isCloseTo(25 + 20 / Math.E, within(1e-9));
        assertThat(Heat.after(Heat.after(45, 500, Heat.RESTING), 700, Heat.RESTING))
                .isCloseTo(whole, within(1e-9));
        BenchState worked = after(BenchState.of(PHONE), new Stimulus.Restart(Mode.DOWNLOAD), new Pass(30));
        assertThat(worked.celsius()).isGreaterThan(Heat.ROOM);
        assertThat(worked.battery()).isLessThan(70);
    }

    /**
     * Constant current to four fifths, then constant voltage: the textbook curve, here integrated in small steps as an independent check
     * (linear below the knee, dq/dt proportional to what is missing above it; from memory, the shape of common textbooks on lithium cells).
     */
    @Test
    void chargingFollowsTheTextbookCurve() {
        Nature nature = Nature.usual();
        double charge = 20;
        double seconds = 0;
        double rate = nature.chargePercent() / 3600;
        while (charge < 95) {
            charge += charge < 80 ? rate : rate * (100 - charge) / 20;
            seconds++;
        }
        assertThat(nature.chargeSeconds(20, 95)).isCloseTo(seconds, within(60.0));
        assertThat(nature.chargeSeconds(90, 50)).isZero();
    }

    @Test
    void aDescriptionThatCannotBeIsRefusedWithItsReason() throws Exception {
        refused(
                "id: x\ntruth: {model: KQ-T5}\nways: [{keys: hold power, from: [asleep], to: os}]\n",
                "“asleep” is no mode");
        refused("id: x\ntruth: {model: KQ-T5, colour: red}\n", "“colour” is no fact");
        refused("id: x\ntruth: {lock: locked}\n", "a truth with its model");
        refused("id: x\ntruth: {model: KQ-T5, lock: ajar}\n", "lock");
        refused("id: x\ntruth: {model: KQ-T5}\nnature: {bootSeconds: 0}\n", "above nought");
        refused("- just\n- a list\n", "It needs id, name and truth");
    }

    private void refused(String text, String why) throws Exception {
        Path file = Files.writeString(folder.resolve("phone.yaml"), text);
        assertThatThrownBy(() -> BenchFolder.readFile(file))
                .isInstanceOf(UnreadableInput.class)
                .hasMessageContaining(why);
    }
}
