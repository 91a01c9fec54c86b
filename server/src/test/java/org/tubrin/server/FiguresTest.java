package org.tubrin.server;

import static org.testng.Assert.assertEquals;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.quantity.ErrorSource;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;
import org.tubrin.server.words.Figures;

public class FiguresTest {
    private static Quantity quantity(double value, Unit unit, double standardUncertainty) {
        return Quantity.of(value, unit, Standing.MEASURED, new ErrorSource("m", "", ""), standardUncertainty);
    }

    @DataProvider
    public Object[][] shown() {
        return new Object[][] {
            {quantity(584.2, Unit.WATT, 43.3), ScaleUnit.W, "584\u2009±\u200985"},
            {quantity(0.4094, Unit.AMPERE, 0.0173), ScaleUnit.A, "0.409\u2009±\u20090.034"},
            {quantity(0.0742, Unit.AMPERE, 0.00606), ScaleUnit.A, "0.074\u2009±\u20090.012"},
            {quantity(0.0742, Unit.AMPERE, 0.00606), ScaleUnit.MA, "74\u2009±\u200912"},
            {quantity(2489, Unit.VOLT, 69.3), ScaleUnit.KV, "2.49\u2009±\u20090.14"},
            {quantity(-12, Unit.AMPERE, 1.04), ScaleUnit.A, "\u221212.0\u2009±\u20092.0"},
            // Nothing is below no power: an interval.
            {quantity(1, Unit.WATT, 4.6), ScaleUnit.W, "0 to 10"},
            {quantity(0.5, Unit.AMPERE, 0.3), ScaleUnit.A, "0 to 1.1"},
            // A class of 5 % of 1500 W alone: 0.95 of its bound.
            {
                Quantity.of(600, Unit.WATT, Standing.MEASURED, ErrorSource.bounded("m", "", ""), 75 / Math.sqrt(3)),
                ScaleUnit.W,
                "600\u2009±\u200971"
            },
        };
    }

    @Test(dataProvider = "shown")
    public void aFigureIsRoundedAsItsUncertaintyAllows(Quantity quantity, ScaleUnit unit, String shown) {
        assertEquals(Figures.of(quantity, unit).withUncertainty(), shown);
    }

    @Test
    public void aRatioIsShownInPerCent() {
        assertEquals(Figures.percent(quantity(0.6101, Unit.ONE, 0.0405)).withUncertainty(), "61\u2009±\u20098");
    }

    @Test
    public void aDifferenceMayLieOnEitherSide() {
        assertEquals(
                Figures.difference(quantity(1, Unit.WATT, 4.6), ScaleUnit.W).withUncertainty(), "1\u2009±\u20099");
    }

    @Test
    public void aDialShowsOneDecimalUnlessItNeedsTwo() {
        assertEquals(Figures.dial(5), "5.0");
        assertEquals(Figures.dial(5.1), "5.1");
        assertEquals(Figures.dial(5.09), "5.09");
        assertEquals(Figures.dial(52), "52.0");
    }

    @Test
    public void idleZerosGoAndWholeNumbersStay() {
        assertEquals(Figures.plain(17.5, 2), "17.5");
        assertEquals(Figures.plain(1000, 2), "1000");
        assertEquals(Figures.plain(0.125, 3), "0.125");
        assertEquals(Figures.plain(-0.5, 1), "\u22120.5");
    }
}
