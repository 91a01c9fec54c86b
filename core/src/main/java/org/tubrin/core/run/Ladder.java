package org.tubrin.core.run;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.TreeSet;

/** The steps of drive that a climb goes up. */
public final class Ladder {
    /** Rungs closer than this ratio are one. */
    private static final double SAME = 1.05;

    private static final double NEARLY_A_MARK = 1e-6;

    private static final double PROOF_SHARE = 1.0 / 16;

    private Ladder() {}

    /**
     * Returns the drives of a climb by a school in rising order, in watts: spaced as chosen or as is the school's custom, from
     * the top down to the first fraction, none below what exciter and pad can set, rounded to what a scale shows.
     */
    public static List<Double> drivesW(TuneSetup setup, School school) {
        Rungs rungs = setup.customs().rungs().orElse(school.rungs());
        double topW = Math.max(setup.leastDriveW(), setup.topDriveW());
        return switch (rungs) {
            case DOUBLING -> spaced(setup, topW, setup.settings().driveRatio());
            case TRIPLING -> spaced(setup, topW, 3);
            case QUARTERS -> listed(setup, topW, List.of(topW / 4, topW / 2));
            // Never without a low step, though it be as low as the exciter can go.
            case PROOF -> listed(setup, topW, List.of(Math.max(setup.leastDriveW(), topW * PROOF_SHARE)));
            case OWN -> listed(setup, topW, setup.customs().ownDrivesW());
        };
    }

    /** Returns whether exciter and pad cannot go as low as a climb should begin. */
    public static boolean beginsHigh(TuneSetup setup) {
        return setup.leastDriveW() > SAME * setup.topDriveW() * setup.settings().firstDriveFraction();
    }

    private static List<Double> spaced(TuneSetup setup, double topW, double ratio) {
        double firstW = Math.max(setup.leastDriveW(), topW * setup.settings().firstDriveFraction());
        List<Double> drives = new ArrayList<>();
        for (double driveW = topW; driveW >= firstW / SAME; driveW /= ratio) {
            drives.add(settable(driveW));
        }
        // A table begins as low as can be; a climb on a rung.
        if (!setup.stage().isTuned() && drives.get(drives.size() - 1) > SAME * firstW) {
            drives.add(settable(firstW));
        }
        Collections.reverse(drives);
        return List.copyOf(drives);
    }

    /** Returns a list of drives in order, ended by the top, without what cannot be set or lies as good as on another. */
    private static List<Double> listed(TuneSetup setup, double topW, List<Double> wantedW) {
        List<Double> drives = new ArrayList<>();
        for (double driveW : new TreeSet<>(wantedW)) {
            double last = drives.isEmpty() ? 0 : drives.get(drives.size() - 1);
            if (driveW >= setup.leastDriveW() && driveW * SAME < topW && driveW > last * SAME) {
                drives.add(settable(driveW));
            }
        }
        drives.add(settable(topW));
        return List.copyOf(drives);
    }

    /** Returns the first rung clearly above a drive, or the top rung where there is none. */
    public static double nextAboveW(TuneSetup setup, School school, double driveW) {
        List<Double> drives = drivesW(setup, school);
        return drives.stream()
                .filter(rung -> rung > driveW * SAME)
                .findFirst()
                .orElseGet(() -> drives.get(drives.size() - 1));
    }

    /** Returns the drive so many steps lower, each by the ratio of a step, as low as can be set. */
    public static double belowW(TuneSetup setup, double driveW, int steps) {
        double lowerW = driveW / Math.pow(setup.settings().driveRatio(), steps);
        return settable(Math.max(setup.leastDriveW(), lowerW));
    }

    /** Returns a drive rounded to what can be set: 0.1 W below 10 W, 0.5 W below 50 W, else whole watts; finer below 1 W. */
    public static double settable(double driveW) {
        return marks(Math.rint(driveW / grainW(driveW)), driveW);
    }

    /** Returns the same, rounded down: where more would be too much. */
    public static double settableBelow(double driveW) {
        return marks(Math.floor(driveW / grainW(driveW) + NEARLY_A_MARK), driveW);
    }

    private static double marks(double count, double driveW) {
        return Math.rint(count * grainW(driveW) * 1000) / 1000;
    }

    private static double grainW(double driveW) {
        return driveW < 1 ? 0.01 : driveW < 10 ? 0.1 : driveW < 50 ? 0.5 : 1;
    }
}
