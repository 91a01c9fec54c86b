package org.tubrin.core.bias;

import java.util.Optional;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;

/**
 * What a bias climb sets, and how it is read.
 *
 * @param deviceCount transistors with a pot of their own, 1 to 8
 * @param idleA idle current of each that is wanted, 0.005 to 5 A
 * @param because where that figure is from, 1 to 120 characters
 * @param sense the resistor in the common feed whose drop is read; absent where an ammeter goes into each device's own feed
 * @param potTurns turns of a pot from end to end, 0.25 to 40
 * @param isNewBoard whether the devices are not yet in: the board is proven with stand-ins first
 */
public record BiasPlan(
        int deviceCount, double idleA, String because, Optional<Sense> sense, double potTurns, boolean isNewBoard) {
    /** The most transistors. */
    public static final int MOST_DEVICES = 8;
    /** The least idle current, in amperes. */
    public static final double LEAST_IDLE_A = 0.005;
    /** The greatest idle current, in amperes. */
    public static final double MOST_IDLE_A = 5;
    /** The fewest turns of a pot. */
    public static final double LEAST_TURNS = 0.25;
    /** The most turns of a pot. */
    public static final double MOST_TURNS = 40;
    /** What an idle current may be off. */
    public static final double TOLERANCE = 0.02;
    /** A gate that is higher than this is not biased but driven, in volts. */
    public static final double GATE_LIMIT_V = 5;

    /**
     * A sense resistor.
     *
     * @param nominalOhm as printed, 0.01 to 100 Ω
     * @param measuredOhm as measured, 0.01 to 100 Ω: the one that counts
     * @param boundShare what the measurement may be off, as a share, 0.0001 to 0.2
     */
    public record Sense(double nominalOhm, double measuredOhm, double boundShare) {
        /** The least resistance, in ohms. */
        public static final double LEAST_OHM = 0.01;
        /** The greatest resistance, in ohms. */
        public static final double MOST_OHM = 100;
        /** The least bound, as a share. */
        public static final double LEAST_BOUND = 1e-4;
        /** The greatest bound, as a share. */
        public static final double MOST_BOUND = 0.2;

        public Sense {
            new Checks()
                    .range("nominalOhm", nominalOhm, LEAST_OHM, MOST_OHM, Unit.OHM)
                    .range("measuredOhm", measuredOhm, LEAST_OHM, MOST_OHM, Unit.OHM)
                    .range("boundShare", boundShare, LEAST_BOUND, MOST_BOUND, Unit.ONE)
                    .done();
        }

        /** Returns by how much the print would be off, as a share of what is measured. */
        public double printOffShare() {
            return nominalOhm / measuredOhm - 1;
        }
    }

    public BiasPlan {
        new Checks()
                .range("deviceCount", deviceCount, 1, MOST_DEVICES, Unit.ONE)
                .range("idleA", idleA, LEAST_IDLE_A, MOST_IDLE_A, Unit.AMPERE)
                .text("because", because, 1, 120)
                .range("potTurns", potTurns, LEAST_TURNS, MOST_TURNS, Unit.ONE)
                .done();
    }

    /** Returns what the meter shows at a current, in volts over the resistor or in amperes. */
    public double shown(double amperes) {
        return sense.map(one -> one.measuredOhm() * amperes).orElse(amperes);
    }

    /** Returns the current that the supply is limited to meanwhile, in amperes: about twice what all draw in the end. */
    public double supplyLimitA() {
        return 2 * deviceCount * idleA;
    }
}
