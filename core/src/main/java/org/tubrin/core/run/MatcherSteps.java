package org.tubrin.core.run;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.tubrin.core.matcher.MatchPoint;
import org.tubrin.core.matcher.MatchTerms;
import org.tubrin.core.matcher.Matching;
import org.tubrin.core.matcher.NextMatch;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.station.Load;
import org.tubrin.core.station.Termination;

/** The steps of a run that tunes a matcher, as key-downs of its order. */
public final class MatcherSteps {
    private MatcherSteps() {}

    /** Returns where the order stands; empty where it is another kind of run. */
    public static Optional<Matching> matching(TuneSetup setup, List<Step> steps, List<Trip> trips) {
        return terms(setup)
                .map(terms -> Matching.of(
                        terms,
                        points(steps),
                        trips.stream()
                                .map(trip -> points(steps.subList(0, Math.min(steps.size(), trip.afterSteps())))
                                        .size())
                                .toList()));
    }

    /** Returns the next key-down; empty where there is none, or it is another kind of run. */
    public static Optional<NextMatch> next(TuneSetup setup, List<Step> steps, List<Trip> trips) {
        return matching(setup, steps, trips).flatMap(Matching::next);
    }

    /** Returns the SWR of a load that is there to be matched; empty where the load is an antenna, or as good as matched. */
    public static Optional<Double> knownSwr(Termination termination) {
        return termination instanceof Load load
                ? Optional.of(load.swr()).filter(swr -> swr > Matching.MATCHED_SWR)
                : Optional.empty();
    }

    /** Returns what the exciter was set to for the last key-down of a kind, in watts: each step is one of them. */
    public static Optional<Double> setW(TuneSetup setup, List<Step> steps, List<Trip> trips, NextMatch.Node node) {
        List<Matching.Taken> taken =
                matching(setup, steps, trips).map(Matching::taken).orElse(List.of());
        return IntStream.range(0, taken.size())
                .filter(i -> taken.get(i).node() == node)
                .boxed()
                .reduce((first, second) -> second)
                .flatMap(last -> steps.get(last).position(Control.DRIVE))
                .map(setup::exciterOfW);
    }

    private static Optional<MatchTerms> terms(TuneSetup setup) {
        return setup.stage().kind() == RunKind.MATCHER
                ? setup.amplifier()
                        .matcher()
                        .map(matcher -> new MatchTerms(
                                matcher,
                                setup.leastDriveW(),
                                setup.mostDriveW(),
                                setup.amplifier().driveLimitW(),
                                knownSwr(setup.termination())))
                : Optional.empty();
    }

    private static List<MatchPoint> points(List<Step> steps) {
        return steps.stream().flatMap(step -> point(step).stream()).toList();
    }

    private static Optional<MatchPoint> point(Step step) {
        Quantity inputW = step.driveW();
        Optional<Quantity> outputW = step.measured(ReadingRole.OUTPUT);
        Optional<Quantity> swr = step.measured(ReadingRole.INPUT_SWR);
        return inputW.value() > 0 && outputW.isPresent() && swr.isPresent()
                ? Optional.of(new MatchPoint(inputW, outputW.get(), swr.get()))
                : Optional.empty();
    }
}
