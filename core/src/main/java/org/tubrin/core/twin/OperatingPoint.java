package org.tubrin.core.twin;

import java.util.OptionalDouble;

/** An amplifier at work. */
public sealed interface OperatingPoint permits TubePoint, TransistorPoint {

    /** Returns the power into the load, in watts. */
    double outputW();

    /** Returns the standing-wave ratio at the input; absent without drive. */
    OptionalDouble inputSwr();
}
