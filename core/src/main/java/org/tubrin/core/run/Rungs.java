package org.tubrin.core.run;

/** How a ladder of drives is spaced. */
public enum Rungs {
    DOUBLING,
    TRIPLING,
    /** A quarter, a half, all of the operating drive. */
    QUARTERS,
    /** A sixteenth, or as little as the exciter gives, to see that all is in line; then operating drive. */
    PROOF,
    /** The operator's own list. */
    OWN
}
