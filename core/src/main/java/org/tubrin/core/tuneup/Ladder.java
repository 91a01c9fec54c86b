package org.tubrin.core.tuneup;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;

/** The rungs of a climb in drive. */
public final class Ladder {
    /** Rungs closer than this ratio are one. */
    private static final double SAME = 1.05;

    private Ladder() {}

    /**
     * Returns the drives of a climb in rising order, in watts: from the top down by the ratio to the first fraction, none
     * below what the exciter can set, rounded to what an exciter's scale shows.
     */
    public static List<Double> drivesW(TuneSetup setup) {
        double topW = setup.topDriveW();
        double firstW = Math.max(setup.leastDriveW(), topW * setup.settings().firstDriveFraction());
        List<Double> drives = new ArrayList<>();
        for (double driveW = topW;
                driveW >= firstW / SAME;
                driveW /= setup.settings().driveRatio()) {
            drives.add(settable(driveW));
        }
        Collections.reverse(drives);
        return List.copyOf(drives);
    }

    /** Returns the first rung clearly above a drive, or the top rung where there is none. */
    public static double nextAboveW(TuneSetup setup, double driveW) {
        List<Double> drives = drivesW(setup);
        return drives.stream()
                .filter(rung -> rung > driveW * SAME)
                .findFirst()
                .orElseGet(() -> drives.get(drives.size() - 1));
    }

    /** Returns the rung so many steps below a drive, or the lowest. */
    public static double belowW(TuneSetup setup, double driveW, int steps) {
        List<Double> lower =
                drivesW(setup).stream().filter(rung -> rung < driveW / SAME).toList();
        if (lower.isEmpty()) {
            return drivesW(setup).get(0);
        }
        return lower.get(Math.max(0, lower.size() - steps));
    }

    /** Returns a drive rounded to what can be set: 0.1 W below 10 W, 0.5 W below 50 W, else whole watts; finer below 1 W. */
    static double settable(double driveW) {
        double grain = driveW < 1 ? 0.01 : driveW < 10 ? 0.1 : driveW < 50 ? 0.5 : 1;
        return Math.rint(Math.rint(driveW / grain) * grain * 1000) / 1000;
    }
}
