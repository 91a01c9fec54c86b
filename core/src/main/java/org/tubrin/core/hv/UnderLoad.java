package org.tubrin.core.hv;

import java.util.Arrays;
import org.hipparchus.ode.ODEState;
import org.hipparchus.ode.ODEStateAndDerivative;
import org.hipparchus.ode.OrdinaryDifferentialEquation;
import org.hipparchus.ode.nonstiff.ClassicalRungeKuttaIntegrator;
import org.hipparchus.ode.sampling.ODEStateInterpolator;
import org.hipparchus.ode.sampling.ODEStepHandler;

/**
 * A supply under a constant direct current.
 *
 * <p>Method: the charge of the capacitors through diodes from a sine of the mains behind its source resistance, and out by the
 * load, cycle after cycle by a Runge–Kutta integrator until a cycle repeats; the diodes' corners make an adaptive step pointless.
 * Source: E. Hairer, S. Nørsett, G. Wanner, "Solving Ordinary Differential Equations I" (1993), §II.1. Limit: with little source
 * resistance a bridge ripples by {@code I/(2·f·C)} peak to peak. Valid: transformer without leakage that stores. Cost: 80 to 400
 * steps a cycle.
 *
 * @param meanV direct voltage
 * @param ripplePeakToPeakV of it
 * @param chargePeakA greatest current through a leg
 * @param cycles until a cycle repeated
 * @param settled whether it did within the budget
 */
public record UnderLoad(double meanV, double ripplePeakToPeakV, double chargePeakA, int cycles, boolean settled) {
    private static final int MOST_CYCLES = 400;
    private static final double REPEATS = 1e-5;

    /** Returns a supply under a current in amperes, 0 or more; the bank is split in two halves for a doubler. */
    public static UnderLoad of(Rectifier rectifier, Bank bank, double currentA) {
        Law law = new Law(rectifier, bank, currentA);
        double cycleS = 1 / rectifier.frequencyHz();
        double[] voltage = new double[law.getDimension()];
        Arrays.fill(voltage, rectifier.peakV());
        Cycle cycle = new Cycle(law);
        int steps = rectifier.stepsPerCycle(rectifier.sourceOhm(), bank.wholeF());
        ClassicalRungeKuttaIntegrator integrator = new ClassicalRungeKuttaIntegrator(cycleS / steps);
        integrator.addStepHandler(cycle);
        double before = rectifier.openV();
        for (int count = 1; ; count++) {
            cycle.begin();
            voltage =
                    integrator.integrate(law, new ODEState(0, voltage), cycleS).getPrimaryState();
            double mean = cycle.sumV / cycle.steps;
            boolean repeats = Math.abs(mean - before) < REPEATS * rectifier.openV();
            if (repeats || count == MOST_CYCLES) {
                return new UnderLoad(mean, cycle.highV - cycle.lowV, cycle.peakA, count, repeats);
            }
            before = mean;
        }
    }

    /** What was seen at the steps of one cycle. */
    private static final class Cycle implements ODEStepHandler {
        private final Law law;
        private double lowV;
        private double highV;
        private double sumV;
        private double peakA;
        private int steps;

        Cycle(Law law) {
            this.law = law;
        }

        void begin() {
            lowV = Double.MAX_VALUE;
            highV = 0;
            sumV = 0;
            peakA = 0;
            steps = 0;
        }

        @Override
        public void handleStep(ODEStateInterpolator step) {
            ODEStateAndDerivative state = step.getCurrentState();
            double[] voltage = state.getPrimaryState();
            double whole = law.wholeV(voltage);
            lowV = Math.min(lowV, whole);
            highV = Math.max(highV, whole);
            sumV += whole;
            peakA = Math.max(peakA, law.chargeA(state.getTime(), voltage));
            steps++;
        }
    }

    /** Returns how far the voltage has fallen from that without load, as a share of it, 0 to 1. */
    public double sag(Rectifier rectifier) {
        return 1 - meanV / rectifier.openV();
    }

    /** Returns the ripple as a share of the direct voltage, peak to peak. */
    public double rippleShare() {
        return ripplePeakToPeakV / meanV;
    }

    private record Law(Rectifier rectifier, Bank bank, double currentA) implements OrdinaryDifferentialEquation {
        private boolean isBridge() {
            return rectifier.circuit() == Rectifier.Circuit.BRIDGE;
        }

        @Override
        public int getDimension() {
            return isBridge() ? 1 : 2;
        }

        private double sine(double t) {
            return rectifier.peakV() * Math.sin(2 * Math.PI * rectifier.frequencyHz() * t);
        }

        double wholeV(double[] voltage) {
            return isBridge() ? voltage[0] : voltage[0] + voltage[1];
        }

        double chargeA(double t, double[] voltage) {
            double e = sine(t);
            return isBridge() ? into(Math.abs(e), voltage[0]) : Math.max(into(e, voltage[0]), into(-e, voltage[1]));
        }

        private double into(double e, double voltage) {
            return Math.max(0, e - voltage) / rectifier.sourceOhm();
        }

        private double bledA(double[] voltage) {
            double string = wholeV(voltage) / (bank.count() * bank.resistorOhm());
            return string + wholeV(voltage) * bank.bleederS();
        }

        @Override
        public double[] computeDerivatives(double t, double[] voltage) {
            double e = sine(t);
            double out = voltage[0] > 0 ? currentA + bledA(voltage) : 0;
            if (isBridge()) {
                return new double[] {(into(Math.abs(e), voltage[0]) - out) / bank.wholeF()};
            }
            double half = 2 * bank.wholeF();
            return new double[] {(into(e, voltage[0]) - out) / half, (into(-e, voltage[1]) - out) / half};
        }
    }
}
