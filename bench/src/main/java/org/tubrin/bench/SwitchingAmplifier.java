package org.tubrin.bench;

import java.util.Random;
import org.tubrin.core.station.Stage;
import org.tubrin.core.tank.Mismatch;

/**
 * A stage that switches: {@code P = Prated·(V/Vmost)²} into its load, modules in a row of transformers add their volts, efficiency falls with
 * reactance. What it really brings of its claim is its own.
 */
public final class SwitchingAmplifier {
    private static final double BEST = 0.94;
    private static final double WORST = 0.84;
    private static final double LESS_PER_REACTANCE = 0.12;
    /** Below this share of its drive it does not switch through. */
    private static final double LEAST_DRIVE = 0.5;

    private static final double SUPPLY_OHM = 0.03;
    private static final double IDLE_A = 0.05;
    private static final double TRIP_SHARE = 0.25;
    private static final double SINK_S = 240;
    private static final double AMBIENT_C = 20;

    private final Stage.Switching stage;
    private final double ratedW;
    private final double share;
    private double supplyV;
    private int modules;
    private double sinkC = AMBIENT_C;
    private boolean tripped;
    private double outputW;
    private double supplyA;

    public SwitchingAmplifier(Stage.Switching stage, double ratedW, long seed) {
        this.stage = stage;
        this.ratedW = ratedW;
        share = 0.9 + 0.12 * new Random(seed).nextDouble();
        supplyV = stage.leastSupplyDcV();
        modules = stage.moduleCount();
    }

    /** Lets it go on for so many seconds with a drive, 0 for none, into what hangs on it. */
    public void pass(double driveW, double ohm, double reactanceOhm, double s) {
        double back = Mismatch.reflectedShare(ohm, reactanceOhm);
        boolean switches = driveW >= LEAST_DRIVE * stage.driveW() && !tripped;
        double ofModules = (double) modules / stage.moduleCount();
        outputW = switches ? share * ratedW * Math.pow(supplyV / stage.mostSupplyDcV() * ofModules, 2) * (1 - back) : 0;
        double efficiency = Math.max(WORST, BEST - LESS_PER_REACTANCE * Math.abs(reactanceOhm) / ohm);
        supplyA = IDLE_A + outputW / efficiency / supplyV;
        tripped = tripped || (switches && back > TRIP_SHARE);
        double heatW = supplyA * supplyV - outputW;
        double restC = AMBIENT_C + stage.sinkKPerW().orElse(0.0) * heatW;
        sinkC += (restC - sinkC) * (1 - Math.exp(-s / SINK_S));
    }

    public double outputW() {
        return outputW;
    }

    public double supplyA() {
        return supplyA;
    }

    /** Returns the volts at its terminals. */
    public double terminalV() {
        return supplyV - SUPPLY_OHM * supplyA;
    }

    public double sinkC() {
        return sinkC;
    }

    public double supplyV() {
        return supplyV;
    }

    public void supplyV(double volts) {
        supplyV = volts;
    }

    public int modules() {
        return modules;
    }

    public void modules(int count) {
        modules = count;
    }

    public boolean tripped() {
        return tripped;
    }

    public void reset() {
        tripped = false;
    }
}
