package org.tubrin.core.practice;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertTrue;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.run.Control;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Mode;
import org.tubrin.core.station.PowerStep;

/** What the station behind the panel does to whoever works it. */
public class PlayTest {
    static final Instant START = Instant.parse("2026-05-01T10:00:00Z");
    private static final double WARM_S = 11;

    static Exercise exercise(Lesson lesson, int seed, Panel.Kind panel, boolean helped) {
        return new Exercise(
                lesson,
                seed,
                panel,
                new PowerStep(PowerStep.Scale.WATT, 0.1),
                true,
                helped,
                TrainingAmplifier.record("Brigantine"),
                new Exercise.Names(
                        "Skerry Point",
                        "Halyard",
                        "Fathom",
                        "Second",
                        "Panel",
                        "Volts",
                        "Supply",
                        "Ballast",
                        "Yardarm"),
                Optional.of(Lesson.faults()));
    }

    static Exercise exercise(Lesson lesson, int seed) {
        return exercise(lesson, seed, Panel.Kind.SEVERAL, false);
    }

    /** Returns the first exercise of a lesson that hides something. */
    static Exercise hiding(Lesson lesson, Panel.Kind panel, Predicate<Set<Hidden>> what) {
        return IntStream.range(0, 1000)
                .mapToObj(seed -> exercise(lesson, seed, panel, false))
                .filter(one -> what.test(one.hidden()))
                .findFirst()
                .orElseThrow();
    }

    static Exercise hiding(Hidden one) {
        Lesson lesson = one.kind() == Hidden.Kind.FAULT ? Lesson.ONE_FAULT : Lesson.BEFORE_POWER;
        Panel.Kind panel = one == Hidden.METER_LEFT || one == Hidden.DIRTY_SWITCH
                ? Panel.Kind.ONE_WITH_SWITCH
                : Panel.Kind.SEVERAL;
        return hiding(lesson, panel, hidden -> hidden.contains(one));
    }

    static Play warm(Exercise exercise) {
        Play play = new Play(exercise, START);
        play.pass(WARM_S);
        return play;
    }

    /** Sets dials and drive to the best that may be had. */
    static void toBest(Play play, double share) {
        BestClimb.Rung end = BestClimb.of(play).end();
        play.does(new Act.Turned(Control.PLATE, end.plate()));
        play.does(new Act.Turned(Control.LOAD, end.load()));
        play.does(new Act.Turned(Control.DRIVE, share * end.driveW()));
    }

    static void keyFor(Play play, double seconds) {
        play.does(new Act.Keyed(true));
        play.pass(play.nowS() + seconds);
        play.does(new Act.Keyed(false));
        play.pass(play.nowS() + 10);
    }

    private static double shown(Play play, ReadingRole role) {
        return play.shows(role).orElseThrow().value();
    }

    /** Returns what a meter shows two seconds into a key-down. */
    private static double keyedFor2s(Play play, ReadingRole role) {
        play.does(new Act.Keyed(true));
        play.pass(play.nowS() + 2);
        double value = shown(play, role);
        play.does(new Act.Keyed(false));
        play.pass(play.nowS() + 10);
        return value;
    }

    @DataProvider
    public Object[][] lessons() {
        return Stream.of(Lesson.values()).map(lesson -> new Object[] {lesson}).toArray(Object[][]::new);
    }

    @Test(dataProvider = "lessons")
    public void comesToTheSameHoweverOftenItIsLookedAt(Lesson lesson) {
        Exercise exercise = exercise(lesson, 4711);
        List<Act.Timed> acts = new ArrayList<>();
        Play often = new Play(exercise, START);
        Random random = new Random(1);
        double s = 0;
        for (Act act : List.of(
                new Act.Turned(Control.DRIVE, 20),
                new Act.Keyed(true),
                new Act.Turned(Control.PLATE, 5.5),
                new Act.Read(),
                new Act.Turned(Control.LOAD, 5),
                new Act.Keyed(false),
                new Act.Done(),
                new Act.Turned(Control.DRIVE, 70),
                new Act.Keyed(true),
                new Act.Keyed(false),
                new Act.Ended())) {
            double until = s + 4 * random.nextDouble() + (acts.isEmpty() ? WARM_S : 0);
            while (s < until) {
                s = Math.min(until, s + 0.07);
                often.pass(s);
            }
            often.does(act);
            acts.add(new Act.Timed(s, act));
        }
        Play again = Play.of(exercise, START, acts);
        assertEquals(again.course(), often.course());
        assertEquals(again.panel(), often.panel());
        assertEquals(again.state(), often.state());
        assertEquals(Debrief.of(again), Debrief.of(often));
    }

