package org.mobrak.core.job;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mobrak.core.Sample;
import org.mobrak.core.catalogue.Habit;
import org.mobrak.core.catalogue.KeyChord;
import org.mobrak.core.catalogue.Money;
import org.mobrak.core.catalogue.Otherwise;
import org.mobrak.core.catalogue.Phase;
import org.mobrak.core.catalogue.file.CatalogueLoader;
import org.mobrak.core.catalogue.file.Fault;

/** What can be done in several ways: chosen once, told so from then on, and never more than a way of telling. */
class HabitTest {
    private static final Instant NOW = Instant.parse("2026-11-24T09:00:00Z");
    private static final Optional<String> NONE = Optional.empty();
    private static final Step STEP = new Step.Act(
            new Step.Line("do-1", Phase.DO, "a route", "Into download mode", "Hold the keys."),
            new Step.Doing(
                    Optional.of("off"),
                    Optional.of("download"),
                    Optional.of(KeyChord.parse("hold volume-down + power until the warning; press volume-up")),
                    Optional.of("the download screen"),
                    Optional.empty(),
                    Optional.empty(),
                    List.of(),
                    Optional.of(Habit.KEYS),
                    List.of(
                            new Otherwise(
                                    Habit.PLUG,
                                    "Put the plug in.",
                                    NONE,
                                    Optional.of(KeyChord.parse("hold service-plug until the download screen")),
                                    NONE),
                            new Otherwise(
                                    Habit.COMMAND,
                                    "Type the command.",
                                    Optional.of("os"),
                                    Optional.empty(),
                                    Optional.of("it restarts")))),
            List.of(),
            true,
            Step.Change.none());

    @TempDir
    private Path folder;

    @Test
    void aChosenWayTellsAnotherTextAndTheSameStep() {
        Step plug = STEP.by(Set.of(Habit.PLUG, Habit.TOUCH));
        assertThat(plug.text()).isEqualTo("Put the plug in.");
        assertThat(plug.id()).isEqualTo("do-1");
        assertThat(plug.hasNoReturn()).as("what it does is the same").isTrue();
        assertThat(plug.how().orElseThrow().keys().orElseThrow().text()).contains("service-plug");
        assertThat(plug.how().orElseThrow().sign()).as("as in the step itself").contains("the download screen");
        Step typed = STEP.by(Set.of(Habit.COMMAND));
        assertThat(typed.how().orElseThrow().from()).contains("os");
        assertThat(typed.how().orElseThrow().keys()).isEmpty();
        assertThat(typed.how().orElseThrow().sign()).contains("it restarts");
        assertThat(STEP.by(Set.of(Habit.TOUCH))).as("nobody tells such a way").isEqualTo(STEP);
        assertThat(STEP.how().orElseThrow().ways(Optional.of(Habit.KEYS)))
                .containsExactly(Habit.KEYS, Habit.PLUG, Habit.COMMAND);
    }

    @Test
    void aChoiceHoldsForTheJobUntilAnotherOfItsKindIsMade() {
        RunSheet sheet = new RunSheet("A job", List.of(STEP), Set.of(), NONE, Optional.empty());
        Job job = new Job(1, 1, JobPlan.unknown(), sheet, NOW, List.of());
        assertThat(job.shown(STEP)).isEqualTo(STEP);
        Job plugged = job.with(List.of(new Event.Chosen(NOW, Habit.TOUCH), new Event.Chosen(NOW, Habit.PLUG)));
        assertThat(plugged.shown(STEP).text()).isEqualTo("Put the plug in.");
        assertThat(plugged.state().habits()).containsExactlyInAnyOrder(Habit.TOUCH, Habit.PLUG);
        Job typed = plugged.with(List.of(new Event.Chosen(NOW, Habit.COMMAND)));
        assertThat(typed.shown(STEP).text()).isEqualTo("Type the command.");
        assertThat(typed.state().habits()).containsExactlyInAnyOrder(Habit.TOUCH, Habit.COMMAND);
        Job noted = typed.with(
                List.of(new Event.Noted(NOW, "do-1", "warm"), new Event.Photo(NOW, "do-1", "/photos/1.jpg", "ab")));
        assertThat(noted.state().noted()).hasSize(2);
        assertThat(new JobCard("A phone", sheet, LocalDate.of(2026, 11, 24)).markdown())
                .contains("Or with a service plug: Put the plug in.")
                .contains("Or with a typed command: Type the command.");
    }

    @Test
    void waysOfTwoKindsOrTwiceTheSameAreAFaultOfTheCatalogue() throws Exception {
        Path catalogue = Sample.SHIPPED_FOLDERS.own().get(1).resolve("routes/lantern2-recovery-package.yaml");
        String sound = Files.readString(catalogue);
        assertThat(faults(sound)).noneMatch(fault -> fault.what().contains("The ways of"));
        assertThat(faults(sound.replace("{by: plug,", "{by: touch,")))
                .anyMatch(fault -> fault.what().contains("not of one kind"));
        assertThat(faults(sound.replace("{by: plug,", "{by: keys,")))
                .anyMatch(fault -> fault.what().contains("told twice"));
        assertThat(faults(sound.replace(", by: keys, or:", ", or:")))
                .anyMatch(fault -> fault.remedy().contains("Say with by"));
        assertThat(faults(sound.replace("{by: plug,", "{by: magic,"))).anyMatch(fault -> !fault.isWarning());
    }

    private List<Fault> faults(String route) throws Exception {
        Files.createDirectories(folder.resolve("routes"));
        Files.writeString(folder.resolve("routes/one.yaml"), route);
        return CatalogueLoader.load(folder).faults();
    }

    @Test
    void moneyIsAnAmountOfACurrencyAndNeverLessThanNothing() {
        assertThat(Money.of(24.999, "USD").text()).isEqualTo("25.00 USD");
        assertThat(Money.of(0, "USD").isNothing()).isTrue();
        assertThat(new Money(new BigDecimal("0.005"), "EUR").text()).isEqualTo("0.01 EUR");
        assertThatThrownBy(() -> Money.of(-1, "USD")).hasMessageContaining("less than nothing");
    }
}
