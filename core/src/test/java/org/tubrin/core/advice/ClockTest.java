package org.tubrin.core.advice;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import org.tubrin.core.Sample;
import org.tubrin.core.run.Check;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.KeyDown;
import org.tubrin.core.run.Preflight;
import org.tubrin.core.run.RunEvent;
import org.tubrin.core.run.RunState;
import org.tubrin.core.station.Thermal;

public class ClockTest {
    private static final Thermal OIL = new Thermal(0.52, 1800, 100);
    private static final Instant START = Instant.parse("2026-11-20T19:00:00Z");

    private static KeyDown keyDown(double fromS, double toS, double powerW) {
        return new KeyDown(at(fromS), Optional.of(at(toS)), powerW, powerW / 4);
    }

    private static Instant at(double seconds) {
        return START.plusMillis((long) (seconds * 1000));
    }

    @Test
    public void warmsLikeAFirstOrderBody() {
        double afterOneTimeConstant = LoadHeat.temperatureC(List.of(keyDown(0, 1800, 100)), OIL, 20, at(1800));
        assertEquals(afterOneTimeConstant, 20 + 52 * (1 - Math.exp(-1)), 1e-9);
    }

    @Test
    public void splittingAKeyDownChangesNothing() {
        List<KeyDown> whole = List.of(keyDown(10, 70, 800));
        List<KeyDown> split = List.of(keyDown(10, 30, 800), keyDown(30, 70, 800));
        assertEquals(
                LoadHeat.temperatureC(split, OIL, 20, at(200)), LoadHeat.temperatureC(whole, OIL, 20, at(200)), 1e-9);
    }

    @Test
    public void theTimeToTheLimitIsWhenTheLimitIsReached() {
        double leftS = LoadHeat.secondsToLimit(61, 900, OIL, 20);
        double riseK = 41 * Math.exp(-leftS / 1800) + 900 * 0.52 * (1 - Math.exp(-leftS / 1800));
        assertEquals(20 + riseK, 100, 1e-9);
        assertEquals(LoadHeat.secondsToLimit(20, 100, OIL, 20), Double.POSITIVE_INFINITY);
        assertEquals(LoadHeat.secondsToLimit(101, 100, OIL, 20), 0.0);
    }

    @Test
    public void afterTheRestAskedForTheNextKeyDownEndsAtTheLimit() {
        double restS = LoadHeat.restForS(99.5, 1000, 10, OIL, 20);
        assertTrue(restS > 0);
        double startRiseK = 79.5 * Math.exp(-restS / 1800);
        double endRiseK = startRiseK * Math.exp(-10 / 1800.0) + 520 * (1 - Math.exp(-10 / 1800.0));
        assertEquals(20 + endRiseK, 100, 1e-9);
    }

    @Test
    public void restIsAtLeastAsLongAsTheKeyDown() {
        Climber climber =
                new Climber(Sample.setup()).isReady().moves(Control.DRIVE, 4.4).keysFor(8);
        KeyClock clock = KeyClock.of(climber.state(), climber.now);
        assertEquals(clock.phase(), KeyClock.Phase.RESTING);
        assertEquals(clock.restS(), 8, 1e-9);
        assertEquals(KeyClock.of(climber.state(), climber.now.plusSeconds(9)).phase(), KeyClock.Phase.READY);
    }

    @Test
    public void aHotLoadLengthensTheRest() {
        Climber climber = new Climber(Sample.setup())
                .isReady()
                .steps(70, 5.09, 4.5, 889.8, 0.5498, 0.1699, 2503)
                .keysFor(335)
                .waits(5)
                .keysFor(6);
        KeyClock clock = KeyClock.of(climber.state(), climber.now);
        assertTrue(clock.restS() > 20, "rest " + clock.restS());
        assertTrue(clock.heat().orElseThrow().isHot());
    }

    @Test
    public void theHardStopAdvisesKeyUp() {
        Climber climber =
                new Climber(Sample.setup()).isReady().moves(Control.DRIVE, 4.4).does(new RunEvent.Keyed());
        assertTrue(climber.waits(9.9).advice().move() instanceof Move.PeakAndRead);
        assertTrue(climber.waits(0.2).advice().move() instanceof Move.Unkey);
    }

    @Test
    public void aColdTubeIsNotKeyed() {
        Climber climber = new Climber(Sample.setup());
        for (Check check : Preflight.of(Sample.setup())) {
            climber.does(new RunEvent.Checked(check));
        }
        climber.does(new RunEvent.Warm(climber.now)).waits(170);
        assertEquals(climber.refusals(new RunEvent.Keyed()).get(0).code().name(), "NOT_WARM");
        assertEquals(((Move.WaitForWarmth) climber.advice().move()).leftS(), 10, 1e-9);
        climber.waits(10).does(new RunEvent.Keyed());
    }

    @Test
    public void platesFollowTheirHeatWithinHalfAMinuteAndBearAShortExcess() {
        List<KeyDown> twiceTheRating = List.of(new KeyDown(at(0), Optional.of(at(5)), 400, 700));
        double atTheEnd = PlateHeat.share(twiceTheRating, 350, at(5));
        assertEquals(atTheEnd, 2 * (1 - Math.exp(-5 / 25.0)), 1e-9);
        assertTrue(atTheEnd < 0.5, "5 s of twice the rating stay below it");
        assertEquals(PlateHeat.share(twiceTheRating, 350, at(105)), atTheEnd * Math.exp(-100 / 25.0), 1e-9);
        List<KeyDown> forLong = List.of(new KeyDown(at(0), Optional.empty(), 400, 350));
        assertEquals(PlateHeat.share(forLong, 350, at(300)), 1, 1e-4);
    }

    @Test
    public void theHeatOfAKeyDownIsWhatItsReadingsSay() {
        RunState state = new Climber(Sample.setup())
                .isReady()
                .moves(Control.DRIVE, 4.4)
                .keysFor(5)
                .reads(140, 0.2, 0.01, 2700)
                .state();
        assertEquals(state.keyDowns().get(0).heatPerTubeW(), (2700 * 0.2 - 140) / 2, 1e-6);
    }
}
