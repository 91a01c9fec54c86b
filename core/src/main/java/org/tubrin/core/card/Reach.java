package org.tubrin.core.card;

import java.util.Optional;
import java.util.function.DoubleFunction;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Stage;
import org.tubrin.core.tank.ImpedancePoint;
import org.tubrin.core.twin.Outcome;
import org.tubrin.core.twin.Peak;
import org.tubrin.core.twin.PeakSearch;
import org.tubrin.core.twin.Probe;
import org.tubrin.core.twin.Setting;
import org.tubrin.core.twin.TubeTwin;

/**
 * How far one may move in frequency with the dials left where they are.
 *
 * <p>Method: the twin with its own dials at the frequency that was tuned for, its output followed from there in steps of a
 * 400th of the band, then by halving. Cost: some hundred operating points.
 *
 * @param lowestHz lower end
 * @param lowBound what ends it there
 * @param highestHz upper end
 * @param highBound what ends it there
 */
public record Reach(double lowestHz, Bound lowBound, double highestHz, Bound highBound) {
    /** Share of the output that may be lost before the dials are touched again. */
    public static final double LOSS_SHARE = 0.1;

    private static final int STEPS = 400;
    private static final int HALVINGS = 10;

    /** What ends a reach. */
    public enum Bound {
        BAND_EDGE,
        OUTPUT,
        GRID_CURRENT,
        SCREEN_CURRENT,
        PLATE_CURRENT,
        HEAT,
        UNSETTLED
    }

    /** Returns the same, ended at the edges of a band as it is allocated, in hertz. */
    public Reach within(double bandLowestHz, double bandHighestHz) {
        return new Reach(
                Math.max(lowestHz, bandLowestHz),
                lowestHz <= bandLowestHz ? Bound.BAND_EDGE : lowBound,
                Math.min(highestHz, bandHighestHz),
                highestHz >= bandHighestHz ? Bound.BAND_EDGE : highBound);
    }

    /**
     * Returns the reach; empty where the amplifier has no twin of the band.
     *
     * @param band the band
     * @param frequencyHz where the dials were set
     * @param driveW drive
     * @param into what the amplifier works into, by frequency in hertz
     * @param lossShare share of the output that may be lost, 0 to 1; {@link #LOSS_SHARE} by custom
     */
    public static Optional<Reach> of(
            Amplifier amplifier,
            Band band,
            double frequencyHz,
            double driveW,
            DoubleFunction<ImpedancePoint> into,
            double lossShare) {
        return TubeTwin.of(amplifier).flatMap(twin -> {
            Walk walk = new Walk(twin, band, driveW, into, lossShare);
            return walk.start(frequencyHz) ? Optional.of(walk.reach(frequencyHz)) : Optional.empty();
        });
    }

    private static final class Walk {
        private final Stage.Tubes tubes;
        private final TubeTwin twin;
        private final Band band;
        private final double driveW;
        private final DoubleFunction<ImpedancePoint> into;
        private final double lossShare;
        private double plate;
        private double load;
        private double leastW;

        Walk(TubeTwin twin, Band band, double driveW, DoubleFunction<ImpedancePoint> into, double lossShare) {
            this.tubes = twin.tubes();
            this.twin = twin;
            this.band = band;
            this.driveW = driveW;
            this.into = into;
            this.lossShare = lossShare;
        }

        boolean start(double frequencyHz) {
            Optional<Probe> probe = probe(frequencyHz);
            if (probe.isEmpty() || !(PeakSearch.finish(probe.get(), driveW) instanceof Outcome.Settled<Peak> end)) {
                return false;
            }
            plate = end.point().plate();
            load = end.point().load();
            leastW = (1 - lossShare) * end.point().point().outputW();
            return true;
        }

        private Optional<Probe> probe(double frequencyHz) {
            ImpedancePoint at = into.apply(frequencyHz);
            return twin.probe(new Setting(band, frequencyHz, driveW, 0, 0, at.ohm(), at.reactanceOhm()));
        }

        Reach reach(double fromHz) {
            End low = walk(fromHz, band.lowestHz());
            End high = walk(fromHz, band.highestHz());
            return new Reach(low.hertz(), low.bound(), high.hertz(), high.bound());
        }

        private record End(double hertz, Bound bound) {}

        private End walk(double fromHz, double edgeHz) {
            double strideHz = Math.copySign((band.highestHz() - band.lowestHz()) / STEPS, edgeHz - fromHz);
            double insideHz = fromHz;
            while (Math.abs(edgeHz - insideHz) > Math.abs(strideHz)) {
                double nextHz = insideHz + strideHz;
                if (bound(nextHz).isPresent()) {
                    return halved(insideHz, nextHz);
                }
                insideHz = nextHz;
            }
            return bound(edgeHz).isPresent() ? halved(insideHz, edgeHz) : new End(edgeHz, Bound.BAND_EDGE);
        }

        private End halved(double insideHz, double outsideHz) {
            double inside = insideHz;
            double outside = outsideHz;
            for (int i = 0; i < HALVINGS; i++) {
                double middle = (inside + outside) / 2;
                if (bound(middle).isPresent()) {
                    outside = middle;
                } else {
                    inside = middle;
                }
            }
            return new End(inside, bound(outside).orElseThrow());
        }

        /** Returns what is against a frequency; the most dangerous first. */
        private Optional<Bound> bound(double frequencyHz) {
            Probe probe = probe(frequencyHz).orElseThrow();
            if (!probe.settle(driveW, plate, load)) {
                return Optional.of(Bound.UNSETTLED);
            }
            if (Math.abs(probe.screenCurrentA()) > tubes.screenCurrentLimitA().orElse(Double.MAX_VALUE)) {
                return Optional.of(Bound.SCREEN_CURRENT);
            }
            if (probe.gridCurrentA() > tubes.gridCurrentLimitA()) {
                return Optional.of(Bound.GRID_CURRENT);
            }
            if (probe.plateCurrentA() > tubes.plateCurrentLimitA()) {
                return Optional.of(Bound.PLATE_CURRENT);
            }
            if (probe.plateHeatPerTubeW() > tubes.plateDissipationPerTubeW()) {
                return Optional.of(Bound.HEAT);
            }
            return probe.outputW() < leastW ? Optional.of(Bound.OUTPUT) : Optional.empty();
        }
    }
}
