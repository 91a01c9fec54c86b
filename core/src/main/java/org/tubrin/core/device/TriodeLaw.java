package org.tubrin.core.device;

import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;

/**
 * Constants of one triode for the three-halves-power law with a division of the cathode current between plate and grid.
 *
 * <p>Method: with grid and plate voltages {@code g}, {@code p} against the cathode, {@code e = g + p/μ} and
 * {@code Ik = K·max(0, e)^1.5}; for {@code g > 0} the plate gets {@code f/(1+f)} of it,
 * {@code f = D·u/√(ge·(u + r0·ge))}, {@code ge = g²/(g + g0)}, {@code u} the plate voltage, rounded off below {@code s}.
 *
 * <p>Source: C. D. Child, "Discharge from hot CaO", Phys. Rev. 32 (1911) 492–511, for the power; the division follows
 * {@code D·√(p/g)} of K. R. Spangenberg, "Vacuum Tubes" (1948), ch. 9, with a knee of our own below {@code r0}, since the
 * bare square root lets efficiency rise beyond what tubes show.
 *
 * @param perveanceAPerV15 K, 1e-5 to 0.1 A/V^1.5
 * @param amplificationFactor μ, 5 to 1000
 * @param division D, 0.1 to 50
 * @param kneeRatio r0, 0.01 to 100
 * @param plateRoundingV s, 0.1 to 500 V
 * @param gridOnsetV g0, 0.01 to 50 V
 * @param plateCathodeF capacitance from plate to cathode, 0 to 20 pF
 * @param softCutOffV width over which the current sets in, 0 to 100 V; 0 for a sharp cut-off
 */
public record TriodeLaw(
        double perveanceAPerV15,
        double amplificationFactor,
        double division,
        double kneeRatio,
        double plateRoundingV,
        double gridOnsetV,
        double plateCathodeF,
        double softCutOffV) {
    public TriodeLaw {
        new Checks()
                .range("perveanceAPerV15", perveanceAPerV15, 1e-5, 0.1, Unit.ONE)
                .range("amplificationFactor", amplificationFactor, 5, 1000, Unit.ONE)
                .range("division", division, 0.1, 50, Unit.ONE)
                .range("kneeRatio", kneeRatio, 0.01, 100, Unit.ONE)
                .range("plateRoundingV", plateRoundingV, 0.1, 500, Unit.VOLT)
                .range("gridOnsetV", gridOnsetV, 0.01, 50, Unit.VOLT)
                .range("plateCathodeF", plateCathodeF, 0, 20e-12, Unit.FARAD)
                .range("softCutOffV", softCutOffV, 0, 100, Unit.VOLT)
                .done();
    }

    /** Returns the same tube emitting so many times as much. */
    public TriodeLaw withEmission(double factor) {
        return new TriodeLaw(
                perveanceAPerV15 * factor,
                amplificationFactor,
                division,
                kneeRatio,
                plateRoundingV,
                gridOnsetV,
                plateCathodeF,
                softCutOffV);
    }
}
