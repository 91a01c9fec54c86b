package org.tubrin.core.supply;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.station.Supply;

/**
 * How large a supply each school of sizing asks for.
 *
 * <p>Method: by measured peak, a quarter more; by the set's fuse, a quarter to a half more; by duty, a continuous rating of at
 * least the average over the worst ten minutes and a short-term rating of at least the peak. The one that asks for most
 * governs. Source: customary.
 *
 * @param needs of each school that can be told
 */
public record Sizing(List<Need> needs) {
    private static final double PEAK_MARGIN = 1.25;
    private static final double FUSE_LEAST = 1.25;
    private static final double FUSE_MOST = 1.5;
    /** Ratings that are sold, in amperes. */
    public static final List<Double> STANDARD_A =
            List.of(3.0, 5.0, 7.0, 10.0, 15.0, 20.0, 25.0, 30.0, 40.0, 50.0, 60.0, 75.0, 100.0, 150.0, 200.0);

    public Sizing {
        needs = List.copyOf(needs);
    }

    /** Ways to size a supply. */
    public enum Rule {
        MEASURED_PEAK,
        FUSE,
        TEN_MINUTE_DUTY
    }

    /**
     * What a school asks for.
     *
     * @param school which
     * @param continuousA rating that it must have for ever
     * @param shortTermA rating that it must have for a short while, no less
     * @param atMostA upper end of what the school names; the same as the least where it names one figure
     */
    public record Need(Rule school, Quantity continuousA, Quantity shortTermA, Quantity atMostA) {
        /** Returns whether a supply's two ratings meet it. */
        public boolean metBy(Supply supply) {
            return supply.continuousA() >= continuousA.value() && supply.intermittentA() >= shortTermA.value();
        }
    }

    /**
     * Returns what the schools ask for.
     *
     * @param peakA drawn at once; absent where nothing was measured
     * @param averageA over the worst ten minutes; absent where it cannot be told
     * @param fuseA sum of the fuses of what may transmit at once; absent where not known
     */
    public static Sizing of(Optional<Quantity> peakA, Optional<Quantity> averageA, Optional<Double> fuseA) {
        List<Need> needs = new ArrayList<>();
        peakA.map(peak -> peak.scaled(PEAK_MARGIN))
                .ifPresent(most -> needs.add(new Need(Rule.MEASURED_PEAK, most, most, most)));
        fuseA.map(fuse -> Quantity.exact(fuse, Unit.AMPERE, Standing.ASSUMED))
                .ifPresent(fuse -> needs.add(
                        new Need(Rule.FUSE, fuse.scaled(FUSE_LEAST), fuse.scaled(FUSE_LEAST), fuse.scaled(FUSE_MOST))));
        peakA.ifPresent(
                peak -> averageA.ifPresent(average -> needs.add(new Need(Rule.TEN_MINUTE_DUTY, average, peak, peak))));
        return new Sizing(needs);
    }

    /** Returns the school that asks for the greatest short-term rating; empty where none can be told. */
    public Optional<Need> governs() {
        return needs.stream()
                .max((a, b) ->
                        Double.compare(a.shortTermA().value(), b.shortTermA().value()));
    }

    /** Returns the least standard rating that meets every school; empty where none is needed or none is large enough. */
    public Optional<Double> nextStandardA() {
        return governs()
                .flatMap(need -> STANDARD_A.stream()
                        .filter(size -> size >= need.shortTermA().value())
                        .findFirst());
    }

    /** Returns the schools that a supply meets. */
    public List<Rule> metBy(Supply supply) {
        return needs.stream()
                .filter(need -> need.metBy(supply))
                .map(Need::school)
                .toList();
    }
}
