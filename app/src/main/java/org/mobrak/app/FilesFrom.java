package org.mobrak.app;

/** Where the files of a job lie. */
public enum FilesFrom {
    /** On the shelf, where their bytes are read. */
    SHELF,
    /** With the bench phone, which makes its own and judges them itself. */
    BENCH
}
