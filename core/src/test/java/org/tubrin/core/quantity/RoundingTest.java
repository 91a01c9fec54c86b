package org.tubrin.core.quantity;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class RoundingTest {
    @DataProvider
    public Object[][] uncertainties() {
        return new Object[][] {
            {43.3, 0},
            {4.3, 0},
            {3.5, 1},
            {1.04, 1},
            {0.0173, 3},
            {0.00606, 3},
            {0.099, 2},
            {0.36, 1},
            {250.0, 0},
            {1e-9, 6}
        };
    }

    @Test(dataProvider = "uncertainties")
    public void showsAsManyDecimalsAsTheUncertaintyBears(double standardUncertainty, int decimals) {
        assertEquals(Rounding.decimals(standardUncertainty), decimals);
    }

    @Test
    public void certaintyHasNoDecimalsOfItsOwn() {
        assertThrows(IllegalArgumentException.class, () -> Rounding.decimals(0));
    }
}
