package org.mobrak.desktop.bench;

/** How fast the bench's time goes by. */
enum Pace {
    STILL("Stand still", 0),
    REAL("Real pace", 1),
    TEN_TIMES("Ten times", 10);

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
