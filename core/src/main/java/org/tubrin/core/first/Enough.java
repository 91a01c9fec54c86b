package org.tubrin.core.first;

/**
 * One step of what the answers are enough for.
 *
 * @param what for what
 * @param known how many of its answers are known
 * @param needed how many it takes
 */
public record Enough(For what, int known, int needed) {
    /** What answers are for, from what everybody has to what foretells all. */
    public enum For {
        CLIMB,
        LOADING,
        HEAT,
        TWIN
    }
}
