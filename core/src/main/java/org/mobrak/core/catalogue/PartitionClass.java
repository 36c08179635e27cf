package org.mobrak.core.catalogue;

import com.fasterxml.jackson.annotation.JsonProperty;

/**
 * What a route writes to, and how hard it is to come back from a bad write there: 1 for a reinstall, 10 for a phone
 * that only a workshop can save. The scale is our own, after common practice; it has no published source.
 */
public enum PartitionClass {
    @JsonProperty("app")
    APP("app", 1),
    @JsonProperty("data")
    DATA("data", 2),
    @JsonProperty("system")
    SYSTEM("system", 3),
    @JsonProperty("kernel")
    KERNEL("kernel", 4),
    @JsonProperty("recovery")
    RECOVERY("recovery", 4),
    @JsonProperty("radio")
    RADIO("radio", 7),
    @JsonProperty("bootloader")
    BOOTLOADER("bootloader", 9),
    @JsonProperty("partition-table")
    PARTITION_TABLE("partition table", 10),
    @JsonProperty("unknown")
    UNKNOWN("unknown", 10);

    private final String label;
    private final int severity;

    PartitionClass(String label, int severity) {
        this.label = label;
        this.severity = severity;
    }

    /** For a person. */
    public String label() {
        return label;
    }

    /** For programs and catalogue files. */
    public String word() {
        return label.replace(' ', '-');
    }

    /** From 1 to 10. */
    public int severity() {
        return severity;
    }

    /** Whether a bad write here can leave a phone that no key combination starts again. */
    public boolean canBrickForGood() {
        return severity >= RADIO.severity;
    }
}
