package org.tubrin.core.advice;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.tubrin.core.Sample;
import org.tubrin.core.alc.Gauge;
import org.tubrin.core.alc.LevelLaw;
import org.tubrin.core.alc.LevelLaw.Shows;
import org.tubrin.core.alc.LevelProfile;
import org.tubrin.core.alc.LevelSeries;
import org.tubrin.core.alc.SoundPath;
import org.tubrin.core.metering.Reading;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.run.Admission;
import org.tubrin.core.run.Check;
import org.tubrin.core.run.ClimbEnd;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.Customs;
import org.tubrin.core.run.LevelSteps;
import org.tubrin.core.run.Preset;
import org.tubrin.core.run.Recorded;
import org.tubrin.core.run.Replay;
import org.tubrin.core.run.RunEvent;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.School;
import org.tubrin.core.run.Step;
import org.tubrin.core.run.StepPair;
import org.tubrin.core.run.TuneSettings;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.signs.Signs;
import org.tubrin.core.station.Antenna;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Exciter;
import org.tubrin.core.station.Load;
import org.tubrin.core.station.Meter;
import org.tubrin.core.station.Mode;
import org.tubrin.core.station.Termination;
import org.tubrin.core.trend.RunFigures;

/** A run by levels as a person plays it who only does what the next move says, on an exciter whose law is known. */
public class AlcRunTest {
    private static final Instant NOW = Instant.parse("2026-11-20T19:00:00Z");
    private static final SoundPath PATH = new SoundPath("sender", "cable", Optional.of(0.8), 5, 2.5, 500, 1500, 2500);

    private static final Exciter SKIFF = new Exciter(
            "Skiff", 0.1, 10, 0.1, 0.015, List.of(), Optional.empty(), Optional.of("2.0"), Optional.empty());

    private static final Meter METER = new Meter(
            "Plumb", List.of(Sample.channel(ReadingRole.OUTPUT, ScaleUnit.W, 0.001, Sample.range("15 W", 15))));

    private static final Meter GAUGE = new Meter(
            "gauge", List.of(Sample.channel(ReadingRole.ALC_GAUGE, ScaleUnit.MARKS, 0.01, Sample.range("60", 60))));

    private final List<Recorded> events = new ArrayList<>();
    private Instant now = NOW;

    private static TuneSetup setup(Mode mode, Termination into, Optional<SoundPath> path) {
        return setup(mode, List.of(METER, GAUGE), into, Band.MHZ_7, path);
    }

    private static TuneSetup setup(
            Mode mode, List<Meter> meters, Termination into, Band band, Optional<SoundPath> path) {
        return new TuneSetup(
                Sample.STATION,
                Sample.BRIGANTINE,
                SKIFF,
                mode,
                meters,
                into,
                band,
                band.lowestHz(),
                School.ALC,
                Preset.WITHOUT_DIALS,
                TuneSettings.customaryForLevels(Sample.BRIGANTINE.stage()),
                Optional.empty(),
                Optional.empty(),
                path.map(Customs::of));
    }

    private static TuneSetup setup() {
        return setup(Mode.DATA, load(), Optional.of(PATH));
    }

    private static Load load() {
        return new Load("Ballast", 50, 1000, Optional.empty());
    }

    private RunState state() {
        return Replay.of(events);
    }

    private void does(RunEvent event) {
        assertEquals(Admission.refusals(state(), event, now), List.of(), event.toString());
        events.add(new Recorded(events.size() + 1, now, event));
    }

    /** Follows the next move until the run ends; returns what each turn was for. */
    private List<Reason> tries(LevelLaw exciter, Shows gauge, double lag) {
        events.clear();
        events.add(new Recorded(1, now, new RunEvent.Started(setup())));
        List<Reason> turns = new ArrayList<>();
        for (int i = 0; i < 400 && state().ending().isEmpty(); i++) {
            now = now.plusSeconds(10);
            Advice advice = NextMove.of(state(), now);
            if (advice.move() instanceof Move.Turn turn && turn.control() == Control.LEVEL) {
                turns.add(advice.reason());
            }
            if (advice.move() instanceof Move.KeyAndRead) {
                double level = at(Control.LEVEL);
                boolean down = state().lastStep()
                        .flatMap(step -> step.position(Control.LEVEL))
                        .filter(last -> last > level)
                        .isPresent();
                does(new RunEvent.Keyed());
                reads(ReadingRole.OUTPUT, exciter.outputW(at(Control.DRIVE), level), "Plumb", "15 W");
                reads(ReadingRole.ALC_GAUGE, exciter.gauge(gauge, level, down ? lag : 0), "gauge", "60");
                does(new RunEvent.Unkeyed());
            } else {
                Following.events(advice, now).forEach(this::does);
            }
        }
        return turns;
    }

    private double at(Control control) {
        return state().draft().position(control).orElseThrow();
    }

    private void reads(ReadingRole role, double value, String meter, String range) {
        does(new RunEvent.ReadingTaken(new Reading(role, Double.toString(value), value, meter, range), false));
    }

