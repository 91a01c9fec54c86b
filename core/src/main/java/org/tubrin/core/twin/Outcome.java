package org.tubrin.core.twin;

/** What asking the twin for an operating point comes to. */
public sealed interface Outcome<T> {

    /** The equations are solved. */
    record Settled<T>(T point) implements Outcome<T> {}

    /**
     * They are not, and there is no number to show.
     *
     * @param reason why
     * @param iterations Newton steps spent
     * @param residualV what was left of the equations, in volts
     */
    record Unsettled<T>(Why reason, int iterations, double residualV) implements Outcome<T> {}

    /** Why there is no operating point. */
    enum Why {
        /** The amplifier's constants say nothing of this band. */
        BAND_UNKNOWN,
        /** Neither direct Newton steps nor continuation from a small load came to a solution. */
        NO_CONVERGENCE,
        /** The protection has tripped, so there is nothing to compute. */
        TRIPPED
    }
}