    @Test(dataProvider = "lessons")
    public void whoKnowsTheStationGetsNearlyAllPoints(Lesson lesson) {
        for (int seed = 0; seed < 12; seed++) {
            Play play = warm(exercise(lesson, seed));
            WhoKnows.setRight(play);
            for (double share : new double[] {1 / 16.0, 1 / 4.0, 1}) {
                toBest(play, 0.98 * share);
                keyFor(play, 4);
            }
            play.does(new Act.Ended());
            Debrief debrief = Debrief.of(play);
            assertTrue(debrief.points() >= 88 && debrief.points() <= 100, lesson + " " + seed + " " + debrief.marks());
            assertTrue(debrief.finds().stream().allMatch(find -> find.atS().isPresent()), "" + debrief.finds());
            for (Debrief.Mark mark : debrief.marks()) {
                assertTrue(mark.points() >= 0 && mark.points() <= mark.most(), "" + mark);
            }
        }
    }

    /** Along LOAD between two rows, at the column next to a mark of PLATE. */
    private static double at(Terrain terrain, double plate, double load) {
        int columns = terrain.plates().size();
        int column = IntStream.range(0, columns)
                .boxed()
                .min(java.util.Comparator.comparingDouble(
                        i -> Math.abs(terrain.plates().get(i) - plate)))
                .orElseThrow();
        int row = 0;
        while (row < terrain.loads().size() - 2 && terrain.loads().get(row + 1) <= load) {
            row++;
        }
        double low = terrain.loads().get(row);
        double share = (load - low) / (terrain.loads().get(row + 1) - low);
        return (1 - share) * terrain.outputs().get(row * columns + column)
                + share * terrain.outputs().get((row + 1) * columns + column);
    }

    @Test(dataProvider = "lessons")
    public void theTerrainHasTheBestEndWhereTheDialsShowIt(Lesson lesson) {
        Play play = warm(exercise(lesson, 5));
        WhoKnows.setRight(play);
        toBest(play, 0.9);
        keyFor(play, 3);
        play.does(new Act.Ended());
        Debrief debrief = Debrief.of(play);
        Terrain terrain = Terrain.of(play, debrief);
        BestClimb.Rung end = debrief.best().end();
        assertEquals(at(terrain, end.plate(), end.load()) / end.outputW(), 1, 0.04, lesson.name());
        assertTrue(
                terrain.plates().get(0) <= end.plate()
                        && terrain.plates().get(terrain.plates().size() - 1) >= end.plate(),
                "the way lies on it");
        double most = terrain.outputs().stream().mapToDouble(one -> one).max().orElseThrow();
        assertTrue(terrain.heights().stream().allMatch(height -> height > 0 && height < most));
    }

    @Test(dataProvider = "lessons")
    public void noMoreComesOutThanGoesIn(Lesson lesson) {
        Play play = warm(exercise(lesson, 77));
        WhoKnows.setRight(play);
        for (double share : new double[] {0.1, 0.5, 1}) {
            toBest(play, share);
            keyFor(play, 3);
        }
        List<Course.Sample> powered = play.course().samples().stream()
                .filter(sample -> sample.keyed() && sample.plateCurrentA() > 0)
                .toList();
        assertFalse(powered.isEmpty());
        for (Course.Sample sample : powered) {
            double inputW = sample.plateVoltageV() * sample.plateCurrentA() + 2 * sample.driveW();
            assertTrue(sample.outputW() < inputW, "" + sample);
        }
    }

