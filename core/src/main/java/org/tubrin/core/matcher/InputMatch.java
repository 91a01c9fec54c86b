package org.tubrin.core.matcher;

import java.util.Optional;
import org.tubrin.core.tank.Mismatch;

/**
 * What an SWR at an amplifier's input means to the exciter, and the pad that cures it. A pad of {@code a} dB weakens what comes back by
 * {@code 2a} dB: {@code |Γ| = (SWR − 1)/(SWR + 1)} becomes {@code |Γ|·10^(−a/10)}.
 *
 * @param swr at the input, 1 or more
 * @param verdict what it means
 * @param padDb the pad behind which it is fine, in whole decibels; empty where it is
 */
public record InputMatch(double swr, Verdict verdict, Optional<Integer> padDb) {
    /** Up to here it is fine. */
    public static final double FINE_SWR = 1.5;
    /** Up to here it is acceptable. */
    public static final double ACCEPTABLE_SWR = 2;

    private static final double TEN = 10;

    /** What an SWR means. */
    public enum Verdict {
        FINE,
        ACCEPTABLE,
        /** The exciter may fold back. */
        MAY_FOLD_BACK
    }

    /** Returns what an SWR means, as a meter shows it: below 1 there is none. */
    public static InputMatch of(double shownSwr) {
        double swr = Math.max(1, shownSwr);
        Verdict verdict =
                swr <= FINE_SWR ? Verdict.FINE : swr <= ACCEPTABLE_SWR ? Verdict.ACCEPTABLE : Verdict.MAY_FOLD_BACK;
        return new InputMatch(swr, verdict, swr <= FINE_SWR ? Optional.empty() : Optional.of(cureDb(swr)));
    }

    /** Returns the SWR in front of a pad of so many decibels. */
    public double swrBehind(double decibels) {
        return Mismatch.swrOf(Mismatch.reflectionOf(swr) * Math.pow(TEN, -decibels / TEN));
    }

    private static int cureDb(double swr) {
        return (int) Math.ceil(TEN * Math.log10(Mismatch.reflectionOf(swr) / Mismatch.reflectionOf(FINE_SWR)) - 1e-9);
    }
}
