package org.mobrak.core.identity;

/**
 * Something that was asked for and is not done, though nothing is broken. The message is for the user: why not, and what to do
 * instead. Whatever else is thrown is a defect or a fault of the disk.
 */
public final class Refusal extends Exception {
    private static final long serialVersionUID = 1L;

    private final String words;

    public Refusal(String message) {
        super(message);
        this.words = message;
    }

    @Override
    public String getMessage() {
        return words;
    }
}