    @Test
    public void aSeedHidesAlwaysTheSameAndSeedsDiffer() {
        for (Lesson lesson : Lesson.values()) {
            assertEquals(exercise(lesson, 5).hidden(), exercise(lesson, 5).hidden());
        }
        assertEquals(
                size(IntStream.range(0, 300)
                        .mapToObj(seed -> exercise(Lesson.ONE_FAULT, seed).hidden())
                        .distinct()),
                Lesson.faults());
        assertEquals(
                size(IntStream.range(0, 100)
                        .mapToObj(seed ->
                                exercise(Lesson.FIRST_CLIMB, seed).setup().band())
                        .distinct()),
                6);
    }

    @Test
    public void aWeekHasOneExercise() {
        LocalDate monday = LocalDate.of(2026, 11, 23);
        assertEquals(
                size(IntStream.range(0, 7)
                        .mapToObj(monday::plusDays)
                        .map(Exercise::seedOfWeek)
                        .distinct()),
                1);
        assertTrue(size(IntStream.range(0, 52)
                        .mapToObj(week -> Exercise.seedOfWeek(monday.plusWeeks(week)))
                        .distinct())
                > 50);
        assertTrue(size(IntStream.range(0, 52)
                        .mapToObj(week -> Exercise.lessonOfWeek(monday.plusWeeks(week)))
                        .distinct())
                > 6);
    }

    @Test
    public void aColdTubeIsPaidFor() {
        Play play = new Play(exercise(Lesson.FIRST_CLIMB, 1), START);
        toBest(play, 0.2);
        play.pass(6);
        keyFor(play, 1);
        assertTrue(costs(play).contains(Cost.KEYED_COLD), "" + costs(play));
        Play later = warm(exercise(Lesson.FIRST_CLIMB, 1));
        toBest(later, 0.2);
        keyFor(later, 1);
        assertTrue(costs(later).isEmpty(), "" + costs(later));
    }

    private static long size(Stream<?> of) {
        return of.count();
    }

    private static long size(Collection<?> of) {
        return of.size();
    }

    private static List<Cost> costs(Play play) {
        return play.course().moments().stream().map(Course.Moment::cost).toList();
    }

    @Test
    public void theKeyComesUpByItselfAndTooLongAndTooSoonArePaidFor() {
        Play play = warm(exercise(Lesson.FIRST_CLIMB, 1));
        toBest(play, 0.2);
        play.does(new Act.Keyed(true));
        play.pass(play.nowS() + 30);
        assertFalse(play.panel().keyed());
        assertEquals(play.carrierS(), 15, 0.2);
        assertEquals(costs(play), List.of(Cost.KEYED_TOO_LONG));
        assertEquals(play.course().moments().get(0).lastedS(), 5, 0.2);
        play.does(new Act.Keyed(true));
        play.pass(play.nowS() + 3);
        play.does(new Act.Keyed(false));
        play.pass(play.nowS() + 1);
        play.does(new Act.Keyed(true));
        assertEquals(costs(play), List.of(Cost.KEYED_TOO_LONG, Cost.RESTED_TOO_SHORT));
    }

    @Test
    public void theBandSwitchIsPaidForWhereItIsTurnedKeyed() {
        Play play = warm(exercise(Lesson.FIRST_CLIMB, 1));
        toBest(play, 0.2);
        Band other = play.exercise().bands().stream()
                .filter(band -> band != play.setup().band())
                .findFirst()
                .orElseThrow();
        play.does(new Act.BandSet(other));
        play.does(new Act.BandSet(play.setup().band()));
        assertTrue(costs(play).isEmpty(), "" + costs(play));
        play.does(new Act.Keyed(true));
        play.pass(play.nowS() + 1);
        play.does(new Act.BandSet(other));
        play.pass(play.nowS() + 1);
        assertEquals(costs(play), List.of(Cost.BAND_TURNED_KEYED, Cost.WRONG_BAND));
        assertTrue(shown(play, ReadingRole.OUTPUT) < 5, "" + shown(play, ReadingRole.OUTPUT));
    }

