package org.tubrin.bench;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.tubrin.core.bias.BiasLaw;
import org.tubrin.core.device.Construction;
import org.tubrin.core.device.TetrodeLaw;
import org.tubrin.core.device.Tube;
import org.tubrin.core.practice.TrainingAmplifier;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Matcher;
import org.tubrin.core.station.Stage;
import org.tubrin.core.station.TankBand;
import org.tubrin.core.station.TwinConstants;
import org.tubrin.core.tank.CapacitorLaw;
import org.tubrin.core.tank.Dial;
import org.tubrin.core.tank.LoadSense;
import org.tubrin.core.twin.TubeTwin;

/** The invented amplifiers as their records have them. */
public final class SkerryPoint {
    private static final double PICO = 1e-12;
    private static final double[] INPUT_SWR = {1.2, 1.1, 1.3, 1.15, 1.4, 1.3, 1.4, 1.5, 1.35, 1.6, 1.7};
    private static final Dial HUNDRED = new Dial(0, 100, 10);

    /** Two triodes driven at the cathode. */
    public static final TubeTwin BRIGANTINE = TrainingAmplifier.TWIN;

    /** One tetrode driven at the grid. */
    public static final TubeTwin BARQUE = new TubeTwin(
            new Stage.Tubes(
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
                    0.94),
            new TwinConstants.GridDriven(
                    new TetrodeLaw(7.6e-3, 8, 600, 9, 0.3, 3, 8, 34, 1.7),
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
                            new TankBand(Band.MHZ_14, 2.1286e-6, 240, 0, 0, 1, 0))));

    /** Transistors that switch, for the lowest bands. */
    public static final Stage.Switching LUGGER = new Stage.Switching(2, 12, 48, 12, 3, Optional.of(0.6));

    /** What it is rated for, in watts. */
    public static final double LUGGER_W = 300;

    /** Transistors at 50 V. */
    public static final TransistorAmplifier.Model KETCH = new TransistorAmplifier.Model(
            new TwinConstants.Broadband(
                    50,
                    0,
                    0.68,
                    2,
                    0.11,
                    180,
                    70,
                    80,
                    3,
                    bands(
                            new double[] {18.9, 20.1, 19.2, 17.6, 18.4, 16.1, 14.7, 16.8, 15.9, 14.2, 11.6},
                            new double[] {860, 880, 865, 870, 820, 840, 830, 800, 790, 760, 520}),
                    Optional.of(new TwinConstants.Expansion(1.3, 2.2))),
            600,
            15,
            0.015,
            Optional.empty());

    /** Transistors at 13.8 V. */
    public static final TransistorAmplifier.Model DINGHY = new TransistorAmplifier.Model(
            new TwinConstants.Broadband(
                    13.8,
                    1.2,
                    0.62,
                    0.9,
                    0.75,
                    420,
                    70,
                    75,
                    3,
                    bands(
                            new double[] {13.9, 15.2, 15.8, 12.6, 13.7, 11.2, 9.1, 12.4, 10.2, 8.6},
                            new double[] {82, 84, 83, 82, 80, 78, 76, 74, 72, 70}),
                    Optional.of(new TwinConstants.Expansion(0.9, 0.6))),
            60,
            8,
            0.03,
            Optional.of(new Matcher(3, 7, 3, Matcher.Switching.BY_HAND)));

    /** The two transistors of the Ketch, with ten-turn pots and a printed 2.2 Ω in their feed. */
    public static final BiasBoard.Model KETCH_BIAS =
            new BiasBoard.Model(2, new BiasLaw(1.9, 3.2, 50, 0.9), 0.11, 180, 22, 4.1e-3, 2.37, 5, 10, 0.32);

    private SkerryPoint() {}

    private static List<TwinConstants.BroadbandBand> bands(double[] gainsDb, double[] saturatedW) {
        List<Band> from = List.copyOf(EnumSet.range(Band.MHZ_1_8, Band.MHZ_50));
        List<TwinConstants.BroadbandBand> bands = new ArrayList<>();
        for (int i = 0; i < gainsDb.length; i++) {
            bands.add(new TwinConstants.BroadbandBand(from.get(i), gainsDb[i], saturatedW[i], INPUT_SWR[i]));
        }
        return List.copyOf(bands);
    }
}
