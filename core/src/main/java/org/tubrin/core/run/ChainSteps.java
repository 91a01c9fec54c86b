package org.tubrin.core.run;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.tubrin.core.chain.ChainClimb;
import org.tubrin.core.chain.ChainPoint;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;

/** The steps of a chain that is driven up, as levels. */
public final class ChainSteps {
    private ChainSteps() {}

    /** Returns where the way up stands; empty where it is another kind of run. */
    public static Optional<ChainClimb> climb(TuneSetup setup, List<Step> steps) {
        return setup.customs().chain().map(plan -> ChainClimb.of(plan, points(steps)));
    }

    /** Returns the next setting; empty where there is none, or it is another kind of run. */
    public static Optional<ChainClimb.Next> next(TuneSetup setup, List<Step> steps) {
        return climb(setup, steps).flatMap(ChainClimb::next);
    }

    /** Returns the readings of the steps. */
    public static List<ChainPoint> points(List<Step> steps) {
        List<ChainPoint> points = new ArrayList<>();
        for (Step step : steps) {
            Optional<Quantity> outputW = LoadVolts.outputW(step);
            if (outputW.isPresent()) {
                points.add(new ChainPoint(
                        step.position(Control.ATTENUATOR).orElse(0.0),
                        outputW.get(),
                        step.measured(ReadingRole.GATE_VOLTAGE)));
            }
        }
        return points;
    }

    /** Returns the volts from peak to peak over the load to expect at the setting in hand; empty where it is not set, or another kind of run. */
    public static Optional<Double> expectedVpp(TuneSetup setup, List<Step> steps, Step draft) {
        return expectedW(setup, steps, draft).flatMap(watt -> LoadVolts.ofW(setup, watt));
    }

    /** Returns the output to expect at the setting in hand, in watts; empty where it is not set, or another kind of run. */
    public static Optional<Double> expectedW(TuneSetup setup, List<Step> steps, Step draft) {
        return setup.customs()
                .chain()
                .flatMap(plan ->
                        draft.position(Control.ATTENUATOR).map(db -> ChainClimb.expectedW(plan, points(steps), db)));
    }
}
