package org.mobrak.core.catalogue;

import com.fasterxml.jackson.annotation.JsonProperty;

/** The parts of a run sheet, in order. */
public enum Phase {
    @JsonProperty("gather")
    GATHER("Gather"),
    @JsonProperty("prepare")
    PREPARE("Prepare"),
    @JsonProperty("do")
    DO("Do"),
    @JsonProperty("prove")
    PROVE("Prove"),
    @JsonProperty("tidy")
    TIDY("Tidy");

    private final String label;

    Phase(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }
}
