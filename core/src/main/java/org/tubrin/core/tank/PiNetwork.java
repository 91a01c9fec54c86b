package org.tubrin.core.tank;

/**
 * A pi network at one frequency, from plate to load: C1 across the plate, a lossy coil, C2 across the load.
 *
 * <p>Method: {@code branch = ωL/Qu + jωL + (C2 ∥ ZL)}, {@code Z = branch ∥ C1}. A working object of the inner loops: it is
 * set again for each point and allocates nothing; one thread at a time. Phasors are peak values, {@code e^{+jωt}}.
 */
public final class PiNetwork {
    private double omega;
    private double coilOhm;
    private double coilLossOhm;
    private double c1F;
    private double shuntRe;
    private double shuntIm;
    private double branchRe;
    private double branchIm;
    private double zRe;
    private double zIm;

    /**
     * Sets the network.
     *
     * @param frequencyHz above 0
     * @param inductanceH above 0
     * @param unloadedQ above 0
     * @param plateF C1 in farads
     * @param loadF C2 in farads
     * @param loadOhm resistance of the load, above 0
     * @param loadReactanceOhm its reactance
     */
    public void set(
            double frequencyHz,
            double inductanceH,
            double unloadedQ,
            double plateF,
            double loadF,
            double loadOhm,
            double loadReactanceOhm) {
        omega = 2 * Math.PI * frequencyHz;
        coilOhm = omega * inductanceH;
        coilLossOhm = coilOhm / unloadedQ;
        double square = loadOhm * loadOhm + loadReactanceOhm * loadReactanceOhm;
        double gRe = loadOhm / square;
        double gIm = omega * loadF - loadReactanceOhm / square;
        double gSquare = gRe * gRe + gIm * gIm;
        shuntRe = gRe / gSquare;
        shuntIm = -gIm / gSquare;
        branchRe = shuntRe + coilLossOhm;
        branchIm = shuntIm + coilOhm;
        setPlateF(plateF);
    }

    /** Sets C1 alone. */
    public void setPlateF(double plateF) {
        c1F = plateF;
        double square = branchRe * branchRe + branchIm * branchIm;
        double yRe = branchRe / square;
        double yIm = -branchIm / square + omega * plateF;
        double ySquare = yRe * yRe + yIm * yIm;
        zRe = yRe / ySquare;
        zIm = -yIm / ySquare;
    }

    /** Returns the resistance that the plate sees, in ohms. */
    public double resistanceOhm() {
        return zRe;
    }

    /** Returns the reactance that the plate sees, in ohms. */
    public double reactanceOhm() {
        return zIm;
    }

    /** Returns the C1 at which the plate sees no reactance, in farads; may be negative, which no capacitor has. */
    public double resonantPlateF() {
        return branchIm / (branchRe * branchRe + branchIm * branchIm) / omega;
    }

    /** Returns the share of the plate's RF that reaches the load. */
    public double efficiency() {
        return shuntRe / (shuntRe + coilLossOhm);
    }

    /** Returns the load's voltage over the plate's, as magnitudes. */
    public double voltageRatio() {
        return Math.sqrt((shuntRe * shuntRe + shuntIm * shuntIm) / (branchRe * branchRe + branchIm * branchIm));
    }

    /** Returns the angle of the load's voltage against the plate's, in radians. */
    public double voltageAngleRad() {
        return Math.atan2(shuntIm, shuntRe) - Math.atan2(branchIm, branchRe);
    }

    /** Returns the rms current in C1 for a peak plate voltage, in amperes. */
    public double plateCapacitorRmsA(double platePeakV) {
        return platePeakV * omega * c1F / Math.sqrt(2);
    }
}
