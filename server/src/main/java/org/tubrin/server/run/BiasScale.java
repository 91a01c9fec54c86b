package org.tubrin.server.run;

import java.util.Optional;
import org.tubrin.core.bias.BiasPlan;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.run.BiasSteps;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.server.words.Figures;

/**
 * The scale that a bias climb is read on: sentences, stair and table all speak in the unit of the meter in hand.
 *
 * @param plan what is set
 * @param unit of the meter
 */
record BiasScale(BiasPlan plan, ScaleUnit unit) {
    /** A tenth of a thousandth, whether the scale counts thousandths or not. */
    private static final double STEP = 1e-4;

    /** Returns the scale of a run; empty where it is another kind of run. */
    static Optional<BiasScale> of(TuneSetup setup) {
        return setup.customs()
                .bias()
                .flatMap(plan -> setup.channelFor(BiasSteps.role(plan))
                        .map(channel -> new BiasScale(plan, channel.scaleUnit())));
    }

    /** Returns what the meter shows at a current, in its unit. */
    double shown(double amperes) {
        return plan.shown(amperes) / unit.inUnit();
    }

    /** Returns how many places are worth showing. */
    int decimals() {
        return (int) Math.round(Math.log10(unit.inUnit() / STEP));
    }

    /** Returns a value of the meter's role, in its unit. */
    String words(double value) {
        return Figures.fixed(value / unit.inUnit(), decimals());
    }
}
