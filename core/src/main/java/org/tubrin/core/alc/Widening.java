package org.tubrin.core.alc;

import java.util.List;
import java.util.Optional;

/**
 * Where a signal becomes wider than it was below: a witness of the knee that owes nothing to the wattmeter.
 *
 * @param before highest level at which it was as narrow as below, as a share of the slider's way
 * @param from lowest level at which it was wider
 * @param narrowHz how wide it was below, in hertz
 * @param wideHz how wide it was there
 */
public record Widening(double before, double from, double narrowHz, double wideHz) {
    /** By this much it is more than a display lets one read off. */
    private static final double WIDER = 1.25;

    private static final int LEAST_WIDE = 2;

    /** How it stands to the knee by output. */
    public enum Against {
        /** Within the knee's interval. */
        AGREES,
        /** Below it: something before the level control is overdriven. */
        EARLIER,
        /** Above it. */
        LATER
    }

    /** Returns where points that were come to from below become wider; empty with less than three narrow ones or two wide ones. */
    static Optional<Widening> of(List<LevelPoint> points) {
        List<LevelPoint> read = LevelPoint.upwards(points).stream()
                .filter(point -> point.widthHz().isPresent())
                .toList();
        for (int first = Knee.LEAST_BELOW; first <= read.size() - LEAST_WIDE; first++) {
            double narrowHz = middle(read.subList(0, first));
            if (read.subList(first, read.size()).stream().allMatch(point -> width(point) > WIDER * narrowHz)) {
                return Optional.of(new Widening(
                        read.get(first - 1).level(), read.get(first).level(), narrowHz, width(read.get(first))));
            }
        }
        return Optional.empty();
    }

    private static double width(LevelPoint point) {
        return point.widthHz().orElseThrow();
    }

    private static double middle(List<LevelPoint> points) {
        return points.stream().mapToDouble(Widening::width).sorted().toArray()[points.size() / 2];
    }

    /** Returns how it stands to a knee by output. */
    public Against against(Knee knee) {
        if (from < knee.level() - knee.halfWidth()) {
            return Against.EARLIER;
        }
        return before > knee.level() + knee.halfWidth() ? Against.LATER : Against.AGREES;
    }
}
