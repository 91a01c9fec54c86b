package org.tubrin.core.practice;

import org.tubrin.core.twin.Probe;
import org.tubrin.core.twin.Setting;
import org.tubrin.core.twin.TubeTwin;

/** A stage that is one of those that the twin can express: with figures of its own, by the same equations. */
public final class LikeItsTwin implements TrueStage {
    private final Probe probe;
    private final double openV;

    /** A stage at work on a band, frequency and load that it has; drive and dials of the setting do not count. */
    public LikeItsTwin(TubeTwin truth, Setting setting) {
        probe = truth.probe(setting).orElseThrow();
        openV = truth.constants().supplyOpenV();
    }

    @Override
    public boolean settle(double driveW, double plate, double load) {
        return probe.settle(driveW, plate, load);
    }

    @Override
    public void forget() {
        probe.forget();
    }

    @Override
    public boolean pass(double seconds, boolean keyed) {
        return false;
    }

    @Override
    public double driveShare() {
        return 1;
    }

    @Override
    public double resonantPlate(double load) {
        return probe.resonantPlate(load);
    }

    @Override
    public double outputW() {
        return probe.outputW();
    }

    @Override
    public double plateVoltageDcV() {
        return probe.plateVoltageDcV();
    }

    @Override
    public double plateCurrentA() {
        return probe.plateCurrentA();
    }

    @Override
    public double gridCurrentA() {
        return probe.gridCurrentA();
    }

    @Override
    public double screenCurrentA() {
        return probe.screenCurrentA();
    }

    @Override
    public double plateHeatPerTubeW() {
        return probe.plateHeatPerTubeW();
    }

    @Override
    public double supplyOpenV() {
        return openV;
    }
}
