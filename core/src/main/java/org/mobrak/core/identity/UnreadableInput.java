package org.mobrak.core.identity;

import java.io.IOException;

/** An input that gives nothing at all. The message is one line for the user: what, and what to do about it. */
public class UnreadableInput extends IOException {
    private static final long serialVersionUID = 1L;

    private final String words;

    public UnreadableInput(String message) {
        super(message);
        this.words = message;
    }

    @Override
    public String getMessage() {
        return words;
    }
}
