package org.tubrin.core.run;

import java.util.List;
import java.util.Optional;
import org.tubrin.core.scope.Look;
import org.tubrin.core.scope.ScopeCheck;

/** The steps of a waveform check, as looks at a scope. */
public final class ScopeSteps {
    private ScopeSteps() {}

    /** Returns where the check stands; empty where it is another kind of run. */
    public static Optional<ScopeCheck> check(TuneSetup setup, List<Step> steps) {
        return setup.customs().scope().map(plan -> ScopeCheck.of(taken(steps)));
    }

    /** Returns the next look; empty where there is none, or it is another kind of run. */
    public static Optional<ScopeCheck.Next> next(TuneSetup setup, List<Step> steps) {
        return check(setup, steps).flatMap(ScopeCheck::next);
    }

    /** Returns the looks that were taken. */
    public static List<ScopeCheck.Taken> taken(List<Step> steps) {
        return steps.stream()
                .map(step -> new ScopeCheck.Taken(
                        look(step).orElse(Look.EXCITER_CARRIER),
                        disagreement(step).isPresent(),
                        step.sight()))
                .toList();
    }

    /** Returns what a step looks at; empty where it was not said, or it is another kind of run. */
    public static Optional<Look> look(Step step) {
        return step.look();
    }

    /** Returns how volts and wattmeter disagree; of a carrier only, since a wattmeter shows the average of tones. */
    public static Optional<LoadVolts.Disagreement> disagreement(Step step) {
        return look(step).filter(look -> !look.hasTones()).isPresent()
                ? LoadVolts.disagreement(step)
                : Optional.empty();
    }

    /** Returns the power to expect at the peaks of a step, in watts; empty where it is not said what is looked at. */
    public static Optional<Double> expectedW(Step step) {
        return step.setup().customs().scope().flatMap(plan -> look(step).map(plan::expectedW));
    }
}
