package org.tubrin.core.practice;

/** A pointer's movement: it follows in first order; electronics behind it hold the greatest of the last two seconds. */
public final class Movement {
    private static final double HOLD_S = 2;

    private final double timeS;
    private double at;
    private double peak;
    private double peakAgeS;

    /** One at rest, with a time constant in seconds. */
    public Movement(double timeS) {
        this.timeS = timeS;
    }

    /** Lets it follow a true value for so many seconds. */
    public void follow(double value, double seconds) {
        at += (value - at) * (1 - Math.exp(-seconds / timeS));
        peakAgeS += seconds;
        if (Math.abs(value) >= Math.abs(peak) || peakAgeS > HOLD_S) {
            peak = value;
            peakAgeS = 0;
        }
    }

    /** Returns where the pointer stands. */
    public double at() {
        return at;
    }

    /** Returns the greatest that is held, either way. */
    public double peak() {
        return peak;
    }
}
