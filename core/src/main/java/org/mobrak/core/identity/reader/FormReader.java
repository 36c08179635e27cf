package org.mobrak.core.identity.reader;

/** Reads one form in which readings come. */
interface FormReader {

    /** Takes every open line of its form and says what it read there; other lines stay open for other readers. */
    void read(Page page);
}
