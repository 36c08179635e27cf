package org.mobrak.app.rehearsal;

/** What a choice was worth, by where it left the phone; the better first. */
public enum Worth {
    GOES_ON("The work goes on."),
    LOSES_DATA("The work goes on, and what was on the phone is gone."),
    NOT_DONE("The phone starts, and the work is not done."),
    STUCK("The phone does not start like this."),
    LOST("This phone is lost.");

    private final String words;

    Worth(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
