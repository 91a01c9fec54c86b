package org.tubrin.core.hv;

import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;

/**
 * A transformer with its rectifier.
 *
 * @param circuit bridge or doubler
 * @param secondaryRmsV without load, 10 to 10 000 V
 * @param sourceOhm of transformer and line, seen at the secondary, 0.1 to 10 000 Ω
 * @param frequencyHz of the mains, 45 to 65 Hz
 * @param diodesInSeries in each leg, 1 to 40
 * @param diodeRatedV that one diode blocks, 50 to 20 000 V
 * @param diodeSurgeA that one bears for half a cycle, 1 to 1000 A
 */
public record Rectifier(
        Circuit circuit,
        double secondaryRmsV,
        double sourceOhm,
        double frequencyHz,
        int diodesInSeries,
        double diodeRatedV,
        double diodeSurgeA) {

    private static final double STEPS_PER_CHARGE = 16;
    private static final double LEAST_STEPS = 80;
    private static final double MOST_STEPS = 400;

    /** How it rectifies. */
    public enum Circuit {
        /** Full-wave bridge over one bank. */
        BRIDGE,
        /** Full-wave doubler: two halves of the bank, each charged by one half-wave. */
        DOUBLER
    }

    public Rectifier {
        new Checks()
                .range("secondaryRmsV", secondaryRmsV, 10, 10_000, Unit.VOLT)
                .range("sourceOhm", sourceOhm, 0.1, 10_000, Unit.OHM)
                .range("frequencyHz", frequencyHz, 45, 65, Unit.HERTZ)
                .range("diodesInSeries", diodesInSeries, 1, 40, Unit.ONE)
                .range("diodeRatedV", diodeRatedV, 50, 20_000, Unit.VOLT)
                .range("diodeSurgeA", diodeSurgeA, 1, 1000, Unit.AMPERE)
                .done();
    }

    /** Returns the same with other figures of the transformer. */
    Rectifier with(double otherSecondaryRmsV, double otherSourceOhm) {
        return new Rectifier(
                circuit, otherSecondaryRmsV, otherSourceOhm, frequencyHz, diodesInSeries, diodeRatedV, diodeSurgeA);
    }

    /**
     * Returns how many steps a cycle is integrated by: sixteen to the time in which a resistance charges a capacitance, but 80 to 400
     * a cycle, by which the figures stand within a thousandth.
     */
    int stepsPerCycle(double chargeOhm, double farad) {
        double wanted = STEPS_PER_CHARGE / (frequencyHz * chargeOhm * farad);
        return (int) Math.ceil(Math.max(LEAST_STEPS, Math.min(MOST_STEPS, wanted)));
    }

    /** Returns the secondary's peak, in volts. */
    public double peakV() {
        return Math.sqrt(2) * secondaryRmsV;
    }

    /** Returns the direct voltage without load. */
    public double openV() {
        return circuit == Circuit.BRIDGE ? peakV() : 2 * peakV();
    }

    /** Returns the voltage that a leg blocks: the peak in a bridge, twice the peak in a doubler. */
    public double inverseV() {
        return circuit == Circuit.BRIDGE ? peakV() : 2 * peakV();
    }

    /** Returns the share of what its diodes block together, 1 where nothing is in hand; they share evenly only if equalised. */
    public double inverseShare() {
        return inverseV() / (diodesInSeries * diodeRatedV);
    }
}
