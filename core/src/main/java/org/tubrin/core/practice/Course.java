package org.tubrin.core.practice;

import java.util.List;
import java.util.stream.IntStream;
import org.tubrin.core.signs.Sign;

/**
 * What happened in a play, for looking at it afterwards.
 *
 * @param samples how things really stood, in their order: each change, and five a second while the key is down
 * @param moments what cost something, in the order in which it began
 */
public record Course(List<Sample> samples, List<Moment> moments) {
    public Course {
        samples = List.copyOf(samples);
        moments = List.copyOf(moments);
    }

    /**
     * How things really stood, so many seconds after the start; powers in watts, currents in amperes.
     *
     * @param plateHeatShare how warm the plates are, of what their rated heat makes them
     */
    public record Sample(
            double atS,
            boolean keyed,
            double driveW,
            double plate,
            double load,
            double outputW,
            double plateCurrentA,
            double gridCurrentA,
            double plateVoltageV,
            double plateHeatShare) {}

    /** Returns how things stood at the end of each key-down, in their order. */
    public List<Sample> keyDowns() {
        return IntStream.range(0, samples.size())
                .filter(place -> samples.get(place).keyed()
                        && (place == samples.size() - 1
                                || !samples.get(place + 1).keyed()))
                .mapToObj(samples::get)
                .toList();
    }

    /**
     * Something that cost.
     *
     * @param fromS when it began, in seconds after the start
     * @param toS when it was over; the same where it does not last
     * @param most how far it went at worst: a share of its limit, or 0 where there is none
     * @param signs what the readings taken until then said
     */
    public record Moment(Cost cost, double fromS, double toS, double most, List<Sign.Code> signs) {
        public Moment {
            signs = List.copyOf(signs);
        }

        /** Returns how long it lasted, in seconds. */
        public double lastedS() {
            return toS - fromS;
        }
    }
}