    @Test
    public void aMatcherTunesAtLowPowerWithTheAmplifierOutOfThePath() {
        Play play = warm(exercise(Lesson.ANTENNA, 3));
        play.does(new Act.Turned(Control.DRIVE, 15));
        play.does(new Act.OperateSet(false));
        double before = keyedFor2s(play, ReadingRole.REFLECTED);
        play.does(new Act.Keyed(true));
        play.does(new Act.Matched());
        play.pass(play.nowS() + 4);
        play.does(new Act.Keyed(false));
        play.pass(play.nowS() + 10);
        assertTrue(
                keyedFor2s(play, ReadingRole.REFLECTED) < 0.2 * before, "" + keyedFor2s(play, ReadingRole.REFLECTED));
        assertTrue(costs(play).isEmpty(), "" + costs(play));
        assertTrue(play.righted().containsKey(Hidden.NOT_MATCHED));

        Play wrong = warm(exercise(Lesson.ANTENNA, 3));
        wrong.does(new Act.Keyed(true));
        wrong.does(new Act.Matched());
        wrong.pass(wrong.nowS() + 4);
        assertTrue(costs(wrong).contains(Cost.MATCHED_WITH_AMPLIFIER), "" + costs(wrong));
        assertFalse(wrong.righted().containsKey(Hidden.NOT_MATCHED));
    }

    @Test
    public void theGridTripsWhereItIsLoadedTooLightly() {
        Play play = IntStream.range(0, 50)
                .mapToObj(seed -> warm(exercise(Lesson.GRID_TARGET, seed)))
                .filter(one -> one.setup().band() == Band.MHZ_14)
                .findFirst()
                .orElseThrow();
        toBest(play, 1);
        double lighter = play.setup().tubes().heavier(play.stands(Control.LOAD), -4);
        play.does(new Act.Turned(Control.LOAD, lighter));
        TrueStage stage = play.stage();
        play.does(new Act.Turned(
                Control.PLATE, stage.resonantPlate(lighter) - play.truth().offset(Control.PLATE)));
        play.does(new Act.Keyed(true));
        play.pass(play.nowS() + 1);
        assertTrue(play.panel().tripped());
        assertFalse(play.panel().keyed());
        assertTrue(costs(play).contains(Cost.TRIPPED), "" + costs(play));
    }

    @Test
    public void aSoftTubeAndASaggingLineGiveLess() {
        for (Hidden fault : List.of(Hidden.SOFT_TUBE, Hidden.SAGGING_LINE)) {
            Play play = warm(hiding(fault));
            double ill = play.best().outputW();
            play.does(new Act.Named(fault));
            assertTrue(ill < 0.93 * play.best().outputW(), "" + ill);
            assertTrue(play.said().get(0).right());
        }
    }

    @Test
    public void aMeterThatLiesIsCaughtByTheVoltsOverTheLoad() {
        for (Hidden fault : List.of(Hidden.LYING_WATTMETER, Hidden.LYING_SECOND_METER)) {
            Play play = warm(hiding(Lesson.WHICH_METER, Panel.Kind.SEVERAL, hidden -> hidden.contains(fault)));
            play.does(new Act.RangeSet(play.setup()
                    .channelFor(ReadingRole.OUTPUT)
                    .orElseThrow()
                    .ranges()
                    .get(1)
                    .name()));
            toBest(play, 0.7);
            play.does(new Act.Keyed(true));
            play.pass(play.nowS() + 4);
            double volt = shown(play, ReadingRole.OUTPUT_VPP);
            double byVolts = volt * volt / 8 / Exercise.LOAD_OHM;
            double first = shown(play, ReadingRole.OUTPUT);
            double second = play.panel().meters().stream()
                    .filter(one -> one.meter().equals("Second") && one.role() == ReadingRole.OUTPUT)
                    .mapToDouble(Panel.Showing::value)
                    .findFirst()
                    .orElseThrow();
            double liar = fault == Hidden.LYING_WATTMETER ? first : second;
            double honest = fault == Hidden.LYING_WATTMETER ? second : first;
            assertTrue(Math.abs(honest / byVolts - 1) < 0.09, "" + Math.abs(honest / byVolts - 1));
            assertTrue(Math.abs(liar / byVolts - 1) > 0.12, "" + Math.abs(liar / byVolts - 1));
        }
    }

