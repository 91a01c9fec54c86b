package org.tubrin.bench.campaign;

import java.util.Arrays;
import java.util.SplittableRandom;
import org.tubrin.core.quantity.Quantity;

/**
 * The interval about a quantity that holds the truth with 95 %.
 *
 * <p>Method: each of its shares lies anywhere within √3 standard uncertainties with equal chance, as the class of a meter is
 * understood; their sum by trials from one seed. A few such errors together hold 95 % within less than 1.96 standard
 * uncertainties, the factor of a normal distribution. Source: JCGM 101:2008, 7.
 */
public final class Coverage {
    private static final int TRIALS = 20_000;
    private static final double LEVEL = 0.95;

    private Coverage() {}

    /** Returns half the width of the interval, in the quantity's unit. */
    public static double halfWidth(Quantity quantity) {
        SplittableRandom random = new SplittableRandom(1);
        double[] shares = quantity.contributions().values().stream()
                .mapToDouble(share -> Math.sqrt(3) * share)
                .toArray();
        double[] off = new double[TRIALS];
        for (int trial = 0; trial < TRIALS; trial++) {
            for (double share : shares) {
                off[trial] += share * (2 * random.nextDouble() - 1);
            }
            off[trial] = Math.abs(off[trial]);
        }
        Arrays.sort(off);
        return off[(int) (LEVEL * TRIALS)];
    }
}
