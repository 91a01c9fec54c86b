package org.tubrin.core.run;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import org.tubrin.core.metering.ReadingRole;

/** The steps of drive that a climb goes up. */
public final class Ladder {
    /** Rungs closer than this ratio are one. */
    private static final double SAME = 1.05;

    private static final double PROOF_SHARE = 1.0 / 16;

    /**
     * Shares of the operating drive where LOAD is tuned at each step and nothing shows what a grid draws: where LOAD stands from the
     * step before it is too light for this one, so the steps become smaller as the limit comes nearer. Source: our own, tried in the
     * campaign, {@code docs/decisions/8-the-suggested-school.md}.
     */
    private static final List<Double> BLIND_SHARES = List.of(PROOF_SHARE, 0.3, 0.55, 0.78);

    /**
     * Shares where the grid is seen, and the first step has shown where the dials belong, which nobody knew: more steps would show no
     * more. Source as above.
     */
    private static final List<Double> UNKNOWN_SHARES = List.of(PROOF_SHARE, 0.3, 0.7);

    private Ladder() {}

    /**
     * Returns the drives of a climb by a school in rising order, in watts: spaced as chosen or as is the school's custom, from
     * the top down to the first fraction, none below what exciter and pad can set, rounded to what a scale shows. Where nothing is
     * chosen, a school that tunes LOAD for output at each step takes other steps with a triode that no twin knows and of which either
     * the grid is not seen or nobody knows where the dials belong.
     */
    public static List<Double> drivesW(TuneSetup setup, School school) {
        double topW = Math.max(setup.leastDriveW(), setup.topDriveW());
        Optional<List<Double>> shares =
                setup.customs().rungs().isEmpty() ? unknownShares(setup, school) : Optional.empty();
        if (shares.isPresent()) {
            return listed(
                    setup,
                    topW,
                    shares.get().stream()
                            .map(share -> Math.max(setup.leastDriveW(), share * topW))
                            .toList());
        }
        Rungs rungs = setup.customs().rungs().orElse(school.rungs());
        return switch (rungs) {
            case DOUBLING -> spaced(setup, topW, setup.settings().driveRatio());
            case TRIPLING -> spaced(setup, topW, 3);
            case QUARTERS -> listed(setup, topW, List.of(topW / 4, topW / 2));
            // Never without a low step, though it be as low as the exciter can go.
            case PROOF -> listed(setup, topW, List.of(Math.max(setup.leastDriveW(), topW * PROOF_SHARE)));
            case OWN -> listed(setup, topW, setup.customs().ownDrivesW());
        };
    }

    private static Optional<List<Double>> unknownShares(TuneSetup setup, School school) {
        boolean tunesEach = setup.stage().isTuned() && school.tunesLoadEachStep() && school.aim() == School.Aim.OUTPUT;
        if (!tunesEach) {
            return Optional.empty();
        }
        boolean isUnknown = setup.preset().source() == Preset.Source.NONE
                && !RecordTwin.foresees(setup)
                && RecordTwin.tellingRole(setup.tubes()) == ReadingRole.GRID_CURRENT;
        return RecordTwin.isGridUnseen(setup)
                ? Optional.of(BLIND_SHARES)
                : Optional.of(UNKNOWN_SHARES).filter(shares -> isUnknown);
    }

    /** Returns whether exciter and pad cannot go as low as a climb should begin. */
    public static boolean beginsHigh(TuneSetup setup) {
        return setup.leastDriveW() > SAME * setup.topDriveW() * setup.settings().firstDriveFraction();
    }

    private static List<Double> spaced(TuneSetup setup, double topW, double ratio) {
        double firstW = Math.max(setup.leastDriveW(), topW * setup.settings().firstDriveFraction());
        List<Double> drives = new ArrayList<>();
        for (double driveW = topW; driveW >= firstW / SAME; driveW /= ratio) {
            drives.add(driveW);
        }
        // A table begins as low as can be; a climb on a rung.
        if (!setup.stage().isTuned() && drives.get(drives.size() - 1) > SAME * firstW) {
            drives.add(firstW);
        }
        Collections.reverse(drives);
        return set(setup, drives, topW);
    }

    /** Returns a list of drives in order, ended by the top, without what cannot be set or lies as good as on another. */
    private static List<Double> listed(TuneSetup setup, double topW, List<Double> wantedW) {
        List<Double> drives = new ArrayList<>();
        for (double driveW : new TreeSet<>(wantedW)) {
            double last = drives.isEmpty() ? 0 : drives.get(drives.size() - 1);
            if (driveW >= setup.leastDriveW() && driveW * SAME < topW && driveW > last * SAME) {
                drives.add(driveW);
            }
        }
        drives.add(topW);
        return set(setup, drives, topW);
    }

    /** Returns drives as they can be set, the top never above what is let pass; those that come to one are one. */
    private static List<Double> set(TuneSetup setup, List<Double> wantedW, double topW) {
        double mostW = setup.settableWithinW(topW);
        List<Double> drives = new ArrayList<>();
        for (double driveW : wantedW) {
            double settable = Math.min(mostW, setup.settableW(driveW));
            if (drives.isEmpty() || settable > SAME * drives.get(drives.size() - 1)) {
                drives.add(settable);
            }
        }
        if (drives.get(drives.size() - 1) < mostW) {
            drives.set(drives.size() - 1, mostW);
        }
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
        return setup.settableWithinW(Math.max(setup.leastDriveW(), lowerW));
    }
}
