package org.tubrin.core.twin;

import static org.testng.Assert.fail;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.tubrin.core.Sample;
import org.tubrin.core.device.Construction;
import org.tubrin.core.device.TetrodeLaw;
import org.tubrin.core.device.TriodeLaw;
import org.tubrin.core.device.Tube;
import org.tubrin.core.practice.TrainingAmplifier;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.ChartRow;
import org.tubrin.core.station.Stage;
import org.tubrin.core.station.TankBand;
import org.tubrin.core.station.TwinConstants;
import org.tubrin.core.tank.CapacitorLaw;
import org.tubrin.core.tank.Dial;
import org.tubrin.core.tank.LoadSense;

/** The invented amplifiers as physics. */
public final class Twins {
    private static final Dial HUNDRED = new Dial(0, 100, 10);
    private static final double PICO = 1e-12;

    public static final TwinConstants.CathodeDriven BRIGANTINE =
            (TwinConstants.CathodeDriven) TrainingAmplifier.TWIN.constants();

    public static final TriodeLaw LANTERN = BRIGANTINE.tube();

    public static final TetrodeLaw BEACON = new TetrodeLaw(7.6e-3, 8, 600, 9, 0.3, 3, 8, 34, 1.7);

    public static final TwinConstants.GridDriven BARQUE = new TwinConstants.GridDriven(
            BEACON,
            -41,
            350,
            2850,
            350,
            400,
            new CapacitorLaw(30 * PICO, 230 * PICO, 1.7, false, OptionalDouble.of(3000)),
            new CapacitorLaw(40 * PICO, 1300 * PICO, 1.2, true, OptionalDouble.of(800)),
            List.of(
                    new TankBand(Band.MHZ_3_5, 9.0319e-6, 233, 120 * PICO, 820 * PICO, 1, 0),
                    new TankBand(Band.MHZ_7, 4.7375e-6, 231, 22 * PICO, 182 * PICO, 1, 0),
                    new TankBand(Band.MHZ_14, 2.1286e-6, 240, 0, 0, 1, 0)));

    public static final Stage.Tubes BARQUE_STAGE = new Stage.Tubes(
            new Tube("Beacon 800", Construction.TETRODE, 800, 3000, 0.8, 0.02, OptionalDouble.of(0.08), 120),
            1,
            2798,
            0.148,
            0.7,
            0.005,
            HUNDRED,
            HUNDRED,
            LoadSense.MORE_IS_LIGHTER,
            0,
            0.94);

    /** The amplifier that it stands in, without a twin in its record. */
    public static final Amplifier BARQUES_RECORD = new Amplifier(
            "Barque",
            BARQUE_STAGE,
            2.5,
            1000,
            Optional.of(0.02),
            List.of(Band.MHZ_3_5, Band.MHZ_7, Band.MHZ_14),
            List.of(new ChartRow(Band.MHZ_7, 48, 60)),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty());

    private Twins() {}

    public static TubeTwin brigantine() {
        return new TubeTwin(Sample.BRIGANTINE_STAGE, BRIGANTINE);
    }

    public static TubeTwin barque() {
        return new TubeTwin(BARQUE_STAGE, BARQUE);
    }

    /** Returns Brigantine at 7.1 MHz into 50 Ω. */
    public static Setting at(double driveW, double plate, double load) {
        return new Setting(Band.MHZ_7, 7.1e6, driveW, plate, load, 50, 0);
    }

    public static <T> T settled(Outcome<T> outcome) {
        if (outcome instanceof Outcome.Settled<T> settled) {
            return settled.point();
        }
        fail("unsettled: " + outcome);
        throw new AssertionError();
    }
}
