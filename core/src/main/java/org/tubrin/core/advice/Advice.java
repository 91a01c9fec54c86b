package org.tubrin.core.advice;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.tubrin.core.signs.Sign;

/**
 * The next move and why.
 *
 * @param move what to do
 * @param reason why
 * @param beginsFinish whether the step in hand is the last one once it is done
 * @param strikesReadings whether the readings of the step in hand no longer hold once it is done
 * @param recordsStep whether the step in hand is recorded as it is done
 * @param expect output to expect of the step, where it can be said
 * @param cautions dangers at this place
 * @param forDriveW drive that a turn of LOAD is meant for, in watts; absent where it is the drive in hand
 * @param about the sign that it is about; absent where it is about none
 */
public record Advice(
        Move move,
        Reason reason,
        boolean beginsFinish,
        boolean strikesReadings,
        boolean recordsStep,
        Optional<Expectation> expect,
        List<Caution> cautions,
        Optional<Double> forDriveW,
        Optional<Sign.Code> about) {

    public Advice {
        cautions = List.copyOf(cautions);
    }

    static Advice of(Move move, Reason reason, Caution... cautions) {
        return new Advice(
                move,
                reason,
                false,
                false,
                false,
                Optional.empty(),
                List.of(cautions),
                Optional.empty(),
                Optional.empty());
    }

    static Advice striking(Move move, Reason reason, Caution... cautions) {
        return of(move, reason, cautions).with(false, true);
    }

    private Advice with(boolean finishes, boolean strikes) {
        return new Advice(move, reason, finishes, strikes, recordsStep, expect, cautions, forDriveW, about);
    }

    Advice expecting(Optional<Expectation> expectation) {
        return new Advice(
                move, reason, beginsFinish, strikesReadings, recordsStep, expectation, cautions, forDriveW, about);
    }

    Advice about(Sign.Code sign) {
        return new Advice(
                move,
                reason,
                beginsFinish,
                strikesReadings,
                recordsStep,
                expect,
                cautions,
                forDriveW,
                Optional.of(sign));
    }

    Advice meantFor(double driveW) {
        return new Advice(
                move, reason, beginsFinish, strikesReadings, recordsStep, expect, cautions, Optional.of(driveW), about);
    }

    Advice warning(List<Caution> more) {
        List<Caution> all = new ArrayList<>(cautions);
        all.addAll(more);
        return new Advice(move, reason, beginsFinish, strikesReadings, recordsStep, expect, all, forDriveW, about);
    }

    Advice recording() {
        return new Advice(move, reason, beginsFinish, strikesReadings, true, expect, cautions, forDriveW, about);
    }

    Advice beginningFinish() {
        return with(true, strikesReadings);
    }

    /** The rest before something that strikes the readings. */
    Advice restedBy(Advice rest) {
        return rest.with(beginsFinish, strikesReadings);
    }

    /** Returns whether the readings of the step in hand no longer hold once the key is down. */
    boolean strikesWhenKeyed() {
        return strikesReadings && (move instanceof Move.KeyAndPeak || move instanceof Move.Rest);
    }

    /**
     * Output that a step should bring when all is well.
     *
     * @param leastW least, in watts
     * @param mostW most, in watts
     */
    public record Expectation(double leastW, double mostW) {}
}
