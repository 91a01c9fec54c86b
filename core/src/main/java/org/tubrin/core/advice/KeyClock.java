package org.tubrin.core.advice;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.tubrin.core.run.KeyDown;
import org.tubrin.core.run.RunKind;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.TuneSettings;
import org.tubrin.core.station.Load;
import org.tubrin.core.station.Thermal;

/**
 * The pace of key-down and rest at a moment.
 *
 * @param phase what goes on
 * @param since since when; the start of the run while it was never keyed
 * @param aimS key-down to aim for, in seconds
 * @param stopS key-down never to pass, in seconds; less where the load would pass its limit sooner
 * @param restS rest that the last key-down asks for, in seconds; infinite where the load never bears that power so long
 * @param lastKeyDownS length of the last key-down that ended, in seconds; 0 where none did
 * @param heat the load's state, where its record says how it warms
 * @param plateHeatShare how hot the plates are, by {@link PlateHeat}; 0 where what they bear is not known
 */
public record KeyClock(
        Phase phase,
        Instant since,
        double aimS,
        double stopS,
        double restS,
        double lastKeyDownS,
        Optional<Heat> heat,
        double plateHeatShare) {

    /** The longest key-down without RF, in seconds. */
    private static final double WITHOUT_RF_S = 7200;
    /** A transmission lasts minutes; the law asks for a call sign now and then. */
    private static final double TRANSMISSION_S = 600;

    /** What goes on. */
    public enum Phase {
        IDLE,
        KEY_DOWN,
        RESTING,
        READY
    }

    /**
     * The load's state.
     *
     * @param temperatureC now
     * @param limitC its limit
     * @param leftAtThisPowerS how long the power last seen may stand, in seconds; infinite where for ever
     */
    public record Heat(double temperatureC, double limitC, double leftAtThisPowerS) {
        /** A load this near to its limit is called hot, in kelvin. */
        private static final double HOT_WITHIN_K = 40;

        /** Returns whether to mind the load's temperature. */
        public boolean isHot() {
            return temperatureC > limitC - HOT_WITHIN_K;
        }
    }

    /** Returns the clock of a run at a moment. */
    public static KeyClock of(RunState state, Instant now) {
        TuneSettings settings = state.setup().settings();
        List<KeyDown> keyDowns = state.keyDowns();
        if (state.setup().stage().staysKeyed()) {
            return untilUnkeyed(state);
        }
        if (keyDowns.isEmpty()) {
            Optional<Heat> cold = thermal(state).map(thermal -> heat(state, thermal, 0, now));
            return new KeyClock(
                    Phase.IDLE, state.startedAt(), settings.keyDownAimS(), settings.keyDownStopS(), 0, 0, cold, 0);
        }
        KeyDown last = keyDowns.get(keyDowns.size() - 1);
        Optional<Heat> heat = thermal(state).map(thermal -> heat(state, thermal, last.powerW(), now));
        double plateHeat = state.setup()
                .stage()
                .dissipationPerDeviceW()
                .map(rated -> PlateHeat.share(keyDowns, rated, now))
                .orElse(0.0);
        if (last.to().isEmpty()) {
            double elapsedS = seconds(last.from(), now);
            double stopS = heat.map(Heat::leftAtThisPowerS)
                    .map(leftS -> Math.min(settings.keyDownStopS(), elapsedS + leftS))
                    .orElse(settings.keyDownStopS());
            return new KeyClock(
                    Phase.KEY_DOWN,
                    last.from(),
                    Math.min(settings.keyDownAimS(), stopS),
                    stopS,
                    0,
                    lengthOfLastEnded(keyDowns),
                    heat,
                    plateHeat);
        }
        Instant up = last.to().get();
        double keyDownS = seconds(last.from(), up);
        double restS = Math.max(Math.max(settings.restS(), keyDownS), coolingS(state, last, up));
        Phase phase = seconds(up, now) < restS ? Phase.RESTING : Phase.READY;
        return new KeyClock(
                phase, up, settings.keyDownAimS(), settings.keyDownStopS(), restS, keyDownS, heat, plateHeat);
    }

    /** Without RF nothing but the current itself says when the key goes up; on the air the transmission does. */
    private static KeyClock untilUnkeyed(RunState state) {
        double longestS = state.setup().stage().kind() == RunKind.BIAS ? WITHOUT_RF_S : TRANSMISSION_S;
        Phase phase = state.isKeyed() ? Phase.KEY_DOWN : state.keyDowns().isEmpty() ? Phase.IDLE : Phase.READY;
        Instant since = state.keyDowns().isEmpty()
                ? state.startedAt()
                : state.keyDowns().get(state.keyDowns().size() - 1).from();
        return new KeyClock(phase, since, longestS, longestS, 0, 0, Optional.empty(), 0);
    }

    private static double coolingS(RunState state, KeyDown last, Instant up) {
        return thermal(state)
                .map(thermal -> LoadHeat.restForS(
                        LoadHeat.temperatureC(
                                state.keyDowns(),
                                thermal,
                                state.setup().station().ambientC(),
                                up),
                        last.powerW(),
                        state.setup().settings().keyDownStopS(),
                        thermal,
                        state.setup().station().ambientC()))
                .orElse(0.0);
    }

    private static Heat heat(RunState state, Thermal thermal, double powerW, Instant now) {
        double ambientC = state.setup().station().ambientC();
        double temperatureC = LoadHeat.temperatureC(state.keyDowns(), thermal, ambientC, now);
        return new Heat(
                temperatureC,
                thermal.temperatureLimitC(),
                LoadHeat.secondsToLimit(temperatureC, powerW, thermal, ambientC));
    }

    private static Optional<Thermal> thermal(RunState state) {
        return state.setup().termination() instanceof Load load ? load.thermal() : Optional.empty();
    }

    private static double lengthOfLastEnded(List<KeyDown> keyDowns) {
        for (int i = keyDowns.size() - 1; i >= 0; i--) {
            KeyDown keyDown = keyDowns.get(i);
            if (keyDown.to().isPresent()) {
                return seconds(keyDown.from(), keyDown.to().get());
            }
        }
        return 0;
    }

    private static double seconds(Instant from, Instant to) {
        return Duration.between(from, to).toNanos() / 1e9;
    }
}
