package org.mobrak.app;

/** How taking something in went: it is done, and that may be to be told; or the user must decide first. */
sealed interface Outcome {
    /** Done, and there is nothing to say. */
    Outcome NOTHING = new Nothing();

    record Nothing() implements Outcome {}

    record Told(Notice notice) implements Outcome {}

    record Asked(Question question) implements Outcome {}

    /** It is done, and this is worth saying. */
    static Outcome told(String text) {
        return new Told(new Notice(false, text));
    }
}
