package org.tubrin.core.tuneup;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.station.Exciter;
import org.tubrin.core.station.Mode;

/**
 * What the exciter remembers for a mode against the drive that was tuned for.
 *
 * @param mode the mode
 * @param setW what the exciter is set to in it, in watts
 * @param mostW what it may be set to: the tuned drive, or for wide-duty modes what brings their share of the output
 * @param outputW output at that setting, as the steps of the climb let expect; absent where they do not
 * @param above whether it is set to more
 */
public record ModeGuard(Mode mode, double setW, double mostW, Optional<Double> outputW, boolean above) {
    /** A power that passed through a pad and back is the same within this ratio. */
    private static final double SAME = 1.000001;

    /** Returns a row for each mode that the exciter remembers a power for; empty before the first step is done. */
    public static List<ModeGuard> of(RunState state) {
        Optional<Step> last = state.lastStep();
        if (last.isEmpty()) {
            return List.of();
        }
        TuneSetup setup = state.setup();
        List<double[]> curve = curve(state.steps());
        double tunedW = last.get().driveW().value();
        List<ModeGuard> rows = new ArrayList<>();
        for (Exciter.ModePower entry : setup.exciter().powerByMode()) {
            double driveW =
                    entry.mode().wideDuty() ? driveFor(curve, setup.settings().wideDutyFraction(), tunedW) : tunedW;
            double mostW = setup.exciterOfW(driveW);
            rows.add(new ModeGuard(
                    entry.mode(), entry.powerW(), mostW, outputAt(curve, driveW), entry.powerW() > SAME * mostW));
        }
        return rows;
    }

    /** Returns drive and output of the steps, both rising; a step that brought less than one before it is left out. */
    private static List<double[]> curve(List<Step> steps) {
        List<double[]> curve = new ArrayList<>();
        for (Step step : steps) {
            double driveW = step.driveW().value();
            double outputW =
                    step.measured(ReadingRole.OUTPUT).map(Quantity::value).orElse(0.0);
            curve.removeIf(point -> point[0] >= driveW);
            if (outputW > 0 && driveW > 0 && (curve.isEmpty() || outputW > curve.get(curve.size() - 1)[1])) {
                curve.add(new double[] {driveW, outputW});
            }
        }
        return curve;
    }

    /** Returns the drive that brings a share of the last output: along the steps as a power law, below them in proportion. */
    private static double driveFor(List<double[]> curve, double share, double tunedW) {
        if (curve.isEmpty()) {
            return share * tunedW;
        }
        double wantedW = share * curve.get(curve.size() - 1)[1];
        return along(curve, wantedW, 1, 0);
    }

    private static Optional<Double> outputAt(List<double[]> curve, double driveW) {
        return curve.isEmpty() ? Optional.empty() : Optional.of(along(curve, driveW, 0, 1));
    }

    private static double along(List<double[]> curve, double at, int from, int to) {
        double[] low = curve.get(0);
        if (at <= low[from]) {
            return low[to] * at / low[from];
        }
        for (double[] high : curve.subList(1, curve.size())) {
            if (at <= high[from]) {
                double share = Math.log(at / low[from]) / Math.log(high[from] / low[from]);
                return low[to] * Math.pow(high[to] / low[to], share);
            }
            low = high;
        }
        return low[to];
    }
}
