package org.tubrin.core.quantity;

/**
 * How many decimals a shown value deserves.
 *
 * <p>Source: rounding rule of the Particle Data Group, Review of Particle Physics, 2022, introduction §5.3: two figures of the
 * uncertainty where its three leading figures lie below 355, else one. Changed here: a value is never rounded to tens or
 * hundreds, since an operator compares it with a scale in units.
 */
public final class Rounding {
    private static final int MOST_DECIMALS = 6;

    private Rounding() {}

    /** Returns the decimals to show of a value with this standard uncertainty, both in the unit that is shown; 0 to 6. */
    public static int decimals(double standardUncertainty) {
        if (!(standardUncertainty > 0)) {
            throw new IllegalArgumentException("needs a positive uncertainty, not " + standardUncertainty);
        }
        int exponent = (int) Math.floor(Math.log10(standardUncertainty));
        double leading = standardUncertainty / Math.pow(10, exponent) * 100;
        int figures = leading < 354.5 || leading >= 949.5 ? 2 : 1;
        int carried = leading >= 949.5 ? exponent + 1 : exponent;
        return Math.min(MOST_DECIMALS, Math.max(0, figures - 1 - carried));
    }
}
