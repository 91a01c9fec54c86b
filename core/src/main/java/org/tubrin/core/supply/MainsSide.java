package org.tubrin.core.supply;

import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.station.Supply;

/**
 * What a supply asks of the mains, and whether a circuit bears it.
 *
 * <p>Method: {@code Iac = Pdc/(η·PF·Vac)}; what it takes with nothing connected is added; a continuous load is held to a share
 * of the circuit, customarily four fifths, which local code decides.
 *
 * @param peakW from the wall while all transmit
 * @param averageW over the worst ten minutes
 * @param peakAcRmsA from the wall
 * @param averageAcRmsA from the wall
 * @param mayContinuouslyA what the circuit may carry for hours
 * @param averageHeatW what stays in the room on average: all that does not leave as RF
 * @param peakHeatW the same while all transmit
 * @param energyPerMonthJ at the hours given
 */
public record MainsSide(
        double peakW,
        double averageW,
        double peakAcRmsA,
        double averageAcRmsA,
        double mayContinuouslyA,
        double averageHeatW,
        double peakHeatW,
        double energyPerMonthJ) {
    private static final double DAYS_PER_MONTH = 30.4;
    private static final double SECONDS_PER_HOUR = 3600;

    /**
     * A circuit of the house.
     *
     * @param voltageAcRmsV 90 to 480 V
     * @param breakerA 1 to 125 A
     * @param continuousShare that may stand for hours, 0.3 to 1; customarily 0.8
     * @param othersA what else it carries, 0 to the breaker
     */
    public record Circuit(double voltageAcRmsV, double breakerA, double continuousShare, double othersA) {
        public Circuit {
            new Checks()
                    .range("voltageAcRmsV", voltageAcRmsV, 90, 480, Unit.VOLT)
                    .range("breakerA", breakerA, 1, 125, Unit.AMPERE)
                    .range("continuousShare", continuousShare, 0.3, 1, Unit.ONE)
                    .range("othersA", othersA, 0, breakerA, Unit.AMPERE)
                    .done();
        }
    }

    /**
     * What is drawn from a supply over time.
     *
     * @param peakA 0 or more
     * @param averageA 0 or more
     * @param radiatedPeakW RF that leaves the room while all transmit
     * @param radiatedAverageW on average
     * @param hoursPerDay that the station is on, 0 to 24
     */
    public record Use(
            double peakA, double averageA, double radiatedPeakW, double radiatedAverageW, double hoursPerDay) {
        public Use {
            new Checks()
                    .range("peakA", peakA, 0, 1000, Unit.AMPERE)
                    .range("averageA", averageA, 0, 1000, Unit.AMPERE)
                    .range("hoursPerDay", hoursPerDay, 0, 24, Unit.ONE)
                    .done();
        }
    }

    /** Returns what a supply asks of a circuit in use. */
    public static MainsSide of(Supply supply, Use use, Circuit circuit) {
        double peakW = fromWallW(supply, use.peakA());
        double averageW = fromWallW(supply, use.averageA());
        double perW = 1 / (supply.powerFactor() * circuit.voltageAcRmsV());
        return new MainsSide(
                peakW,
                averageW,
                peakW * perW,
                averageW * perW,
                Math.max(0, circuit.continuousShare() * circuit.breakerA() - circuit.othersA()),
                averageW - use.radiatedAverageW(),
                peakW - use.radiatedPeakW(),
                averageW * use.hoursPerDay() * SECONDS_PER_HOUR * DAYS_PER_MONTH);
    }

    private static double fromWallW(Supply supply, double currentA) {
        double terminalsV = supply.voltageV() - supply.sourceOhm() * currentA;
        return supply.idleW() + terminalsV * currentA / supply.efficiency();
    }

    /** Returns whether the circuit bears it: on average for hours, at its peak for a while. */
    public boolean borneBy(Circuit circuit) {
        return averageAcRmsA <= mayContinuouslyA && peakAcRmsA + circuit.othersA() <= circuit.breakerA();
    }
}
