package org.tubrin.core.advice;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import org.tubrin.core.Sample;
import org.tubrin.core.metering.Reading;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.Recorded;
import org.tubrin.core.run.Replay;
import org.tubrin.core.run.RunEvent;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.Taken;

/** What an act of several events adds, and what is next once a move is done. */
public class TakenTest {
    private static RunEvent reading(RunState state, ReadingRole role, double value) {
        String instrument = state.setup().meterFor(role).orElseThrow().name();
        String range = state.ranges().get(role);
        return new RunEvent.ReadingTaken(new Reading(role, Double.toString(value), value, instrument, range), false);
    }

    private static Climber keyed() {
        return new Climber(Sample.setup())
                .isReady()
                .moves(Control.DRIVE, 4.4)
                .moves(Control.PLATE, 5)
                .moves(Control.LOAD, 5)
                .does(new RunEvent.Keyed())
                .waits(3);
    }

    @Test
    public void aRowOfReadingsAtOnceComesToWhatTheyComeToOneByOne() {
        Climber climber = keyed();
        RunState before = climber.state();
        List<RunEvent> row = new ArrayList<>();
        row.add(new RunEvent.DialMoved(Control.PLATE, "", 5.1));
        row.add(reading(before, ReadingRole.OUTPUT, 61));
        row.add(reading(before, ReadingRole.PLATE_CURRENT, 0.13));
        row.add(reading(before, ReadingRole.GRID_CURRENT, 0.004));
        row.add(reading(before, ReadingRole.PLATE_VOLTAGE, 2720));
        Taken taken = Taken.by(before, Replay.after(climber.events), row, climber.now);
        row.forEach(climber::does);
        assertEquals(taken.events(), climber.events.subList(climber.events.size() - row.size(), climber.events.size()));
        assertEquals(taken.state().sequence(), climber.state().sequence());
        assertTrue(taken.state().draft().equals(climber.state().draft()), "the draft differs");
        assertTrue(taken.state().steps().equals(climber.state().steps()), "a step differs");
        assertEquals(NextMove.of(taken.state(), climber.now), climber.advice());
    }

    @Test
    public void whatIsRefusedInTheMiddleOfAnActIsSaid() {
        Climber climber = keyed();
        RunState before = climber.state();
        List<RunEvent> row = List.of(reading(before, ReadingRole.OUTPUT, 61), new RunEvent.Keyed());
        assertThrows(Refused.class, () -> Taken.by(before, Replay.after(climber.events), row, climber.now));
    }

    @Test
    public void whatIsNextOnceAMoveIsDoneIsWhatIsNextThen() {
        Climber climber = new Climber(Sample.setup());
        int told = 0;
        for (int i = 0; i < 40; i++) {
            Advice advice = climber.advice();
            Optional<RunState> after =
                    Following.after(climber.state(), Replay.after(climber.events), advice, climber.now);
            List<RunEvent> events = Following.events(advice, climber.now);
            if (events.isEmpty()) {
                assertTrue(after.isEmpty(), advice.move().toString());
                break;
            }
            List<Recorded> known = List.copyOf(climber.events);
            events.forEach(climber::does);
            if (after.isPresent()) {
                told++;
                assertEquals(NextMove.of(after.get(), climber.now), climber.advice(), known.size() + " events");
            }
            climber.waits(400);
        }
        assertTrue(told > 8, "" + told);
    }

    @Test
    public void whileTheKeyIsDownNothingIsToldAhead() {
        Climber climber = keyed().waits(20);
        Advice advice = climber.advice();
        assertEquals(
                Following.after(climber.state(), Replay.after(climber.events), advice, climber.now), Optional.empty());
    }
}
