package org.tubrin.core.quantity;

/** How far a number may be trusted, from best to least. */
public enum Standing {
    /** Read off an instrument. */
    MEASURED,
    /** Computed from measured values alone. */
    COMPUTED,
    /** Taken from a record or a default; nobody measured it on the day. */
    ASSUMED,
    /** Said by a model. */
    PREDICTED;

    /** Returns the standing of a result computed from values of the two standings: the lesser, and at best COMPUTED. */
    public Standing combinedWith(Standing other) {
        Standing lesser = compareTo(other) >= 0 ? this : other;
        return lesser == MEASURED ? COMPUTED : lesser;
    }
}
