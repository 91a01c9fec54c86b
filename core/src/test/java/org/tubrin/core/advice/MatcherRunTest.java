package org.tubrin.core.advice;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import org.tubrin.core.Sample;
import org.tubrin.core.metering.Reading;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.run.Check;
import org.tubrin.core.run.ClimbEnd;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.Preset;
import org.tubrin.core.run.Recorded;
import org.tubrin.core.run.Replay;
import org.tubrin.core.run.RunEvent;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.School;
import org.tubrin.core.run.SeenSign;
import org.tubrin.core.run.TuneSettings;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.signs.Signs;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Exciter;
import org.tubrin.core.station.Load;
import org.tubrin.core.station.Matcher;
import org.tubrin.core.station.Meter;
import org.tubrin.core.station.Mode;
import org.tubrin.core.station.Pad;
import org.tubrin.core.station.Stage;
import org.tubrin.core.station.Termination;

/** A matcher tuned by a person who only does what the next move says, at a station that follows its laws. */
public class MatcherRunTest {
    private static final double GAIN = 18;
    private static final double THROUGH = 0.94;
    private static final Matcher MATCHER = new Matcher(3, 7, 3, Matcher.Switching.BY_HAND);
    private static final Exciter SKIFF = new Exciter(
            "Skiff 10", 0.1, 10, 0.05, 0.03, List.of(), Optional.empty(), Optional.empty(), Optional.empty());
    private static final Meter METERS = new Meter(
            "Fathom",
            List.of(
                    Sample.channel(ReadingRole.INPUT_POWER, ScaleUnit.W, 0.01, Sample.range("20 W", 20)),
                    Sample.channel(ReadingRole.OUTPUT, ScaleUnit.W, 0.01, Sample.range("150 W", 150)),
                    Sample.channel(ReadingRole.INPUT_SWR, ScaleUnit.ONE, 0.01, Sample.range("5", 5))));

    private final List<Recorded> events = new ArrayList<>();
    private Instant now = Instant.parse("2026-11-28T19:00:00Z");
    private boolean isOn;
    private boolean switchWorks;
    private double swrBehind;
    private double reachSwr;
    private double tunedWithW;

    private static Amplifier dinghy(Optional<Matcher> matcher) {
        return Sample.transistors("Dinghy 60", new Stage.Transistors(13.8, 12), 7, 60, matcher);
    }

    private static TuneSetup setup(Optional<Matcher> matcher, Exciter exciter, Termination into, Optional<Pad> pad) {
        Amplifier amplifier = dinghy(matcher);
        return new TuneSetup(
                        Sample.STATION,
                        amplifier,
                        exciter,
                        Mode.CW,
                        List.of(METERS),
                        into,
                        Band.MHZ_7,
                        7.1e6,
                        School.MATCHER,
                        Preset.WITHOUT_DIALS,
                        TuneSettings.customaryFor(amplifier.stage()),
                        Optional.empty(),
                        pad,
                        Optional.empty())
                .withinDrive();
    }

    private void begin(Termination into, double swr, boolean leftOn, boolean works) {
        events.clear();
        isOn = leftOn;
        switchWorks = works;
        swrBehind = swr;
        reachSwr = 3.2;
        tunedWithW = 0;
        does(new RunEvent.Started(setup(Optional.of(MATCHER), SKIFF, into, Optional.empty())));
    }

    private RunState state() {
        return Replay.of(events);
    }

    private void does(RunEvent event) {
        events.add(new Recorded(events.size() + 1, now, event));
    }

    private Advice advice() {
        return NextMove.of(state(), now);
    }

    private void reads(ReadingRole role, double value) {
        String range = METERS.channel(role).orElseThrow().ranges().get(0).name();
        does(new RunEvent.ReadingTaken(new Reading(role, String.format("%.4f", value), value, "Fathom", range), true));
    }

