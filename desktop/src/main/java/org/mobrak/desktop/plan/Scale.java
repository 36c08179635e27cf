package org.mobrak.desktop.plan;

/** Ends of axes at round numbers. */
final class Scale {
    private static final double[] ROUND = {1, 2, 4, 6, 8, 10};

    private Scale() {}

    /** The least round number that is no less than a value; its quarters are round enough to read. */
    static double top(double value) {
        double unit = Math.pow(10, Math.floor(Math.log10(Math.max(value, 1))));
        for (double round : ROUND) {
            if (round * unit >= value) {
                return round * unit;
            }
        }
        return 10 * unit;
    }
}
