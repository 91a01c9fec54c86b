package org.tubrin.core.twin;

import java.util.List;
import org.tubrin.core.station.Envelope;

/**
 * Averages over a mode's envelope.
 *
 * @param outputW mean power into the load
 * @param plateCurrentA mean, all tubes
 * @param gridCurrentA mean, all tubes
 * @param plateHeatPerTubeW mean plate dissipation of one tube
 */
public record ModeAverage(double outputW, double plateCurrentA, double gridCurrentA, double plateHeatPerTubeW) {
    /** Ways to modulate, with the envelope that each is reckoned by. */
    public enum Kind {
        /** Speech with 10 dB from average to peak. */
        SPEECH,
        /** Processed speech with 6 dB. */
        PROCESSED,
        /** CW text, down 45 % of the time. */
        CW_TEXT,
        /** Data in one slot of two. */
        SLOTTED;

        private Envelope envelope() {
            return switch (this) {
                case SPEECH -> Envelope.speech();
                case PROCESSED -> Envelope.processed();
                case CW_TEXT -> Envelope.cwText();
                case SLOTTED -> Envelope.slotted();
            };
        }
    }

    /** Returns the averages of a way to modulate, at a setting whose drive is the peak envelope power. */
    public static Outcome<ModeAverage> of(TubeTwin twin, Setting setting, Kind kind) {
        List<Envelope.Level> levels = kind.envelope().levels();
        double[] drives = levels.stream()
                .mapToDouble(level -> setting.driveW() * level.powerShare())
                .toArray();
        double[] weights =
                levels.stream().mapToDouble(Envelope.Level::timeShare).toArray();
        return over(twin, setting, drives, weights);
    }

    static ModeAverage of(EnvelopeSweep sweep) {
        return new ModeAverage(
                sweep.mean(sweep.outputW), sweep.mean(sweep.plateA), sweep.mean(sweep.gridA), sweep.mean(sweep.heatW));
    }

    private static Outcome<ModeAverage> over(TubeTwin twin, Setting setting, double[] drives, double[] weights) {
        Probe probe = twin.probe(setting).orElse(null);
        if (probe == null) {
            return new Outcome.Unsettled<>(Outcome.Why.BAND_UNKNOWN, 0, 0);
        }
        EnvelopeSweep sweep = new EnvelopeSweep(probe, setting, drives, weights);
        return sweep.settle() ? new Outcome.Settled<>(of(sweep)) : probe.unsettled();
    }
}