    @Test
    public void aPlateMeterThatLiesMakesTheEfficiencyImpossible() {
        Play play = warm(hiding(Hidden.LYING_PLATE_METER));
        toBest(play, 0.5);
        play.does(new Act.Keyed(true));
        play.pass(play.nowS() + 3);
        double lies = shown(play, ReadingRole.PLATE_CURRENT)
                / play.course()
                        .samples()
                        .get(play.course().samples().size() - 1)
                        .plateCurrentA();
        assertTrue(Math.abs(lies - 1) >= 0.15 && Math.abs(lies - 1) <= 0.25, "" + Math.abs(lies - 1));
    }

    @Test
    public void aCookedJumperReflectsWhileItIsWarmAndRecovers() {
        Play play = warm(hiding(Hidden.COOKED_JUMPER));
        play.does(new Act.RangeSet(play.setup()
                .channelFor(ReadingRole.REFLECTED)
                .orElseThrow()
                .ranges()
                .get(1)
                .name()));
        toBest(play, 0.8);
        play.does(new Act.Keyed(true));
        play.pass(play.nowS() + 1);
        double early = shown(play, ReadingRole.REFLECTED);
        play.pass(play.nowS() + 7);
        double late = shown(play, ReadingRole.REFLECTED);
        play.does(new Act.Keyed(false));
        play.pass(play.nowS() + 40);
        assertTrue(late > early + 15, "" + late);
        assertTrue(keyedFor2s(play, ReadingRole.REFLECTED) < late / 2, "" + keyedFor2s(play, ReadingRole.REFLECTED));
        play.does(new Act.Named(Hidden.COOKED_JUMPER));
        play.does(new Act.Keyed(true));
        play.pass(play.nowS() + 8);
        assertTrue(shown(play, ReadingRole.REFLECTED) < early + 10, "" + shown(play, ReadingRole.REFLECTED));
    }

    @Test
    public void aBadRelayMakesTheOutputJump() {
        assertTrue(spread(hiding(Hidden.BAD_RELAY)) > 0.5, "" + spread(hiding(Hidden.BAD_RELAY)));
        assertTrue(spread(exercise(Lesson.FIRST_CLIMB, 3)) < 0.01, "" + spread(exercise(Lesson.FIRST_CLIMB, 3)));
    }

    /** Returns by how much the true output differs within a key-down, as a share of the most. */
    private static double spread(Exercise exercise) {
        Play play = warm(exercise);
        toBest(play, 0.3);
        keyFor(play, 8);
        double[] output = play.course().samples().stream()
                .filter(Course.Sample::keyed)
                .mapToDouble(Course.Sample::outputW)
                .filter(watt -> watt > 0)
                .sorted()
                .toArray();
        return 1 - output[0] / output[output.length - 1];
    }

    @Test
    public void aBurrArcsAtTheBestPlaceAndNotALittleHeavier() {
        Play play = warm(hiding(Hidden.BURR));
        toBest(play, 1);
        keyFor(play, 2);
        assertTrue(costs(play).contains(Cost.ARC), "" + costs(play));
        double[] output = play.course().samples().stream()
                .filter(Course.Sample::keyed)
                .mapToDouble(Course.Sample::outputW)
                .toArray();
        assertTrue(DoubleStream.of(output).filter(watt -> watt == 0).count() <= 4, Arrays.toString(output));
        assertTrue(output[output.length - 1] > 100, "it comes back: " + Arrays.toString(output));
        long arcs = costs(play).stream().filter(Cost.ARC::equals).count();
        double heavier = play.setup().tubes().heavier(play.stands(Control.LOAD), 1.5);
        play.does(new Act.Turned(Control.LOAD, heavier));
        play.does(new Act.Turned(
                Control.PLATE,
                play.stage().resonantPlate(heavier + play.truth().offset(Control.LOAD))
                        - play.truth().offset(Control.PLATE)));
        keyFor(play, 2);
        assertEquals(costs(play).stream().filter(Cost.ARC::equals).count(), arcs);
    }

