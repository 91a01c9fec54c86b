package org.tubrin.benchmark;

import java.util.List;
import java.util.OptionalDouble;
import org.tubrin.core.device.Construction;
import org.tubrin.core.device.TetrodeLaw;
import org.tubrin.core.device.TriodeLaw;
import org.tubrin.core.device.Tube;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Stage;
import org.tubrin.core.station.TankBand;
import org.tubrin.core.station.TwinConstants;
import org.tubrin.core.tank.CapacitorLaw;
import org.tubrin.core.tank.Dial;
import org.tubrin.core.tank.LoadSense;
import org.tubrin.core.twin.Setting;
import org.tubrin.core.twin.TubeTwin;

/** The stages that are measured: two invented triodes driven at the cathode, and an invented tetrode. */
final class Stages {
    private static final Dial TEN = new Dial(0, 10, 1);

    static final TwinConstants.CathodeDriven CONSTANTS = new TwinConstants.CathodeDriven(
            new TriodeLaw(1e-3, 100, 1.8, 10, 34, 1.7, 0.15e-12, 0),
            12,
            2800,
            540,
            100,
            new CapacitorLaw(35e-12, 220e-12, 1.7, false, OptionalDouble.empty()),
            new CapacitorLaw(30e-12, 1170e-12, 1.2, false, OptionalDouble.empty()),
            List.of(
                    new TankBand(Band.MHZ_1_8, 20.5e-6, 200, 210e-12, 1600e-12, 1, 18),
                    new TankBand(Band.MHZ_7, 5.5e-6, 240, 0, 0, 1, 8),
                    new TankBand(Band.MHZ_14, 2.45e-6, 220, 0, 0, 0.97, -14),
                    new TankBand(Band.MHZ_28, 0.75e-6, 90, 0, 0, 0.85, 26)));

    static final TubeTwin TWIN = new TubeTwin(
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
            CONSTANTS);

    /** An invented tetrode driven at the grid. */
    static final TubeTwin TETRODE = new TubeTwin(
            new Stage.Tubes(
                    new Tube("Beacon 800", Construction.TETRODE, 800, 3000, 0.8, 0.02, OptionalDouble.of(0.08), 120),
                    1,
                    2798,
                    0.148,
                    0.7,
                    0.005,
                    TEN,
                    TEN,
                    LoadSense.MORE_IS_LIGHTER,
                    0,
                    0.94),
            new TwinConstants.GridDriven(
                    new TetrodeLaw(7.6e-3, 8, 600, 9, 0.3, 3, 8, 34, 1.7),
                    -41,
                    350,
                    2850,
                    350,
                    400,
                    new CapacitorLaw(30e-12, 230e-12, 1.7, false, OptionalDouble.empty()),
                    new CapacitorLaw(40e-12, 1300e-12, 1.2, true, OptionalDouble.empty()),
                    List.of(new TankBand(Band.MHZ_7, 4.7375e-6, 231, 22e-12, 182e-12, 1, 0))));

    private Stages() {}

    static Setting tetrodeAt(double driveW) {
        return new Setting(Band.MHZ_7, 7.1e6, driveW, 5.2, 4.4, 50, 0);
    }

    static Setting at(double driveW, double plate, double load) {
        return new Setting(Band.MHZ_7, 7.1e6, driveW, plate, load, 50, 0);
    }
}
