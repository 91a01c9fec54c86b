package org.tubrin.core.alc;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Unit;

/**
 * One level of the sound path.
 *
 * @param level of the slider as a share of its way, above 0, to 1
 * @param outputW as an external wattmeter reads it
 * @param eyeW how finely the wattmeter was read there, as a standard uncertainty in watts
 * @param gauge what the exciter's own gauge shows; absent where it was not read
 * @param widthHz how wide the signal was on a display, in hertz; absent where it was not read
 * @param onTheWayDown whether the level was come to from above
 */
public record LevelPoint(
        double level,
        Quantity outputW,
        double eyeW,
        Optional<Double> gauge,
        Optional<Double> widthHz,
        boolean onTheWayDown) {
    /** The least level that can be told from none, as a share of the slider's way. */
    public static final double LEAST_LEVEL = 1e-3;

    public LevelPoint {
        new Checks().range("level", level, LEAST_LEVEL, 1, Unit.ONE).done();
    }

    /** Returns those that were come to from below, in rising order of level. */
    static List<LevelPoint> upwards(List<LevelPoint> points) {
        return points.stream()
                .filter(point -> !point.onTheWayDown())
                .sorted(Comparator.comparingDouble(LevelPoint::level))
                .toList();
    }

    /** Returns the root of the output: in proportion to the level while nothing limits. */
    double root() {
        return Math.sqrt(Math.max(0, outputW.value()));
    }

    /** Returns how well that is known, by what differs from point to point: nothing of the meter's class, which all share. */
    double rootUncertainty() {
        return eyeW / (2 * Math.max(root(), Math.sqrt(eyeW)));
    }
}
