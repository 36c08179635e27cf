package org.mobrak.core.catalogue;

import com.fasterxml.jackson.annotation.JsonProperty;

/** What the program that writes lets one choose, called by what it does and not as any program labels it. */
public enum ToolSetting {
    @JsonProperty("wipe")
    WIPE("wipe", "wipe the data"),
    @JsonProperty("keepRoot")
    KEEP_ROOT("keepRoot", "keep root"),
    @JsonProperty("restart")
    RESTART("restart", "restart when it is done"),
    @JsonProperty("partitionTable")
    PARTITION_TABLE("partitionTable", "write the partition table anew");

    private final String key;
    private final String label;

    ToolSetting(String key, String label) {
        this.key = key;
        this.label = label;
    }

    /** For programs and catalogue files. */
    public String key() {
        return key;
    }

    /** For a person: {@code restart when it is done}. */
    public String label() {
        return label;
    }
}
