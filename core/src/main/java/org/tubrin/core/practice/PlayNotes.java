package org.tubrin.core.practice;

import java.time.Duration;
import java.time.Instant;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.ToDoubleFunction;
import org.tubrin.core.advice.Advice;
import org.tubrin.core.advice.Following;
import org.tubrin.core.advice.Move;
import org.tubrin.core.advice.NextMove;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.run.Admission;
import org.tubrin.core.run.Check;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.Recorded;
import org.tubrin.core.run.Replay;
import org.tubrin.core.run.RunEvent;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.signs.Sign;
import org.tubrin.core.signs.Signs;

/** What is written down in a play: the run that it would be, from which help and signs come. */
final class PlayNotes {
    /** What can be seen at the panel; all else is so. */
    private static final Set<Check> AT_PANEL = EnumSet.of(
            Check.BAND_SWITCH,
            Check.METER_RANGE,
            Check.METER_ON_CURRENT,
            Check.BYPASS_LOW_POWER,
            Check.MATCHED_IN_BYPASS,
            Check.DRIVE_DOWN_FIRST,
            Check.OPERATE);

    private final Instant start;
    private final boolean helped;
    private final Replay replay;
    private RunState state;

    PlayNotes(TuneSetup setup, Instant start, boolean helped) {
        this.start = start;
        this.helped = helped;
        replay = Replay.after(List.of(new Recorded(1, start, new RunEvent.Started(setup))));
        state = replay.state();
        does(new RunEvent.Warm(start), 0);
        answer(0);
    }

    RunState state() {
        return state;
    }

    Instant at(double s) {
        return start.plus(Duration.ofMillis(Math.round(1000 * s)));
    }

    /** Answers for the points that are so, once they are due. */
    void answer(double nowS) {
        for (Check check : state.openBeforePower()) {
            if ((!helped || !AT_PANEL.contains(check)) && state.isDue(check, at(nowS))) {
                does(new RunEvent.Checked(check), nowS);
            }
        }
    }

    /** Writes down what happened, where the run takes it; returns why it does not. */
    List<Problem> does(RunEvent event, double nowS) {
        List<Problem> refusals = Admission.refusals(state, event, at(nowS));
        if (refusals.isEmpty()) {
            state = replay.then(new Recorded(state.sequence() + 1, at(nowS), event));
        }
        return refusals;
    }

    /** Writes down that the key goes down. */
    void keyed(double nowS) {
        Following.keyed(state, at(nowS)).forEach(event -> does(event, nowS));
    }

    Advice advice(double nowS) {
        return NextMove.of(state, at(nowS));
    }

    /** Writes down that what the next move says was done; controls as they stand at the panel. */
    void follow(Advice advice, double nowS, ToDoubleFunction<Control> stands) {
        for (RunEvent event : Following.events(advice, at(nowS))) {
            does(
                    event instanceof RunEvent.DialMoved moved
                            ? new RunEvent.DialMoved(moved.control(), "", stands.applyAsDouble(moved.control()))
                            : event,
                    nowS);
        }
        if (advice.move() instanceof Move.EnterReadings) {
            state.mayLeave().forEach(role -> does(new RunEvent.LeftUnread(role), nowS));
        } else if (advice.move() instanceof Move.EnterPosition position) {
            Control control = position.control();
            does(new RunEvent.DialMoved(control, "", stands.applyAsDouble(control)), nowS);
        } else if (advice.move() instanceof Move.SettleDoubt doubt) {
            Optional.ofNullable(state.draft().readings().get(doubt.role()))
                    .ifPresent(kept -> does(new RunEvent.ReadingTaken(kept, true), nowS));
        }
    }

    /** Returns what the readings of the step in focus say. */
    List<Sign.Code> signs() {
        int place = state.placeInFocus();
        return Signs.of(state.step(place), state.stepBefore(place)).stream()
                .map(Sign::code)
                .toList();
    }
}
