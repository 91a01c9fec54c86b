package org.tubrin.core.quantity;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import java.util.function.ToDoubleFunction;
import org.hipparchus.special.Erf;

/**
 * A value with its unit, its standing and the signed standard uncertainty that each independent error source gives it.
 *
 * <p>Method: first-order propagation. A result's share from a source is the sum of the operands' shares from it, each
 * times the partial derivative; shares of different sources add in quadrature. Values that share a reading are so
 * correlated without a covariance being stated anywhere.
 *
 * <p>Source: JCGM 100:2008 (GUM), eq. 10 and, through the shared sources, eq. 13. Valid while relative uncertainties stay
 * below about 0.3.
 *
 * @param value in the unit named
 * @param unit unit of value and of every contribution
 * @param standing how far to trust it
 * @param contributions signed standard uncertainty by source; empty where the value is taken as exact
 */
public record Quantity(double value, Unit unit, Standing standing, Map<ErrorSource, Double> contributions) {

    /** Standard uncertainties to either side that hold 95 % of a normal distribution. */
    public static final double COVERAGE_95 = 1.96;

    public Quantity {
        if (!Double.isFinite(value)) {
            throw new IllegalArgumentException("a quantity needs a finite value, not " + value + " " + unit);
        }
        contributions = Map.copyOf(contributions);
    }

    /** Returns a value that carries no uncertainty of its own. */
    public static Quantity exact(double value, Unit unit, Standing standing) {
        return new Quantity(value, unit, standing, Map.of());
    }

    /** Returns a value with one error source; the standard uncertainty is in the unit given and not negative. */
    public static Quantity of(
            double value, Unit unit, Standing standing, ErrorSource source, double standardUncertainty) {
        return new Quantity(value, unit, standing, Map.of(source, standardUncertainty));
    }

    /** Returns the combined standard uncertainty, in this quantity's unit. */
    public double standardUncertainty() {
        double sum = 0;
        for (double share : contributions.values()) {
            sum += share * share;
        }
        return Math.sqrt(sum);
    }

    /** Returns half the width of its 95 % interval; narrower than of a normal distribution where a meter's class stands out. */
    public double halfWidth95() {
        double variance = 0;
        double bounded = 0;
        for (Map.Entry<ErrorSource, Double> one : contributions.entrySet()) {
            double share = one.getValue() * one.getValue();
            variance += share;
            if (one.getKey().law() == ErrorSource.Law.BOUNDED) {
                bounded = Math.max(bounded, share);
            }
        }
        return variance == 0 ? 0 : Coverage.of(bounded / variance) * Math.sqrt(variance);
    }

    /** One source's part in how unsure a value is, as a share of the variance. */
    public record Share(ErrorSource source, double ofVariance) {}

    /** Returns which source has which part in it, the largest first. */
    public List<Share> shares() {
        double variance = standardUncertainty() * standardUncertainty();
        return contributions.entrySet().stream()
                .filter(one -> one.getValue() != 0)
                .map(one -> new Share(one.getKey(), one.getValue() * one.getValue() / variance))
                .sorted(Comparator.comparingDouble(Share::ofVariance).reversed())
                .toList();
    }

    /** Returns the lower end of the 95 % interval. */
    public double low() {
        return value - halfWidth95();
    }

    /** Returns the upper end of the 95 % interval. */
    public double high() {
        return value + halfWidth95();
    }

    /** Returns whether its 95 % interval does not touch that of another in the same unit. */
    public boolean isApartFrom(Quantity other) {
        return low() > other.high() || other.low() > high();
    }

    /** Returns the value less one standard uncertainty: what a rule goes by that would rather act too soon. */
    public double likelyLow() {
        return value - standardUncertainty();
    }

    /** Returns the value and one standard uncertainty: what a rule goes by that would rather act too soon. */
    public double likelyHigh() {
        return value + standardUncertainty();
    }

    /**
     * Returns how probable it is that the true value lies above a bound in the same unit, 0 to 1; where nothing is uncertain
     * and the value is the bound, 0.
     *
     * <p>Method: normal distribution about the value with its standard uncertainty. Source: JCGM 100:2008, G.1.3.
     */
    public double probabilityAbove(double bound) {
        double uncertainty = standardUncertainty();
        if (uncertainty == 0) {
            return value > bound ? 1 : 0;
        }
        return 0.5 * Erf.erfc((bound - value) / uncertainty / Math.sqrt(2));
    }

