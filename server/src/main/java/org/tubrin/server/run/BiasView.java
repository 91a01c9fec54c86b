package org.tubrin.server.run;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What a bias climb brought; the stair in the unit that the meter is read in.
 *
 * @param unit of the meter
 * @param decimals that are worth showing in it
 * @param potTurns of a pot from end to end
 * @param tolerancePercent what an idle current may be off
 * @param rungs the stair, device by device
 * @param offPercent how far each reading was off its aim, in per cent of the idle current, in their order
 * @param devices where they came to
 * @param says what follows, one sentence each
 */
public record BiasView(
        String unit,
        int decimals,
        double potTurns,
        double tolerancePercent,
        List<BiasRung> rungs,
        List<Double> offPercent,
        List<BiasDeviceView> devices,
        List<String> says) {

    /** One device's step: from what is read without it to what is to be read with it, and what is. */
    public record BiasRung(
            int device,
            double base,
            double aim,
            double tolerance,
            @Nullable Double is) {}

    /** Where a device came to: its current with its 95 % interval in mA, and whether it is within what it may be off. */
    public record BiasDeviceView(
            int device, String current, @Nullable String gate, boolean within, String verdict) {}
}