    @Test
    public void aSupplyThatRisesIsSeenOnItsMeter() {
        Play play = warm(hiding(Hidden.SUPPLY_RISES));
        double rest = shown(play, ReadingRole.SUPPLY_VOLTAGE);
        toBest(play, 1);
        assertTrue(
                keyedFor2s(play, ReadingRole.SUPPLY_VOLTAGE) > rest + 0.8,
                "" + keyedFor2s(play, ReadingRole.SUPPLY_VOLTAGE));
        Play sound = warm(hiding(Hidden.BURR));
        toBest(sound, 1);
        assertTrue(
                keyedFor2s(sound, ReadingRole.SUPPLY_VOLTAGE) < shown(sound, ReadingRole.SUPPLY_VOLTAGE),
                "" + keyedFor2s(sound, ReadingRole.SUPPLY_VOLTAGE));
    }

    @Test
    public void aGaugeThatWasTurnedRoundStandsAtItsStopAtRestAndFallsWithTheDrive() {
        Predicate<Set<Hidden>> turned = hidden -> hidden.contains(Hidden.GAUGE_REVERSED);
        Play play = warm(hiding(Lesson.EXCITER, Panel.Kind.SEVERAL, turned));
        Panel.Showing atRest = play.shows(ReadingRole.ALC_GAUGE).orElseThrow();
        assertTrue(atRest.atStop(), "" + atRest.value());
        toBest(play, 0.3);
        double little = keyedFor2s(play, ReadingRole.ALC_GAUGE);
        toBest(play, 0.9);
        double much = keyedFor2s(play, ReadingRole.ALC_GAUGE);
        assertTrue(much < little - 2 && little < 98, little + " " + much);
        play.does(new Act.Named(Hidden.SUPPLY_RISES));
        play.does(new Act.Named(Hidden.GAUGE_REVERSED));
        assertEquals(play.said().stream().map(Play.Said::right).toList(), List.of(false, true));
        play.pass(play.nowS() + 5);
        assertEquals(shown(play, ReadingRole.ALC_GAUGE), 0, 1);
        assertTrue(keyedFor2s(play, ReadingRole.ALC_GAUGE) > 10, "" + keyedFor2s(play, ReadingRole.ALC_GAUGE));
    }

    @Test
    public void theGaugeIsRightAtTheDriveThatTheAmplifierMayHaveAndHardAtTheExcitersMost() {
        assertEquals(LevelGauge.marks(0, 70, 100, false), 0, 0);
        assertEquals(LevelGauge.marks(70, 70, 100, false), 16, 1e-9);
        assertEquals(LevelGauge.marks(100, 70, 100, false), 80, 1e-9);
        for (double watt = 0; watt <= 110; watt += 5) {
            assertEquals(LevelGauge.marks(watt, 70, 100, true), 100 - LevelGauge.marks(watt, 70, 100, false), 1e-9);
            assertTrue(LevelGauge.marks(watt, 70, 100, false) <= LevelGauge.marks(watt + 5, 70, 100, false), "" + watt);
        }
    }

    @Test
    public void aBiasThatRunsAwayDrawsMoreWithTheTimeAndHeatsThePlatesWhileTheOutputStands() {
        Predicate<Set<Hidden>> astray = hidden -> hidden.contains(Hidden.BIAS_RUNS_AWAY);
        Play play = warm(hiding(Lesson.WANDERING, Panel.Kind.SEVERAL, astray));
        toBest(play, 0.5);
        play.does(new Act.Keyed(true));
        play.pass(play.nowS() + 1);
        double early = shown(play, ReadingRole.PLATE_CURRENT);
        double output = shown(play, ReadingRole.OUTPUT);
        play.pass(play.nowS() + 6);
        double limitA = play.setup().tubes().plateCurrentLimitA();
        assertTrue(
                shown(play, ReadingRole.PLATE_CURRENT) > early + 0.08 * limitA,
                early + " " + shown(play, ReadingRole.PLATE_CURRENT));
        assertEquals(shown(play, ReadingRole.OUTPUT), output, 0.02 * output);
        play.does(new Act.Keyed(false));
        play.pass(play.nowS() + 1);
        assertEquals(shown(play, ReadingRole.PLATE_CURRENT), 0, 0.02 * limitA);
        double hot = play.hottestShare();

        play.does(new Act.Named(Hidden.BIAS_RUNS_AWAY));
        play.pass(play.nowS() + 60);
        play.does(new Act.Keyed(true));
        play.pass(play.nowS() + 1);
        double mended = shown(play, ReadingRole.PLATE_CURRENT);
        play.pass(play.nowS() + 6);
        assertEquals(shown(play, ReadingRole.PLATE_CURRENT), mended, 0.01 * limitA);
        assertEquals(play.hottestShare(), hot, 1e-12, "the second was cooler");
    }

