package org.tubrin.core.station;

/** One box of the station. */
public sealed interface Equipment permits Exciter, Pad, Amplifier, Meter, Termination, Instrument, Supply, Battery {

    /** Returns the name that the operator calls it by, 1 to 80 characters. */
    String name();
}
