package org.mobrak.link.bench;

/**
 * How warm a battery becomes: Newton's law of cooling, as in any textbook of physics, towards the room's temperature and what the
 * phone does beside it. The figures are our own choice.
 */
final class Heat {
    /** A room, in degrees Celsius. */
    static final double ROOM = 22;
    /** So much warmer than the room it becomes when it lies there. */
    static final double RESTING = 3;

    static final double WORKING = 13;
    /** A lithium cell takes up heat from its charge. */
    static final double CHARGING = 9;

    private static final double TIME_CONSTANT_SECONDS = 1200;

    private Heat() {}

    /**
     * The temperature after some time.
     *
     * @param above what it tends to, above the room's
     */
    static double after(double celsius, double seconds, double above) {
        double end = ROOM + above;
        return end + (celsius - end) * Math.exp(-seconds / TIME_CONSTANT_SECONDS);
    }
}
