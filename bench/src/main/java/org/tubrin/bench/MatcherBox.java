package org.tubrin.bench;

import java.util.Random;
import org.tubrin.core.station.Matcher;

/**
 * A matcher as it really is: it needs a little more or less than its maker says, reaches a little further or less far, and leaves a
 * little mismatch. It tunes by itself while it is in line and carries enough.
 */
public final class MatcherBox {
    private static final double TUNES_FOR_S = 1.2;
    /** What its coils and capacitors let through. */
    private static final double THROUGH_SHARE = 0.95;

    private static final double SAME_SWR = 0.02;

    private final double needsW;
    private final double reachSwr;
    private final double leftSwr;
    private boolean inLine;
    private double tunedForS;
    private double tunedFor;

    /** A matcher whose truth belongs to a seed. */
    public MatcherBox(Matcher record, long seed) {
        Random random = new Random(seed);
        needsW = record.leastW() * (0.85 + 0.15 * random.nextDouble());
        reachSwr = record.reachSwr() * (1 + 0.15 * random.nextDouble());
        leftSwr = 1.05 + 0.25 * random.nextDouble();
    }

    /** Puts it in line, or out; what it had found is still there when it comes in again. */
    public void inLine(boolean in) {
        inLine = in;
    }

    public boolean inLine() {
        return inLine;
    }

    /** Lets time pass with so much power at its input, in watts, and an SWR behind it. */
    public void pass(double inputW, double swrBehind, double s) {
        boolean isFound = tunedForS >= TUNES_FOR_S && isFor(swrBehind);
        if (!isFound && inLine && inputW >= needsW) {
            tunedForS = isFor(swrBehind) ? tunedForS + s : s;
            tunedFor = swrBehind;
        }
    }

    /** Returns whether what it found, or is finding, is for an SWR. */
    private boolean isFor(double swrBehind) {
        return Math.abs(tunedFor - swrBehind) < SAME_SWR * swrBehind;
    }

    /** Returns whether an SWR behind it is within its true reach. */
    public boolean canMatch(double swrBehind) {
        return swrBehind <= reachSwr;
    }

    /** Returns whether it has matched what is behind it, of that SWR. */
    public boolean matches(double swrBehind) {
        return inLine && tunedForS >= TUNES_FOR_S && isFor(swrBehind) && canMatch(swrBehind);
    }

    /** Returns the SWR in front of it. */
    public double swr(double swrBehind) {
        return matches(swrBehind) ? Math.min(leftSwr, swrBehind) : swrBehind;
    }

    /** Returns the share of the power that it lets through. */
    double throughShare() {
        return inLine ? THROUGH_SHARE : 1;
    }
}
