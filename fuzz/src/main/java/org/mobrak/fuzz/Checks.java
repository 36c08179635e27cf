package org.mobrak.fuzz;

/** What must hold of every input. */
public final class Checks {
    private Checks() {}

    /** An {@link AssertionError} with these words unless it holds; the fuzzer keeps the input that made it. */
    public static void hold(boolean holds, String otherwise) {
        if (!holds) {
            throw new AssertionError(otherwise);
        }
    }
}
