package org.tubrin.core.practice;

/** A tube stage as it really is, on one band, frequency and load; one thread. */
public interface TrueStage {
    /** Of its limit, the grid current at which the protection of a simulated amplifier acts. Source: our own. */
    double TRIP_SHARE = 2.2;

    /** Settles at a drive in watts and two places behind the dials; returns whether it did, so that the rest may be read. */
    boolean settle(double driveW, double plate, double load);

    /** Forgets the last answer, so that the next does not depend on it. */
    void forget();

    /** Lets tubes, load and exciter go through so many seconds, keyed or not; returns whether it is to be settled anew. */
    boolean pass(double seconds, boolean keyed);

    /** Returns the share of the drive that the exciter still gives. */
    double driveShare();

    /** Returns the place of PLATE at which the tank is in resonance for one of LOAD. */
    double resonantPlate(double load);

    /** Returns the power into the load, in watts. */
    double outputW();

    /** Returns the plate voltage, in volts; without drive what the supply gives at rest. */
    double plateVoltageDcV();

    /** Returns the plate current of all tubes, in amperes. */
    double plateCurrentA();

    /** Returns the grid current of all tubes, in amperes. */
    double gridCurrentA();

    /** Returns the screen current of all tubes, in amperes. */
    double screenCurrentA();

    /** Returns the heat of one plate, in watts. */
    double plateHeatPerTubeW();

    /** Returns the supply's voltage with nothing drawn, in volts. */
    double supplyOpenV();
}
