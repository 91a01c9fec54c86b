package org.tubrin.core.supply;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.ErrorSource;
import org.tubrin.core.quantity.MonotoneCubic;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;

/**
 * A set's current over its output at one voltage, as measured.
 *
 * <p>Method: between points monotone cubic interpolation over the square root of the output, since the current of class B
 * follows the amplitude; points that fall where they should rise are levelled first (pool adjacent violators, weighted).
 * Beyond the points the law of {@link ProfileFit}, shifted to meet the last point.
 *
 * @param set what was measured
 * @param voltageV at the set while it was keyed, 1 to 400 V
 * @param listeningA receiving, without transmission, 0 to 50 A
 * @param points at least two, of different outputs; held in rising order of output
 */
public record CurrentProfile(String set, double voltageV, double listeningA, List<CurrentPoint> points) {
    public CurrentProfile {
        points = points.stream()
                .sorted(Comparator.comparingDouble(CurrentPoint::outputW))
                .toList();
        new Checks()
                .name("set", set)
                .range("voltageV", voltageV, 1, 400, Unit.VOLT)
                .range("listeningA", listeningA, 0, 50, Unit.AMPERE)
                .size("points", points, 2, 200)
                .distinct("points", points.stream().map(CurrentPoint::outputW).toList())
                .done();
    }

    /** Returns the law through the points; empty where there is none to be had. */
    public Optional<ProfileFit> fit() {
        return ProfileFit.of(points, listeningA);
    }

    /** Returns the greatest output that was measured, in watts. */
    public double greatestW() {
        return points.get(points.size() - 1).outputW();
    }

    /** Returns the standard uncertainty of that, as a share of it; 0 where nothing was put out. */
    double greatestShare() {
        return greatestW() > 0 ? outputUncertaintyW(greatestW()) / greatestW() : 0;
    }

    /**
     * Returns the current at an output in watts, keyed: measured between the points, predicted beyond them.
     *
     * @param outputW 0 or more
     */
    public Quantity currentA(double outputW) {
        double leastW = points.get(0).outputW();
        if (outputW >= leastW && outputW <= greatestW()) {
            return unsure(between(outputW), outputW);
        }
        CurrentPoint end = outputW < leastW ? points.get(0) : points.get(points.size() - 1);
        Quantity near = quantity(end.currentA(), Standing.MEASURED, end.currentUncertaintyA());
        return unsure(
                fit().map(law -> law.currentA(outputW, set)
                                .minus(Quantity.exact(
                                        law.currentA(end.outputW(), set).value() - end.currentA(),
                                        Unit.AMPERE,
                                        Standing.COMPUTED)))
                        .orElse(near),
                outputW);
    }

    /** Returns the same, unsure as well by what the output was read with. */
    private Quantity unsure(Quantity current, double outputW) {
        Map<ErrorSource, Double> contributions = new HashMap<>(current.contributions());
        contributions.putAll(byOutput(outputW).contributions());
        return new Quantity(current.value(), Unit.AMPERE, current.standing(), contributions);
    }

    /** What the current is unsure by because the output was not read exactly, nothing in itself: half of what lies that far to either side. */
    private Quantity byOutput(double outputW) {
        double unsureW = outputUncertaintyW(outputW);
        double fromW = inside(Math.min(outputW - unsureW, greatestW() - 2 * unsureW));
        double halfA =
                (between(inside(fromW + 2 * unsureW)).value() - between(fromW).value()) / 2;
        return Quantity.of(
                0, Unit.AMPERE, Standing.MEASURED, new ErrorSource(set, "profile", "output"), Math.abs(halfA));
    }

    private double inside(double outputW) {
        return Math.max(points.get(0).outputW(), Math.min(greatestW(), outputW));
    }

    /**
     * Returns the standard uncertainty of an output in watts: along a straight line between the points, from nothing at no output,
     * which is known without a meter, and as the last point beyond it.
     */
    private double outputUncertaintyW(double outputW) {
        double lowW = 0;
        double lowUncertaintyW = 0;
        for (CurrentPoint point : points) {
            double uncertaintyW = point.outputW() > 0 ? point.outputUncertaintyW() : 0;
            if (point.outputW() >= outputW && point.outputW() > lowW) {
                double share = (outputW - lowW) / (point.outputW() - lowW);
                return lowUncertaintyW + share * (uncertaintyW - lowUncertaintyW);
            }
            lowW = point.outputW();
            lowUncertaintyW = uncertaintyW;
        }
        return lowUncertaintyW;
    }

    private Quantity between(double outputW) {
        double[] x =
                points.stream().mapToDouble(point -> Math.sqrt(point.outputW())).toArray();
        double[] y = levelled();
        MonotoneCubic curve = new MonotoneCubic(x, y);
        double at = Math.sqrt(outputW);
        int i = curve.piece(at);
        double t = (at - x[i]) / (x[i + 1] - x[i]);
        double value = curve.at(at);
        double uncertainty = (1 - t) * points.get(i).currentUncertaintyA()
                + t * points.get(i + 1).currentUncertaintyA();
        return quantity(value, Standing.MEASURED, uncertainty);
    }

    private Quantity quantity(double value, Standing standing, double uncertainty) {
        return Quantity.of(value, Unit.AMPERE, standing, new ErrorSource(set, "profile", "points"), uncertainty);
    }

    /** Returns the currents with falls levelled out, each weighted alike. */
    private double[] levelled() {
        List<double[]> pools = new ArrayList<>();
        for (CurrentPoint point : points) {
            pools.add(new double[] {point.currentA(), 1});
            while (pools.size() > 1 && pools.get(pools.size() - 2)[0] > pools.get(pools.size() - 1)[0]) {
                double[] last = pools.remove(pools.size() - 1);
                double[] before = pools.get(pools.size() - 1);
                before[0] = (before[0] * before[1] + last[0] * last[1]) / (before[1] + last[1]);
                before[1] += last[1];
            }
        }
        double[] level = new double[points.size()];
        int at = 0;
        for (double[] pool : pools) {
            for (int i = 0; i < pool[1]; i++) {
                level[at++] = pool[0];
            }
        }
        return level;
    }

    /** Returns output over direct input at an output in watts as the meter shows it, above 0. */
    public Quantity efficiency(double outputW) {
        return shown(outputW).over(atShown(outputW).scaled(voltageV), Unit.ONE);
    }

    /** Returns the heat that the set makes at an output in watts as the meter shows it, keyed. */
    public Quantity heatW(double outputW) {
        Quantity voltage = Quantity.exact(voltageV, Unit.VOLT, Standing.MEASURED);
        return atShown(outputW).times(voltage, Unit.WATT).minus(shown(outputW));
    }

    private Quantity shown(double outputW) {
        return Quantity.of(
                outputW,
                Unit.WATT,
                Standing.MEASURED,
                new ErrorSource(set, "profile", "output"),
                outputUncertaintyW(outputW));
    }

    /** The current that was read when the meter showed an output: whatever that meter was off by is no error of it. */
    private Quantity atShown(double outputW) {
        return currentA(outputW).minus(byOutput(outputW));
    }
}
