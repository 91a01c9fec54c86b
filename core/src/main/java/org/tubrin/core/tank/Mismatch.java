package org.tubrin.core.tank;

import org.hipparchus.complex.Complex;

/** What a load that is not the line's resistance sends back. */
public final class Mismatch {
    /** Resistance of the line between amplifier and load, in ohms. */
    public static final double LINE_OHM = 50;

    private Mismatch() {}

    /** Returns reflected over forward power on a 50 Ω line, 0 to 1, for a load in ohms. */
    public static double reflectedShare(double ohm, double reactanceOhm) {
        double square = reactanceOhm * reactanceOhm;
        return ((ohm - LINE_OHM) * (ohm - LINE_OHM) + square) / ((ohm + LINE_OHM) * (ohm + LINE_OHM) + square);
    }

    /** Returns the standing-wave ratio on a 50 Ω line, 1 or more, for a load in ohms. */
    public static double swr(double ohm, double reactanceOhm) {
        return swrOf(Math.sqrt(reflectedShare(ohm, reactanceOhm)));
    }

    /** Returns the standing-wave ratio of a reflection of a size, 0 to below 1: {@code (1 + |Γ|)/(1 − |Γ|)}. */
    public static double swrOf(double reflection) {
        return (1 + reflection) / (1 - reflection);
    }

    /** Returns the size of the reflection of a standing-wave ratio, 1 or more: {@code (SWR − 1)/(SWR + 1)}. */
    public static double reflectionOf(double swr) {
        return (swr - 1) / (swr + 1);
    }

    /** Returns the load of a standing-wave ratio on a 50 Ω line, 1 or more, whose reflection has an angle in radians, at a frequency. */
    public static ImpedancePoint onCircle(double frequencyHz, double swr, double angle) {
        double size = reflectionOf(swr);
        ImpedancePoint line = new ImpedancePoint(frequencyHz, LINE_OHM, 0);
        return beside(line, size * Math.cos(angle), size * Math.sin(angle), size);
    }

    /**
     * Returns the load whose reflection on a 50 Ω line lies beside that of a known load.
     *
     * @param known the load that is known
     * @param real what is added to the real part of its reflection
     * @param imaginary and to the imaginary part
     * @param most size that the reflection is held to, below 1
     */
    public static ImpedancePoint beside(ImpedancePoint known, double real, double imaginary, double most) {
        Complex from = new Complex(known.ohm(), known.reactanceOhm());
        Complex reflection = from.subtract(LINE_OHM).divide(from.add(LINE_OHM)).add(new Complex(real, imaginary));
        Complex held = reflection.norm() > most ? reflection.multiply(most / reflection.norm()) : reflection;
        Complex ohm = Complex.ONE.add(held).divide(Complex.ONE.subtract(held)).multiply(LINE_OHM);
        return new ImpedancePoint(known.frequencyHz(), ohm.getRealPart(), ohm.getImaginaryPart());
    }
}
