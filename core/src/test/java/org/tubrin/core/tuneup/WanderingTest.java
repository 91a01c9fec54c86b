package org.tubrin.core.tuneup;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.tubrin.core.Sample;
import org.tubrin.core.card.CardRow;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.tank.LoadSense;

/** Operators who do anything at any time: whatever is admitted replays, and the advice can always be followed. */
public class WanderingTest {
    private static final int ACTS = 160;

    @DataProvider
    public Object[][] seeds() {
        Object[][] seeds = new Object[60][];
        for (int i = 0; i < seeds.length; i++) {
            seeds[i] = new Object[] {(long) i};
        }
        return seeds;
    }

    private static RunEvent anything(RunState state, Random random, Instant now) {
        ReadingRole[] roles = {
            ReadingRole.OUTPUT, ReadingRole.PLATE_CURRENT, ReadingRole.GRID_CURRENT, ReadingRole.PLATE_VOLTAGE
        };
        ReadingRole role = roles[random.nextInt(roles.length)];
        double scale = switch (role) {
            case OUTPUT -> 1200;
            case PLATE_CURRENT -> 0.8;
            case GRID_CURRENT -> 0.3;
            default -> 3000;
        };
        return switch (random.nextInt(14)) {
            case 0 -> new RunEvent.Checked(Check.values()[random.nextInt(Check.values().length)]);
            case 1 -> new RunEvent.Warm(now.minusSeconds(random.nextInt(400)));
            case 2 -> new RunEvent.Keyed();
            case 3 -> new RunEvent.Unkeyed();
            case 4, 5, 6, 7 ->
                new RunEvent.ReadingTaken(
                        new org.tubrin.core.metering.Reading(
                                role,
                                "typed",
                                scale * random.nextDouble(),
                                state.setup().meterFor(role).orElseThrow().name(),
                                state.ranges().get(role)),
                        random.nextBoolean());
            case 8 ->
                new RunEvent.DialMoved(
                        Control.values()[random.nextInt(Control.values().length)], "", random.nextDouble() * 12);
            case 9 -> new RunEvent.RangeChosen(ReadingRole.OUTPUT, random.nextBoolean() ? "150 W" : "1.5 kW");
            case 10 -> new RunEvent.StepRecorded();
            case 11 -> random.nextInt(4) == 0 ? new RunEvent.StepUndone() : new RunEvent.TriedAgain();
            case 12 -> new RunEvent.SignSeen(SeenSign.values()[random.nextInt(SeenSign.values().length)]);
            default -> new RunEvent.Note("note");
        };
    }

    @Test(dataProvider = "seeds")
    public void whateverIsAdmittedReplaysAndCanBeAdvised(long seed) {
        Random random = new Random(seed);
        LoadSense sense = LoadSense.values()[random.nextInt(2)];
        Climber climber = new Climber(Sample.setup(Sample.brigantine(sense), Sample.STATION, Sample.BALLAST));
        for (int i = 0; i < ACTS; i++) {
            climber.waits(random.nextDouble() * 20);
            RunState state = climber.state();
            RunEvent event = anything(state, random, climber.now);
            if (climber.refusals(event).isEmpty()) {
                climber.does(event);
            }
            Advice advice = climber.advice();
            List<Problem> refused = new ArrayList<>();
            for (RunEvent done : Following.events(advice, climber.now)) {
                refused.addAll(climber.refusals(done));
            }
            assertEquals(refused, List.of(), "advice that a run refuses: " + advice);
            assertEquals(climber.state().sequence(), climber.events.size());
        }
        assertEquals(Replay.of(climber.events), climber.state());
    }

    @Test(dataProvider = "seeds")
    public void undoneAndRecordedAgainIsTheSame(long seed) {
        Random random = new Random(seed);
        Climber climber = new Climber(Sample.setup()).isReady();
        for (int i = 0; i < 3; i++) {
            climber.steps(4 + 20 * random.nextDouble(), 5, 2 + i, 100 + 300 * random.nextDouble(), 0.2, 0.02, 2650);
        }
        RunState before = climber.state();
        climber.does(new RunEvent.StepUndone()).does(new RunEvent.StepRecorded());
        RunState after = climber.state();
        assertEquals(after.steps(), before.steps());
        assertEquals(after.keyDowns(), before.keyDowns());
    }

    @Test(dataProvider = "seeds")
    public void roomAndWattsHoldTogetherWhateverIsRead(long seed) {
        Random random = new Random(seed);
        double outputW = 1 + 1400 * random.nextDouble();
        double plateA = 0.1 + 0.6 * random.nextDouble();
        double plateV = 2000 + 800 * random.nextDouble();
        Climber climber = new Climber(Sample.setup()).isReady().moves(Control.DRIVE, 35);
        climber.does(new RunEvent.RangeChosen(ReadingRole.OUTPUT, "1.5 kW")).reads(outputW, plateA, 0.05, plateV);
        Step draft = climber.state().draft();
        double heatW = 2 * draft.budget().heatPerTubeW().orElseThrow().value();
        assertEquals(outputW + heatW, plateA * plateV, 1e-6);
        draft.room()
                .forEach(room -> assertEquals(
                        room.verdict() == org.tubrin.core.budget.Verdict.EXCEEDS,
                        room.value().value() > room.limit()));
        Quantity efficiency = draft.efficiency().orElseThrow();
        double relative = efficiency.standardUncertainty() / efficiency.value();
        assertTrue(relative >= 43.3 / outputW, "efficiency is never surer than the output");
    }

    @Test
    public void anAbandonedRunLeavesNoCardRow() {
        Climber climber = new Climber(Sample.setup()).isReady().steps(4.4, 5.2, 0.5, 138, 0.161, 0.008, 2713);
        assertTrue(CardRow.of(climber.state()).isEmpty());
        climber.does(new RunEvent.Abandoned(""));
        assertTrue(CardRow.of(climber.state()).isEmpty());
        assertFalse(climber.state().isKeyed());
    }

    @Test
    public void endingWithTheKeyDownLetsItUp() {
        Climber climber =
                new Climber(Sample.setup()).isReady().moves(Control.DRIVE, 4.4).does(new RunEvent.Keyed());
        climber.waits(3).does(new RunEvent.Abandoned(""));
        assertFalse(climber.state().isKeyed());
    }
}
