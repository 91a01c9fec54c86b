package org.tubrin.core.metering;

import static org.testng.Assert.assertEquals;

import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import org.tubrin.core.Sample;
import org.tubrin.core.quantity.Quantity;

public class ChannelTest {
    private final Channel output = Sample.FATHOM.channel(ReadingRole.OUTPUT).orElseThrow();

    @Test
    public void classOfFullScaleWeighsMoreLowOnTheScale() {
        Quantity low = output.measured(138, "Fathom", output.range("1.5 kW").orElseThrow());
        Quantity fine = output.measured(138, "Fathom", output.range("150 W").orElseThrow());
        assertEquals(low.standardUncertainty(), 75 / Math.sqrt(3), 1e-9);
        assertEquals(fine.standardUncertainty(), low.standardUncertainty() / 10, 1e-9);
    }

    @Test
    public void correctionScalesValueAndUncertaintyAlike() {
        Channel knocked = new Channel(
                ReadingRole.OUTPUT,
                ScaleUnit.W,
                List.of(Sample.range("1.5 kW", 1500)),
                new Accuracy.OfFullScale(0.05),
                Indication.AVERAGE,
                1.06,
                Optional.empty());
        Quantity corrected = knocked.measured(500, "Fathom", knocked.ranges().get(0));
        assertEquals(corrected.value(), 530, 1e-9);
        assertEquals(corrected.standardUncertainty(), 1.06 * 75 / Math.sqrt(3), 1e-9);
    }

    @Test
    public void choosesTheFinestRangeThatHolds() {
        assertEquals(output.rangeFor(149).name(), "150 W");
        assertEquals(output.rangeFor(151).name(), "1.5 kW");
        assertEquals(output.rangeFor(9000).name(), "1.5 kW");
    }

    @Test
    public void digitalClassAddsTheLastDigit() {
        assertEquals(new Accuracy.OfReading(0.01, 0.1).bound(100, 1000), 1.1, 1e-12);
    }
}
