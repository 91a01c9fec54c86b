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
import java.util.stream.Stream;
import org.testng.annotations.Test;
import org.tubrin.core.Sample;
import org.tubrin.core.bias.BiasDevice;
import org.tubrin.core.bias.BiasLaw;
import org.tubrin.core.bias.BiasPlan;
import org.tubrin.core.metering.Accuracy;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.Indication;
import org.tubrin.core.metering.Reading;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.run.Admission;
import org.tubrin.core.run.BiasSteps;
import org.tubrin.core.run.Check;
import org.tubrin.core.run.ClimbEnd;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.Customs;
import org.tubrin.core.run.Preset;
import org.tubrin.core.run.ReadingSource;
import org.tubrin.core.run.Recorded;
import org.tubrin.core.run.Replay;
import org.tubrin.core.run.RunEvent;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.School;
import org.tubrin.core.run.TuneSettings;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.signs.Signs;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Load;
import org.tubrin.core.station.Meter;
import org.tubrin.core.station.Mode;
import org.tubrin.core.station.Stage;
import org.tubrin.core.station.Termination;
import org.tubrin.core.trend.RunFigures;

/** A bias climb as a person plays it who only does what the next move says, on transistors that follow their law. */
public class BiasRunTest {
    private static final double OHM = 2.37;
    private static final double STANDING_A = 4.1e-3;
    private static final Meter SENSE = meter("Plummet", ReadingRole.SENSE_VOLTAGE, ScaleUnit.MV, 1e-4);
    private static final Meter FEED = meter("Plummet", ReadingRole.DEVICE_CURRENT, ScaleUnit.MA, 1e-5);

    private final List<Recorded> events = new ArrayList<>();
    private Instant now = Instant.parse("2026-11-20T19:00:00Z");

    /** One transistor: its law, its gate, and how warm it is over the room. */
    private static final class Fet {
        private final BiasLaw law;
        private double gateV;
        private double riseK;

        private Fet(double thresholdV, double heatKPerW) {
            law = new BiasLaw(1.9, thresholdV, 50, heatKPerW);
        }

        private double currentA() {
            return law.currentA(gateV, 25 + riseK);
        }

        private void passes(double seconds) {
            double aimK = law.heatKPerW() * law.supplyV() * currentA();
            riseK += (aimK - riseK) * -Math.expm1(-seconds / BiasLaw.HEAT_S);
        }
    }

    private static Meter meter(String name, ReadingRole role, ScaleUnit unit, double digit) {
        return new Meter(
                name,
                List.of(new Channel(
                        role,
                        unit,
                        List.of(Sample.range("2", 2)),
                        new Accuracy.OfReading(0.003, digit),
                        Indication.AVERAGE,
                        1,
                        Optional.empty())));
    }

    private static Amplifier ketch() {
        return Sample.transistors("Ketch", new Stage.Transistors(50, 24), 14, 600, Optional.empty());
    }

    private static BiasPlan plan(boolean sensed, boolean isNewBoard) {
        return new BiasPlan(
                2,
                0.08,
                "sheet",
                sensed ? Optional.of(new BiasPlan.Sense(2.2, OHM, 0.005)) : Optional.empty(),
                10,
                isNewBoard);
    }

    private static TuneSetup setup(
            Amplifier amplifier, List<Meter> meters, Termination into, ReadingSource source, Optional<BiasPlan> plan) {
        return new TuneSetup(
                Sample.STATION,
                amplifier,
                Sample.HALYARD,
                Mode.CW,
                meters,
                into,
                Band.MHZ_7,
                Band.MHZ_7.lowestHz(),
                School.BIAS,
                Preset.WITHOUT_DIALS,
                TuneSettings.customaryFor(amplifier.stage()),
                Optional.of(source),
                Optional.empty(),
                plan.map(Customs::of));
    }

