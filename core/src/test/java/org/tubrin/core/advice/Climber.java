package org.tubrin.core.advice;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.tubrin.core.metering.Reading;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.run.Admission;
import org.tubrin.core.run.Check;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.Preflight;
import org.tubrin.core.run.Recorded;
import org.tubrin.core.run.Replay;
import org.tubrin.core.run.RunEvent;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.TuneSetup;

/** Plays an operator at a run: appends events as the server would, refusing what a run refuses. */
public final class Climber {
    final List<Recorded> events = new ArrayList<>();
    public Instant now = Instant.parse("2026-11-20T19:00:00Z");

    public Climber(TuneSetup setup) {
        events.add(new Recorded(1, now, new RunEvent.Started(setup)));
    }

    public RunState state() {
        return Replay.of(events);
    }

    public Advice advice() {
        return NextMove.of(state(), now);
    }

    public Climber does(RunEvent event) {
        List<Problem> refusals = Admission.refusals(state(), event, now);
        if (!refusals.isEmpty()) {
            throw new AssertionError("refused: " + refusals);
        }
        events.add(new Recorded(events.size() + 1, now, event));
        return this;
    }

    public List<Problem> refusals(RunEvent event) {
        return Admission.refusals(state(), event, now);
    }

    public Climber waits(double seconds) {
        now = now.plus(Duration.ofMillis(Math.round(seconds * 1000)));
        return this;
    }

    public Climber isReady() {
        for (Check check : Preflight.of(state().setup())) {
            if (check.moment() != Check.Moment.COLD && state().heatersOnSince().isEmpty()) {
                does(new RunEvent.Warm(now.minusSeconds(1000)));
            }
            does(new RunEvent.Checked(check));
        }
        return this;
    }

    public Climber keysFor(double seconds) {
        Following.keyed(state(), now).forEach(this::does);
        return waits(seconds).does(new RunEvent.Unkeyed());
    }

    public Climber moves(Control control, double position) {
        return does(new RunEvent.DialMoved(control, "", position));
    }

    public Climber reads(double outputW, double plateA, double gridA, double plateV) {
        return reads(ReadingRole.OUTPUT, outputW)
                .reads(ReadingRole.PLATE_CURRENT, plateA)
                .reads(ReadingRole.GRID_CURRENT, gridA)
                .reads(ReadingRole.PLATE_VOLTAGE, plateV);
    }

    public Climber reads(ReadingRole role, double value) {
        RunState state = state();
        String instrument = state.setup().meterFor(role).orElseThrow().name();
        String range = state.ranges().get(role);
        return does(
                new RunEvent.ReadingTaken(new Reading(role, Double.toString(value), value, instrument, range), false));
    }

    /** Records a whole step with the readings given. */
    public Climber steps(
            double driveW, double plate, double load, double outputW, double plateA, double gridA, double plateV) {
        moves(Control.DRIVE, driveW).moves(Control.PLATE, plate).moves(Control.LOAD, load);
        if (state().setup().meterFor(ReadingRole.OUTPUT).isPresent() && outputW > 150) {
            does(new RunEvent.RangeChosen(ReadingRole.OUTPUT, "1.5 kW"));
        }
        return keysFor(4)
                .reads(outputW, plateA, gridA, plateV)
                .does(new RunEvent.StepRecorded())
                .waits(6);
    }
}
