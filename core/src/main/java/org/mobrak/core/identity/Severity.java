package org.mobrak.core.identity;

/** How much a finding weighs: stop before going on, take care, or merely know. */
public enum Severity {
    STOP("stop"),
    CAUTION("caution"),
    NOTE("note");

    private final String word;

    Severity(String word) {
        this.word = word;
    }

    public String word() {
        return word;
    }
}
