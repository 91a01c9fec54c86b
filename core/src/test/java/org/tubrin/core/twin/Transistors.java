package org.tubrin.core.twin;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.TwinConstants.Broadband;
import org.tubrin.core.station.TwinConstants.BroadbandBand;
import org.tubrin.core.station.TwinConstants.Expansion;

/** The invented amplifiers with transistors. */
public final class Transistors {
    private static final List<Band> BANDS = List.copyOf(EnumSet.range(Band.MHZ_1_8, Band.MHZ_50));

    private static final double[] SWR = {1.2, 1.1, 1.3, 1.15, 1.4, 1.3, 1.4, 1.5, 1.35, 1.6, 1.7};

    public static final TransistorTwin KETCH = new TransistorTwin(new Broadband(
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
            Optional.of(new Expansion(1.3, 2.2))));

    public static final TransistorTwin DINGHY = new TransistorTwin(new Broadband(
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
            Optional.of(new Expansion(0.9, 0.6))));

    private Transistors() {}

    private static List<BroadbandBand> bands(double[] gainsDb, double[] saturatedW) {
        List<BroadbandBand> bands = new ArrayList<>();
        for (int i = 0; i < gainsDb.length; i++) {
            bands.add(new BroadbandBand(BANDS.get(i), gainsDb[i], saturatedW[i], SWR[i]));
        }
        return bands;
    }
}
