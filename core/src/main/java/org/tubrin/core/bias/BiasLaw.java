package org.tubrin.core.bias;

import java.util.Optional;

/**
 * Drain current of a FET at its bias, and how it heats itself: {@code Id = K·(Vg − Vth(T))²},
 * {@code Vth = Vth0 − 4.5 mV/K·(T − 25)}, {@code T = Tamb + Rth·V·Id} once it is settled.
 *
 * @param amperesPerV2 K, in A/V²
 * @param thresholdV Vth0 at 25 °C
 * @param supplyV drain voltage
 * @param heatKPerW die and mount over what they stand on, in K/W
 */
public record BiasLaw(double amperesPerV2, double thresholdV, double supplyV, double heatKPerW) {
    /** How long die and mount take, in seconds. */
    public static final double HEAT_S = 20;

    private static final double FALL_V_PER_K = 4.5e-3;
    private static final double AT_C = 25;
    /** No die lives beyond it. */
    private static final double MOST_C = 200;

    /** Returns the current at a gate voltage and a die temperature in °C, in amperes. */
    public double currentA(double gateV, double dieC) {
        double over = Math.max(0, gateV - thresholdV + FALL_V_PER_K * (dieC - AT_C));
        return amperesPerV2 * over * over;
    }

    /** Returns what it settles at where what it stands on has a temperature in °C; empty where it runs away. */
    public Optional<Double> settledA(double gateV, double standsOnC) {
        double dieC = standsOnC;
        for (int i = 0; i < 10_000; i++) {
            double next = standsOnC + heatKPerW * supplyV * currentA(gateV, dieC);
            if (next > MOST_C) {
                return Optional.empty();
            }
            if (Math.abs(next - dieC) < 1e-6) {
                return Optional.of(currentA(gateV, next));
            }
            dieC = next;
        }
        return Optional.empty();
    }
}
