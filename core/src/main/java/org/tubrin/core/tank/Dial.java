package org.tubrin.core.tank;

import org.tubrin.core.quantity.Because;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;

/**
 * A dial with a printed scale.
 *
 * @param least lowest printed mark, −1000 to 1000
 * @param most highest printed mark, above least
 * @param markStep distance of the numbered marks, above 0; "a mark" of advice
 */
public record Dial(double least, double most, double markStep) {

    public Dial {
        new Checks()
                .range("least", least, -1000, 1000, Unit.MARK)
                .range("most", most, least + 1e-3, 2000, Unit.MARK, Because.LEAST_MARK)
                .range("markStep", markStep, 1e-3, Math.max(1e-3, most - least), Unit.MARK)
                .done();
    }

    /** Returns the nearest position that the dial has. */
    public double clamp(double position) {
        return Math.min(most, Math.max(least, position));
    }

    /** Returns whether the position lies on the scale. */
    public boolean holds(double position) {
        return position >= least && position <= most;
    }

    /** Returns the position so many marks up the scale (down for negative), stopped at the ends, to a hundredth of a mark. */
    public double turned(double from, double marks) {
        double grain = markStep / 100;
        return clamp(Math.rint((from + marks * markStep) / grain) * grain);
    }
}
