package org.mobrak.desktop.bench;

/** How fast the bench's time goes by. */
enum Pace {
    STILL("Time stands still", 0),
    REAL("As fast as it is", 1),
    TEN_TIMES("Ten times as fast", 10);

    private final String words;
    private final double factor;

    Pace(String words, double factor) {
        this.words = words;
        this.factor = factor;
    }

    String words() {
        return words;
    }

    double factor() {
        return factor;
    }
}