    /** Returns the sum; fails where the units differ. */
    public Quantity plus(Quantity other) {
        requireSameUnit(other);
        return combine(value + other.value, unit, other, 1, 1);
    }

    /** Returns the difference; fails where the units differ. */
    public Quantity minus(Quantity other) {
        requireSameUnit(other);
        return combine(value - other.value, unit, other, 1, -1);
    }

    /** Returns the product, in the unit that the caller names. */
    public Quantity times(Quantity other, Unit result) {
        return combine(value * other.value, result, other, other.value, value);
    }

    /** Returns the quotient, in the unit that the caller names; the divisor must not be zero. */
    public Quantity over(Quantity other, Unit result) {
        return combine(value / other.value, result, other, 1 / other.value, -value / (other.value * other.value));
    }

    /** Returns this times an exact factor. */
    public Quantity scaled(double factor) {
        return transformed(value * factor, unit, factor);
    }

    /** Returns {@code 10·log10} of this ratio, in decibels; the ratio must be positive. */
    public Quantity inDecibels() {
        return transformed(10 * Math.log10(value), Unit.DECIBEL, 10 / (Math.log(10) * value));
    }

    /** Returns this raised to a power; the value must be positive. */
    public Quantity toPower(double exponent) {
        double powered = Math.pow(value, exponent);
        return transformed(powered, unit, exponent * powered / value);
    }

    /**
     * Returns a function of some quantities, in the unit that the caller names.
     *
     * <p>Method: the share of each source is half the difference between the function with all operands moved by their shares
     * from it to one side, and to the other: central differences of the first-order law, without derivatives.
     */
    public static Quantity of(List<Quantity> operands, Unit result, ToDoubleFunction<double[]> function) {
        double[] values = operands.stream().mapToDouble(Quantity::value).toArray();
        Standing standing = Standing.COMPUTED;
        Set<ErrorSource> sources = new LinkedHashSet<>();
        for (Quantity one : operands) {
            standing = standing.combinedWith(one.standing);
            sources.addAll(one.contributions.keySet());
        }
        Map<ErrorSource, Double> shares = new LinkedHashMap<>();
        for (ErrorSource source : sources) {
            double[] up = values.clone();
            double[] down = values.clone();
            for (int i = 0; i < values.length; i++) {
                double share = operands.get(i).contributions.getOrDefault(source, 0.0);
                up[i] += share;
                down[i] -= share;
            }
            shares.put(source, (function.applyAsDouble(up) - function.applyAsDouble(down)) / 2);
        }
        return new Quantity(function.applyAsDouble(values), result, standing, shares);
    }

    /** Returns the same without the shares of some sources: what is left where the same instrument reads again. */
    public Quantity without(Predicate<ErrorSource> sources) {
        Map<ErrorSource, Double> left = new LinkedHashMap<>(contributions);
        left.keySet().removeIf(sources);
        return new Quantity(value, unit, standing, left);
    }

    /** Returns the same with one more independent source of error. */
    public Quantity with(ErrorSource source, double standardUncertainty) {
        Map<ErrorSource, Double> more = new LinkedHashMap<>(contributions);
        more.put(source, standardUncertainty);
        return new Quantity(value, unit, standing, more);
    }

    private Quantity transformed(double result, Unit resultUnit, double by) {
        Map<ErrorSource, Double> shares = new LinkedHashMap<>(contributions);
        shares.replaceAll((source, share) -> by * share);
        return new Quantity(result, resultUnit, standing.combinedWith(standing), shares);
    }

    private Quantity combine(double result, Unit resultUnit, Quantity other, double byThis, double byOther) {
        Map<ErrorSource, Double> shares = new LinkedHashMap<>();
        contributions.forEach((source, share) -> shares.merge(source, byThis * share, Double::sum));
        other.contributions.forEach((source, share) -> shares.merge(source, byOther * share, Double::sum));
        return new Quantity(result, resultUnit, standing.combinedWith(other.standing), shares);
    }

    private void requireSameUnit(Quantity other) {
        if (unit != other.unit) {
            throw new IllegalArgumentException("cannot add " + other.unit + " to " + unit);
        }
    }
}
