package org.tubrin.core.station;

import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;

/**
 * In which steps an exciter's power is set.
 *
 * @param scale what its setting counts
 * @param size of one step: 0.001 to 50 W, or 0.1 to 25 % of its highest power
 */
public record PowerStep(Scale scale, double size) {
    private static final double PERCENT = 100;
    /** A power that is a step but for rounding is that step. */
    private static final double NEARLY = 1e-6;

    /** What a setting counts. */
    public enum Scale {
        WATT,
        PERCENT
    }

    public PowerStep {
        boolean watt = scale == Scale.WATT;
        new Checks()
                .range("size", size, watt ? 1e-3 : 0.1, watt ? 50 : 25, watt ? Unit.WATT : Unit.ONE)
                .done();
    }

    /** Returns one step of an exciter of a highest power, both in watts. */
    double stepW(double powerMaxW) {
        return scale == Scale.WATT ? size : size / PERCENT * powerMaxW;
    }

    /** Returns the nearest power that can be set, in watts, for an exciter of a highest power. */
    double nearestW(double powerW, double powerMaxW) {
        return steps(Math.rint(powerW / stepW(powerMaxW)), powerMaxW);
    }

    /** Returns the next power down that can be set, in watts. */
    double belowW(double powerW, double powerMaxW) {
        return steps(Math.floor(powerW / stepW(powerMaxW) + NEARLY), powerMaxW);
    }

    private double steps(double count, double powerMaxW) {
        // Without the crumbs of binary fractions: a setting is typed and shown.
        return Math.rint(count * stepW(powerMaxW) * 1e6) / 1e6;
    }

    /** Returns a drive rounded to what can be set where an exciter names no step of its own: 0.1 W below 10 W, 0.5 W below 50 W, else whole watts; finer below 1 W. */
    public static double customaryW(double driveW) {
        return marks(Math.rint(driveW / grainW(driveW)), driveW);
    }

    /** Returns the same, rounded down: where more would be too much. */
    public static double customaryBelowW(double driveW) {
        return marks(Math.floor(driveW / grainW(driveW) + NEARLY), driveW);
    }

    private static double marks(double count, double driveW) {
        return Math.rint(count * grainW(driveW) * 1000) / 1000;
    }

    private static double grainW(double driveW) {
        return driveW < 1 ? 0.01 : driveW < 10 ? 0.1 : driveW < 50 ? 0.5 : 1;
    }
}
