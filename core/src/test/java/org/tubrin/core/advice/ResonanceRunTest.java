package org.tubrin.core.advice;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.function.DoubleUnaryOperator;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import org.tubrin.core.Sample;
import org.tubrin.core.metering.Accuracy;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.Indication;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.Reading;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.resonance.ResonancePlan;
import org.tubrin.core.resonance.ResonanceWatch;
import org.tubrin.core.resonance.Weather;
import org.tubrin.core.resonance.Witness;
import org.tubrin.core.run.Admission;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.Customs;
import org.tubrin.core.run.Preset;
import org.tubrin.core.run.Recorded;
import org.tubrin.core.run.Replay;
import org.tubrin.core.run.ResonanceSteps;
import org.tubrin.core.run.RunEvent;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.School;
import org.tubrin.core.run.TuneSettings;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Antenna;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Meter;
import org.tubrin.core.station.Mode;
import org.tubrin.core.station.Stage;
import org.tubrin.core.station.Termination;

/** An antenna of a low band kept in resonance by a person who only does what the next move says. */
public class ResonanceRunTest {
    private static final Meter PHASE = meter("Phase", ReadingRole.PHASE, ScaleUnit.MARKS);
    private static final Meter VOLTS = meter("Volts", ReadingRole.LINE_VOLTAGE, ScaleUnit.V);
    private static final Meter AMPERES = meter("Amperes", ReadingRole.LINE_CURRENT, ScaleUnit.A);
    private static final Antenna MIZZEN =
            new Antenna("Mizzen", List.of(new Antenna.AntennaBand(Band.KHZ_472, 1.1, 0)), Optional.empty());
    /** Divisions of 10 degrees. */
    private static final double DEGREES = 10;

    private final List<Recorded> events = new ArrayList<>();
    private Random random = new Random(1);
    private Instant now = Instant.EPOCH;
    /** Where resonance is, in steps of the motor, over seconds. */
    private DoubleUnaryOperator resonance = second -> 0;

    /** Tangent of the phase for one step of the motor beside resonance. */
    private double tangentPerStep;
    /** The same through a gust of wind. */
    private double wind;

    private double resistanceShare;
    private Instant begun = Instant.EPOCH;

    private static Meter meter(String name, ReadingRole role, ScaleUnit unit) {
        return new Meter(
                name,
                List.of(new Channel(
                        role,
                        unit,
                        List.of(new MeterRange("only", 1000)),
                        new Accuracy.OfReading(0.001, 0.02),
                        Indication.AVERAGE,
                        1,
                        Optional.empty())));
    }

    @BeforeMethod
    public void calm() {
        random = new Random(7);
        now = Instant.parse("2026-11-28T09:00:00Z");
        begun = now;
        resonance = second -> 4;
        tangentPerStep = 0.08;
        wind = 0.01;
        resistanceShare = 1;
    }

