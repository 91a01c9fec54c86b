package org.tubrin.core.hv;

import java.util.Arrays;
import org.hipparchus.ode.ODEState;
import org.hipparchus.ode.ODEStateAndDerivative;
import org.hipparchus.ode.OrdinaryDifferentialEquation;
import org.hipparchus.ode.nonstiff.DormandPrince853Integrator;

/**
 * How long a bank holds its voltage after switch-off.
 *
 * <p>Method: {@code C·dVi/dt = −Vi/Ri − ΣV/Rb} for each capacitor, by an integrator of Dormand and Prince, order 8(5,3), with
 * steps chosen by its own error; one resistor may be open. Source: E. Hairer, S. Nørsett, G. Wanner, "Solving Ordinary
 * Differential Equations I" (1993), §II.10. Limit: all alike, {@code t = RC·ln(V/V0)} with R the resistors' string beside the
 * bleeder and C the bank's. Cost: some hundred steps.
 *
 * @param terminalsS until the whole bank is below the voltage asked for, in seconds; infinite where it stays above for a day
 * @param everyCapacitorS until every single capacitor is too
 * @param worstLeftV of a single capacitor when the terminals are just below
 */
public record BleedDown(double terminalsS, double everyCapacitorS, double worstLeftV) {
    /** How long is looked at. */
    private static final double DAY_S = 24 * 3600.0;

    private static final double RELATIVE = 1e-8;
    private static final double SLICES_PER_TIME_CONSTANT = 20;
    private static final double GROWTH = 1.02;

    /**
     * Returns how a bank runs down from a voltage shared evenly.
     *
     * @param bank the bank
     * @param fromV its voltage at switch-off, above 0
     * @param belowV asked for, 50 V by custom
     * @param openResistors how many equalising resistors are open, 0 to all
     */
    public static BleedDown of(Bank bank, double fromV, double belowV, int openResistors) {
        int n = bank.count();
        double[] perOhm = new double[n];
        for (int i = 0; i < n; i++) {
            perOhm[i] = i < openResistors ? 0 : 1 / bank.resistorOhm();
        }
        double perBleederOhm = bank.bleederS();
        double[] even = new double[n];
        Arrays.fill(even, fromV / n);
        // The bank as a whole is the fastest: its string of resistors and the bleeder side by side.
        double timeConstantS = bank.wholeF() / (1 / (n * bank.resistorOhm()) + perBleederOhm);
        return watched(new Law(bank.eachF(), perOhm, perBleederOhm), even, belowV, timeConstantS);
    }

    private static BleedDown watched(Law law, double[] even, double belowV, double timeConstantS) {
        ODEStateAndDerivative at = law.start(even);
        double terminals = sum(even) < belowV ? 0 : Double.POSITIVE_INFINITY;
        double every = most(even) < belowV ? 0 : Double.POSITIVE_INFINITY;
        double left = most(even);
        double sliceS = timeConstantS / SLICES_PER_TIME_CONSTANT;
        while (at.getTime() < DAY_S && (Double.isInfinite(terminals) || Double.isInfinite(every))) {
            ODEStateAndDerivative next = law.after(at, Math.min(DAY_S, at.getTime() + sliceS));
            double before = sum(at.getPrimaryState());
            double after = sum(next.getPrimaryState());
            if (Double.isInfinite(terminals) && after < belowV) {
                terminals = crossing(at.getTime(), before, next.getTime(), after, belowV);
                left = most(next.getPrimaryState());
            }
            double mostBefore = most(at.getPrimaryState());
            double mostAfter = most(next.getPrimaryState());
            if (Double.isInfinite(every) && mostAfter < belowV && after < belowV) {
                every = mostBefore < belowV
                        ? terminals
                        : crossing(at.getTime(), mostBefore, next.getTime(), mostAfter, belowV);
            }
            sliceS *= GROWTH;
            at = next;
        }
        return new BleedDown(terminals, every, left);
    }

    /** Where an exponential between two points passes a value. */
    private static double crossing(double fromS, double from, double toS, double to, double value) {
        double share = to > 0 ? Math.log(from / value) / Math.log(from / to) : (from - value) / (from - to);
        return fromS + share * (toS - fromS);
    }

    private static double sum(double[] voltages) {
        double sum = 0;
        for (double voltage : voltages) {
            sum += voltage;
        }
        return Math.abs(sum);
    }

    private static double most(double[] voltages) {
        double most = 0;
        for (double voltage : voltages) {
            most = Math.max(most, Math.abs(voltage));
        }
        return most;
    }

    private static final class Law implements OrdinaryDifferentialEquation {
        private final double eachF;
        private final double[] perOhm;
        private final double perBleederOhm;

        Law(double eachF, double[] perOhm, double perBleederOhm) {
            this.eachF = eachF;
            this.perOhm = perOhm;
            this.perBleederOhm = perBleederOhm;
        }

        @Override
        public int getDimension() {
            return perOhm.length;
        }

        @Override
        public double[] computeDerivatives(double t, double[] voltage) {
            double whole = 0;
            for (double one : voltage) {
                whole += one;
            }
            double[] slope = new double[voltage.length];
            for (int i = 0; i < voltage.length; i++) {
                slope[i] = -(voltage[i] * perOhm[i] + whole * perBleederOhm) / eachF;
            }
            return slope;
        }

        ODEStateAndDerivative start(double[] voltage) {
            return new ODEStateAndDerivative(0, voltage, computeDerivatives(0, voltage));
        }

        ODEStateAndDerivative after(ODEStateAndDerivative from, double toS) {
            double span = toS - from.getTime();
            return new DormandPrince853Integrator(1e-9 * span, span, 1e-6, RELATIVE)
                    .integrate(this, new ODEState(from.getTime(), from.getPrimaryState()), toS);
        }
    }
}
