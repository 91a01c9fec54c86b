package org.tubrin.core.metering;

import static org.testng.Assert.assertEquals;

import java.math.BigDecimal;
import java.util.Random;
import org.testng.annotations.Test;

public class RoundTripTest {
    /** Whatever is written in a unit is read back as just that, with point or comma, with or without the unit. */
    @Test
    public void whatIsWrittenIsReadBack() {
        Random random = new Random(11);
        for (int i = 0; i < 5000; i++) {
            ScaleUnit scale = ScaleUnit.values()[random.nextInt(ScaleUnit.values().length)];
            BigDecimal shown = BigDecimal.valueOf(random.nextInt(1000), random.nextInt(4));
            double wanted = shown.multiply(BigDecimal.valueOf(scale.inUnit())).doubleValue();
            String text = shown.toPlainString();
            String typed = (random.nextBoolean() ? text.replace('.', ',') : text)
                    + (random.nextBoolean() ? " " + scale.symbol() : "");
            assertEquals(NumberEntry.parse("x", typed, scale, false), wanted, 0.0, typed + " on " + scale);
        }
    }

    @Test
    public void milliamperesAndAmperesOfOneCurrentAgree() {
        double a = NumberEntry.parse("x", "0.409", ScaleUnit.A, false);
        assertEquals(NumberEntry.parse("x", "409", ScaleUnit.MA, false), a, 0.0);
        assertEquals(NumberEntry.parse("x", "409 mA", ScaleUnit.A, false), a, 0.0);
        assertEquals(NumberEntry.parse("x", "0,409 A", ScaleUnit.MA, false), a, 0.0);
    }
}
