package org.tubrin.core.bias;

/** Why a bias climb is over. */
public enum BiasEnd {
    /** All devices stand where they are to, hot. */
    DONE,
    /** A current rose with the pot untouched, more than once, or by very much. */
    RUNS_AWAY,
    /** One step of the pot is more than may be off. */
    TOO_COARSE,
    /** A gate came above {@link BiasPlan#GATE_LIMIT_V}. */
    GATE_HIGH
}
