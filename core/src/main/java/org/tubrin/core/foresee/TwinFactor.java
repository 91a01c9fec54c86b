package org.tubrin.core.foresee;

/** A factor on a constant of the twin. */
public enum TwinFactor {
    /** What the tubes emit: falls as they go soft. */
    EMISSION(0.08),
    /** Open voltage of the plate supply: follows the line. */
    SUPPLY(0.03),
    /** Resistance that the drive works into: how much of it comes through. */
    DRIVE(0.12),
    /** Unloaded quality of the band's coil. */
    TANK_Q(0.3);

    private final double width;

    TwinFactor(double width) {
        this.width = width;
    }

    /** Returns how far it may lie from 1 in an amplifier that is well, as a standard deviation of its logarithm. */
    double width() {
        return width;
    }
}
