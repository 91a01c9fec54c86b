package org.tubrin.core.hv;

import java.util.function.DoubleUnaryOperator;
import org.hipparchus.analysis.solvers.BrentSolver;

/**
 * How long a bank holds its voltage after switch-off.
 *
 * <p>Method: {@code C·dVi/dt = −Vi/Ri − ΣV/Rb} for each capacitor, where some resistors may be open. Capacitors that are alike
 * stay alike, so there are two voltages, of those with a resistor and those without, and two exponentials: {@code x(t) =
 * ((λ1·e^(λ2·t) − λ2·e^(λ1·t))·x0 + (e^(λ1·t) − e^(λ2·t))·M·x0)/(λ1 − λ2)}. Source: C. Moler, C. Van Loan, "Nineteen Dubious
 * Ways to Compute the Exponential of a Matrix, Twenty-Five Years Later", SIAM Rev. 45 (2003), 3–49, method 8 (Cayley–Hamilton).
 * Where it passes a voltage is found by Brent's method. Limit: all alike, {@code t = RC·ln(V/V0)} with R the resistors' string
 * beside the bleeder and C the bank's. Cost: some tens of exponentials.
 *
 * @param terminalsS until the whole bank is below the voltage asked for, in seconds; infinite where it stays above for a day
 * @param everyCapacitorS until every single capacitor is too
 * @param worstLeftV of a single capacitor when the terminals are just below
 */
public record BleedDown(double terminalsS, double everyCapacitorS, double worstLeftV) {
    /** How long is looked at. */
    private static final double DAY_S = 24 * 3600.0;

    private static final double FIRST_LOOK_SHARE = 0.05;
    private static final double GROWTH = 1.3;
    private static final double WITHIN_S = 1e-6;
    private static final int MOST_EVALUATIONS = 200;

    /**
     * Returns how a bank runs down from a voltage shared evenly.
     *
     * @param bank the bank
     * @param fromV its voltage at switch-off, above 0
     * @param belowV asked for, 50 V by custom
     * @param openResistors how many equalising resistors are open, 0 to all
     */
    public static BleedDown of(Bank bank, double fromV, double belowV, int openResistors) {
        Course course = Course.of(bank, fromV / bank.count(), openResistors);
        // The bank as a whole is the fastest: its string of resistors and the bleeder side by side.
        double timeConstantS = bank.wholeF() / (1 / (bank.count() * bank.resistorOhm()) + bank.bleederS());
        double terminals = below(course::wholeV, belowV, timeConstantS);
        double every = Math.max(terminals, below(course::mostV, belowV, timeConstantS));
        double left = course.mostV(Double.isInfinite(terminals) ? 0 : terminals);
        return new BleedDown(terminals, every, left);
    }

    /** Returns when a falling voltage passes another, in seconds; infinite where it does not within a day. */
    private static double below(DoubleUnaryOperator voltage, double belowV, double timeConstantS) {
        if (voltage.applyAsDouble(0) < belowV) {
            return 0;
        }
        double from = 0;
        double to = Math.min(DAY_S, FIRST_LOOK_SHARE * timeConstantS);
        while (voltage.applyAsDouble(to) >= belowV) {
            if (to >= DAY_S) {
                return Double.POSITIVE_INFINITY;
            }
            from = to;
            to = Math.min(DAY_S, GROWTH * to);
        }
        return new BrentSolver(WITHIN_S).solve(MOST_EVALUATIONS, t -> voltage.applyAsDouble(t) - belowV, from, to);
    }

    /**
     * The voltages after switch-off.
     *
     * @param open how many capacitors have no resistor
     * @param closed how many have one
     * @param startV of each
     * @param bleedPerS what the bleeder takes of the whole, as a share a second of each
     * @param ownPerS what its own resistor takes of a capacitor
     */
    private record Course(int open, int closed, double startV, double bleedPerS, double ownPerS) {
        static Course of(Bank bank, double startV, int open) {
            return new Course(
                    open,
                    bank.count() - open,
                    startV,
                    bank.bleederS() / bank.eachF(),
                    1 / (bank.resistorOhm() * bank.eachF()));
        }

        double wholeV(double atS) {
            double[] at = at(atS);
            return Math.abs(open * at[0] + closed * at[1]);
        }

        double mostV(double atS) {
            double[] at = at(atS);
            return Math.max(open > 0 ? Math.abs(at[0]) : 0, closed > 0 ? Math.abs(at[1]) : 0);
        }

        /** Returns the voltage of a capacitor without a resistor, and of one with it. */
        private double[] at(double atS) {
            double trace = -(bleedPerS * (open + closed) + ownPerS);
            double determinant = bleedPerS * open * ownPerS;
            double apart = Math.sqrt(Math.max(0, trace * trace - 4 * determinant));
            double fast = (trace - apart) / 2;
            // Not as half a difference: it may be far smaller than either.
            double slow = determinant / fast;
            // The slopes at switch-off.
            double bled = -bleedPerS * (open + closed) * startV;
            double[] slopes = {bled, bled - ownPerS * startV};
            double steady;
            double rising;
            if (apart * atS < 1e-9) {
                steady = Math.exp(slow * atS) * (1 - slow * atS);
                rising = Math.exp(slow * atS) * atS;
            } else {
                steady = (slow * Math.exp(fast * atS) - fast * Math.exp(slow * atS)) / apart;
                rising = (Math.exp(slow * atS) - Math.exp(fast * atS)) / apart;
            }
            return new double[] {steady * startV + rising * slopes[0], steady * startV + rising * slopes[1]};
        }
    }
}
