package org.tubrin.core.metering;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.tubrin.core.quantity.Quantity;

/**
 * Which of some channels knows a value best.
 *
 * @param value what is to be read, in the core's unit
 * @param ranked the channels that can read it, the surest first
 */
public record Belief(double value, List<Candidate> ranked) {
    public Belief {
        ranked = List.copyOf(ranked);
    }

    /**
     * A channel on the range that one would use.
     *
     * @param instrument name of the meter
     * @param range the range
     * @param measured what a reading of the value would be worth
     */
    public record Candidate(String instrument, MeterRange range, Quantity measured) {}

    /** A channel of a meter. */
    public record Source(String instrument, Channel channel) {}

    /** Returns values of a role at which it is worth asking, in the core's unit: a low step, a middle one, full output. */
    public static List<Double> usual(ReadingRole role) {
        return switch (role) {
            case OUTPUT -> List.of(10.0, 50.0, 120.0, 400.0, 900.0);
            case PLATE_CURRENT -> List.of(0.15, 0.5);
            case GRID_CURRENT -> List.of(0.02, 0.15);
            case PLATE_VOLTAGE -> List.of(2500.0);
            case SUPPLY_CURRENT -> List.of(20.0);
            case SUPPLY_VOLTAGE -> List.of(13.8);
            case INPUT_POWER -> List.of(1.5, 10.0, 50.0);
            case SCREEN_CURRENT,
                    OTHER_OUTPUT,
                    REFLECTED,
                    INPUT_SWR,
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
                    SIGNAL_WIDTH -> List.of();
        };
    }

    /** Returns who knows a value best; channels whose widest range ends below it are left out. */
    public static Belief of(double value, List<Source> sources) {
        List<Candidate> candidates = new ArrayList<>();
        for (Source source : sources) {
            MeterRange range = source.channel().rangeFor(value);
            if (range.fullScale() >= value) {
                candidates.add(new Candidate(
                        source.instrument(), range, source.channel().measured(value, source.instrument(), range)));
            }
        }
        candidates.sort(Comparator.comparingDouble(one -> one.measured().standardUncertainty()));
        return new Belief(value, candidates);
    }
}
