package org.tubrin.core.advice;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.tubrin.core.Sample;
import org.tubrin.core.budget.LimitKind;
import org.tubrin.core.budget.Verdict;
import org.tubrin.core.card.CardRow;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.run.Check;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.Replay;
import org.tubrin.core.run.RunEvent;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.SeenSign;
import org.tubrin.core.run.Step;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.signs.Sign;
import org.tubrin.core.signs.Signs;
import org.tubrin.core.station.Meter;
import org.tubrin.core.station.Termination;
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
        double heatW = 2 * draft.budget().heatPerDeviceW().orElseThrow().value();
        assertEquals(outputW + heatW, plateA * plateV, 1e-6);
        draft.room().stream().filter(room -> room.kind() != LimitKind.DRIVE).forEach(room -> {
            assertEquals(room.verdict() == Verdict.EXCEEDS, room.value().low() > room.limit());
            assertEquals(room.verdict() == Verdict.WITHIN, room.value().high() <= room.limit());
        });
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

    /** Reasons that call a step good without a word about any sign. */
    private static final Set<Reason> ALL_IS_WELL =
            EnumSet.of(Reason.STEP_IS_GOOD, Reason.FIRST_STEP_IS_GOOD, Reason.STEP_IS_LAST, Reason.FINISH_IS_GOOD);

    @Test(dataProvider = "seeds")
    public void theSentenceAndTheGravestSignAgreeWhateverIsRead(long seed) {
        Random random = new Random(seed);
        Climber climber = new Climber(Sample.setup(
                        Sample.brigantine(LoadSense.values()[random.nextInt(2)]), Sample.STATION, Sample.BALLAST))
                .isReady();
        for (int step = 0; step < 6 && !climber.state().climbIsDone(); step++) {
            double driveW = 4.4 * Math.pow(2, Math.min(4, step)) * (0.9 + 0.2 * random.nextDouble());
            climber.moves(Control.DRIVE, driveW)
                    .moves(Control.PLATE, 5)
                    .moves(Control.LOAD, random.nextInt(4) == 0 ? 10 : 10 * random.nextDouble())
                    .does(new RunEvent.RangeChosen(ReadingRole.OUTPUT, driveW > 8 ? "1.5 kW" : "150 W"));
            for (int attempt = 0; attempt < 4; attempt++) {
                double outputW = driveW * (2 + 28 * random.nextDouble());
                climber.keysFor(4)
                        .reads(
                                Math.min(outputW, driveW > 8 ? 1450 : 149),
                                0.1 + 0.6 * random.nextDouble(),
                                0.2 * random.nextDouble(),
                                2300 + 400 * random.nextDouble())
                        .waits(20);
                agrees(climber);
            }
            climber.does(new RunEvent.StepRecorded());
        }
        if (climber.state().climbIsDone()) {
            assertTrue(climber.state().reached().isPresent(), "an end without a reason");
        }
    }

    private static void agrees(Climber climber) {
        RunState state = climber.state();
        Advice advice = climber.advice();
        List<Sign> signs = Signs.of(state.draft(), state.lastStep());
        Optional<Sign> gravest = signs.stream()
                .filter(sign -> sign.severity() != Sign.Severity.NOTE)
                .findFirst();
        if (advice.move() instanceof Move.RecordStep) {
            assertEquals(advice.about(), gravest.map(Sign::code), "recorded beside " + signs);
            assertEquals(ALL_IS_WELL.contains(advice.reason()), gravest.isEmpty(), advice + " beside " + signs);
        }
        advice.about()
                .ifPresent(about -> assertTrue(
                        signs.stream().anyMatch(sign -> sign.code() == about), advice + " is about none of " + signs));
    }

    @Test
    public void thePointsFollowTheOrderOfSwitchingOn() {
        for (Termination into : List.of(Sample.BALLAST, Sample.YARDARM)) {
            Climber climber = new Climber(Sample.setup(Sample.BRIGANTINE, Sample.STATION, into));
            List<String> order = new ArrayList<>();
            while (!(climber.advice().move() instanceof Move.SetDials)) {
                Move move = climber.advice().move();
                order.add(
                        move instanceof Move.Answer answer
                                ? answer.check().name()
                                : move.getClass().getSimpleName());
                if (move instanceof Move.WaitForWarmth wait) {
                    climber.waits(wait.leftS());
                } else {
                    Following.events(climber.advice(), climber.now).forEach(climber::does);
                }
            }
            assertInOrder(
                    order, List.of("COVERS_ON", "SwitchHeatersOn", "AIR_MOVING", "WaitForWarmth", "RESTING_SEEN"));
            assertEquals(order.get(order.size() - 1), into == Sample.BALLAST ? "OPERATE" : "DRIVE_DOWN_FIRST");
        }
    }

    private static void assertInOrder(List<String> order, List<String> wanted) {
        for (int i = 1; i < wanted.size(); i++) {
            int before = order.indexOf(wanted.get(i - 1));
            assertTrue(before >= 0 && before < order.indexOf(wanted.get(i)), wanted.get(i) + " in " + order);
        }
    }

    @Test
    public void whoHasNoAnalyserLeavesTheTonesUnmeasuredAndTheRunSaysSo() {
        Climber climber = new Climber(Sample.setup()).isReady().steps(4.4, 5.2, 0.5, 138, 0.161, 0.008, 2713);
        climber.does(new RunEvent.NotMeasured(Check.EXCITER_TONES));
        assertEquals(climber.state().unmeasured(), Set.of(Check.EXCITER_TONES));
        assertFalse(climber.state().checks().contains(Check.EXCITER_TONES));
        assertFalse(climber.state().openChecks(climber.state().closingChecks()).contains(Check.EXCITER_TONES));
        climber.does(new RunEvent.Checked(Check.EXCITER_TONES));
        assertEquals(climber.state().unmeasured(), Set.of());
        assertThrows(Refused.class, () -> new RunEvent.NotMeasured(Check.COVERS_ON));
    }

    private static Meter fathom(TuneSetup setup) {
        return setup.meterFor(ReadingRole.OUTPUT).orElseThrow();
    }

    private static Meter corrected(Meter meter, double factor, String range) {
        return new Meter(
                meter.name(),
                meter.channels().stream()
                        .map(channel -> new Channel(
                                channel.role(),
                                channel.scaleUnit(),
                                channel.ranges().stream()
                                        .map(one -> new MeterRange(
                                                one.name().equals("150 W") ? range : one.name(), one.fullScale()))
                                        .toList(),
                                channel.accuracy(),
                                channel.indication(),
                                factor,
                                channel.corrections()))
                        .toList());
    }

    @Test
    public void aRunGoesOnWithACorrectedMeterAndNothingIsReadAgain() {
        Climber climber = new Climber(Sample.setup()).isReady().steps(4.4, 5.2, 0.5, 138, 0.161, 0.008, 2713);
        RunState before = climber.state();
        double factor =
                fathom(before.setup()).channel(ReadingRole.OUTPUT).orElseThrow().correctionFactor();
        RunEvent correction = new RunEvent.MeterCorrected(corrected(fathom(before.setup()), 1.1 * factor, "150 W"));
        RunState after = climber.does(correction).state();
        assertEquals(
                after.steps().get(0).measured(ReadingRole.OUTPUT).orElseThrow().value(),
                1.1
                        * before.steps()
                                .get(0)
                                .measured(ReadingRole.OUTPUT)
                                .orElseThrow()
                                .value(),
                1e-9);
        assertEquals(after.steps().get(0).readings(), before.steps().get(0).readings(), "as typed");
        assertEquals(after.corrected(), List.of(fathom(before.setup()).name()));
        assertEquals(after.keyDowns(), before.keyDowns());
    }

    @Test
    public void aRecordThatDoesNotKnowTheRangeThatWasReadIsNotTaken() {
        Climber climber = new Climber(Sample.setup()).isReady().steps(4.4, 5.2, 0.5, 138, 0.161, 0.008, 2713);
        Problem problem = climber.refusals(new RunEvent.MeterCorrected(
                        corrected(fathom(climber.state().setup()), 1, "200 W")))
                .get(0);
        assertEquals(problem.path(), "meter.OUTPUT.range");
        assertEquals(problem.found(), "150 W");
        Meter other =
                new Meter("Somebody else's", fathom(climber.state().setup()).channels());
        assertEquals(climber.refusals(new RunEvent.MeterCorrected(other)).get(0).path(), "meter");
    }
}
