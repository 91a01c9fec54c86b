package org.tubrin.core.first;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.tubrin.core.device.Construction;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Stage;

/** A type must be an amplifier that could be: what it claims lies within its own heat and its own input. */
public class AmplifierTypeTest {
    private static final double EFFICIENCY = 0.6;
    private static final double SAGGED = 0.9;

    @DataProvider
    public Object[][] types() {
        Object[][] types = new Object[AmplifierType.values().length][];
        for (AmplifierType type : AmplifierType.values()) {
            types[type.ordinal()] = new Object[] {type};
        }
        return types;
    }

    private static Amplifier of(AmplifierType type) {
        return type.amplifier(new FirstStation.Names("s", "e", type.name(), "tube", "w", "p", "l"));
    }

    @Test(dataProvider = "types")
    public void itsClaimLiesWithinItsHeatAndItsInput(AmplifierType type) {
        Amplifier amplifier = of(type);
        double claimW = amplifier.ratedOutputW();
        if (amplifier.stage() instanceof Stage.Tubes tubes) {
            double heatW = claimW * (1 - EFFICIENCY) / EFFICIENCY / tubes.tubeCount();
            assertTrue(heatW <= tubes.tube().plateDissipationW(), "each tube turns " + heatW + " W into heat");
            double inputW = SAGGED * tubes.plateVoltageRestDcV() * tubes.plateCurrentLimitA();
            assertTrue(claimW <= EFFICIENCY * inputW, inputW + " W of input bring no " + claimW);
            double restW = tubes.plateVoltageRestDcV() * tubes.restingPlateCurrentA() / tubes.tubeCount();
            assertTrue(restW < 0.6 * tubes.tube().plateDissipationW(), restW + " W each at rest");
            assertEquals(
                    tubes.tube().screenCurrentLimitA().isPresent(),
                    tubes.tube().construction() == Construction.TETRODE);
        } else {
            Stage.Transistors stage = (Stage.Transistors) amplifier.stage();
            assertTrue(claimW <= 0.5 * stage.supplyVoltageDcV() * stage.supplyCurrentLimitA());
        }
        assertTrue(amplifier.driveLimitW() < 0.12 * claimW, "it amplifies");
    }
}
