package org.tubrin.core.twin;

/** A tube stage in the inner loops: set, settled and read again and again, in place, one thread. */
sealed interface TubeSolver permits CathodeDrivenSolver, GridDrivenSolver {

    /**
     * Solves for an operating point, from the last solution where there is one.
     *
     * @param plateOhm resistance that the plates see at the fundamental
     * @param plateReactanceOhm reactance that they see
     * @param driveShare share of the drive that the input network passes on
     * @param inputReactanceOhm what it leaves unmatched
     * @param frequencyHz for the feedback capacitance
     * @param driveW at the socket
     * @return whether it settled
     */
    boolean settle(
            double plateOhm,
            double plateReactanceOhm,
            double driveShare,
            double inputReactanceOhm,
            double frequencyHz,
            double driveW);

    /** Forgets the last solution, so that the next point is found from nothing. */
    void forget();

    /** Says that the points to come are equal strides, so that each is guessed on the line through the last two. */
    void stride();

    /** Holds the plate voltage at a value from now on, in volts, or lets the supply sag again for 0. */
    void holdPlateVoltage(double volt);

    double plateRfW();

    double plateVoltageDcV();

    double plateCurrentA();

    double gridCurrentA();

    double screenCurrentA();

    double plateHeatPerTubeW();

    /** Returns the peak RF voltage at the plate. */
    double platePeakV();

    /** Returns the angle of the plate's RF against the source's, in radians. */
    double plateAngleRad();

    /** Returns the settled point in full. */
    TubePoint point(double tankEfficiency, double voltageRatio, double plateCapacitorRmsAPerV);

    TubePoint.Report report();
}