    private LevelProfile profile() {
        return LevelSteps.profile(setup(), state().steps()).orElseThrow();
    }

    @Test
    public void upUntilTwoFallShortBackOnceAndCloser() {
        LevelLaw exciter = new LevelLaw(0.58, 1.06);
        List<Reason> turns = tries(exciter, Shows.ALL_THE_WAY, 1);
        assertEquals(state().reached(), Optional.of(ClimbEnd.LEVELS_DONE));
        assertEquals(turns.get(0), Reason.LEVEL_FIRST);
        assertEquals(turns.get(1), Reason.LEVEL_UP);
        int back = turns.indexOf(Reason.LEVEL_BACK_DOWN);
        assertEquals(turns.get(back - 1), Reason.LEVEL_PAST_KNEE);
        assertEquals(
                turns.subList(back + 1, back + 5),
                List.of(Reason.LEVEL_CLOSER, Reason.LEVEL_CLOSER, Reason.LEVEL_CLOSER, Reason.LEVEL_CLOSER));
        assertTrue(turns.contains(Reason.LEVEL_OTHER_POWER) && turns.contains(Reason.LEVEL_OTHER_TONE));
        List<LevelSeries> series = profile().series();
        assertEquals(series.stream().map(LevelSeries::setPowerW).toList(), List.of(5.0, 2.5, 5.0, 5.0));
        assertEquals(series.stream().map(LevelSeries::toneHz).toList(), List.of(1500.0, 1500.0, 500.0, 2500.0));
        // No level was asked for twice in a series, and none far beyond what was needed.
        double highest = state().steps().stream()
                .mapToDouble(step -> step.position(Control.LEVEL).orElseThrow())
                .max()
                .orElseThrow();
        assertTrue(highest < 1.7 * 0.58, "highest " + highest);
    }

    @Test
    public void theProfileSaysWhereTheLevelIsSet() {
        LevelLaw exciter = new LevelLaw(0.58, 1.06);
        tries(exciter, Shows.ALL_THE_WAY, 2);
        LevelProfile profile = profile();
        assertEquals(profile.knee().orElseThrow().level(), 0.58, 0.02);
        LevelProfile.Window window = profile.window().orElseThrow();
        assertTrue(window.high() < 0.58 && window.low() < window.high() && window.low() > 0.4, window.toString());
        Gauge gauge = profile.gauge().orElseThrow();
        assertEquals(gauge.kind(), Gauge.Kind.MOVES_THROUGHOUT);
        assertEquals(gauge.low(), exciter.gauge(Shows.ALL_THE_WAY, 0.8 * 0.58, 0), 1.5);
        assertEquals(profile.lagMarks().orElseThrow(), 2, 1.2);
        assertEquals(profile.gaugesAgree(), Optional.of(true));
        assertEquals(profile.rippleDb().orElseThrow(), 0, 0.4);
    }

    /** All levels are at one drive or two: they pair by tone and level, not by drive alone. */
    @Test
    public void twoRunsPairByDriveToneAndLevel() {
        tries(new LevelLaw(0.58, 1.06), Shows.ALL_THE_WAY, 0);
        List<Step> first = state().steps();
        tries(new LevelLaw(0.58, 1), Shows.ALL_THE_WAY, 0);
        List<StepPair> pairs = StepPair.of(first, state().steps());
        assertTrue(pairs.size() > 25, pairs.size() + " pairs");
        for (StepPair pair : pairs) {
            pair.difference(ReadingRole.OUTPUT)
                    .ifPresent(difference -> assertTrue(difference.value().value() <= 0, "6 % less at every level"));
        }
        long both = pairs.stream()
                .filter(pair -> pair.first().isPresent() && pair.second().isPresent())
                .count();
        assertTrue(both >= pairs.size() - 4, both + " of " + pairs.size());
    }

    @DataProvider
    public Object[][] resting() {
        LevelLaw exciter = new LevelLaw(0.45, 1.06);
        return new Object[][] {
            {exciter, Shows.BARS_THAT_FALL, 8.0, false},
            {exciter, Shows.DECIBELS_THAT_RISE, 0.0, true},
        };
    }

    @Test(dataProvider = "resting")
    public void aGaugeThatRestsIsKnownForIt(LevelLaw exciter, Shows gauge, double rest, boolean rises) {
        tries(exciter, gauge, 0);
        Gauge known = profile().gauge().orElseThrow();
        assertEquals(known.kind(), Gauge.Kind.RESTS);
        assertEquals(known.rest(), rest);
        assertEquals(known.rises(), rises);
    }

    @Test
    public void aPathThatIsTooHotIsTriedFromFurtherDown() {
        LevelLaw exciter = new LevelLaw(0.09, 1.06);
        List<Reason> turns = tries(exciter, Shows.BARS_THAT_FALL, 0);
        assertEquals(turns.get(1), Reason.LEVEL_TOO_HOT);
        assertEquals(profile().knee().orElseThrow().level(), 0.09, 0.006);
    }

