package org.tubrin.core.tuneup;

import java.util.List;
import java.util.Optional;

/**
 * The next move and why.
 *
 * @param move what to do
 * @param reason why
 * @param beginsFinish whether the step in hand is the last one once it is done
 * @param strikesReadings whether the readings of the step in hand no longer hold once it is done
 * @param expect output to expect of the step, where it can be said
 * @param cautions dangers at this place
 */
public record Advice(
        Move move,
        Reason reason,
        boolean beginsFinish,
        boolean strikesReadings,
        Optional<Expectation> expect,
        List<Caution> cautions) {

    public Advice {
        cautions = List.copyOf(cautions);
    }

    static Advice of(Move move, Reason reason, Caution... cautions) {
        return new Advice(move, reason, false, false, Optional.empty(), List.of(cautions));
    }

    static Advice striking(Move move, Reason reason, Caution... cautions) {
        return new Advice(move, reason, false, true, Optional.empty(), List.of(cautions));
    }

    Advice expecting(Optional<Expectation> expectation) {
        return new Advice(move, reason, beginsFinish, strikesReadings, expectation, cautions);
    }

    Advice beginningFinish() {
        return new Advice(move, reason, true, strikesReadings, expect, cautions);
    }

    /**
     * Output that a step should bring when all is well.
     *
     * @param leastW least, in watts
     * @param mostW most, in watts
     */
    public record Expectation(double leastW, double mostW) {}
}
