package org.tubrin.core.metering;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.OptionalDouble;
import java.util.Random;
import org.testng.annotations.Test;
import org.tubrin.core.Sample;

public class SteadiedTest {
    @Test
    public void theMiddleOfRestlessReadingsAndTheirScatter() {
        Random random = new Random(3);
        double[] readings =
                random.doubles(5001).map(any -> 200 + 4 * random.nextGaussian()).toArray();
        Steadied steadied = Steadied.of(readings);
        assertEquals(steadied.median(), 200, 0.3);
        assertEquals(steadied.spread(), 4, 0.2);
    }

    @Test
    public void aFewWildReadingsChangeNothing() {
        assertEquals(Steadied.of(new double[] {10, 10.1, 9.9, 10, 1e5}).median(), 10, 0.05);
        assertTrue(Steadied.of(new double[] {10, 10.1, 9.9, 10, 1e5}).spread() < 0.2);
        assertEquals(Steadied.of(new double[] {7}), new Steadied(7, 0));
        assertEquals(Steadied.of(new double[] {6, 8}).median(), 7, 0);
    }

    @Test
    public void restlessnessAddsToTheClassInQuadrature() {
        Channel channel = Sample.FATHOM.channel(ReadingRole.OUTPUT).orElseThrow();
        MeterRange range = channel.range("1.5 kW").orElseThrow();
        double classed = channel.measured(900, "Fathom", range).standardUncertainty();
        Reading restless = new Reading(
                ReadingRole.OUTPUT, "900", 900, "Fathom", "1.5 kW", OptionalDouble.of(classed), OptionalDouble.empty());
        assertEquals(
                channel.measured(restless, range).standardUncertainty(),
                Math.sqrt(2) * classed,
                1e-9,
                "as large again");
        Reading byEye = new Reading(ReadingRole.OUTPUT, "900", 900, "Fathom", "1.5 kW");
        assertEquals(channel.measured(byEye, range).standardUncertainty(), classed, 1e-12);
    }
}
