package org.tubrin.core.twin;

/** A sweep of drives with weights, at the plate voltage that their mean current leaves. */
final class EnvelopeSweep {
    private static final int VOLTAGE_ROUNDS = 4;
    private static final double VOLTAGE_DONE_V = 0.2;

    private final Probe probe;
    private final Setting setting;
    private final double[] drivesW;
    private final double[] weights;
    final double[] outputW;
    final double[] angleRad;
    final double[] plateA;
    final double[] gridA;
    final double[] heatW;
    double heldV;

    /** Drives rise; weights add up to 1. */
    EnvelopeSweep(Probe probe, Setting setting, double[] drivesW, double[] weights) {
        this.probe = probe;
        this.setting = setting;
        this.drivesW = drivesW;
        this.weights = weights;
        outputW = new double[drivesW.length];
        angleRad = new double[drivesW.length];
        plateA = new double[drivesW.length];
        gridA = new double[drivesW.length];
        heatW = new double[drivesW.length];
    }

    boolean settle() {
        heldV = probe.supplyV(0.3 * probe.tubes().plateCurrentLimitA());
        boolean settled = true;
        double move = Double.POSITIVE_INFINITY;
        for (int round = 0; settled && round < VOLTAGE_ROUNDS && move > VOLTAGE_DONE_V; round++) {
            probe.holdPlateVoltage(heldV);
            settled = sweepOnce();
            double next = probe.supplyV(mean(plateA));
            move = Math.abs(next - heldV);
            heldV = next;
        }
        probe.holdPlateVoltage(0);
        return settled;
    }

    private boolean sweepOnce() {
        for (int k = 0; k < drivesW.length; k++) {
            if (!probe.settle(drivesW[k], setting.plate(), setting.load())) {
                return false;
            }
            outputW[k] = probe.outputW();
            angleRad[k] = probe.outputAngleRad();
            plateA[k] = probe.plateCurrentA();
            gridA[k] = probe.gridCurrentA();
            heatW[k] = probe.plateHeatPerTubeW();
        }
        return true;
    }

    double mean(double[] values) {
        double sum = 0;
        for (int k = 0; k < values.length; k++) {
            sum += weights[k] * values[k];
        }
        return sum;
    }
}
