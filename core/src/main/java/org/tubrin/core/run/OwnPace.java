package org.tubrin.core.run;

import java.time.Duration;
import java.util.List;
import java.util.Optional;

/**
 * How long the key-downs of an operator take, by what those of earlier runs took.
 *
 * @param keyDownS a key-down in whole seconds: three of four were as short or shorter
 * @param keyDowns so many were looked at
 * @param runs of so many runs
 */
public record OwnPace(double keyDownS, int keyDowns, int runs) {
    /** Fewer tell nothing. */
    public static final int ENOUGH = 8;

    private static final double MOST_SHARE = 0.75;
    /** Shorter ones were let go at once: nothing was read in them. */
    private static final double LEAST_S = 1;

    /** Returns the pace of some runs that are over; empty where they have too few key-downs. */
    public static Optional<OwnPace> of(List<RunState> runs) {
        List<Double> lengths = runs.stream()
                .flatMap(run -> run.keyDowns().stream())
                .flatMap(one -> one.to().stream()
                        .map(to -> Duration.between(one.from(), to).toMillis() / 1000.0))
                .filter(seconds -> seconds >= LEAST_S)
                .sorted()
                .toList();
        return lengths.size() < ENOUGH
                ? Optional.empty()
                : Optional.of(new OwnPace(
                        Math.ceil(lengths.get((int) Math.ceil(MOST_SHARE * lengths.size()) - 1)),
                        lengths.size(),
                        runs.size()));
    }
}
