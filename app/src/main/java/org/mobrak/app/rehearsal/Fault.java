package org.mobrak.app.rehearsal;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

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
     * A fault at a step.
     *
     * @param step the step's id; empty for the first at which it can matter
     */
    public record At(Fault fault, Optional<String> step) {}
}