    private void keys() {
        double driveW = state().draft().position(Control.DRIVE).orElseThrow();
        boolean inLine = state().draft().position(Control.MATCHER).orElse(0.0) > 0;
        assertTrue(!isOn || driveW <= 0.25 * 7, "never more than a quarter into an amplifier that may be on");
        does(new RunEvent.Keyed());
        now = now.plusSeconds(3);
        if (inLine && driveW >= MATCHER.leastW() && swrBehind <= reachSwr) {
            tunedWithW = driveW;
        }
        double swr = inLine && tunedWithW > 0 ? 1.2 : swrBehind;
        reads(ReadingRole.INPUT_POWER, driveW);
        reads(ReadingRole.OUTPUT, driveW * (isOn ? GAIN : THROUGH));
        reads(ReadingRole.INPUT_SWR, isOn ? 1.3 : swr);
        does(new RunEvent.Unkeyed());
    }

    /** Plays on; returns the moves that a hand made. */
    private List<Move> plays() {
        List<Move> moves = new ArrayList<>();
        while (state().ending().isEmpty()) {
            Advice advice = advice();
            moves.add(advice.move());
            assertTrue(moves.size() < 200, moves.toString());
            if (advice.move() instanceof Move.KeyAndRead) {
                keys();
            } else if (advice.move() instanceof Move.Rest rest) {
                now = now.plusMillis(1 + Math.round(1000 * rest.leftS()));
            } else {
                if (advice.move() instanceof Move.Turn turn
                        && turn.control() == Control.POWER_AMPLIFIER
                        && switchWorks) {
                    isOn = turn.to() > 0;
                }
                Following.events(advice, now).forEach(this::does);
            }
            now = now.plusSeconds(1);
        }
        return moves;
    }

    private static long turns(List<Move> moves, Control control) {
        return moves.stream()
                .filter(move -> move instanceof Move.Turn turn && turn.control() == control)
                .count();
    }

    @Test
    public void anAntennaIsMatchedAndTheAmplifierComesOnLast() {
        begin(Sample.YARDARM, 2.4, false, true);
        List<Move> moves = plays();
        assertEquals(state().reached(), Optional.of(ClimbEnd.MATCHED));
        assertEquals(state().steps().size(), 3);
        assertEquals(turns(moves, Control.POWER_AMPLIFIER), 1);
        int on = events.stream()
                .filter(one ->
                        one.event() instanceof RunEvent.DialMoved moved && moved.control() == Control.POWER_AMPLIFIER)
                .findFirst()
                .map(one -> (int) one.sequence())
                .orElseThrow();
        assertEquals(
                Replay.of(events.subList(0, on)).draft().position(Control.DRIVE),
                Optional.of(0.7),
                "drive is down to a tenth before it comes on");
    }

    /** The operator said that it is off; the meters say that it is on. */
    @Test
    public void anAmplifierThatWasLeftOnIsSeenBeforeTheMatcherGetsItsPower() {
        begin(Sample.YARDARM, 2.4, true, true);
        while (!(advice().move() instanceof Move.KeyAndRead)) {
            Following.events(advice(), now).forEach(this::does);
        }
        keys();
        Following.events(advice(), now).forEach(this::does);
        now = now.plusSeconds(30);
        assertEquals(advice().move(), new Move.Turn(Control.POWER_AMPLIFIER, 1, 0, 0));
        assertEquals(advice().reason(), Reason.MATCH_PA_ON);
        plays();
        assertEquals(state().reached(), Optional.of(ClimbEnd.MATCHED));
        assertEquals(state().steps().size(), 4);
    }

    /** Into an antenna that is not matched an amplifier that was left on trips before a meter shows anything. */
    @Test
    public void aTripSaysThatItIsOn() {
        begin(Sample.YARDARM, 2.4, true, true);
        while (!(advice().move() instanceof Move.KeyAndRead)) {
            Following.events(advice(), now).forEach(this::does);
        }
        does(new RunEvent.Keyed());
        does(new RunEvent.Unkeyed());
        does(new RunEvent.SignSeen(SeenSign.TRIP_REFLECTED));
        assertEquals(advice().move(), new Move.Turn(Control.POWER_AMPLIFIER, 0, 0, 0));
        assertEquals(advice().reason(), Reason.MATCH_TRIPPED);
        assertTrue(Signs.reported(state()).isEmpty(), "a climb's advice after a trip is none here");
        isOn = false;
        Following.events(advice(), now).forEach(this::does);
        assertEquals(advice().move(), new Move.WorkThrough(Move.Drill.TRIPPED_BYPASSED));
        plays();
        assertEquals(state().reached(), Optional.of(ClimbEnd.MATCHED));
        assertEquals(state().trips().size(), 1);
    }

