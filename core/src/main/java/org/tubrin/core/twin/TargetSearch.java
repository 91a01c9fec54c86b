package org.tubrin.core.twin;

import java.util.EnumSet;
import java.util.Set;
import org.hipparchus.optim.MaxEval;
import org.hipparchus.optim.nonlinear.scalar.GoalType;
import org.hipparchus.optim.univariate.BrentOptimizer;
import org.hipparchus.optim.univariate.SearchInterval;
import org.hipparchus.optim.univariate.UnivariateObjectiveFunction;
import org.hipparchus.optim.univariate.UnivariatePointValuePair;
import org.tubrin.core.tank.Dial;

/**
 * Finds the dials at which a current stands at a target, as those do who load by a panel meter.
 *
 * <p>Method: on PLATE the extremum of the current near resonance and on LOAD the root, both by Brent, since the dip of plate
 * current rises and the peak of grid current falls with heavier coupling. Source: R. P. Brent, "Algorithms for Minimization
 * without Derivatives" (1973), ch. 4 and 5. Cost: about 100 operating points.
 */
public final class TargetSearch {
    /** How near LOAD comes, as a share of its dial. */
    private static final double LOAD_SHARE = 4e-6;

    /** How near PLATE comes, as a share: finer than a hand can set it. */
    private static final double PLATE_SHARE = 1e-4;

    private static final int MOST_EVALUATIONS = 200;
    /** How far from resonance the extremum is sought, as a share of the dial. */
    private static final double REACH = 0.03;

    private final Probe probe;
    private final double driveW;
    private final boolean dip;
    private final Dial plateDial;
    private int settles;
    private boolean failed;
    private double plate;

    private TargetSearch(Probe probe, double driveW, boolean dip) {
        this.probe = probe;
        this.driveW = driveW;
        this.dip = dip;
        plateDial = probe.tubes().plate();
    }

    /** Returns where the dip of plate current stands at a target in amperes; at LOAD's end where it cannot. */
    public static Outcome<Peak> dip(Probe probe, double driveW, double targetA) {
        return new TargetSearch(probe, driveW, true).run(targetA);
    }

    /** Returns where the peak of grid current stands at a target in amperes; at LOAD's end where it cannot. */
    public static Outcome<Peak> grid(Probe probe, double driveW, double targetA) {
        return new TargetSearch(probe, driveW, false).run(targetA);
    }

    private Outcome<Peak> run(double targetA) {
        Dial dial = probe.tubes().load();
        boolean moreIsHeavier = probe.tubes().loadSense().heavierSign() > 0;
        double light = moreIsHeavier ? dial.least() : dial.most();
        double heavy = moreIsHeavier ? dial.most() : dial.least();
        Set<Peak.Stop> stops = EnumSet.noneOf(Peak.Stop.class);
        double load = light;
        if (!tooLight(light, targetA)) {
            stops.add(Peak.Stop.LOAD);
        } else if (tooLight(heavy, targetA)) {
            load = heavy;
        } else {
            load = Root.between(
                    at -> extreme(at) - targetA,
                    Math.min(light, heavy),
                    Math.max(light, heavy),
                    LOAD_SHARE * (dial.most() - dial.least()));
        }
        extreme(load);
        failed |= !probe.settle(driveW, plate, load);
        return failed ? probe.unsettled() : new Outcome.Settled<>(new Peak(plate, load, stops, probe.point(), settles));
    }

    private boolean tooLight(double load, double targetA) {
        double currentA = extreme(load);
        return dip ? currentA < targetA : currentA > targetA;
    }

    /** Returns the extremum of the current over PLATE, and leaves PLATE there. */
    private double extreme(double load) {
        double middle = probe.resonantPlate(load);
        double reach = REACH * (plateDial.most() - plateDial.least());
        double low = plateDial.clamp(middle - reach);
        double high = plateDial.clamp(middle + reach);
        UnivariatePointValuePair found = new BrentOptimizer(PLATE_SHARE, PLATE_SHARE * (high - low))
                .optimize(
                        new MaxEval(MOST_EVALUATIONS),
                        new UnivariateObjectiveFunction(at -> figure(at, load)),
                        dip ? GoalType.MINIMIZE : GoalType.MAXIMIZE,
                        new SearchInterval(low, high));
        plate = found.getPoint();
        return found.getValue();
    }

    private double figure(double atPlate, double load) {
        settles++;
        if (!probe.settle(driveW, atPlate, load)) {
            failed = true;
            return 0;
        }
        return dip ? probe.plateCurrentA() : probe.gridCurrentA();
    }
}
