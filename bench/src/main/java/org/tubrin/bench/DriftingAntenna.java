package org.tubrin.bench;

import java.util.Random;

/**
 * A loaded wire of a low band with a motor in its coil: its resonance wanders with wind within seconds and with rain over hours,
 * {@code phase = atan(2Q·δf/f)}. Which way its motor mends that, and by how much, is its own.
 */
public final class DriftingAntenna {
    private static final double Q = 90;
    private static final double OHM = 51;
    private static final double STEP_HZ = 170;
    private static final double LEAST_STEPS = 2;
    private static final double MORE_STEPS = 3;
    private static final double WIND_S = 2;
    private static final double SECONDS_PER_HOUR = 3600;
    private static final double USUAL_WIND_HZ = 12;

    private final Random random;
    private final double stepHz;
    private double awayHz;
    private double gustHz;
    private double windHz = USUAL_WIND_HZ;
    private double rainHzPerHour;
    private double motor;

    public DriftingAntenna(long seed) {
        random = new Random(seed);
        stepHz = (random.nextBoolean() ? 1 : -1) * STEP_HZ * (0.8 + 0.4 * random.nextDouble());
        awayHz = (random.nextBoolean() ? 1 : -1) * STEP_HZ * (LEAST_STEPS + MORE_STEPS * random.nextDouble());
    }

    /** Lets the weather go on for so many seconds; rain goes so many times faster. */
    public void pass(double s, double speed) {
        awayHz += rainHzPerHour * speed * s / SECONDS_PER_HOUR;
        double kept = Math.exp(-s / WIND_S);
        gustHz = kept * gustHz + windHz * Math.sqrt(1 - kept * kept) * random.nextGaussian();
    }

    /** Returns the resistance at its foot, in ohms. */
    public double ohm() {
        return OHM;
    }

    /** Returns the reactance at its foot at a frequency, in ohms. */
    public double reactanceOhm(double frequencyHz) {
        return OHM * 2 * Q * (awayHz + gustHz + stepHz * motor) / frequencyHz;
    }

    public double motor() {
        return motor;
    }

    public void motor(double steps) {
        motor = steps;
    }

    /** Lets rain move its resonance by so much an hour. */
    public void rain(double hzPerHour) {
        rainHzPerHour = hzPerHour;
    }

    double rain() {
        return rainHzPerHour;
    }

    /** Lets gusts move it by so much, as a standard deviation. */
    public void wind(double hz) {
        windHz = hz;
    }

    double wind() {
        return windHz;
    }
}
