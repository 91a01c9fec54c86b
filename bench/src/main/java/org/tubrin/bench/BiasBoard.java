package org.tubrin.bench;

import java.util.Arrays;
import java.util.Random;
import org.tubrin.core.bias.BiasLaw;

/**
 * The transistors of a push-pull stage as they really are, keyed without drive: a pot for each gate, a current that rises as the
 * die warms, a sink that all stand on, a supply that gives no more than it is limited to, and a resistor in their common feed.
 */
public final class BiasBoard {
    private static final double SLICE_S = 0.1;
    private static final double LOST_C = 200;
    private static final double THRESHOLD_SPREAD_V = 0.3;
    private static final double SLOPE_SPREAD = 0.05;
    private static final double MOUNT_SPREAD = 0.15;
    /** A device that does not lie flat on its sink. */
    public static final double BADLY_MOUNTED_K_PER_W = 6;

    /**
     * A stage on paper.
     *
     * @param deviceCount transistors
     * @param law what they follow
     * @param sinkKPerW their sink over the room
     * @param sinkS how long it takes
     * @param ambientC of the room
     * @param standingA what flows with all pots at their minimum
     * @param senseOhm the resistor as it is
     * @param gateSupplyV what a pot divides
     * @param potTurns from end to end
     * @param supplyLimitA what the supply gives at most
     */
    public record Model(
            int deviceCount,
            BiasLaw law,
            double sinkKPerW,
            double sinkS,
            double ambientC,
            double standingA,
            double senseOhm,
            double gateSupplyV,
            double potTurns,
            double supplyLimitA) {}

    private static final class Fet {
        private final double slope;
        private final double thresholdV;
        private double heatKPerW;
        private double turns;
        private double riseK;
        private double currentA;
        private boolean lost;

        private Fet(double slope, double thresholdV, double heatKPerW) {
            this.slope = slope;
            this.thresholdV = thresholdV;
            this.heatKPerW = heatKPerW;
        }

        private BiasLaw law(double supplyV) {
            return new BiasLaw(slope, thresholdV, supplyV, heatKPerW);
        }
    }

    private final Model model;
    private final Fet[] fets;
    private double sinkRiseK;
    private double potTurns;

    /** A board whose truth belongs to a seed. */
    public BiasBoard(Model model, long seed) {
        this.model = model;
        potTurns = model.potTurns();
        Random random = new Random(seed);
        fets = new Fet[model.deviceCount()];
        for (int i = 0; i < fets.length; i++) {
            fets[i] = new Fet(
                    model.law().amperesPerV2() * (1 + SLOPE_SPREAD * (2 * random.nextDouble() - 1)),
                    model.law().thresholdV() + THRESHOLD_SPREAD_V * (2 * random.nextDouble() - 1),
                    model.law().heatKPerW() * (1 + MOUNT_SPREAD * (2 * random.nextDouble() - 1)));
        }
    }

    /** Mounts a device, from 1, badly or as the others. */
    public void mount(int device, double heatKPerW) {
        fets[device - 1].heatKPerW = heatKPerW;
    }

    /** Fits pots of other turns; all go to their minimum, and everything cools. */
    public void fit(double turns) {
        potTurns = turns;
        cool();
    }

    /** Brings all pots to their minimum and all heat to the room's. */
    public void cool() {
        sinkRiseK = 0;
        for (Fet fet : fets) {
            fet.turns = 0;
            fet.riseK = 0;
            fet.currentA = 0;
        }
    }

    /** Turns the pot of a device, from 1, to so many turns from its minimum; it stops at its ends. */
    public void turn(int device, double turns) {
        fets[device - 1].turns = Math.max(0, Math.min(potTurns, turns));
    }

    /** Returns where the pot of a device stands, in turns from its minimum. */
    public double turns(int device) {
        return fets[device - 1].turns;
    }

    /** Returns the turns of a pot from end to end. */
    public double potTurns() {
        return potTurns;
    }

    /** Lets time pass. */
    public void pass(boolean keyed, double seconds) {
        for (double left = seconds; left > 1e-9; left -= SLICE_S) {
            slice(keyed, Math.min(SLICE_S, left));
        }
    }

    private void slice(boolean keyed, double seconds) {
        double wantedA = 0;
        for (Fet fet : fets) {
            fet.currentA = !keyed
                    ? 0
                    : fet.lost
                            ? model.supplyLimitA()
                            : fet.law(model.law().supplyV()).currentA(gateV(fet), dieC(fet));
            wantedA += fet.currentA;
        }
        // Beyond its limit the supply lets its voltage go.
        double share = Math.min(1, model.supplyLimitA() / Math.max(1e-9, wantedA));
        double heatW = 0;
        for (Fet fet : fets) {
            fet.currentA *= share;
            double ownW = fet.currentA * model.law().supplyV() * share;
            heatW += ownW;
            fet.riseK += (ownW * fet.heatKPerW - fet.riseK) * -Math.expm1(-seconds / BiasLaw.HEAT_S);
            fet.lost |= dieC(fet) > LOST_C;
        }
        sinkRiseK += (heatW * model.sinkKPerW() - sinkRiseK) * -Math.expm1(-seconds / model.sinkS());
    }

    private double dieC(Fet fet) {
        return model.ambientC() + sinkRiseK + fet.riseK;
    }

    private double gateV(Fet fet) {
        return model.gateSupplyV() * fet.turns / potTurns;
    }

    /** Returns the gate voltage of a device, from 1. */
    public double gateV(int device) {
        return gateV(fets[device - 1]);
    }

    /** Returns what a device draws now, in amperes. */
    public double currentA(int device) {
        return fets[device - 1].currentA;
    }

    /** Returns the drop over the resistor, in volts. */
    public double senseV(boolean keyed) {
        double devicesA = Arrays.stream(fets).mapToDouble(fet -> fet.currentA).sum();
        return keyed ? model.senseOhm() * (model.standingA() + devicesA) : 0;
    }

    /** Returns how many devices are lost. */
    public int lost() {
        return (int) Arrays.stream(fets).filter(fet -> fet.lost).count();
    }
}
