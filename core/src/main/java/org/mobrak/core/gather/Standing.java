package org.mobrak.core.gather;

/** How it stands with something that is needed. */
public enum Standing {
    WRONG("wrong"),
    MISSING("missing"),
    UNCHECKED("unchecked"),
    HAVE("have");

    private final String word;

    Standing(String word) {
        this.word = word;
    }

    public String word() {
        return word;
    }
}
