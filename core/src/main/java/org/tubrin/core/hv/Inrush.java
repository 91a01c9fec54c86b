package org.tubrin.core.hv;

import org.hipparchus.ode.ODEState;
import org.hipparchus.ode.ODEStateAndDerivative;
import org.hipparchus.ode.OrdinaryDifferentialEquation;
import org.hipparchus.ode.nonstiff.ClassicalRungeKuttaIntegrator;
import org.hipparchus.ode.sampling.ODEStateInterpolator;
import org.hipparchus.ode.sampling.ODEStepHandler;

/**
 * What flows at switch-on into empty capacitors, with a soft-start resistor or without.
 *
 * <p>Method: as {@link UnderLoad}, from nothing, switched on at the crest of the mains; the resistor stands in series with the
 * source, seen at the secondary. Limit: at the first instant the peak over both resistances; the resistor's energy goes to
 * {@code ½CV²·R/(R + Rs)} for a charge from a steady voltage, and lies above it for a sine.
 *
 * @param peakA greatest current at the secondary
 * @param primaryPeakA the same at the primary, without the transformer's own magnetising current
 * @param resistorEnergyJ that the soft-start resistor takes
 * @param chargedS until nine tenths of the voltage without load stand on the capacitors; infinite beyond the time looked at
 */
public record Inrush(double peakA, double primaryPeakA, double resistorEnergyJ, double chargedS) {
    private static final int MOST_CYCLES = 600;
    private static final double CHARGED = 0.9;

    /**
     * Returns what flows at switch-on.
     *
     * @param rectifier the supply
     * @param bank its capacitors
     * @param softStartOhm seen at the secondary, 0 for none
     * @param primaryRmsV voltage of the mains
     */
    public static Inrush of(Rectifier rectifier, Bank bank, double softStartOhm, double primaryRmsV) {
        Law law = new Law(rectifier, bank, softStartOhm);
        double cycleS = 1 / rectifier.frequencyHz();
        Charge charge = new Charge(law, CHARGED * rectifier.openV());
        int steps = rectifier.stepsPerCycle(rectifier.sourceOhm() + softStartOhm, bank.wholeF());
        ClassicalRungeKuttaIntegrator integrator = new ClassicalRungeKuttaIntegrator(cycleS / steps);
        integrator.addStepHandler(charge);
        double[] state = new double[law.getDimension()];
        charge.peakA = law.currentA(0, state);
        for (int cycle = 0; cycle < MOST_CYCLES && Double.isInfinite(charge.chargedS); cycle++) {
            charge.beforeS = cycle * cycleS;
            // The mains is the same in every cycle.
            state = integrator.integrate(law, new ODEState(0, state), cycleS).getPrimaryState();
        }
        double energyJ = Double.isInfinite(charge.chargedS) ? state[2] : charge.energyJ;
        return new Inrush(
                charge.peakA, charge.peakA * rectifier.secondaryRmsV() / primaryRmsV, energyJ, charge.chargedS);
    }

    /** What was seen at the steps until the capacitors were charged. */
    private static final class Charge implements ODEStepHandler {
        private final Law law;
        private final double chargedV;
        private double beforeS;
        private double peakA;
        private double energyJ;
        private double chargedS = Double.POSITIVE_INFINITY;

        Charge(Law law, double chargedV) {
            this.law = law;
            this.chargedV = chargedV;
        }

        @Override
        public void handleStep(ODEStateInterpolator step) {
            if (Double.isFinite(chargedS)) {
                return;
            }
            ODEStateAndDerivative current = step.getCurrentState();
            double[] state = current.getPrimaryState();
            peakA = Math.max(peakA, law.currentA(current.getTime(), state));
            energyJ = state[2];
            if (law.wholeV(state) >= chargedV) {
                chargedS = beforeS + current.getTime();
            }
        }
    }

    private record Law(Rectifier rectifier, Bank bank, double softStartOhm) implements OrdinaryDifferentialEquation {
        @Override
        public int getDimension() {
            return 3;
        }

        private boolean isBridge() {
            return rectifier.circuit() == Rectifier.Circuit.BRIDGE;
        }

        private double crest(double t) {
            return rectifier.peakV() * Math.cos(2 * Math.PI * rectifier.frequencyHz() * t);
        }

        private double into(double e, double voltage) {
            return Math.max(0, e - voltage) / (rectifier.sourceOhm() + softStartOhm);
        }

        double wholeV(double[] state) {
            return isBridge() ? state[0] : state[0] + state[1];
        }

        double currentA(double t, double[] state) {
            double e = crest(t);
            return isBridge() ? into(Math.abs(e), state[0]) : Math.max(into(e, state[0]), into(-e, state[1]));
        }

        @Override
        public double[] computeDerivatives(double t, double[] state) {
            double e = crest(t);
            double one = isBridge() ? into(Math.abs(e), state[0]) : into(e, state[0]);
            double other = isBridge() ? 0 : into(-e, state[1]);
            double eachF = isBridge() ? bank.wholeF() : 2 * bank.wholeF();
            return new double[] {one / eachF, other / eachF, softStartOhm * (one * one + other * other)};
        }
    }
}
