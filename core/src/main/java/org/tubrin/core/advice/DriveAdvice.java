package org.tubrin.core.advice;

import java.time.Instant;
import java.util.Optional;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.Ladder;
import org.tubrin.core.run.NextRow;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.Step;
import org.tubrin.core.run.TuneSetup;

/** The next move on a stage without dials: the least drive first, then 3 dB at most a key-down, each row read whole. */
final class DriveAdvice {
    /** Growth per doubling to expect, at least: a stage that is compressed by as much is at its end. */
    private static final double LEAST_GROWTH = 1.2;

    private final RunState state;
    private final TuneSetup setup;
    private final Step draft;
    private final Instant now;

    private DriveAdvice(RunState state, Instant now) {
        this.state = state;
        this.setup = state.setup();
        this.draft = state.draft();
        this.now = now;
    }

    static Advice of(RunState state, Instant now) {
        return new DriveAdvice(state, now).next();
    }

    private Advice next() {
        return Entries.toSettle(state)
                .or(() -> draft.isComplete() ? Optional.of(recordRow()) : Entries.missing(draft))
                .or(() -> state.lastStep().map(this::higher))
                .orElseGet(this::first);
    }

    private Advice recordRow() {
        return Entries.record(
                state, () -> draft.kind() == Step.Kind.FINISH ? Reason.TABLE_IS_DONE : Reason.ROW_IS_GOOD);
    }

    private Advice first() {
        if (draft.position(Control.DRIVE).isEmpty()) {
            double leastW = Ladder.drivesW(setup, state.school()).get(0);
            return Advice.of(
                    new Move.Turn(Control.DRIVE, 0, leastW, 0), Reason.LEAST_DRIVE_FIRST, Caution.BAND_SWITCH_UNKEYED);
        }
        return key(true, Optional.empty());
    }

    private Advice higher(Step last) {
        double lastW = last.driveW().value();
        // The scale of an exciter is off by a share that the last row knows.
        double setAt = last.position(Control.DRIVE).orElse(lastW);
        NextRow next = NextRow.of(setup, state.steps(), state.trips()).orElseThrow();
        double wantedW = next.driveW() * setAt / lastW;
        boolean tooMuch = setup.settableW(wantedW) * lastW / setAt > setup.driveLimitW();
        double toW = Math.min(setup.mostDriveW(), tooMuch ? setup.settableBelowW(wantedW) : setup.settableW(wantedW));
        boolean moved = draft.moved().contains(Control.DRIVE);
        double aheadW = moved ? draft.position(Control.DRIVE).orElse(toW) * lastW / setAt : next.driveW();
        Optional<Advice.Expectation> expect = expectation(last, aheadW / lastW);
        Optional<Advice> range = RangeAdvice.of(state, expect);
        if (range.isPresent()) {
            return range.get();
        }
        if (!moved) {
            Reason reason = switch (next.because()) {
                case RUNG -> Reason.THREE_DECIBELS;
                case RATED -> Reason.RATING_CAPS_DRIVE;
                case TRIPPED -> Reason.TRIP_CAPS_DRIVE;
                case WANTED -> Reason.TO_WANTED_OUTPUT;
            };
            return Advice.of(new Move.Turn(Control.DRIVE, setAt, toW, 0), reason)
                    .expecting(expect);
        }
        return key(isBack(last), expect);
    }

    /** The first key-down after a trip is a short one at a quarter of the drive. */
    private boolean isBack(Step last) {
        return !state.trips().isEmpty()
                && draft.position(Control.DRIVE).orElse(0.0)
                        < last.position(Control.DRIVE).orElse(0.0);
    }

    private Advice key(boolean first, Optional<Advice.Expectation> expect) {
        return Resting.of(state, now)
                .orElseGet(() -> Advice.of(
                                new Move.KeyAndRead(draft.driveW().value(), first),
                                first ? Reason.FILTER_FOLLOWS : Reason.READ_ALL)
                        .expecting(expect));
    }

    private Optional<Advice.Expectation> expectation(Step last, double driveRatio) {
        double doublings = Math.log(driveRatio) / Math.log(2);
        double least = Math.pow(doublings < 0 ? setup.stage().mostGrowthPerDoubling() : LEAST_GROWTH, doublings);
        double most = Math.pow(doublings < 0 ? LEAST_GROWTH : setup.stage().mostGrowthPerDoubling(), doublings);
        return last.measured(ReadingRole.OUTPUT)
                .map(Quantity::value)
                .filter(output -> output > 0)
                .map(output -> new Advice.Expectation(output * least, output * most));
    }
}