    @Test
    public void whoKeysAgainAndAgainIntoABiasThatRunsAwayGoesBeyondTheLimit() {
        Predicate<Set<Hidden>> astray = hidden -> hidden.contains(Hidden.BIAS_RUNS_AWAY);
        Play play = warm(hiding(Lesson.WANDERING, Panel.Kind.SEVERAL, astray));
        toBest(play, 0.5);
        for (int i = 0; i < 4; i++) {
            keyFor(play, 6);
        }
        assertTrue(costs(play).contains(Cost.PLATE_BEYOND), "" + costs(play));
        Play sound = warm(exercise(Lesson.FIRST_CLIMB, 3));
        toBest(sound, 0.5);
        for (int i = 0; i < 4; i++) {
            keyFor(sound, 6);
        }
        assertFalse(costs(sound).contains(Cost.PLATE_BEYOND), "" + costs(sound));
    }

    /** Returns an exercise as it was stored before it said how many faults there were. */
    private static Exercise asAtFirst(Exercise now) {
        return new Exercise(
                now.lesson(),
                now.seed(),
                now.panel(),
                now.step(),
                now.shortWarmUp(),
                now.helped(),
                now.amplifier(),
                now.names(),
                Optional.empty());
    }

    @Test
    public void anExerciseOfBeforeThereWereMoreFaultsHidesWhatItHid() {
        assertEquals(asAtFirst(exercise(Lesson.ONE_FAULT, 174)).hidden(), Set.of(Hidden.COOKED_JUMPER));
        Set<Hidden> found = new HashSet<>();
        for (int seed = 0; seed < 300; seed++) {
            Exercise now = exercise(Lesson.TWO_FAULTS, seed);
            found.addAll(now.hidden());
            Exercise then = asAtFirst(now);
            assertTrue(
                    Collections.disjoint(then.hidden(), Set.of(Hidden.GAUGE_REVERSED, Hidden.BIAS_RUNS_AWAY)),
                    "" + then.hidden());
        }
        assertTrue(found.containsAll(Set.of(Hidden.GAUGE_REVERSED, Hidden.BIAS_RUNS_AWAY)), "" + found);
    }

    @Test
    public void aSlackKnobIsAnotherFromEachSideAndASlippingOneLosesItsPlace() {
        Play slack = warm(hiding(Hidden.SLACK_KNOB));
        slack.does(new Act.Turned(Control.PLATE, 4));
        slack.does(new Act.Turned(Control.PLATE, 5));
        double fromBelow = slack.left().plate();
        slack.does(new Act.Turned(Control.PLATE, 6));
        slack.does(new Act.Turned(Control.PLATE, 5));
        assertEquals(slack.left().plate() - fromBelow, 0.3, 1e-9);

        Play slips = warm(hiding(Hidden.SLIPPING_KNOB));
        double plate = slips.left().plate();
        double load = slips.left().load();
        double most = 0;
        for (Control control : List.of(Control.PLATE, Control.LOAD)) {
            double at = slips.stands(control);
            for (int i = 0; i < 3; i++) {
                slips.does(new Act.Turned(control, 3));
                slips.does(new Act.Turned(control, 7));
                slips.does(new Act.Turned(control, at));
                most = Math.max(
                        most,
                        Math.abs(slips.left().plate() - plate)
                                + Math.abs(slips.left().load() - load));
            }
        }
        assertTrue(most > 0.05, "" + most);
    }

