package org.tubrin.core.twin;

/**
 * What has to balance in a tube stage. Unknowns: first the plate's phasor {@code a + jb}, last the plate supply's voltage, between
 * them what the kind of stage leaves open. A figure holds at the point that was evaluated last.
 */
interface TubeEquations extends DampedNewton.Equations {
    /** Returns how many unknowns there are. */
    int unknowns();

    /** Sets what the plates see at the fundamental, in ohms. */
    void load(double re, double im);

    /**
     * Sets the drive.
     *
     * @param share of it that the input network passes on
     * @param inputReactanceOhm what that leaves unmatched
     * @param frequencyHz for the feedback capacitance
     * @param driveW at the socket
     */
    void drive(double share, double inputReactanceOhm, double frequencyHz, double driveW);

    /** Holds the plate voltage at a value from now on, in volts, or lets the supply sag again for 0. */
    void holdPlateVoltage(double volt);

    /** Returns the supply's voltage without current, or the one that is held. */
    double openV();

    /** Puts all but the supply where it is with the plates shorted for RF. */
    void unloaded(double[] x);

    /** Guesses all but the supply, which is guessed already, from nothing. */
    void guess(double[] x);

    double plateRfW(double[] x);

    double plateCurrentA();

    double gridCurrentA();

    double screenCurrentA();

    double plateHeatPerTubeW();

    /** Returns the angle of the plate's RF against the source's, in radians. */
    double plateAngleRad(double[] x);

    /** Returns a settled point in full. */
    TubePoint point(
            double[] x,
            double tankEfficiency,
            double voltageRatio,
            double plateCapacitorRmsAPerV,
            TubePoint.Report report);
}
