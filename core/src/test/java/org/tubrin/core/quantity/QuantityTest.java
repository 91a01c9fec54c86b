package org.tubrin.core.quantity;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Random;
import org.testng.annotations.Test;

public class QuantityTest {
    private static final ErrorSource VOLTMETER = new ErrorSource("panel", "PLATE_VOLTAGE", "4 kV");
    private static final ErrorSource AMMETER = new ErrorSource("panel", "PLATE_CURRENT", "1 A");
    private static final ErrorSource WATTMETER = new ErrorSource("Fathom", "OUTPUT", "1.5 kW");

    private static Quantity measured(double value, Unit unit, ErrorSource source, double standardUncertainty) {
        return Quantity.of(value, unit, Standing.MEASURED, source, standardUncertainty);
    }

    @Test
    public void independentFactorsCombineInQuadrature() {
        Quantity input =
                measured(2500, Unit.VOLT, VOLTMETER, 50).times(measured(0.5, Unit.AMPERE, AMMETER, 0.02), Unit.WATT);
        assertEquals(input.value(), 1250, 1e-9);
        assertEquals(input.standardUncertainty() / input.value(), Math.hypot(0.02, 0.04), 1e-12);
    }

    /** What a law without derivatives gives is what the derivatives give: independent shares, and shared ones. */
    @Test
    public void aFunctionPropagatesAsItsOperatorsDo() {
        Quantity volts = measured(2500, Unit.VOLT, VOLTMETER, 50);
        Quantity amperes = measured(0.5, Unit.AMPERE, AMMETER, 0.02);
        Quantity output = measured(584, Unit.WATT, WATTMETER, 20);
        Quantity input = volts.times(amperes, Unit.WATT);
        Quantity loss = input.minus(output).over(input, Unit.ONE);
        Quantity same = Quantity.of(List.of(output, input), Unit.ONE, at -> (at[1] - at[0]) / at[1]);
        assertEquals(same.value(), loss.value(), 1e-12);
        assertEquals(same.standing(), loss.standing());
        loss.contributions()
                .forEach((source, share) -> assertEquals(
                        same.contributions().get(source), share, 0.003 * Math.abs(share), source.toString()));
        assertEquals(
                Quantity.of(List.of(output, output), Unit.WATT, at -> at[0] - at[1])
                        .standardUncertainty(),
                0,
                1e-12);
        Quantity one = output.with(VOLTMETER, 15);
        assertEquals(one.standardUncertainty(), 25, 1e-9);
        assertEquals(one.without(VOLTMETER::equals).standardUncertainty(), 20, 1e-9);
    }

    @Test
    public void differenceFromItselfIsCertain() {
        Quantity power = measured(584, Unit.WATT, WATTMETER, 43);
        assertEquals(power.minus(power).standardUncertainty(), 0, 1e-12);
        assertEquals(power.over(power, Unit.ONE).standardUncertainty(), 0, 1e-15);
    }

    /** Heat and efficiency share both meters: their relative movement must agree with moving the readings themselves. */
    @Test
    public void sharedReadingsAgreeWithMonteCarlo() {
        double outputW = 584;
        double heatPlusW = 0;
        double squares = 0;
        double cross = 0;
        int trials = 40_000;
        Random random = new Random(7);
        Quantity output = measured(outputW, Unit.WATT, WATTMETER, 20);
        Quantity input =
                measured(2580, Unit.VOLT, VOLTMETER, 30).times(measured(0.409, Unit.AMPERE, AMMETER, 0.01), Unit.WATT);
        Quantity heat = input.minus(output);
        Quantity loss = heat.over(input, Unit.ONE);
        for (int i = 0; i < trials; i++) {
            double in = (2580 + 30 * random.nextGaussian()) * (0.409 + 0.01 * random.nextGaussian());
            double out = outputW + 20 * random.nextGaussian();
            double trialHeat = in - out - heat.value();
            double trialLoss = (in - out) / in - loss.value();
            heatPlusW += trialHeat * trialHeat;
            squares += trialLoss * trialLoss;
            cross += trialHeat * trialLoss;
        }
        assertEquals(heat.standardUncertainty(), Math.sqrt(heatPlusW / trials), 0.02 * heat.standardUncertainty());
        assertEquals(loss.standardUncertainty(), Math.sqrt(squares / trials), 0.02 * loss.standardUncertainty());
        double correlation = cross / Math.sqrt(heatPlusW * squares);
        double stated = heat.contributions().entrySet().stream()
                        .mapToDouble(
                                share -> share.getValue() * loss.contributions().get(share.getKey()))
                        .sum()
                / (heat.standardUncertainty() * loss.standardUncertainty());
        assertEquals(stated, correlation, 0.02);
    }

    @Test
    public void decibelsOfARatioCarryItsRelativeUncertainty() {
        Quantity gain = measured(10, Unit.ONE, WATTMETER, 1).inDecibels();
        assertEquals(gain.value(), 10, 1e-12);
        assertEquals(gain.standardUncertainty(), 0.1 * 10 / Math.log(10), 1e-12);
    }

    @Test
    public void powerOfARatioScalesItsRelativeUncertainty() {
        Quantity root = measured(4, Unit.ONE, WATTMETER, 0.4).toPower(0.5);
        assertEquals(root.value(), 2, 1e-12);
        assertEquals(root.standardUncertainty() / root.value(), 0.05, 1e-12);
    }

    @Test
    public void aComputedNumberStandsNoHigherThanItsWeakestPart() {
        Quantity measured = measured(1, Unit.WATT, WATTMETER, 0.1);
        Quantity assumed = Quantity.exact(1, Unit.WATT, Standing.ASSUMED);
        assertEquals(measured.plus(measured).standing(), Standing.COMPUTED);
        assertEquals(measured.plus(assumed).standing(), Standing.ASSUMED);
        assertEquals(
                assumed.plus(Quantity.exact(1, Unit.WATT, Standing.PREDICTED)).standing(), Standing.PREDICTED);
    }

    @Test
    public void refusesToAddVoltsToWatts() {
        Quantity watts = Quantity.exact(1, Unit.WATT, Standing.MEASURED);
        Quantity volts = Quantity.exact(1, Unit.VOLT, Standing.MEASURED);
        assertThrows(IllegalArgumentException.class, () -> watts.plus(volts));
    }

    @Test
    public void noNumberIsNotANumber() {
        Quantity zero = Quantity.exact(0, Unit.WATT, Standing.MEASURED);
        assertThrows(IllegalArgumentException.class, () -> zero.over(zero, Unit.ONE));
        assertTrue(zero.standardUncertainty() == 0);
    }
}
