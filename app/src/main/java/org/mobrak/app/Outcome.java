package org.mobrak.app;

/** How taking something in went: it is done, and that is to be told; or the user must decide first. */
sealed interface Outcome {
    record Told(Notice notice) implements Outcome {}

    record Asked(Question question) implements Outcome {}
}
