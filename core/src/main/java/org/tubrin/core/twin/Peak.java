package org.tubrin.core.twin;

import java.util.EnumSet;
import java.util.Set;

/**
 * Dials that the twin points to, and what is there.
 *
 * @param plate PLATE position
 * @param load LOAD position
 * @param stops dials that stand at an end, where more would be wanted
 * @param point the operating point
 * @param settles operating points that the search took
 */
public record Peak(double plate, double load, Set<Stop> stops, TubePoint point, int settles) {
    public Peak {
        stops = stops.isEmpty() ? Set.of() : Set.copyOf(EnumSet.copyOf(stops));
    }

    /** A dial at its end. */
    public enum Stop {
        PLATE,
        LOAD
    }
}
