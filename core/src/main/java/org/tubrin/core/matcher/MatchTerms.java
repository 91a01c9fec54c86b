package org.tubrin.core.matcher;

import java.util.Optional;
import org.tubrin.core.station.Matcher;

/**
 * What bounds the order.
 *
 * @param matcher by its record
 * @param leastW least power that exciter and pad bring to the input
 * @param mostW most of it
 * @param fullW full drive of the amplifier
 * @param knownSwr SWR of a known load in place of the antenna; empty where there is none that is worth matching
 */
public record MatchTerms(Matcher matcher, double leastW, double mostW, double fullW, Optional<Double> knownSwr) {
    private static final double FIRST_SHARE = 0.1;
    private static final double TUNE_OVER_LEAST = 1.25;

    /** Returns a tenth of full drive, or the least that there is: the amplifier may be on. */
    double firstW() {
        return Math.max(leastW, Math.min(mostW, FIRST_SHARE * fullW));
    }

    /** Returns the power that the matcher is tuned with at first: a little above its minimum. */
    double tuneW() {
        return Math.max(leastW, Math.min(tuneMostW(), TUNE_OVER_LEAST * matcher.leastW()));
    }

    /** Returns the most that it may be tuned with. */
    double tuneMostW() {
        return Math.min(mostW, matcher.mostW());
    }

    /** Returns whether a load is known and within the matcher's reach, so that a failure is the matcher's. */
    boolean isWithinReach() {
        return knownSwr.filter(swr -> swr <= matcher.reachSwr()).isPresent();
    }
}
