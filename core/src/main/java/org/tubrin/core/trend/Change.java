package org.tubrin.core.trend;

import java.time.Instant;

/**
 * Something that changed.
 *
 * @param kind at once or slowly
 * @param after the last run before it
 * @param before the first run that shows it
 * @param size from before it to the newest run where it is slow, else the step, in the figure's unit
 * @param sizeUncertainty standard, in the same unit
 */
public record Change(Kind kind, Instant after, Instant before, double size, double sizeUncertainty) {
    /** How it changed. */
    public enum Kind {
        STEP,
        DRIFT
    }
}
