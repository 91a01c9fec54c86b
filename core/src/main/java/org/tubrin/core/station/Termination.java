package org.tubrin.core.station;

import org.tubrin.core.tank.ImpedancePoint;

/** Where the power goes: a dummy load or an antenna. */
public sealed interface Termination extends Equipment permits Load, Antenna {

    /**
     * Returns what an amplifier works into at a frequency in hertz: the load as measured, the antenna's file where it reaches
     * so far, else the line's resistance.
     */
    ImpedancePoint at(double frequencyHz);
}
