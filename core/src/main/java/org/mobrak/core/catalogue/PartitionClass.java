package org.mobrak.core.catalogue;

import com.fasterxml.jackson.annotation.JsonProperty;

/**
 * What a route or file writes to, and what that asks: how hard it is to come back from a bad write there (1 for a reinstall,
 * 10 for a phone that only a workshop can save), and how full the battery must be first, in percent. The scale is our own, the
 * percentages are common practice; neither has a published source.
 */
public enum PartitionClass {
    @JsonProperty("app")
    APP("app", 1, 20),
    @JsonProperty("data")
    DATA("data", 2, 20),
    @JsonProperty("system")
    SYSTEM("system", 3, 20),
    @JsonProperty("kernel")
    KERNEL("kernel", 4, 50),
    @JsonProperty("recovery")
    RECOVERY("recovery", 4, 50),
    @JsonProperty("radio")
    RADIO("radio", 7, 50),
    @JsonProperty("bootloader")
    BOOTLOADER("bootloader", 9, 90),
    @JsonProperty("partition-table")
    PARTITION_TABLE("partition table", 10, 90),
    @JsonProperty("unknown")
    UNKNOWN("unknown", 10, 90);

    private final String label;
    private final int severity;
    private final int battery;

    PartitionClass(String label, int severity, int battery) {
        this.label = label;
        this.severity = severity;
        this.battery = battery;
    }

    /** For a person. */
    public String label() {
        return label;
    }

    /** As the object of a sentence. */
    public String named() {
        return switch (this) {
            case APP -> "an app";
            case DATA -> "data";
            case UNKNOWN -> "a partition of unknown name";
            default -> "the " + label;
        };
    }

    /** For programs and catalogue files. */
    public String word() {
        return label.replace(' ', '-');
    }

    /** From 1 to 10. */
    public int severity() {
        return severity;
    }

    /** How full the battery must be before something is written here, in percent. */
    public int battery() {
        return battery;
    }

    /** Whether a bad write here can leave a phone that no key combination starts again. */
    public boolean canBrickForGood() {
        return severity >= RADIO.severity;
    }
}
