package org.tubrin.core.supply;

import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.ErrorSource;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Standing;
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
        Quantity peakW,
        Quantity averageW,
        Quantity peakAcRmsA,
        Quantity averageAcRmsA,
        double mayContinuouslyA,
        Quantity averageHeatW,
        Quantity peakHeatW,
        Quantity energyPerMonthJ) {
    /** Standard uncertainty of a supply's efficiency, as a share of it. */
    private static final double EFFICIENCY_SHARE = 0.02;

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
            Quantity peakA, Quantity averageA, double radiatedPeakW, double radiatedAverageW, double hoursPerDay) {
        public Use {
            new Checks()
                    .range("peakA", peakA.value(), 0, 1000, Unit.AMPERE)
                    .range("averageA", averageA.value(), 0, 1000, Unit.AMPERE)
                    .range("hoursPerDay", hoursPerDay, 0, 24, Unit.ONE)
                    .done();
        }
    }

    /** Returns what a supply asks of a circuit in use. */
    public static MainsSide of(Supply supply, Use use, Circuit circuit) {
        Quantity peakW = fromWallW(supply, use.peakA());
        Quantity averageW = fromWallW(supply, use.averageA());
        Quantity perAmpere =
                Quantity.exact(supply.powerFactor() * circuit.voltageAcRmsV(), Unit.VOLT, Standing.ASSUMED);
        return new MainsSide(
                peakW,
                averageW,
                peakW.over(perAmpere, Unit.AMPERE),
                averageW.over(perAmpere, Unit.AMPERE),
                Math.max(0, circuit.continuousShare() * circuit.breakerA() - circuit.othersA()),
                averageW.minus(Quantity.exact(use.radiatedAverageW(), Unit.WATT, Standing.COMPUTED)),
                peakW.minus(Quantity.exact(use.radiatedPeakW(), Unit.WATT, Standing.COMPUTED)),
                averageW.times(
                        Quantity.exact(
                                use.hoursPerDay() * SECONDS_PER_HOUR * DAYS_PER_MONTH, Unit.SECOND, Standing.ASSUMED),
                        Unit.JOULE));
    }

    private static Quantity fromWallW(Supply supply, Quantity currentA) {
        Quantity terminalsV = Quantity.exact(supply.voltageV(), Unit.VOLT, Standing.ASSUMED)
                .minus(currentA.times(Quantity.exact(supply.sourceOhm(), Unit.OHM, Standing.ASSUMED), Unit.VOLT));
        Quantity efficiency = Quantity.of(
                supply.efficiency(),
                Unit.ONE,
                Standing.ASSUMED,
                new ErrorSource(supply.name(), "efficiency", ""),
                EFFICIENCY_SHARE * supply.efficiency());
        return terminalsV
                .times(currentA, Unit.WATT)
                .over(efficiency, Unit.WATT)
                .plus(Quantity.exact(supply.idleW(), Unit.WATT, Standing.ASSUMED));
    }

    /** Returns what a month costs at a price of a kilowatt-hour, in the same money. */
    public Quantity costPerMonth(double pricePerKilowattHour) {
        return energyPerMonthJ.times(
                Quantity.exact(pricePerKilowattHour / (1000 * SECONDS_PER_HOUR), Unit.ONE, Standing.ASSUMED), Unit.ONE);
    }

    /** Returns whether the circuit bears it: on average for hours, at its peak for a while. */
    public boolean borneBy(Circuit circuit) {
        return averageAcRmsA.value() <= mayContinuouslyA
                && peakAcRmsA.value() + circuit.othersA() <= circuit.breakerA();
    }
}
