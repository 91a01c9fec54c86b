package org.tubrin.core.practice;

import java.util.ArrayList;
import java.util.List;
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

    /**
     * A key-down as it was left: how things really stood at its end.
     *
     * @param fromS when the key went down, in seconds after the start
     */
    public record KeyDown(double fromS, Sample end) {}

    /** Returns the key-downs in their order. */
    public List<KeyDown> keyDowns() {
        List<KeyDown> all = new ArrayList<>();
        double fromS = 0;
        for (int i = 0; i < samples.size(); i++) {
            Sample here = samples.get(i);
            boolean was = i > 0 && samples.get(i - 1).keyed();
            fromS = here.keyed() && !was ? here.atS() : fromS;
            boolean isLast = i == samples.size() - 1;
            if (here.keyed() && (isLast || !samples.get(i + 1).keyed())) {
                all.add(new KeyDown(fromS, here));
            }
        }
        return List.copyOf(all);
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