    @Test
    public void aSwitchThatDoesNothingEndsItBeforeAnyTuning() {
        begin(Sample.YARDARM, 2.4, true, false);
        List<Move> moves = plays();
        assertEquals(state().reached(), Optional.of(ClimbEnd.PA_STAYS_ON));
        assertEquals(turns(moves, Control.MATCHER), 0);
    }

    @Test
    public void aKnownLoadTellsReachFromFault() {
        Load threeToOne = new Load("Ballast 150", 150, 20, Optional.empty());
        begin(threeToOne, 3, false, true);
        plays();
        assertEquals(state().reached(), Optional.of(ClimbEnd.REACH_PROVEN));
        begin(threeToOne, 3, false, true);
        reachSwr = 1.1;
        plays();
        assertEquals(state().reached(), Optional.of(ClimbEnd.MATCHER_FAULTY));
    }

    @Test
    public void anAntennaOutOfReachIsSaidAndNotBlamedOnTheMatcher() {
        begin(Sample.YARDARM, 5, false, true);
        plays();
        assertEquals(state().reached(), Optional.of(ClimbEnd.NOT_MATCHED));
    }

    /** What is done past an amplifier tells nothing of it. */
    @Test
    public void noSignsAreReadFromABypassedAmplifier() {
        begin(Sample.YARDARM, 2.4, true, true);
        plays();
        state().steps()
                .forEach(step -> assertTrue(Signs.of(step, Optional.empty()).isEmpty()));
        assertTrue(state().steps().stream().allMatch(step -> step.room().isEmpty()));
    }

    @Test
    public void pointsBeforePowerAreOfThisWork() {
        begin(Sample.YARDARM, 2.4, false, true);
        List<Check> open = state().openBeforePower();
        assertTrue(open.containsAll(
                List.of(Check.FREQUENCY_CLEAR, Check.BAND_SWITCH, Check.AMPLIFIER_BYPASSED, Check.KEYED_BEFORE_RF)));
        TuneSetup cabled = setup(
                Optional.of(new Matcher(3, 7, 3, Matcher.Switching.MAKERS_CABLE)),
                SKIFF,
                Sample.BALLAST,
                Optional.empty());
        List<Check> points = org.tubrin.core.run.Preflight.of(cabled);
        assertFalse(points.contains(Check.KEYED_BEFORE_RF), "the maker's cable sees to that");
        assertFalse(points.contains(Check.FREQUENCY_CLEAR), "nobody hears a dummy load");
    }

    private static ProblemCode refused(Optional<Matcher> matcher, Exciter exciter, Optional<Pad> pad) {
        return expectThrows(Refused.class, () -> setup(matcher, exciter, Sample.YARDARM, pad))
                .problems()
                .get(0)
                .code();
    }

    @Test
    public void whatCannotBeDoneIsRefusedAtTheDoor() {
        assertEquals(refused(Optional.empty(), SKIFF, Optional.empty()), ProblemCode.NEEDS_MATCHER);
        Exciter strong = new Exciter(
                "Halyard 100", 5, 100, 0.05, 0.03, List.of(), Optional.empty(), Optional.empty(), Optional.empty());
        assertEquals(
                refused(Optional.of(MATCHER), strong, Optional.empty()),
                ProblemCode.BEYOND_EXCITER,
                "5 W are no tenth of 7");
        // 10 W behind 6 dB are 2.5 W.
        assertEquals(
                refused(Optional.of(MATCHER), SKIFF, Optional.of(new Pad("6 dB", 6, 20))),
                ProblemCode.SHORT_OF_MATCHER);
    }
}
