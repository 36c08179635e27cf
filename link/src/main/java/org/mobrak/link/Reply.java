package org.mobrak.link;

/** What became of a request. */
public sealed interface Reply<T> {

    /** It was done. */
    record Done<T>(T value) implements Reply<T> {}

    /** It was not; why, and what to do about it. */
    record Failed<T>(Kind kind, String why, String remedy) implements Reply<T> {
        /** The same failure of another request. */
        public <U> Failed<U> of() {
            return new Failed<>(kind, why, remedy);
        }
    }

    /** What went wrong; programs tell failures apart by this. */
    enum Kind {
        /** It is not on the cable, or was pulled off. */
        NOT_SEEN,
        /** It is off, or runs something else than what is needed. */
        WRONG_MODE,
        /** Its OS runs and lets no computer in: USB debugging is off. */
        NOT_LET_IN,
        /** It wants root. */
        NO_RIGHT,
        NO_SUCH_FILE,
        /** It is busy with something that was asked before. */
        BUSY,
        /** It was pulled off, or went dark, in the middle of the work. */
        BROKEN_OFF,
        /** It takes nothing of the kind: its lock, its settings or the file are against it. */
        REFUSED
    }
}
