package org.tubrin.core.twin;

import java.util.EnumSet;
import java.util.Set;
import org.tubrin.core.tank.Dial;

/**
 * Finds the dials at which a current stands at a target, as those do who load by a panel meter.
 *
 * <p>Method: on PLATE the extremum of the current near resonance by golden section; on LOAD bisection, since the dip of plate
 * current rises and the peak of grid current falls with heavier coupling. Source: R. P. Brent, "Algorithms for Minimization
 * without Derivatives" (1973), ch. 5. Cost: about 300 operating points.
 */
public final class TargetSearch {
    private static final int HALVINGS = 18;
    private static final int SECTIONS = 15;
    private static final double GOLDEN = 0.3819660112501051;
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
        double load;
        if (tooLight(light, targetA)) {
            for (int i = 0; i < HALVINGS; i++) {
                double middle = (light + heavy) / 2;
                if (tooLight(middle, targetA)) {
                    light = middle;
                } else {
                    heavy = middle;
                }
            }
            load = (light + heavy) / 2;
        } else {
            stops.add(Peak.Stop.LOAD);
            load = light;
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
        double at = low + GOLDEN * (high - low);
        double best = figure(at, load);
        for (int i = 0; i < SECTIONS; i++) {
            boolean upward = high - at > at - low;
            double tried = upward ? at + GOLDEN * (high - at) : at - GOLDEN * (at - low);
            double found = figure(tried, load);
            boolean better = dip ? found < best : found > best;
            if (better) {
                if (upward) {
                    low = at;
                } else {
                    high = at;
                }
                at = tried;
                best = found;
            } else if (upward) {
                high = tried;
            } else {
                low = tried;
            }
        }
        plate = at;
        return best;
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