    @Test
    public void aSliderAtItsEndIsNoKnee() {
        LevelLaw exciter = new LevelLaw(1.6, 1.06);
        tries(exciter, Shows.BARS_THAT_FALL, 0);
        assertEquals(state().reached(), Optional.of(ClimbEnd.SLIDER_AT_END));
        assertEquals(profile().lack(), Optional.of(LevelProfile.Lack.SLIDER_AT_END));
        assertEquals(profile().window(), Optional.empty());
    }

    /** A slider that brings all there is at half a per cent must not be told to be raised. */
    @Test
    public void aPathThatIsHotAllTheWayDownIsSaidToBe() {
        tries(new LevelLaw(0.003, 1.06), Shows.BARS_THAT_FALL, 0);
        assertEquals(state().reached(), Optional.of(ClimbEnd.PATH_TOO_HOT));
        assertEquals(profile().lack(), Optional.of(LevelProfile.Lack.TOO_HOT));
        assertEquals(profile().window(), Optional.empty());
        assertTrue(
                state().steps().size() <= 4,
                "it is not tried further up: " + state().steps().size());
    }

    /** The bypassed amplifier needs to know nothing of the band. */
    @Test
    public void anyBandWillDoPastABypassedAmplifier() {
        assertFalse(Sample.BRIGANTINE.bands().contains(Band.KHZ_472));
        TuneSetup low = setup(Mode.DATA, List.of(METER), load(), Band.KHZ_472, Optional.of(PATH));
        assertEquals(low.rolesAsked(), List.of(ReadingRole.OUTPUT));
    }

    /** 10 W set on a meter with 10 W and 100 W: the exciter may give more, so the run begins on the wider. */
    @Test
    public void theRangeHoldsWhatTheExciterMayGive() {
        SoundPath full = new SoundPath("sender", "cable", Optional.empty(), 10, 5, 500, 1500, 2500);
        Meter meter = new Meter(
                "Plumb",
                List.of(Sample.channel(
                        ReadingRole.OUTPUT, ScaleUnit.W, 0.05, Sample.range("10 W", 10), Sample.range("100 W", 100))));
        TuneSetup setup = setup(Mode.SSB, List.of(meter), load(), Band.MHZ_7, Optional.of(full));
        RunState begun = Replay.of(List.of(new Recorded(1, NOW, new RunEvent.Started(setup))));
        assertEquals(begun.ranges().get(ReadingRole.OUTPUT), "100 W");
    }

    /** Nothing is said of amplifying: neither signs nor limits of an amplifier that stands in bypass. */
    @Test
    public void theAmplifierIsLeftAlone() {
        LevelLaw exciter = new LevelLaw(0.5, 1.06);
        tries(exciter, Shows.BARS_THAT_FALL, 0);
        assertTrue(state().checks().contains(Check.AMPLIFIER_BYPASSED));
        assertFalse(state().checks().contains(Check.OPERATE));
        assertEquals(RunFigures.of(state()), Optional.empty(), "no trend of an amplifier is made of it");
        state().steps().forEach(step -> {
            assertEquals(step.room(), List.of());
            assertEquals(Signs.of(step, Optional.empty()), List.of());
        });
    }

    @DataProvider
    public Object[][] refused() {
        Antenna antenna = Sample.YARDARM;
        return new Object[][] {
            {Mode.CW, load(), Optional.of(PATH), ProblemCode.UNKNOWN_NAME, "carrier"},
            {Mode.DATA, antenna, Optional.of(PATH), ProblemCode.NEEDS_DUMMY_LOAD, "termination"},
            {Mode.DATA, load(), Optional.empty(), ProblemCode.MISSING, "practice.sound"},
        };
    }

    @Test(dataProvider = "refused")
    public void whatCannotBeTriedSoIsRefused(
            Mode mode, Termination into, Optional<SoundPath> path, ProblemCode code, String at) {
        Refused refused = expectThrows(Refused.class, () -> setup(mode, into, path));
        assertEquals(refused.problems().get(0).code(), code);
        assertEquals(refused.problems().get(0).path(), at);
    }

    @Test
    public void aLevelBeyondTheSlidersEndIsRefused() {
        events.clear();
        events.add(new Recorded(1, now, new RunEvent.Started(setup())));
        assertEquals(
                Admission.refusals(state(), new RunEvent.DialMoved(Control.LEVEL, "120 %", 1.2), now)
                        .get(0)
                        .code(),
                ProblemCode.OUT_OF_RANGE);
        assertEquals(
                Admission.refusals(state(), new RunEvent.DialMoved(Control.PLATE, "5", 5), now)
                        .get(0)
                        .code(),
                ProblemCode.UNKNOWN_NAME);
        assertThrows(Refused.class, () -> new SoundPath("sender", "cable", Optional.empty(), 5, 2.5, 1500, 500, 2500));
    }
}
