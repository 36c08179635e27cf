package org.mobrak.app.rehearsal;

import java.util.Arrays;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.mobrak.core.identity.Fact;
import org.mobrak.link.Mode;
import org.mobrak.link.bench.Cable;
import org.mobrak.link.bench.Stimulus;

/** What can go wrong on the bench. */
public enum Fault {
    CABLE_DROP,
    CHARGING_CABLE,
    DRIVER_MISSING,
    LOW_BATTERY,
    WRONG_VARIANT_FILE,
    DAMAGED_FILE,
    RESTARTS_BY_ITSELF,
    STOCK_RECOVERY_RETURNS,
    KEYS_WRONG,
    BLACK_SCREEN,
    LOOPS_AT_LOGO,
    NO_INTERNET,
    CARD_MISSING,
    SCRIPTED_TOOL_MENU_CHANGED;

    private static final double LOW_PERCENT = 15;

    /** As it is written on the command line: {@code cable-drop}. */
    public String word() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    public static Optional<Fault> ofWord(String word) {
        return Arrays.stream(values())
                .filter(fault -> fault.word().equals(word))
                .findFirst();
    }

    /** Whether it is in a file before anything is done with it. */
    boolean isInFile() {
        return this == WRONG_VARIANT_FILE || this == DAMAGED_FILE;
    }

    /**
     * What it does to phone and bench before a step; the others happen amid it.
     *
     * @param battery in percent
     */
    Optional<Stimulus> before(double battery) {
        return Optional.ofNullable(
                switch (this) {
                    case LOW_BATTERY -> new Stimulus.Sink(Math.min(LOW_PERCENT, battery));
                    case CHARGING_CABLE -> new Stimulus.Plug(Cable.CHARGING);
                    case DRIVER_MISSING -> new Stimulus.Driver(false);
                    case NO_INTERNET -> new Stimulus.Arrange(Map.of(Fact.INTERNET, "no"));
                    case CARD_MISSING -> new Stimulus.Arrange(Map.of(Fact.CARD, "no"));
                    case STOCK_RECOVERY_RETURNS -> new Stimulus.Upset(false, false, true);
                    default -> null;
                });
    }

    /** What it does once a step is done. */
    Optional<Stimulus> after() {
        return Optional.ofNullable(
                switch (this) {
                    case LOOPS_AT_LOGO -> new Stimulus.Upset(true, false, false);
                    case BLACK_SCREEN -> new Stimulus.Upset(false, true, false);
                    case RESTARTS_BY_ITSELF -> new Stimulus.Restart(Mode.OS);
                    default -> null;
                });
    }

    /**
     * A fault at a step.
     *
     * @param step the step's id; empty for the first at which it can matter
     */
    public record At(Fault fault, Optional<String> step) {}
}
