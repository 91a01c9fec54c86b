package org.tubrin.core.advice;

import java.util.Optional;
import org.tubrin.core.budget.LimitKind;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.LoadTarget;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.School;
import org.tubrin.core.run.Step;
import org.tubrin.core.run.TuneSetup;

/** For schools that load to a current: where it should stand, and which way LOAD goes when it does not. */
final class TargetAdvice {
    /** Heavier by half a mark adds about this much heat. */
    private static final double NEARLY = 0.9;

    /** A current this near to its target, as a share of it, is there. */
    private static final double NEAR = 0.07;

    /** More tries than this at one step are not worth the heat: it is taken as it stands. */
    private static final int MOST_TRIES = 3;

    /** Share of the output that heavier coupling may not cost. */
    private static final double KEPT = 0.95;

    private final RunState state;
    private final TuneSetup setup;
    private final Step draft;

    private TargetAdvice(RunState state) {
        this.state = state;
        this.setup = state.setup();
        this.draft = state.draft();
    }

    /** Returns where the current of the school stands at this drive, in amperes; empty where it goes by output. */
    static Optional<Double> targetA(RunState state) {
        return new TargetAdvice(state).target();
    }

    /** Returns how LOAD goes nearer to the target; empty where it is there, or LOAD is at its end. */
    static Optional<Advice> of(RunState state) {
        return new TargetAdvice(state).next();
    }

    private Optional<Double> target() {
        return switch (state.school().aim()) {
            case OUTPUT -> Optional.empty();
            case DIP -> Optional.of(LoadTarget.dipA(setup, draft.driveW().value()));
            case GRID -> draft.isAtTheTop() ? Optional.of(LoadTarget.gridA(setup)) : Optional.empty();
        };
    }

    private Optional<Advice> next() {
        if (state.keyDownsInStep() >= MOST_TRIES || target().isEmpty()) {
            return Optional.empty();
        }
        double targetA = target().get();
        boolean dip = state.school().aim() == School.Aim.DIP;
        ReadingRole role = dip ? ReadingRole.PLATE_CURRENT : ReadingRole.GRID_CURRENT;
        Optional<Double> reading = draft.measured(role).map(Quantity::value);
        if (reading.isEmpty()) {
            return Optional.empty();
        }
        double off = reading.get() / targetA - 1;
        if (dip) {
            // Heavier coupling raises the dip; where the efficiency is low the output bears no more of it.
            boolean isThere = Math.abs(off) <= NEAR || (off < 0 && isPoor(draft));
            return back().or(() -> isThere
                    ? Optional.empty()
                    : turn(off < 0 ? 1 : -1, off < 0 ? Reason.DIP_BELOW_TARGET : Reason.DIP_ABOVE_TARGET));
        }
        double limitA = setup.tubes().gridCurrentLimitA();
        if (reading.get() > limitA * setup.customs().gridMostShare()) {
            return turn(1, Reason.GRID_ABOVE_WINDOW);
        }
        return reading.get() < limitA * setup.customs().gridLeastShare()
                ? turn(-1, Reason.GRID_BELOW_WINDOW)
                : Optional.empty();
    }

    /** Heavier raises the dip, but costs output from some place on: then LOAD goes back to where it stood. */
    private Optional<Advice> back() {
        Optional<Double> output = draft.measured(ReadingRole.OUTPUT).map(Quantity::value);
        double loadAt = draft.position(Control.LOAD).orElse(0.0);
        return state.struck()
                .filter(before -> before.driveW().value() == draft.driveW().value()
                        && before.measured(ReadingRole.OUTPUT)
                                .filter(most -> output.filter(now -> now < KEPT * most.value())
                                        .isPresent())
                                .isPresent())
                .flatMap(before -> before.position(Control.LOAD))
                .map(to -> new Move.Turn(Control.LOAD, loadAt, to, setup.tubes().marksHeavier(loadAt, to)))
                .filter(turn -> turn.marks() < 0)
                .map(turn -> Advice.striking(turn, Reason.DIP_COSTS_OUTPUT));
    }

    /** Returns whether a step's efficiency is lower than a stage that is tuned has. */
    static boolean isPoor(Step step) {
        return step.budget()
                .efficiency()
                .map(Quantity::value)
                .filter(efficiency -> efficiency < step.setup().settings().efficiencyLow())
                .isPresent();
    }

    /** Returns whether a step tuned for output turns so much into heat, or nearly, that heavier coupling would be too much for the plates. */
    static boolean isHot(Step step) {
        return step.school().aim() == School.Aim.OUTPUT
                && step.room().stream()
                        .anyMatch(room -> room.kind() == LimitKind.HEAT_PER_TUBE
                                && room.value().value() > NEARLY * room.limit());
    }

    /** Returns half a mark heavier, or lighter, where LOAD has that far to go. */
    private Optional<Advice> turn(int heavier, Reason reason) {
        double marks = heavier * setup.settings().finishMarks();
        return draft.position(Control.LOAD)
                .map(at -> new Move.Turn(Control.LOAD, at, setup.tubes().heavier(at, marks), marks))
                .filter(turn -> turn.from() != turn.to())
                .map(turn -> Advice.striking(turn, reason));
    }
}