    @Test
    public void aDirtySwitchShowsOftenTooLittleUntilItIsNamed() {
        Play play = warm(hiding(Hidden.DIRTY_SWITCH));
        toBest(play, 0.5);
        play.does(new Act.Keyed(true));
        play.pass(play.nowS() + 2);
        Set<Double> seen = new HashSet<>();
        for (int i = 0; i < 8; i++) {
            play.does(new Act.MeterSwitched(ReadingRole.PLATE_CURRENT));
            seen.add(shown(play, ReadingRole.PLATE_CURRENT));
        }
        assertTrue(size(seen) > 2);
        play.does(new Act.Named(Hidden.DIRTY_SWITCH));
        assertTrue(
                shown(play, ReadingRole.PLATE_CURRENT)
                        >= seen.stream().max(Double::compare).orElseThrow(),
                "" + shown(play, ReadingRole.PLATE_CURRENT));
    }

    @Test
    public void whatIsLeftAtThePanelIsSeenThereAndRightOnceItIsSet() {
        Play band = warm(hiding(Hidden.BAND_FORGOTTEN));
        assertNotEquals(band.panel().band(), band.setup().band());
        Play mode = warm(hiding(Hidden.NO_CARRIER));
        WhoKnows.setRight(mode, Hidden.NO_CARRIER);
        toBest(mode, 0.5);
        assertTrue(keyedFor2s(mode, ReadingRole.OUTPUT) < 2, "" + keyedFor2s(mode, ReadingRole.OUTPUT));
        assertFalse(mode.righted().containsKey(Hidden.NO_CARRIER));
        mode.does(new Act.ModeSet(Mode.CW));
        assertTrue(mode.righted().containsKey(Hidden.NO_CARRIER));
        assertTrue(keyedFor2s(mode, ReadingRole.OUTPUT) > 50, "" + keyedFor2s(mode, ReadingRole.OUTPUT));
        Play standby = warm(hiding(Hidden.STANDBY_LEFT));
        WhoKnows.setRight(standby, Hidden.STANDBY_LEFT);
        toBest(standby, 0.5);
        assertTrue(
                keyedFor2s(standby, ReadingRole.PLATE_CURRENT) < 0.02,
                "" + keyedFor2s(standby, ReadingRole.PLATE_CURRENT));
        Play meter = warm(hiding(Hidden.METER_LEFT));
        assertEquals(meter.panel().shown(), Optional.of(ReadingRole.PLATE_VOLTAGE));
        Set<ReadingRole> seen =
                meter.panel().meters().stream().map(Panel.Showing::role).collect(Collectors.toSet());
        assertFalse(seen.contains(ReadingRole.GRID_CURRENT) || seen.contains(ReadingRole.PLATE_CURRENT), "" + seen);
    }

    @Test
    public void whatIsNamedWronglyCostsAndNothingHappensOnceItEnded() {
        Play play = warm(exercise(Lesson.FIRST_CLIMB, 9));
        play.does(new Act.Named(Hidden.SOFT_TUBE));
        assertEquals(costs(play), List.of(Cost.NAMED_WRONGLY));
        double right = Debrief.of(play).marks().get(5).points();
        assertEquals(right, 7, 1e-9);
        play.does(new Act.Ended());
        double nowS = play.nowS();
        play.pass(nowS + 100);
        play.does(new Act.Keyed(true));
        assertEquals(play.nowS(), nowS);
        assertFalse(play.refusals(new Act.Keyed(true)).isEmpty());
        assertFalse(play.panel().keyed());
    }

    @Test
    public void whatIsNotAtThePanelIsRefused() {
        Play play = warm(exercise(Lesson.FIRST_CLIMB, 9));
        for (Act act : List.of(
                new Act.Turned(Control.PLATE, 10.5),
                new Act.Turned(Control.DRIVE, 300),
                new Act.RangeSet("30 W"),
                new Act.BandSet(Band.MHZ_50),
                new Act.MeterSwitched(ReadingRole.GRID_CURRENT),
                new Act.Named(Hidden.BAND_FORGOTTEN),
                new Act.Matched())) {
            assertEquals(size(play.refusals(act)), 1);
        }
        assertTrue(
                play.refusals(new Act.Turned(Control.PLATE, 9.5)).isEmpty(),
                "" + play.refusals(new Act.Turned(Control.PLATE, 9.5)));
    }
}