    private static TuneSetup setup(ResonancePlan plan, Termination end, Meter... meters) {
        Amplifier lugger = new Amplifier(
                "Lugger",
                new Stage.Switching(2, 12, 48, 12, 1, Optional.of(0.6)),
                5,
                300,
                Optional.empty(),
                List.of(Band.KHZ_472),
                List.of(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
        return new TuneSetup(
                Sample.STATION,
                lugger,
                Sample.HALYARD,
                Mode.CW,
                List.of(meters),
                end,
                Band.KHZ_472,
                475e3,
                School.RESONANCE,
                Preset.WITHOUT_DIALS,
                TuneSettings.customaryFor(lugger.stage()),
                Optional.empty(),
                Optional.empty(),
                Optional.of(Customs.of(plan)));
    }

    private void begins(Witness witness) {
        events.clear();
        ResonancePlan plan = new ResonancePlan(witness, 50);
        does(new RunEvent.Started(
                witness == Witness.PHASE ? setup(plan, MIZZEN, PHASE) : setup(plan, MIZZEN, VOLTS, AMPERES)));
        while (NextMove.of(state(), now).move() instanceof Move.Answer) {
            Following.events(NextMove.of(state(), now), now).forEach(this::does);
        }
    }

    private RunState state() {
        return Replay.of(events);
    }

    private ResonanceWatch watch() {
        return ResonanceSteps.watch(state()).orElseThrow();
    }

    private void does(RunEvent event) {
        events.add(new Recorded(events.size() + 1, now, event));
    }

    private double motor() {
        return state().draft().position(Control.MOTOR).orElse(0.0);
    }

    private double second() {
        return (now.toEpochMilli() - begun.toEpochMilli()) / 1000.0;
    }

    /** Returns how far it really is off, wind left aside: the tangent of the phase. */
    private double tangent() {
        return tangentPerStep * (motor() - resonance.applyAsDouble(second()));
    }

    private void reads() {
        double tangent = tangent() + wind * random.nextGaussian();
        if (state().setup().meterFor(ReadingRole.PHASE).isPresent()) {
            reads(PHASE, Math.toDegrees(Math.atan(tangent)) / DEGREES);
        } else {
            double ohm = 50 * resistanceShare * Math.hypot(1, tangent);
            reads(VOLTS, 2 * ohm);
            reads(AMPERES, 2);
        }
    }

    private void reads(Meter meter, double value) {
        ReadingRole role = meter.channels().get(0).role();
        String text = String.format("%.3f", value);
        does(new RunEvent.ReadingTaken(new Reading(role, text, Double.parseDouble(text), meter.name(), "only"), true));
    }

    /** Follows through one transmission; returns the reason with which it was left alone, or stopped. */
    private Reason transmits() {
        now = now.plusSeconds(30);
        does(new RunEvent.Keyed());
        for (int i = 0; i < 400; i++) {
            now = now.plusSeconds(4);
            Advice advice = NextMove.of(state(), now);
            if (advice.move() instanceof Move.ReadOff) {
                reads();
            } else if (advice.move() instanceof Move.LeaveAlone || advice.move() instanceof Move.Unkey) {
                does(new RunEvent.Unkeyed());
                return advice.reason();
            } else {
                List<RunEvent> follows = Following.events(advice, now);
                assertFalse(follows.isEmpty(), advice.toString());
                for (RunEvent event : follows) {
                    assertEquals(Admission.refusals(state(), event, now), List.of());
                    does(event);
                }
            }
        }
        throw new AssertionError("it never came to an end");
    }

    @Test
    public void theMotorIsTurnedUntilTheSignTurns() {
        begins(Witness.PHASE);
        Reason left = transmits();
        assertTrue(left == Reason.RESONANCE_TURNED || left == Reason.RESONANCE_IN_TUNE, left.name());
        assertEquals(motor(), 4, 0.6);
        assertEquals(watch().gain().orElseThrow().perStep(), Math.toDegrees(tangentPerStep) / DEGREES, 0.06);
        assertEquals(watch().found().get(watch().found().size() - 1).motor(), 4, 0.5);
    }

    /** Wired the other way round, the first step makes it worse; no third is made that way. */
    @Test
    public void aMotorThatTurnsTheOtherWayIsFoundByItsFirstStep() {
        tangentPerStep = -0.08;
        resonance = second -> -3;
        begins(Witness.PHASE);
        transmits();
        assertEquals(motor(), -3, 0.6);
        double farthest = state().steps().stream()
                .mapToDouble(step -> step.position(Control.MOTOR).orElse(0.0))
                .max()
                .orElseThrow();
        assertTrue(farthest <= 1, "gone the wrong way up to " + farthest);
    }

    @Test
    public void voltsAndAmperesTellTheSameWithoutASide() {
        for (int at : new int[] {5, -5}) {
            resonance = second -> at;
            wind = 0.002;
            tangentPerStep = 0.12;
            begins(Witness.VOLTS_OVER_AMPERES);
            transmits();
            assertTrue(Math.hypot(1, tangent()) < 1.035, "left at " + motor() + ", resonance at " + at);
        }
    }

    /** Far off a step changes little of the phase, and a way back over the same places is no motor that does nothing. */
    @Test
    public void aWrongWayBackIsNoMotorThatDoesNothing() {
        for (int seed = 0; seed < 20; seed++) {
            calm();
            random = new Random(seed);
            resonance = second -> -5;
            tangentPerStep = 0.35;
            begins(Witness.PHASE);
            Reason left = transmits();
            assertTrue(left != Reason.RESONANCE_STUCK, "seed " + seed);
            assertEquals(motor(), -5, 1.1, "seed " + seed);
        }
    }

    /** Gusts hide that the first steps went the wrong way: what then rises sends it past where it began, and blames no resistance. */
    @Test
    public void theLeastIsLookedForOnBothSides() {
        for (int seed = 0; seed < 20; seed++) {
            calm();
            random = new Random(seed);
            resonance = second -> -7;
            tangentPerStep = 0.08;
            wind = 0.08;
            begins(Witness.VOLTS_OVER_AMPERES);
            Reason left = transmits();
            assertTrue(left != Reason.RESONANCE_RESISTANCE && left != Reason.RESONANCE_STUCK, seed + ": " + left);
            assertTrue(Math.hypot(1, tangent()) < 1.1, seed + ": left at " + motor());
        }
    }

    /** 35 Ω or 70 Ω at resonance are no matter of the motor. */
    @Test
    public void whatIsLeftAtTheLeastIsResistance() {
        resistanceShare = 1.4;
        resonance = second -> 3;
        tangentPerStep = 0.3;
        wind = 0.002;
        begins(Witness.VOLTS_OVER_AMPERES);
        assertEquals(transmits(), Reason.RESONANCE_RESISTANCE);
        assertEquals(motor(), 3, 1.1);
    }

    @Test
    public void aMotorThatDoesNothingIsNotTurnedFurther() {
        resonance = second -> motor() + 12;
        begins(Witness.PHASE);
        assertEquals(transmits(), Reason.RESONANCE_STUCK);
        assertTrue(Math.abs(motor()) <= 4, "turned " + motor());
        assertEquals(NextMove.of(state(), now).reason(), Reason.RESONANCE_STUCK);
    }

    /** Eight hours of rain and wind, five times over: never left beyond the alarm, and intervals hold what they are for. */
    @Test
    public void aDriftDay() {
        int held = 0;
        int all = 0;
        for (int day = 0; day < 5; day++) {
            calm();
            random = new Random(day);
            resonance = second -> 3 - 2.5 * second / 3600;
            wind = 0.05;
            begins(Witness.PHASE);
            drifts();
            ResonanceWatch.Drift drift = watch().drift().orElseThrow();
            assertEquals(drift.stepsPerHour(), -2.5, 1.5 * drift.halfWidth95());
            assertTrue(drift.halfWidth95() < 4, drift.toString());
            assertEquals(motor(), 3 - 2.5 * 8, 2.5);
            for (ResonanceWatch.Found one : watch().found()) {
                double second = (one.place().at().toEpochMilli() - begun.toEpochMilli()) / 1000.0;
                all++;
                held += Math.abs(one.motor() - resonance.applyAsDouble(second)) <= one.halfWidth95() ? 1 : 0;
            }
        }
        assertTrue(held >= 0.92 * all && held <= 0.985 * all, held + " of " + all + " intervals hold where it was");
    }

    private void drifts() {
        while (second() < 8 * 3600) {
            transmits();
            double left = Math.abs(Math.toDegrees(Math.atan(tangent())) / DEGREES);
            assertTrue(left < 1, "left " + left + " divisions off");
            Advice idle = NextMove.of(state(), now);
            now = now.plusSeconds(idle.move() instanceof Move.LeaveAlone alone ? (long) alone.leftS() + 1 : 1);
            double before = Math.abs(Math.toDegrees(Math.atan(tangent())) / DEGREES);
            assertTrue(before < 1.5, "taken up again " + before + " divisions off");
        }
    }

    @Test
    public void readAgainWhileWindHidesTheSide() {
        resonance = second -> 3;
        wind = 0.25;
        begins(Witness.PHASE);
        transmits();
        int most = watch().looks().get(0).stream()
                .mapToInt(place -> place.count())
                .max()
                .orElseThrow();
        assertTrue(most >= 3 && most <= 5, "read " + most + " times");
    }

    @Test
    public void afterAWhileItIsAnotherLook() {
        begins(Witness.PHASE);
        transmits();
        int looks = watch().looks().size();
        now = now.plusSeconds(400);
        assertTrue(NextMove.of(state(), now).move() instanceof Move.KeyAndRead);
        transmits();
        assertEquals(watch().looks().size(), looks + 1);
        does(new RunEvent.WeatherNoted(Weather.RAIN));
        assertEquals(state().weather().get(0).weather(), Weather.RAIN);
        does(new RunEvent.Finished());
        assertEquals(state().ending(), Optional.of(RunState.Ending.FINISHED));
    }

    @Test
    public void aDummyLoadHasNoResonanceAndEachWitnessItsMeters() {
        ResonancePlan plan = new ResonancePlan(Witness.PHASE, 50);
        assertEquals(
                expectThrows(Refused.class, () -> setup(plan, Sample.BALLAST, PHASE))
                        .problems()
                        .get(0)
                        .code(),
                ProblemCode.NEEDS_ANTENNA);
        assertEquals(
                expectThrows(Refused.class, () -> setup(plan, MIZZEN, VOLTS))
                        .problems()
                        .get(0)
                        .code(),
                ProblemCode.NO_CHANNEL);
        assertEquals(
                expectThrows(Refused.class, () -> new ResonancePlan(Witness.PHASE, 0))
                        .problems()
                        .get(0)
                        .path(),
                "agreesAt");
    }
}
