package org.mobrak.link;

/** What became of a request. */
public sealed interface Reply<T> {

    /** It was done. */
    record Done<T>(T value) implements Reply<T> {}

    /** It was not; why, and what to do about it. */
    record Failed<T>(Kind kind, String why, String remedy) implements Reply<T> {}

    /** What went wrong; programs tell failures apart by this. */
    enum Kind {
        /** It is not on the cable, or was pulled off. */
        NOT_SEEN,
        /** It is off, or runs something else than what is needed. */
        WRONG_MODE,
        /** It wants root. */
        NO_RIGHT,
        NO_SUCH_FILE
    }
}
