package org.tubrin.core.advice;

import java.time.Instant;
import java.util.Optional;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.Step;
import org.tubrin.core.run.SupplySteps;
import org.tubrin.core.station.Stage;
import org.tubrin.core.switching.NextSupply;
import org.tubrin.core.switching.SupplyLaw;

/** The next move on a stage that switches: its drive once, then the supply's voltage up from the lowest. */
final class SupplyAdvice {
    private static final double SAME = 0.01;
    private static final double NEEDLE_ROOM = 1.05;
    /** A scale is no further off than this; one that seems so was not noted. */
    private static final double WORST_SCALE = 0.15;

    /** A stage may bring more than its maker claims. */
    private static final double OVER_CLAIM = 2;

    private final RunState state;
    private final Step draft;
    private final Instant now;

    private SupplyAdvice(RunState state, Instant now) {
        this.state = state;
        draft = state.draft();
        this.now = now;
    }

    static Advice of(RunState state, Instant now) {
        return new SupplyAdvice(state, now).next();
    }

    private Advice next() {
        return Entries.toSettle(state)
                .or(() -> draft.isComplete() && !draft.readings().isEmpty()
                        ? Optional.of(Entries.record(state, () -> Reason.SUPPLY_IS_READ))
                        : Entries.missing(draft))
                .or(this::drive)
                .or(() -> SupplySteps.next(state.setup(), state.steps(), SupplySteps.modules(draft))
                        .map(this::towards))
                // Without a next voltage the run is no longer in its climb.
                .orElseThrow();
    }

    private Optional<Advice> drive() {
        double driveW =
                SupplySteps.stage(state.setup()).map(Stage.Switching::driveW).orElseThrow();
        return draft.position(Control.DRIVE).isPresent()
                ? Optional.empty()
                : Optional.of(Advice.of(new Move.Turn(Control.DRIVE, 0, driveW, 0), Reason.SUPPLY_DRIVE));
    }

    private Advice towards(NextSupply next) {
        double stands = draft.position(Control.SUPPLY).orElse(0.0);
        double setV = within(next.supplyV() * scaleShare());
        boolean isSet = draft.moved().contains(Control.SUPPLY)
                || (state.steps().isEmpty() && Math.abs(stands / setV - 1) < SAME);
        Optional<Advice.Expectation> expect = expected(isSet ? stands / scaleShare() : next.supplyV());
        Optional<Advice> range = next.because() == NextSupply.Because.WANTED
                ? RangeAdvice.toRead(
                        state, state.setup().customs().wantedOutputW().orElseThrow())
                : RangeAdvice.of(state, expect.map(this::onScale));
        if (range.isPresent()) {
            return range.get();
        }
        if (!isSet) {
            return Advice.of(new Move.Turn(Control.SUPPLY, stands, setV, 0), reason(next))
                    .expecting(expect);
        }
        return Resting.of(state, now)
                .orElseGet(() -> Advice.of(new Move.KeyAndRead(draft.driveW().value(), false), Reason.SUPPLY_READ)
                        .expecting(expect));
    }

    /** Its scale may be off, and so may what is read: neither is to pass what the stage takes. */
    private double within(double volts) {
        Stage.Switching stage = SupplySteps.stage(state.setup()).orElseThrow();
        return Math.max(stage.leastSupplyDcV(), Math.min(stage.mostSupplyDcV(), volts));
    }

    /** Once there are rows a range is for what is expected: on a wider one the same output is read worse, and a needle at its end is seen. */
    private Advice.Expectation onScale(Advice.Expectation expect) {
        double middleW = (expect.leastW() + expect.mostW()) / 2;
        return state.steps().isEmpty()
                ? expect
                : new Advice.Expectation(expect.leastW(), Math.min(expect.mostW(), NEEDLE_ROOM * middleW));
    }

    /** What the supply's own scale shows of the volts that are read, by the last row; 1 before one, or where the two are too far apart. */
    private double scaleShare() {
        return state.lastStep()
                .flatMap(last -> last.position(Control.SUPPLY)
                        .flatMap(at -> last.measured(ReadingRole.SUPPLY_VOLTAGE).map(read -> at / read.value())))
                .filter(share -> Math.abs(share - 1) < WORST_SCALE)
                .orElse(1.0);
    }

    private Reason reason(NextSupply next) {
        boolean departs = SupplyLaw.departure(SupplySteps.rows(state.steps(), SupplySteps.modules(draft)))
                .isPresent();
        if (departs) {
            return Reason.SUPPLY_NOT_SQUARE;
        }
        return switch (next.because()) {
            case LEAST -> Reason.SUPPLY_LEAST;
            case THREE_DECIBELS -> Reason.SUPPLY_UP;
            case WANTED -> Reason.SUPPLY_TO_WANTED;
            case RATED -> Reason.SUPPLY_RATED;
            case CURRENT -> Reason.SUPPLY_CURRENT_CAPS;
            case TOP -> Reason.SUPPLY_TOP;
        };
    }

    /** Output goes with the square of volts, which modules add up; before the first row, at most twice the claim. */
    private Optional<Advice.Expectation> expected(double supplyV) {
        Stage.Switching stage = SupplySteps.stage(state.setup()).orElseThrow();
        double ofMost = supplyV / stage.mostSupplyDcV() * SupplySteps.modules(draft) / stage.moduleCount();
        double claimW = state.setup().amplifier().ratedOutputW() * ofMost * ofMost;
        return Optional.of(SupplyLaw.of(SupplySteps.rows(state.steps(), SupplySteps.modules(draft)))
                .map(law -> law.outputW(supplyV))
                .map(output -> new Advice.Expectation(
                        Math.max(0, output.value() - output.halfWidth95()), output.value() + output.halfWidth95()))
                .orElseGet(() -> new Advice.Expectation(0, OVER_CLAIM * claimW)));
    }
}
