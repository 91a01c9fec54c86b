package org.tubrin.core.practice;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.tubrin.core.device.Construction;
import org.tubrin.core.device.TriodeLaw;
import org.tubrin.core.device.Tube;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Stage;
import org.tubrin.core.station.TankBand;
import org.tubrin.core.station.TwinConstants;
import org.tubrin.core.tank.CapacitorLaw;
import org.tubrin.core.tank.Dial;
import org.tubrin.core.tank.LoadSense;
import org.tubrin.core.twin.TubeTwin;

/** The amplifier to practise on, the same for everybody: two invented triodes driven at the cathode. */
public final class TrainingAmplifier {
    private static final double PICO = 1e-12;
    private static final Dial TEN = new Dial(0, 10, 1);
    private static final double DRIVE_W = 70;
    private static final double RATED_W = 850;

    /** Its twin. */
    public static final TubeTwin TWIN = new TubeTwin(
            new Stage.Tubes(
                    new Tube("Lantern 350", Construction.TRIODE, 350, 3200, 0.35, 0.11, OptionalDouble.empty(), 180),
                    2,
                    2736,
                    0.119,
                    0.66,
                    0.2,
                    TEN,
                    TEN,
                    LoadSense.MORE_IS_HEAVIER,
                    0.75,
                    0.95),
            new TwinConstants.CathodeDriven(
                    new TriodeLaw(1e-3, 100, 1.8, 10, 34, 1.7, 0.15 * PICO, 0),
                    12,
                    2800,
                    540,
                    100,
                    new CapacitorLaw(35 * PICO, 220 * PICO, 1.7, false, OptionalDouble.of(2800)),
                    new CapacitorLaw(30 * PICO, 1170 * PICO, 1.2, false, OptionalDouble.of(750)),
                    List.of(
                            new TankBand(Band.MHZ_1_8, 20.5e-6, 200, 210 * PICO, 1600 * PICO, 1, 18),
                            new TankBand(Band.MHZ_3_5, 10.5e-6, 230, 0, 600 * PICO, 1, -12),
                            new TankBand(Band.MHZ_7, 5.5e-6, 240, 0, 0, 1, 8),
                            new TankBand(Band.MHZ_14, 2.45e-6, 220, 0, 0, 0.97, -14),
                            new TankBand(Band.MHZ_21, 1.24e-6, 160, 0, 0, 0.92, 22),
                            new TankBand(Band.MHZ_28, 0.75e-6, 90, 0, 0, 0.85, 26))));

    private TrainingAmplifier() {}

    /** Returns its record, under a name. */
    public static Amplifier record(String name) {
        return new Amplifier(
                name,
                TWIN.tubes(),
                DRIVE_W,
                RATED_W,
                Optional.empty(),
                TWIN.constants().tanks().stream().map(TankBand::band).toList(),
                List.of(),
                Optional.empty(),
                Optional.of(TWIN.constants()),
                Optional.empty(),
                Optional.empty());
    }
}
