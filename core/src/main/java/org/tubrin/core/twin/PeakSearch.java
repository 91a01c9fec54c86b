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
 * Finds the dials of most output, and the heavier finish beyond them.
 *
 * <p>Method: the ridge of resonance is known in closed form, so LOAD is scanned along it and its maximum bracketed and
 * narrowed by Brent; a few Newton steps on a quadratic through six points then correct both dials, since feedback
 * parts resonance from most output. Source: R. P. Brent, "Algorithms for Minimization without Derivatives" (1973), ch. 4 for
 * the finish, ch. 5 for the top. Cost: about 33 operating points.
 */
public final class PeakSearch {
    /** Share of most output that the finish gives up to: a little heavier, much cleaner. */
    private static final double FINISH_SHARE = 0.98;

    private static final int SCAN = 9;
    private static final int CORRECTIONS = 2;
    /** How near the top the section comes, as a share of the dial; the corrections find it from there. */
    private static final double LOAD_SHARE = 3e-3;

    /** How near the finish comes to its share of the output, as a share of the dial. */
    private static final double FINISH_SHARE_OF_DIAL = 3e-5;

    private static final int MOST_EVALUATIONS = 60;
    private static final double REACH = 0.006;

    private final Probe probe;
    private final double driveW;
    private final Dial plateDial;
    private final Dial loadDial;
    private final double plateStep;
    private final double loadStep;
    private double plate;
    private double load;
    private double best;
    private int settles;
    private boolean failed;

    private PeakSearch(Probe probe, double driveW) {
        this.probe = probe;
        this.driveW = driveW;
        plateDial = probe.tubes().plate();
        loadDial = probe.tubes().load();
        plateStep = 0.1 * REACH * (plateDial.most() - plateDial.least());
        loadStep = 2 * REACH * (loadDial.most() - loadDial.least());
    }

    /** Returns the dials of most output at the setting's drive, which must be above 0; its own dials are not looked at. */
    public static Outcome<Peak> most(TubeTwin twin, Setting setting) {
        return twin.probe(setting)
                .map(probe -> most(probe, setting.driveW()))
                .orElseGet(() -> new Outcome.Unsettled<>(Outcome.Why.BAND_UNKNOWN, 0, 0));
    }

    /** Returns the dials of most output with a probe at hand. */
    public static Outcome<Peak> most(Probe probe, double driveW) {
        PeakSearch search = new PeakSearch(probe, driveW);
        search.climb();
        return search.peak();
    }

    /**
     * Returns the best linear place: a little heavier than most output, at resonance, where output has fallen to 98 % of it; at
     * the LOAD dial's end where it does not fall so far.
     */
    public static Outcome<Peak> finish(Probe probe, double driveW) {
        PeakSearch search = new PeakSearch(probe, driveW);
        search.climb();
        search.goHeavier();
        return search.peak();
    }

    private void climb() {
        double span = loadDial.most() - loadDial.least();
        int at = 0;
        for (int i = 0; i < SCAN; i++) {
            double tried = loadDial.least() + span * i / (SCAN - 1);
            double output = onRidge(tried);
            if (i == 0 || output > best) {
                best = output;
                load = tried;
                at = i;
            }
        }
        double low = loadDial.least() + span * Math.max(0, at - 1) / (SCAN - 1);
        double high = loadDial.least() + span * Math.min(SCAN - 1, at + 1) / (SCAN - 1);
        UnivariatePointValuePair top = new BrentOptimizer(LOAD_SHARE, LOAD_SHARE * span)
                .optimize(
                        new MaxEval(MOST_EVALUATIONS),
                        new UnivariateObjectiveFunction(this::onRidge),
                        GoalType.MAXIMIZE,
                        new SearchInterval(low, high, load));
        load = top.getPoint();
        best = top.getValue();
        plate = probe.resonantPlate(load);
        for (int i = 0; i < CORRECTIONS; i++) {
            correct();
        }
    }

    /** One Newton step on the quadratic through the place and five around it, taken where it gains. */
    private void correct() {
        double h = plateStep;
        double k = loadStep;
        double right = output(plate + h, load);
        double left = output(plate - h, load);
        double up = output(plate, load + k);
        double down = output(plate, load - k);
        double corner = output(plate + h, load + k);
        double gx = (right - left) / 2;
        double gy = (up - down) / 2;
        double xx = right - 2 * best + left;
        double yy = up - 2 * best + down;
        double xy = corner - right - up + best;
        double determinant = xx * yy - xy * xy;
        double dx;
        double dy;
        if (xx < 0 && determinant > 0) {
            dx = (xy * gy - yy * gx) / determinant;
            dy = (xy * gx - xx * gy) / determinant;
        } else {
            dx = xx < 0 ? -gx / xx : 0;
            dy = 0;
        }
        double nextPlate = plateDial.clamp(plate + h * Math.max(-20, Math.min(20, dx)));
        double nextLoad = loadDial.clamp(load + k * Math.max(-5, Math.min(5, dy)));
        double next = output(nextPlate, nextLoad);
        if (next > best) {
            best = next;
            plate = nextPlate;
            load = nextLoad;
        }
    }

    private void goHeavier() {
        double wanted = FINISH_SHARE * best;
        double light = load;
        double heavy = probe.tubes().loadSense().heavierSign() > 0 ? loadDial.most() : loadDial.least();
        if (onRidge(heavy) >= wanted) {
            load = heavy;
        } else {
            load = Root.between(
                    at -> onRidge(at) - wanted,
                    Math.min(light, heavy),
                    Math.max(light, heavy),
                    FINISH_SHARE_OF_DIAL * (loadDial.most() - loadDial.least()));
        }
        plate = probe.resonantPlate(load);
    }

    private double onRidge(double atLoad) {
        return output(probe.resonantPlate(atLoad), atLoad);
    }

    private double output(double atPlate, double atLoad) {
        settles++;
        if (!probe.settle(driveW, atPlate, atLoad)) {
            failed = true;
            return 0;
        }
        return probe.outputW();
    }

    private Outcome<Peak> peak() {
        output(plate, load);
        if (failed) {
            return probe.unsettled();
        }
        Set<Peak.Stop> stops = EnumSet.noneOf(Peak.Stop.class);
        double plateEdge = 1e-6 * (plateDial.most() - plateDial.least());
        double loadEdge = 1e-3 * (loadDial.most() - loadDial.least());
        if (plate < plateDial.least() + plateEdge || plate > plateDial.most() - plateEdge) {
            stops.add(Peak.Stop.PLATE);
        }
        if (load < loadDial.least() + loadEdge || load > loadDial.most() - loadEdge) {
            stops.add(Peak.Stop.LOAD);
        }
        return new Outcome.Settled<>(new Peak(plate, load, stops, probe.point(), settles));
    }
}
