package org.tubrin.core.run;

/** Where schools that load to a current have it stand. */
public final class LoadTarget {
    private LoadTarget() {}

    /** Returns the dip's target: what is above rest grows like a current, with the square root of the drive. */
    public static double dipA(TuneSetup setup, double driveW) {
        double fullA = setup.tubes().plateCurrentLimitA() * setup.customs().plateTargetShare();
        double restA = setup.tubes().restingPlateCurrentA();
        double share = Math.sqrt(Math.min(1, driveW / setup.topDriveW()));
        return restA + (fullA - restA) * share;
    }

    /** Returns the middle of the grid current's window at full drive. */
    public static double gridA(TuneSetup setup) {
        Customs customs = setup.customs();
        return setup.tubes().gridCurrentLimitA() * (customs.gridLeastShare() + customs.gridMostShare()) / 2;
    }
}
