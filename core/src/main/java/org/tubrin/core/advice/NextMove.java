package org.tubrin.core.advice;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.tubrin.core.run.Check;
import org.tubrin.core.run.Ladder;
import org.tubrin.core.run.RunState;

/** Says what to do next in a run, by its school: a pure function of the run and the time. */
public final class NextMove {

    private NextMove() {}

    /** Returns the next move of a run at a moment. */
    public static Advice of(RunState state, Instant now) {
        if (state.ending().isEmpty() && state.isKeyed()) {
            return whileKeyed(state, now);
        }
        return switch (state.phase(now)) {
            case PREFLIGHT -> preflight(state);
            case WARMING -> warmUp(state, now);
            case CLIMBING, FINISHING ->
                switch (state.setup().stage().kind()) {
                    case TUNE_UP -> StepAdvice.of(state, now);
                    case DRIVE_TABLE -> DriveAdvice.of(state, now);
                    case ALC -> LevelAdvice.of(state, now);
                    case BIAS -> BiasAdvice.keyUp(state);
                    case MATCHER -> MatcherAdvice.of(state, now);
                    case CHAIN -> ChainAdvice.of(state, now);
                    case WAVEFORM -> ScopeAdvice.of(state, now);
                    case SUPPLY_TABLE -> SupplyAdvice.of(state, now);
                    case RESONANCE -> ResonanceAdvice.keyUp(state, now);
                };
            case CLOSING ->
                Advice.of(
                        new Move.Answer(state.openChecks(state.closingChecks()).get(0)), Reason.CLOSING_CHECK);
            case WRITING ->
                Advice.of(
                        new Move.WriteDown(),
                        switch (state.setup().stage().kind()) {
                            case ALC -> Reason.KEEP_LEVEL;
                            case BIAS -> Reason.KEEP_BIAS;
                            case MATCHER -> Reason.KEEP_MATCH;
                            case CHAIN -> Reason.KEEP_CHAIN;
                            case WAVEFORM -> Reason.KEEP_WAVEFORM;
                            case SUPPLY_TABLE -> Reason.KEEP_SUPPLY;
                            case RESONANCE -> Reason.KEEP_RESONANCE;
                            case TUNE_UP, DRIVE_TABLE -> Reason.KEEP_FOR_NEXT_TIME;
                        });
            case FINISHED, ABANDONED -> Advice.of(new Move.Done(), Reason.RUN_OVER);
        };
    }

    private static Advice whileKeyed(RunState state, Instant now) {
        KeyClock clock = KeyClock.of(state, now);
        double elapsedS = Duration.between(clock.since(), now).toMillis() / 1000.0;
        return elapsedS >= clock.stopS()
                ? Advice.of(new Move.Unkey(elapsedS), Reason.KEY_TOO_LONG, Caution.HOT_LOAD)
                : switch (state.setup().stage().kind()) {
                    case TUNE_UP -> StepAdvice.whileKeyed(state, clock, now);
                    case DRIVE_TABLE -> Advice.of(new Move.ReadOff(clock.aimS()), Reason.READ_ALL);
                    case ALC -> Advice.of(new Move.ReadOff(clock.aimS()), Reason.LEVEL_READ);
                    case BIAS -> BiasAdvice.keyDown(state, now);
                    case MATCHER -> MatcherAdvice.keyDown(state, clock);
                    case CHAIN -> Advice.of(new Move.ReadOff(clock.aimS()), Reason.CHAIN_READ);
                    case WAVEFORM -> ScopeAdvice.keyDown(state, clock);
                    case SUPPLY_TABLE -> Advice.of(new Move.ReadOff(clock.aimS()), Reason.SUPPLY_READ);
                    case RESONANCE -> ResonanceAdvice.keyDown(state, now);
                };
    }

    private static Advice preflight(RunState state) {
        Check check = state.openBeforePower().get(0);
        List<Caution> cautions = switch (check) {
            case LIMITS_READ -> {
                List<Caution> first = new ArrayList<>();
                if (Ladder.beginsHigh(state.setup())) {
                    first.add(Caution.BEGINS_HIGH);
                }
                if (state.setup().carrierIsShort()
                        && state.setup().fullerCarrier().isPresent()) {
                    first.add(Caution.CARRIER_SHORT);
                }
                first.add(Caution.MAKER_WINS);
                first.addAll(StepAdvice.withoutMeters(state.setup()));
                yield first;
            }
            case POTS_AT_MINIMUM -> List.of(Caution.POTS_BEFORE_POWER);
            case SCOPE_AT_LOAD -> List.of(Caution.SCOPE_VOLTS);
            case NOBODY_AT_ANTENNA -> List.of(Caution.ANTENNA_VOLTS, Caution.RF_EXPOSURE);
            case COVERS_ON, RESTING_SEEN -> List.of(Caution.HIGH_VOLTAGE);
            case BAND_SWITCH -> List.of(Caution.BAND_SWITCH_UNKEYED);
            case BYPASS_LOW_POWER, MATCHED_IN_BYPASS -> List.of(Caution.RF_EXPOSURE);
            case PATH_WIRED,
                    PAD_IN_LINE,
                    TR_DELAY,
                    KEYED_BEFORE_RF,
                    FREQUENCY_CLEAR,
                    LOAD_IN_LINE,
                    AMPLIFIER_BYPASSED,
                    SOUND_PATH_SET,
                    SOUND_UNTREATED,
                    BOARD_APART,
                    STAND_INS_DRIVEN,
                    POT_ENDS_KNOWN,
                    SUPPLY_LIMITED,
                    IDLE_SET,
                    NO_DRIVE,
                    SUPPLY_TURNED_DOWN,
                    METERS_AGREE,
                    MOTOR_TURNS,
                    SCOPE_GROUNDED,
                    READY_AS_USED,
                    METER_RANGE,
                    AIR_MOVING,
                    BYPASS_PROVEN,
                    SCREEN_SUPPLY,
                    METER_ON_CURRENT,
                    DRIVE_DOWN_FIRST,
                    OPERATE,
                    EXCITER_TONES,
                    AMPLIFIER_TONES,
                    SPEECH_CLEAN,
                    INPUT_MATCHED,
                    SAME_AFTER_RF -> List.of();
        };
        return Advice.of(new Move.Answer(check), Reason.BEFORE_POWER, cautions.toArray(Caution[]::new));
    }

    private static Advice warmUp(RunState state, Instant now) {
        double leftS = state.warmUpLeftS(now);
        return state.heatersOnSince().isEmpty()
                ? Advice.of(new Move.SwitchHeatersOn(leftS), Reason.COLD_TUBE, Caution.HOT_TUBES)
                : Advice.of(new Move.WaitForWarmth(leftS), Reason.COLD_TUBE, Caution.HOT_TUBES);
    }
}
