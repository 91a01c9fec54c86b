package org.tubrin.core.chain;

import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;

/**
 * What drives a chain.
 *
 * @param given how its output is told
 * @param value that output, in the unit of the way it is told: -120 to 60 dBm, else 1e-6 to 2000
 * @param openDb half of the 95 % interval of its level, 0 to 6 dB
 */
public record Generator(Given given, double value, double openDb) {

    /** How the output of a generator is told. A generator of 50 Ω shows twice the volts without a load: four times the power. */
    public enum Given {
        WATT,
        DBM,
        RMS_INTO_LOAD,
        RMS_OPEN,
        PEAK_TO_PEAK_INTO_LOAD,
        PEAK_TO_PEAK_OPEN;

        private static final double OPEN = 2;

        /** Returns the power in watts into 50 Ω of a value told so. */
        public double watt(double value) {
            return switch (this) {
                case WATT -> value;
                case DBM -> Power.watt(value);
                case RMS_INTO_LOAD -> value * value / Power.LINE_OHM;
                case RMS_OPEN -> RMS_INTO_LOAD.watt(value / OPEN);
                case PEAK_TO_PEAK_INTO_LOAD -> value * value / (8 * Power.LINE_OHM);
                case PEAK_TO_PEAK_OPEN -> PEAK_TO_PEAK_INTO_LOAD.watt(value / OPEN);
            };
        }

        /** Returns the least value, in its unit. */
        public double least() {
            return this == DBM ? -120 : Power.LEAST_W;
        }

        /** Returns the greatest value, in its unit. */
        public double most() {
            return this == DBM ? 60 : 2000;
        }

        /** Returns the unit of a value. */
        public Unit unit() {
            return this == DBM ? Unit.DECIBEL : this == WATT ? Unit.WATT : Unit.VOLT;
        }

        /** Returns the value that tells a power in watts so. */
        public double value(double watt) {
            return switch (this) {
                case WATT -> watt;
                case DBM -> Power.dbm(watt);
                case RMS_INTO_LOAD -> Math.sqrt(watt * Power.LINE_OHM);
                case RMS_OPEN -> OPEN * RMS_INTO_LOAD.value(watt);
                case PEAK_TO_PEAK_INTO_LOAD -> Power.peakToPeakV(watt);
                case PEAK_TO_PEAK_OPEN -> OPEN * PEAK_TO_PEAK_INTO_LOAD.value(watt);
            };
        }
    }

    public Generator {
        new Checks()
                .range("value", value, given.least(), given.most(), given.unit())
                .range("openDb", openDb, 0, Power.MOST_OPEN_DB, Unit.DECIBEL)
                .done();
    }

    /** Returns its power into 50 Ω, in watts. */
    public double powerW() {
        return given.watt(value);
    }
}