    private static TuneSetup setup(boolean sensed) {
        return setup(
                ketch(), List.of(sensed ? SENSE : FEED), load(), ReadingSource.TYPED, Optional.of(plan(sensed, false)));
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

    private void passes(List<Fet> fets, double seconds) {
        for (double left = seconds; left > 0; left -= 0.2) {
            fets.forEach(fet -> fet.passes(state().isKeyed() ? 0.2 : 0));
        }
        now = now.plusMillis(Math.round(1000 * seconds));
    }

    /** Follows the next move until the run ends; returns the reasons in their order. */
    private List<Reason> plays(TuneSetup setup, List<Fet> fets) {
        events.clear();
        events.add(new Recorded(1, now, new RunEvent.Started(setup)));
        boolean sensed = setup.customs().bias().orElseThrow().sense().isPresent();
        ReadingRole role = sensed ? ReadingRole.SENSE_VOLTAGE : ReadingRole.DEVICE_CURRENT;
        List<Reason> reasons = new ArrayList<>();
        for (int i = 0; i < 600 && state().ending().isEmpty(); i++) {
            passes(fets, 1);
            Advice advice = NextMove.of(state(), now);
            reasons.add(advice.reason());
            if (advice.move() instanceof Move.KeyAndRead) {
                does(new RunEvent.Keyed());
            } else if (advice.move() instanceof Move.Adjust adjust) {
                turns(fets, adjust, sensed);
                reads(fets, role, adjust.device());
            } else if (advice.move() instanceof Move.TurnDown down) {
                fets.get(down.device() - 1).gateV = 0;
                reads(fets, role, down.device());
            } else if (advice.move() instanceof Move.Hold hold) {
                passes(fets, hold.leftS());
            } else if (advice.move() instanceof Move.ReadOff) {
                reads(fets, role, (int) at(Control.DEVICE));
            } else {
                Following.events(advice, now).forEach(this::does);
            }
        }
        return reasons;
    }

    private double at(Control control) {
        return state().draft().position(control).orElseThrow();
    }

    /** Turns a gate in small steps while the device warms, as a hand does. */
    private void turns(List<Fet> fets, Move.Adjust adjust, boolean sensed) {
        Fet fet = fets.get(adjust.device() - 1);
        fet.gateV = Math.max(fet.gateV, 2.9);
        double way = shows(fets, adjust.device(), sensed) < adjust.aim() ? 1 : -1;
        for (int i = 0; i < 4000 && way * (adjust.aim() - shows(fets, adjust.device(), sensed)) > 0; i++) {
            fet.gateV += way * 2e-4;
            if (i % 100 == 0) {
                passes(fets, 0.2);
            }
        }
    }

    private static double shows(List<Fet> fets, int device, boolean sensed) {
        return sensed
                ? OHM * (STANDING_A + fets.stream().mapToDouble(Fet::currentA).sum())
                : fets.get(device - 1).currentA();
    }

    private void reads(List<Fet> fets, ReadingRole role, int device) {
        double value = Math.rint(shows(fets, device, role == ReadingRole.SENSE_VOLTAGE) * 1e4) / 1e4;
        does(new RunEvent.ReadingTaken(new Reading(role, Double.toString(value), value, "Plummet", "2"), false));
    }

    @Test
    public void oneMeterForAllUsesIsAskedForWhatIsNotLeftUnread() {
        Meter all = new Meter(
                "Plummet",
                Stream.of(SENSE, FEED, meter("Plummet", ReadingRole.GATE_VOLTAGE, ScaleUnit.V, 0.01))
                        .flatMap(one -> one.channels().stream())
                        .toList());
        TuneSetup gateToo =
                setup(ketch(), List.of(all), Sample.BALLAST, ReadingSource.TYPED, Optional.of(plan(true, false)));
        assertEquals(gateToo.rolesAsked(), List.of(ReadingRole.SENSE_VOLTAGE, ReadingRole.GATE_VOLTAGE));
        TuneSetup senseAlone = gateToo.chosen(gateToo.customs().leaving(List.of(ReadingRole.GATE_VOLTAGE)));
        assertEquals(senseAlone.rolesAsked(), List.of(ReadingRole.SENSE_VOLTAGE));
        assertEquals(senseAlone.withMeter(all).rolesAsked(), senseAlone.rolesAsked(), "corrected, it is still left");
        assertThrows(
                Refused.class, () -> gateToo.chosen(gateToo.customs().leaving(List.of(ReadingRole.SENSE_VOLTAGE))));
    }

    @Test
    public void overAResistorBothComeOutWithinTwoPerCent() {
        List<Fet> fets = List.of(new Fet(3.05, 0.9), new Fet(3.35, 0.8));
        List<Reason> reasons = plays(setup(true), fets);
        assertEquals(state().reached(), Optional.of(ClimbEnd.BIAS_DONE));
        assertEquals(
                reasons.stream().filter(Reason.BEFORE_POWER::equals).count(), 4, "load, pots, supply, no drive first");
        assertEquals(reasons.get(5), Reason.BIAS_KEY);
        assertTrue(reasons.indexOf(Reason.BIAS_STANDING) < reasons.indexOf(Reason.BIAS_HALF));
        assertTrue(reasons.indexOf(Reason.BIAS_SOAK) < reasons.indexOf(Reason.BIAS_ALONE));
        assertTrue(reasons.contains(Reason.CLOSING_CHECK), "the same after RF");
        assertFalse(state().isKeyed(), "the key comes up before it is kept");
        for (Fet fet : fets) {
            assertEquals(fet.currentA(), 0.08, 0.0016);
        }
        List<BiasDevice> reached =
                BiasSteps.climb(setup(true), state().steps()).orElseThrow().reached();
        for (int i = 0; i < 2; i++) {
            double half = reached.get(i).currentA().halfWidth95();
            assertEquals(reached.get(i).currentA().value(), fets.get(i).currentA(), half);
            assertTrue(half < 0.0016, "known within what it may be off: " + half);
        }
    }

    /** The ammeter is moved with the key up, and a device is left to warm after that. */
    @Test
    public void byAnAmmeterTheKeyIsUpWhenItIsMoved() {
        List<Fet> fets = List.of(new Fet(3.1, 0.9), new Fet(3.2, 1.0));
        List<Reason> reasons = plays(setup(false), fets);
        assertEquals(state().reached(), Optional.of(ClimbEnd.BIAS_DONE));
        assertTrue(reasons.contains(Reason.MOVE_AMMETER));
        assertFalse(reasons.contains(Reason.BIAS_STANDING), "its own feed tells its own current");
        for (Fet fet : fets) {
            fet.passes(60);
            assertEquals(fet.currentA(), 0.08, 0.0016);
        }
    }

    @Test
    public void whoRunsAwayIsTurnedDownLongBeforeItIsLost() {
        List<Fet> fets = List.of(new Fet(3.1, 6), new Fet(3.2, 0.9));
        List<Reason> reasons = plays(setup(true), fets);
        assertEquals(state().reached(), Optional.of(ClimbEnd.RUNS_AWAY));
        assertTrue(reasons.contains(Reason.BIAS_RUNS_AWAY));
        assertFalse(reasons.contains(Reason.CLOSING_CHECK), "nobody drives it before it is mounted anew");
        assertTrue(25 + fets.get(0).riseK < 100, "die at " + (25 + fets.get(0).riseK));
    }

    @Test
    public void aNewBoardIsProvenWithStandInsFirst() {
        RunState anew = begun(Optional.of(plan(true, true)), ReadingSource.TYPED);
        assertEquals(
                anew.openBeforePower(),
                List.of(
                        Check.BOARD_APART,
                        Check.STAND_INS_DRIVEN,
                        Check.POT_ENDS_KNOWN,
                        Check.POTS_AT_MINIMUM,
                        Check.SUPPLY_LIMITED,
                        Check.NO_DRIVE,
                        Check.LOAD_IN_LINE));
        assertFalse(begun(Optional.of(plan(true, false)), ReadingSource.TYPED)
                .openBeforePower()
                .contains(Check.STAND_INS_DRIVEN));
        assertEquals(Admission.refusals(anew, new RunEvent.Keyed(), now).get(0).code(), ProblemCode.PREFLIGHT_OPEN);
    }

    private RunState begun(Optional<BiasPlan> plan, ReadingSource source) {
        return Replay.of(List.of(
                new Recorded(1, now, new RunEvent.Started(setup(ketch(), List.of(SENSE), load(), source, plan)))));
    }

    /** A pot has no scale: where it stands is known on the bench alone, and by device. */
    @Test
    public void onTheBenchEachPotStandsWhereItWasLeft() {
        assertFalse(begun(Optional.of(plan(true, false)), ReadingSource.TYPED)
                .setup()
                .stage()
                .controls()
                .contains(Control.POT));
        events.clear();
        events.add(new Recorded(
                1,
                now,
                new RunEvent.Started(
                        setup(ketch(), List.of(SENSE), load(), ReadingSource.BENCH, Optional.of(plan(true, false))))));
        for (Check check : state().openBeforePower()) {
            does(new RunEvent.Checked(check));
        }
        does(new RunEvent.Keyed());
        does(new RunEvent.DialMoved(Control.DEVICE, "", 1));
        assertEquals(at(Control.POT), 0);
        does(new RunEvent.DialMoved(Control.POT, "", 6.4));
        does(new RunEvent.ReadingTaken(new Reading(ReadingRole.SENSE_VOLTAGE, "100", 0.1, "Plummet", "2"), false));
        does(new RunEvent.StepRecorded());
        does(new RunEvent.DialMoved(Control.DEVICE, "", 2));
        assertEquals(at(Control.POT), 0);
        does(new RunEvent.DialMoved(Control.DEVICE, "", 1));
        assertEquals(at(Control.POT), 6.4);
        assertEquals(
                Admission.refusals(state(), new RunEvent.DialMoved(Control.POT, "", 10.2), now)
                        .get(0)
                        .path(),
                "POT");
        assertEquals(
                Admission.refusals(state(), new RunEvent.DialMoved(Control.DEVICE, "", 3), now)
                        .get(0)
                        .path(),
                "DEVICE");
    }

    /** No RF: no limits of the stage, no signs, no trend; and the clock lets the key stay down. */
    @Test
    public void itIsNoClimbOfTheAmplifier() {
        plays(setup(true), List.of(new Fet(3.05, 0.9), new Fet(3.35, 0.8)));
        assertEquals(state().lastStep().orElseThrow().room(), List.of());
        assertEquals(Signs.of(state().lastStep().orElseThrow(), Optional.empty()), List.of());
        assertEquals(RunFigures.of(state()), Optional.empty(), "no trend of an amplifier is made of it");
        double longestS = state().keyDowns().stream()
                .mapToDouble(
                        one -> java.time.Duration.between(one.from(), one.to().orElseThrow())
                                .toSeconds())
                .max()
                .orElse(0);
        assertTrue(longestS > 600, "keyed " + longestS + " s");
    }

    @Test
    public void whatDoesNotFitIsRefused() {
        assertEquals(refusal(Sample.BRIGANTINE, load(), Optional.of(plan(true, false))), ProblemCode.NEEDS_TRANSISTORS);
        assertEquals(refusal(ketch(), load(), Optional.empty()), ProblemCode.MISSING);
        assertEquals(refusal(ketch(), Sample.YARDARM, Optional.of(plan(true, false))), ProblemCode.NEEDS_DUMMY_LOAD);
        assertEquals(refusal(ketch(), load(), Optional.of(plan(false, false))), ProblemCode.NO_CHANNEL);
    }

    private static ProblemCode refusal(Amplifier amplifier, Termination into, Optional<BiasPlan> plan) {
        List<Problem> problems = expectThrows(
                        Refused.class, () -> setup(amplifier, List.of(SENSE), into, ReadingSource.TYPED, plan))
                .problems();
        return problems.get(0).code();
    }
}
