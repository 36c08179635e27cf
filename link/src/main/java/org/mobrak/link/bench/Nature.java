package org.mobrak.link.bench;

import java.util.Map;
import java.util.Optional;
import org.mobrak.core.identity.Fact;

/**
 * How quick a phone is, and what it does by itself. What is not said of a phone is as in {@link #usual}: our own choice, after
 * common practice where it has figures.
 *
 * @param bootSeconds from the logo to the start screen
 * @param firstBootSeconds the same after a wipe or a new OS
 * @param holdSeconds how long keys are held before anything happens
 * @param writeMegabytes written in a second
 * @param drainPercent what an hour of work takes from the battery
 * @param chargePercent what an hour on the charger gives at constant current; above {@value #KNEE_PERCENT} % less and less
 * @param selfRepair whether the stock OS puts its own recovery back when it starts
 * @param seals whether it asks for a password that nobody set once its lock was opened (common practice tells of it)
 * @param apps those on it that look for changes, each with what it refuses to run under
 */
public record Nature(
        double bootSeconds,
        double firstBootSeconds,
        double holdSeconds,
        double writeMegabytes,
        double drainPercent,
        double chargePercent,
        boolean selfRepair,
        boolean seals,
        Map<String, Map<Fact, String>> apps) {
    /** From here on a lithium cell is charged at constant voltage, by common textbooks at about four fifths. */
    static final int KNEE_PERCENT = 80;

    public Nature {
        apps = Map.copyOf(apps);
        boolean sound = bootSeconds > 0
                && firstBootSeconds >= bootSeconds
                && holdSeconds > 0
                && writeMegabytes > 0
                && drainPercent >= 0
                && chargePercent > 0;
        if (!sound) {
            throw new IllegalArgumentException(
                    "A phone's times, speeds and charge are above nought, and a first start takes no less than a usual one.");
        }
    }

    /** A phone like most. */
    public static Nature usual() {
        return new Nature(40, 300, 2, 8, 12, 40, false, false, Map.of());
    }

    /** The same with the self-repair on or off. */
    Nature repairing(boolean repairs) {
        return new Nature(
                bootSeconds,
                firstBootSeconds,
                holdSeconds,
                writeMegabytes,
                drainPercent,
                chargePercent,
                repairs,
                seals,
                apps);
    }

    /** The app that runs no more under some facts. */
    Optional<String> refusing(Map<Fact, String> facts) {
        return apps.entrySet().stream()
                .filter(app -> app.getValue().entrySet().stream()
                        .anyMatch(one -> one.getValue().equals(facts.get(one.getKey()))))
                .map(Map.Entry::getKey)
                .sorted()
                .findFirst();
    }

    /** The same, so many times as slow. */
    public Nature slower(double factor) {
        return new Nature(
                bootSeconds * factor,
                firstBootSeconds * factor,
                holdSeconds,
                writeMegabytes / factor,
                drainPercent,
                chargePercent,
                selfRepair,
                seals,
                apps);
    }

    /**
     * Seconds on the charger: constant current up to {@value #KNEE_PERCENT} %, then constant voltage, under which what is still
     * missing shrinks exponentially (the usual model of lithium cells in textbooks; the rates are our own choice).
     */
    double chargeSeconds(double from, double to) {
        double rate = chargePercent / 3600;
        double straight = Math.max(0, Math.min(to, KNEE_PERCENT) - from) / rate;
        double start = Math.max(from, KNEE_PERCENT);
        double end = Math.min(to, 99.5);
        // At the knee both run at the same rate, so the time constant is what is missing there over that rate.
        double constant = (100 - KNEE_PERCENT) / rate;
        return straight + (end > start ? constant * Math.log((100 - start) / (100 - end)) : 0);
    }
}
