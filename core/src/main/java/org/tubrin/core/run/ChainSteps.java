package org.tubrin.core.run;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.tubrin.core.chain.ChainClimb;
import org.tubrin.core.chain.ChainPoint;
import org.tubrin.core.metering.PowerEntry;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.ErrorSource;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.station.Load;

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
            Optional<Quantity> outputW = outputW(step);
            if (outputW.isPresent()) {
                points.add(new ChainPoint(
                        step.position(Control.ATTENUATOR).orElse(0.0),
                        outputW.get(),
                        step.measured(ReadingRole.GATE_VOLTAGE)));
            }
        }
        return points;
    }

    /** Returns the output that volts from peak to peak over the load tell, with what each look at them leaves open for itself. */
    public static Optional<Quantity> outputW(Step step) {
        return step.setup().termination() instanceof Load load
                ? step.measured(ReadingRole.OUTPUT_VPP)
                        .map(volts -> PowerEntry.watts(
                                volts, PowerEntry.Form.PP, PowerEntry.measuredOhm(load.resistanceColdOhm())))
                        .map(watt -> watt.with(
                                new ErrorSource("eye", ReadingRole.OUTPUT_VPP.name(), "at " + watt.value()),
                                eyeShare(step) * watt.value()))
                : Optional.empty();
    }

    /** Returns the volts from peak to peak over the load to expect at the setting in hand; empty where it is not set, or another kind of run. */
    public static Optional<Double> expectedVpp(TuneSetup setup, List<Step> steps, Step draft) {
        return setup.termination() instanceof Load load
                ? expectedW(setup, steps, draft)
                        .map(watt -> PowerEntry.voltageV(watt, load.resistanceColdOhm(), PowerEntry.Form.PP))
                : Optional.empty();
    }

    /** Returns the output to expect at the setting in hand, in watts; empty where it is not set, or another kind of run. */
    public static Optional<Double> expectedW(TuneSetup setup, List<Step> steps, Step draft) {
        return setup.customs()
                .chain()
                .flatMap(plan ->
                        draft.position(Control.ATTENUATOR).map(db -> ChainClimb.expectedW(plan, points(steps), db)));
    }

    /**
     * By how much volts from peak to peak tell more watts than the wattmeter.
     *
     * @param byVoltsW what the volts tell
     * @param byMeterW what the wattmeter tells
     */
    public record Disagreement(Quantity byVoltsW, Quantity byMeterW) {}

    /** Returns how volts and wattmeter disagree; empty where one was not read, or the 95 % interval of their difference holds zero. */
    public static Optional<Disagreement> disagreement(Step step) {
        return outputW(step)
                .flatMap(byVolts -> step.measured(ReadingRole.OUTPUT)
                        .filter(byMeter -> {
                            Quantity difference = byVolts.minus(byMeter);
                            return Math.abs(difference.value()) > difference.halfWidth95();
                        })
                        .map(byMeter -> new Disagreement(byVolts, byMeter)));
    }

    private static double eyeShare(Step step) {
        return Optional.ofNullable(step.readings().get(ReadingRole.OUTPUT_VPP))
                .filter(reading -> reading.rawValue() > 0)
                .map(reading -> 2 * reading.spread().orElse(0) / reading.rawValue())
                .orElse(0.0);
    }
}
