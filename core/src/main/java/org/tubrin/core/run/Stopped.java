package org.tubrin.core.run;

import org.tubrin.core.metering.ReadingRole;

/**
 * Where a meter came to its stop.
 *
 * @param driveW the drive it came to it at, in watts
 * @param role the meter
 * @param load the position of LOAD, on its scale
 */
public record Stopped(double driveW, ReadingRole role, double load) {
    private static final double HALF = 0.5;

    /** Returns whether heavier coupling takes down what was stopped at. */
    public boolean heavierHelps() {
        return Stop.heavierHelps(role);
    }

    /** Returns whether LOAD stands heavier now than it did, by about so many marks. */
    public boolean isHeavierBy(double marks, TuneSetup setup, double loadNow) {
        return setup.tubes().marksHeavier(load, loadNow) > HALF * marks;
    }
}
