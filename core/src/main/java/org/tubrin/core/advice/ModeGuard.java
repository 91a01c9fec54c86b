package org.tubrin.core.advice;

import java.util.List;
import java.util.Optional;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.run.Use;
import org.tubrin.core.station.Exciter;
import org.tubrin.core.station.Mode;

/**
 * What the exciter remembers for a mode against the drive that was tuned for. All outputs hold at the dials of the card. Dials for a
 * long carrier take all of the drive that was tuned for.
 *
 * @param mode the mode
 * @param setW what the exciter is set to in it, in watts
 * @param mostW what it may be set to: the tuned drive; for a carrier that stands long what brings its share of the output; for AM
 *     a quarter of the tuned drive and no more than a quarter of the licence at the output
 * @param outputW output at the most that it may be set to
 * @param above whether it is set to more
 * @param heat what a carrier that stands long does to the plates; absent for other modes and without a twin
 */
public record ModeGuard(
        Mode mode, double setW, double mostW, Optional<Double> outputW, boolean above, Optional<LongCarrier> heat) {
    /** A power that passed through a pad and back is the same within this ratio. */
    private static final double SAME = 1.000001;

    /**
     * Plates under a carrier that stands long, and where such a mode is better tuned for itself.
     *
     * @param plateHeatPerTubeW at the most that the mode may be set to, at the card's dials
     * @param tunedHeatPerTubeW at the tuned drive
     * @param ownExciterW power of the exciter that brings the same output at dials of its own
     * @param ownPlate PLATE there
     * @param ownLoad LOAD there
     * @param ownHeatPerTubeW plate heat there
     */
    public record LongCarrier(
            double plateHeatPerTubeW,
            double tunedHeatPerTubeW,
            double ownExciterW,
            double ownPlate,
            double ownLoad,
            double ownHeatPerTubeW) {
        /** Returns whether less drive makes the plates hotter than full drive does. */
        public boolean isHotter() {
            return plateHeatPerTubeW > tunedHeatPerTubeW;
        }
    }

    /** Returns a row for each mode of the dials' use that the exciter remembers a power for; empty before the first step is done. */
    public static List<ModeGuard> of(RunState state) {
        return AtCardDials.of(state).stream()
                .flatMap(dials -> state.setup().exciter().powerByMode().stream()
                        .filter(entry -> isAt(state.setup().use(), entry.mode()))
                        .map(entry -> row(state.setup(), dials, entry)))
                .toList();
    }

    /** Who speaks or sends CW does so at other dials than those for a long carrier. */
    private static boolean isAt(Use use, Mode mode) {
        return use == Use.SPEECH_AND_CW || mode.wideDuty();
    }

    private static ModeGuard row(TuneSetup setup, AtCardDials dials, Exciter.ModePower entry) {
        double driveW = mostDriveW(setup, dials, entry.mode());
        double mostW = setup.exciterOfW(driveW);
        return new ModeGuard(
                entry.mode(),
                entry.powerW(),
                mostW,
                dials.tunedOutputW() > 0 ? Optional.of(dials.outputW(driveW)) : Optional.empty(),
                entry.powerW() > SAME * mostW,
                entry.mode().wideDuty() ? longCarrier(setup, dials, driveW) : Optional.empty());
    }

    /** Returns the most drive in watts that a mode may bring. */
    static double mostDriveW(TuneSetup setup, AtCardDials dials, Mode mode) {
        double share = mode.carrierShare();
        if (share < 1) {
            return Math.min(
                    share * dials.tunedW(),
                    dials.driveForW(share * setup.station().licenceLimitW()));
        }
        return mode.wideDuty() && setup.use() == Use.SPEECH_AND_CW
                ? dials.driveForW(setup.settings().wideDutyFraction() * dials.tunedOutputW())
                : dials.tunedW();
    }

    static Optional<LongCarrier> longCarrier(TuneSetup setup, AtCardDials dials, double driveW) {
        return dials.heatPerTubeW(driveW)
                .flatMap(heat -> dials.tunedHeatPerTubeW()
                        .flatMap(tuned -> dials.ownDials(dials.outputW(driveW))
                                .map(own -> new LongCarrier(
                                        heat,
                                        tuned,
                                        setup.exciterOfW(own.driveW()),
                                        own.place().plate(),
                                        own.place().load(),
                                        own.place().point().powers().plateHeatPerTubeW()))));
    }
}
