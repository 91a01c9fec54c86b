package org.tubrin.core.metering;

/**
 * Follows the output of one key-down as a meter shows it live, and says when the hand that turns PLATE has gone past the peak.
 *
 * <p>Method: the output stands below its best so far by more than a meter wavers, and has done so for some looks; one that falls
 * further than a turn of PLATE lets it fall was let go with the key. Source: our own. Valid for looks some 50 ms apart. Used by one
 * thread.
 */
public final class PeakWatch {
    /** An output so far below its best says that the hand went past the peak. */
    private static final double FALLEN_SHARE = 0.97;
    /** Below this share of its best an output was not turned down but let go. */
    private static final double LET_GO_SHARE = 0.5;
    /** A fall counts once it is seen so often: a key that goes up lets the output fall as well, and faster. */
    private static final int LOOKS = 3;

    private double best;
    private int fallenFor;

    /** Takes in what the meter shows, in any one unit, not negative; returns whether the hand stands past the peak. */
    public boolean isPast(double output) {
        best = Math.max(best, output);
        boolean falls = output < FALLEN_SHARE * best && output > LET_GO_SHARE * best;
        fallenFor = falls ? fallenFor + 1 : 0;
        return fallenFor >= LOOKS;
    }
}
