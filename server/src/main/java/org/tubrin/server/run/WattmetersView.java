package org.tubrin.server.run;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.tubrin.core.metering.Indication;

/**
 * Two wattmeters in one line.
 *
 * @param first the one whose output counts
 * @param second the one that is read beside it
 * @param changedOver whether they have changed places
 * @param says what they show of each other, one sentence each
 * @param comparison what the steps are worth as a comparison of the second with the first; null while there is no step with both
 */
public record WattmetersView(
        String first,
        String second,
        boolean changedOver,
        List<String> says,
        @Nullable WattComparisonView comparison) {

    /**
     * Readings of one range of the second against the first.
     *
     * @param range of the second
     * @param indication how it shows them
     * @param percent what the first knows them within, in per cent
     * @param points the powers
     */
    public record WattComparisonView(String range, Indication indication, String percent, List<WattPairView> points) {}

    /** One power in watts: what the first makes of it, and what the second showed. */
    public record WattPairView(String reference, String reading) {}
}
