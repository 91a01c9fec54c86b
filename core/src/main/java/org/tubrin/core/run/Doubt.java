package org.tubrin.core.run;

import java.util.Optional;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.Reading;
import org.tubrin.core.metering.ReadingRole;

/** Why a reading is asked about: it is kept all the same. */
public enum Doubt {
    /** At the end of the range in use, or beyond it. */
    BEYOND_RANGE,
    /** About ten times what is likely, or more. */
    TENFOLD_HIGH,
    /** About a tenth of what is likely, or less. */
    TENFOLD_LOW;

    private static final double FACTOR = 5;

    /** Returns what is doubtful about a reading of a step, seen against the step before. */
    static Optional<Doubt> of(Reading reading, Step step, Optional<Step> before) {
        if (step.confirmed().contains(reading.role())) {
            return Optional.empty();
        }
        double value = Math.abs(reading.rawValue());
        Optional<Double> fullScale = step.setup()
                .channelFor(reading.role())
                .flatMap(channel -> range(channel, reading))
                .map(MeterRange::fullScale);
        boolean readOffTheScale = reading.ownUncertainty().isEmpty();
        if (reading.role() != ReadingRole.ALC_GAUGE
                && readOffTheScale
                && fullScale.isPresent()
                && value >= fullScale.get()) {
            return Optional.of(BEYOND_RANGE);
        }
        return likely(reading.role(), step, before)
                .flatMap(likely -> value > likely.most() * FACTOR
                        ? Optional.of(TENFOLD_HIGH)
                        : value > 0 && value < likely.least() / FACTOR ? Optional.of(TENFOLD_LOW) : Optional.empty());
    }

    private static Optional<MeterRange> range(Channel channel, Reading reading) {
        return channel.range(reading.range());
    }

    /** Both grow about as the drive does; a ladder may leap. */
    private static Likely grown(double value, double driveRatio) {
        return new Likely(value * Math.min(1, driveRatio), value * Math.max(2, driveRatio));
    }

    private static Optional<Likely> likely(ReadingRole role, Step step, Optional<Step> before) {
        return switch (role) {
            case INPUT_POWER, OUTPUT, OTHER_OUTPUT, GRID_CURRENT ->
                before.filter(last -> step.setup().stage().amplifies())
                        .flatMap(last -> Optional.ofNullable(last.readings().get(role))
                                .map(Reading::rawValue)
                                .filter(value -> value > 0)
                                .map(value -> grown(
                                        value,
                                        step.driveW().value() / last.driveW().value())));
            case PLATE_CURRENT,
                    SCREEN_CURRENT,
                    PLATE_VOLTAGE,
                    REFLECTED,
                    INPUT_SWR,
                    SUPPLY_CURRENT,
                    SUPPLY_VOLTAGE,
                    HEAT_SINK,
                    ALC_GAUGE,
                    SENSE_VOLTAGE,
                    DEVICE_CURRENT,
                    GATE_VOLTAGE,
                    GATE_RF,
                    OUTPUT_VPP,
                    PHASE,
                    LINE_VOLTAGE,
                    LINE_CURRENT,
                    SIGNAL_WIDTH -> step.setup().stage().likely(role);
        };
    }
}
