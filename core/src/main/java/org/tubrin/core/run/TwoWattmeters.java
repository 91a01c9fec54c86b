package org.tubrin.core.run;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.Reading;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.ErrorSource;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;

/**
 * Two wattmeters in one line, read at the same steps.
 *
 * <p>Method: of each step the logarithm of the second reading over the first. Their classes do not count, since it is the
 * readings that are compared; what does is what differs from place to place on the two scales, widened where the steps scatter
 * more than that. Changed over, what lies in the meters stays as it is and what lies in their places turns its sign: half the sum
 * of the two means is the meters', half their difference the places'. Source: the reversal of a comparison as weighing has it
 * (C. F. Gauss's double weighing).
 *
 * @param pairs the steps at which both were read, in their order
 * @param second what the second shows more than the first as a share of it, as they stand in the line or, where they were changed over, of
 *     the meters alone
 * @param place what is shown more where the second stood at first, as a share; empty where they were not changed over
 */
public record TwoWattmeters(List<Pair> pairs, Quantity second, Optional<Quantity> place) {
    public TwoWattmeters {
        pairs = List.copyOf(pairs);
    }

    /**
     * One step at which both were read.
     *
     * @param firstW what the first makes of it
     * @param first its reading
     * @param other the reading of the second
     * @param isChangedOver whether they had changed places
     * @param lnRatio natural logarithm of the second over the first, each as its record corrects it
     * @param uncertainty its standard uncertainty
     */
    public record Pair(
            Quantity firstW, Reading first, Reading other, boolean isChangedOver, double lnRatio, double uncertainty) {}

    /** How what one shows stands to what the other does, beyond what is uncertain about it. */
    public enum Than {
        SAME,
        MORE,
        LESS
    }

    /** Returns how a share that one shows more stands to none, by its 95 % interval. */
    public static Than than(Quantity share) {
        return Math.abs(share.value()) < share.halfWidth95() ? Than.SAME : share.value() > 0 ? Than.MORE : Than.LESS;
    }

    /** Returns the pairs of that range of the second which has most of them: a correction is one of a range. */
    public List<Pair> ofOneRange() {
        Map<String, List<Pair>> byRange = pairs.stream()
                .collect(Collectors.groupingBy(pair -> pair.other().range()));
        return byRange.values().stream()
                .max(Comparator.comparingInt(List::size))
                .orElseThrow();
    }

    /** Returns within which share of itself the first knows an output where it knows it best. */
    public static double firstKnownWithin(List<Pair> some) {
        return some.stream()
                .mapToDouble(pair -> pair.firstW().halfWidth95() / pair.firstW().value())
                .min()
                .orElseThrow();
    }

    private record Mean(double value, double uncertainty) {}

    /** Returns whether the two of a step can be compared: pulses only where both show them in one way. */
    public static boolean compares(Step step) {
        TuneSetup setup = step.setup();
        return step.school() != School.PULSED
                || setup.channelFor(ReadingRole.OUTPUT)
                        .map(Channel::indication)
                        .equals(setup.channelFor(ReadingRole.OTHER_OUTPUT).map(Channel::indication));
    }

    /** Returns what the steps of a run say of its two wattmeters; empty where it has one, or no step has both. */
    public static Optional<TwoWattmeters> of(RunState state) {
        List<Pair> pairs = state.steps().stream()
                .filter(TwoWattmeters::compares)
                .flatMap(step -> pair(step).stream())
                .toList();
        if (pairs.isEmpty()) {
            return Optional.empty();
        }
        Optional<Mean> asBegun = mean(pairs.stream().filter(pair -> !pair.isChangedOver()));
        Optional<Mean> changed = mean(pairs.stream().filter(Pair::isChangedOver));
        if (asBegun.isPresent() && changed.isPresent()) {
            double a = asBegun.get().value();
            double b = changed.get().value();
            double u = Math.hypot(asBegun.get().uncertainty(), changed.get().uncertainty()) / 2;
            return Optional.of(new TwoWattmeters(
                    pairs, share((a + b) / 2, u, "meters"), Optional.of(share((a - b) / 2, u, "places"))));
        }
        Mean only = asBegun.or(() -> changed).orElseThrow();
        return Optional.of(
                new TwoWattmeters(pairs, share(only.value(), only.uncertainty(), "meters"), Optional.empty()));
    }

    private static Quantity share(double ln, double uncertainty, String part) {
        return Quantity.of(
                Math.expm1(ln),
                Unit.ONE,
                Standing.COMPUTED,
                new ErrorSource("two wattmeters", ReadingRole.OTHER_OUTPUT.name(), part),
                Math.exp(ln) * uncertainty);
    }

    private static Optional<Pair> pair(Step step) {
        Optional<Reading> first = Optional.ofNullable(step.readings().get(ReadingRole.OUTPUT));
        Optional<Reading> other = Optional.ofNullable(step.readings().get(ReadingRole.OTHER_OUTPUT));
        Optional<Quantity> firstW = step.measured(ReadingRole.OUTPUT).filter(one -> one.value() > 0);
        Optional<Quantity> otherW = step.measured(ReadingRole.OTHER_OUTPUT).filter(one -> one.value() > 0);
        return first.isPresent() && other.isPresent() && firstW.isPresent() && otherW.isPresent()
                ? Optional.of(new Pair(
                        firstW.get(),
                        first.get(),
                        other.get(),
                        step.position(Control.WATTMETERS).orElse(0.0) > 0,
                        Math.log(otherW.get().value() / firstW.get().value()),
                        Math.hypot(unsureShare(step, first.get()), unsureShare(step, other.get()))))
                : Optional.empty();
    }

    /** Returns what differs from place to place on the scale of a reading, as a share of it. */
    private static double unsureShare(Step step, Reading reading) {
        Channel channel = step.setup().channelFor(reading.role()).orElseThrow();
        MeterRange range = channel.range(reading.range()).orElseThrow();
        return channel.fromPlaceToPlace(range) / reading.rawValue();
    }

    private static Optional<Mean> mean(Stream<Pair> some) {
        List<Pair> pairs = some.toList();
        if (pairs.isEmpty()) {
            return Optional.empty();
        }
        double weights = pairs.stream().mapToDouble(TwoWattmeters::weight).sum();
        double mean = pairs.stream()
                        .mapToDouble(pair -> weight(pair) * pair.lnRatio())
                        .sum()
                / weights;
        double chiSquare = pairs.stream()
                .mapToDouble(pair -> weight(pair) * Math.pow(pair.lnRatio() - mean, 2))
                .sum();
        double scatter = pairs.size() > 1 ? Math.sqrt(chiSquare / (pairs.size() - 1)) : 1;
        return Optional.of(new Mean(mean, Math.max(1, scatter) / Math.sqrt(weights)));
    }

    private static double weight(Pair pair) {
        return 1 / (pair.uncertainty() * pair.uncertainty());
    }
}
