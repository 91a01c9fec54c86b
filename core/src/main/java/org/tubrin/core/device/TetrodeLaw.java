package org.tubrin.core.device;

import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;

/**
 * Constants of one tetrode: three-halves-power cathode current steered by grid, screen and plate, divided first to the
 * control grid, the rest between plate and screen.
 *
 * <p>Method: {@code Ik = K·max(0, Vg + Vs/μs + Vp/μp)^1.5}; for {@code Vg > 0} the control grid's share by the triode's
 * division ({@code gridDivision}, {@code gridKneeRatio}); the rest splits {@code Ip/Is = Ds·r²/(r^1.5 + kneeOffset)} with
 * {@code r = u/Vs}. Source: as {@link TriodeLaw}; the split is our own fit of the shape of published plate curves, with the
 * plate current falling to zero as the plate nears the cathode.
 *
 * @param perveanceAPerV15 K, 1e-5 to 0.1 A/V^1.5
 * @param screenFactor μs, 1 to 100
 * @param plateFactor μp, 10 to 100 000
 * @param screenDivision Ds, 0.1 to 200
 * @param kneeOffset 0.001 to 10
 * @param gridDivision D of the control grid, 0.1 to 50
 * @param gridKneeRatio r0 of the control grid, 0.01 to 100
 * @param plateRoundingV s, 0.1 to 500 V
 * @param gridOnsetV g0, 0.01 to 50 V
 */
public record TetrodeLaw(
        double perveanceAPerV15,
        double screenFactor,
        double plateFactor,
        double screenDivision,
        double kneeOffset,
        double gridDivision,
        double gridKneeRatio,
        double plateRoundingV,
        double gridOnsetV) {
    public TetrodeLaw {
        new Checks()
                .range("perveanceAPerV15", perveanceAPerV15, 1e-5, 0.1, Unit.ONE)
                .range("screenFactor", screenFactor, 1, 100, Unit.ONE)
                .range("plateFactor", plateFactor, 10, 1e5, Unit.ONE)
                .range("screenDivision", screenDivision, 0.1, 200, Unit.ONE)
                .range("kneeOffset", kneeOffset, 1e-3, 10, Unit.ONE)
                .range("gridDivision", gridDivision, 0.1, 50, Unit.ONE)
                .range("gridKneeRatio", gridKneeRatio, 0.01, 100, Unit.ONE)
                .range("plateRoundingV", plateRoundingV, 0.1, 500, Unit.VOLT)
                .range("gridOnsetV", gridOnsetV, 0.01, 50, Unit.VOLT)
                .done();
    }

    /** Returns the same tube emitting so many times as much. */
    public TetrodeLaw withEmission(double factor) {
        return new TetrodeLaw(
                perveanceAPerV15 * factor,
                screenFactor,
                plateFactor,
                screenDivision,
                kneeOffset,
                gridDivision,
                gridKneeRatio,
                plateRoundingV,
                gridOnsetV);
    }
}
