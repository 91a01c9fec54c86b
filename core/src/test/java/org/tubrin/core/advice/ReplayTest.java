package org.tubrin.core.advice;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertSame;
import static org.testng.Assert.expectThrows;

import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import org.tubrin.core.Sample;
import org.tubrin.core.run.Conditions;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.Recorded;
import org.tubrin.core.run.Replay;
import org.tubrin.core.run.RunEvent;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.School;
import org.tubrin.core.run.SeenSign;
import org.tubrin.core.run.Step;

/** A replay that goes on from where it stands comes to the same as one from the start. */
public class ReplayTest {
    private static Climber climber() {
        return new Climber(Sample.setup())
                .isReady()
                .steps(2.2, 5.2, 0.5, 22, 0.13, 0.001, 2730)
                .steps(4.4, 5.2, 0.5, 60, 0.15, 0.004, 2720)
                .does(new RunEvent.StepUndone())
                .steps(4.4, 5.2, 0.6, 62, 0.15, 0.004, 2720)
                .moves(Control.DRIVE, 8.75)
                .keysFor(3);
    }

    @Test
    public void eachEventComesToWhatTheWholeComesTo() {
        Climber climber = climber();
        Replay replay = Replay.after(climber.events.subList(0, 1));
        for (int i = 1; i < climber.events.size(); i++) {
            assertEquals(replay.then(climber.events.get(i)), Replay.of(climber.events.subList(0, i + 1)), "after " + i);
        }
    }

    @Test
    public void aCopyGoesOnAlone() {
        List<Recorded> events = climber()
                .does(new RunEvent.SignSeen(SeenSign.ARC))
                .does(new RunEvent.ConditionsNoted(
                        new Conditions(Optional.of(231.0), Optional.of(24.0), Optional.empty())))
                .does(new RunEvent.SchoolChosen(School.GRID_TARGET))
                .does(new RunEvent.Note("warm day"))
                .moves(Control.LOAD, 0.7)
                .does(new RunEvent.Abandoned("enough"))
                .events;
        RunState end = Replay.of(events);
        for (int i = 1; i < events.size(); i++) {
            Replay kept = Replay.after(events.subList(0, i));
            RunState stands = kept.state();
            Replay copy = kept.copy();
            events.subList(i, events.size()).forEach(copy::then);
            assertEquals(copy.state(), end, "the copy that went on after " + i);
            assertEquals(kept.state(), stands, "what was copied after " + i);
        }
    }

    @Test
    public void aGapIsNoRun() {
        Climber climber = climber();
        Recorded after = new Recorded(climber.events.size() + 2, climber.now, new RunEvent.Keyed());
        expectThrows(
                IllegalArgumentException.class,
                () -> Replay.after(climber.events).then(after));
    }

    @Test
    public void whatAStepComesToIsCalculatedOnce() {
        Step step = climber().state().steps().get(1);
        assertSame(step.budget(), step.budget());
        assertSame(step.room(), step.room());
        assertSame(step.measured(), step.measured());
        // Another of the same readings is equal, whatever was asked of either.
        assertEquals(climber().state().steps().get(1), step);
    }
}
