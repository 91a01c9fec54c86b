package org.tubrin.server.demo;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.tubrin.core.run.Conditions;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Band;
import org.tubrin.core.tank.Mismatch;
import org.tubrin.core.twin.Probe;
import org.tubrin.core.twin.Setting;
import org.tubrin.core.twin.TubeTwin;

/**
 * Three months of one amplifier on one band, made with its twin: a tube goes soft, the dummy load is overheated, the wattmeter
 * gets a knock. Readings are rounded to what the scales bear and scatter as a person's do; the same every time.
 */
final class DemoStory {
    private static final long SEED = 14;
    private static final int[] DAYS = {88, 82, 77, 73, 66, 61, 55, 49, 43, 38, 33, 28, 23, 18, 13, 9, 4};
    private static final double[][] LADDER = {{4.4, 2.4}, {8.8, 3.4}, {17.5, 4.4}, {35, 5.4}, {70, 6.4}, {70, 6.9}};
    private static final double FREQUENCY_HZ = 14.2e6;
    private static final int SOFT_FROM_DAY = 52;
    private static final double SOFTER_A_DAY = 0.0042;
    private static final int HOT_DAY = 36;
    private static final double COLD_OHM = 51.6;
    private static final double AFTER_HEAT_OHM = 56.5;
    private static final int KNOCK_DAY = 20;
    private static final double AFTER_KNOCK = 0.94;
    private static final double PLATE_OFF = 0.03;

    private final TubeTwin twin;
    private final Random random = new Random(SEED);

    DemoStory(Amplifier amplifier) {
        twin = TubeTwin.of(amplifier).orElseThrow();
    }

    /** A climb of the story. */
    record Day(long daysAgo, List<DemoClimb.Row> rows, Conditions conditions) {}

    List<Day> days() {
        List<Day> days = new ArrayList<>();
        for (int day : DAYS) {
            days.add(day(day));
        }
        return days;
    }

    private Day day(int daysAgo) {
        double emission = 1 - SOFTER_A_DAY * Math.max(0, SOFT_FROM_DAY - daysAgo);
        double ohm = daysAgo > HOT_DAY ? COLD_OHM : AFTER_HEAT_OHM;
        double shown = daysAgo > KNOCK_DAY ? 1 : AFTER_KNOCK;
        double line = 1 + 0.003 * random.nextGaussian();
        Probe probe = new TubeTwin(twin.tubes(), twin.constants().scaled(Band.MHZ_14, emission, line, 1, 1))
                .probe(new Setting(Band.MHZ_14, FREQUENCY_HZ, 1, 5, 5, ohm, 0))
                .orElseThrow();
        double back = Mismatch.reflectedShare(ohm, 0);
        List<DemoClimb.Row> rows = new ArrayList<>();
        for (double[] step : LADDER) {
            double plate = probe.resonantPlate(step[1]);
            probe.settle(step[0], plate, step[1]);
            double outputW = probe.outputW() * shown * scatter(0.003);
            boolean low = outputW < 140;
            rows.add(new DemoClimb.Row(
                    Band.MHZ_14,
                    FREQUENCY_HZ,
                    text(step[0], 0.1),
                    text(plate + PLATE_OFF, 0.01),
                    text(step[1], 0.1),
                    text(outputW, low ? 1 : 5),
                    text(probe.plateCurrentA() * scatter(0.002), 0.001),
                    text(Math.max(0.001, probe.gridCurrentA() * scatter(0.01)), 0.001),
                    text(probe.plateVoltageDcV() * scatter(0.001) / 1000, 0.01),
                    Optional.of(text(probe.outputW() * back * scatter(0.02), 0.05)),
                    low ? "150 W" : "1.5 kW",
                    Optional.empty()));
        }
        probe.forget();
        probe.settle(1e-4, probe.resonantPlate(5), 5);
        return new Day(
                daysAgo,
                rows,
                new Conditions(
                        Optional.of((double) Math.round(230 * line)),
                        Optional.of((double) Math.round(17 + 2 * random.nextGaussian())),
                        Optional.of(Math.round(1000 * probe.plateCurrentA()) / 1000.0)));
    }

    private double scatter(double share) {
        return 1 + share * random.nextGaussian();
    }

    private static String text(double value, double step) {
        return java.math.BigDecimal.valueOf(Math.round(value / step))
                .multiply(java.math.BigDecimal.valueOf(step))
                .stripTrailingZeros()
                .toPlainString();
    }
}
