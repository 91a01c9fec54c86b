package org.tubrin.core.advice;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import org.tubrin.core.Sample;
import org.tubrin.core.run.Check;
import org.tubrin.core.run.RunEvent;
import org.tubrin.core.run.SignalPath;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.scope.Waveform;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Exciter;
import org.tubrin.core.station.Mode;
import org.tubrin.core.station.Station;
import org.tubrin.core.twin.Outcome;
import org.tubrin.core.twin.Products;
import org.tubrin.core.twin.Setting;
import org.tubrin.core.twin.TubePoint;
import org.tubrin.core.twin.TubeTwin;
import org.tubrin.core.twin.Twins;

public class ModeGuardTest {
    private static Climber climbed() {
        return new Climber(Sample.setup())
                .isReady()
                .steps(17.5, 5.14, 2.5, 385, 0.292, 0.036, 2640)
                .steps(35, 5.11, 3.5, 605.5, 0.4029, 0.0791, 2582)
                .steps(70, 5.09, 5, 874.4, 0.5757, 0.1492, 2489);
    }

    private static ModeGuard row(List<ModeGuard> rows, Mode mode) {
        return rows.stream().filter(one -> one.mode() == mode).findFirst().orElseThrow();
    }

    @Test
    public void aModeWithMoreThanTheTunedDriveIsToTurnDown() {
        List<ModeGuard> rows = ModeGuard.of(climbed().state());
        ModeGuard voice = row(rows, Mode.SSB);
        assertTrue(voice.above());
        assertEquals(voice.mostW(), 70, 1e-9);
        assertEquals(voice.outputW().orElseThrow(), 874.4, 1e-6);
        assertTrue(voice.heat().isEmpty());
        assertFalse(row(rows, Mode.CW).above(), "70 W is what was tuned for");
    }

    /** Tuned at 70 W with a finish a little heavier, by the twin: 872.3 W, 285 W a tube (reference point). */
    private static Climber climbedWithTwin(Mode mode, double setW, double licenceW) {
        TuneSetup from = Sample.setup(
                Sample.BRIGANTINE.withTwin(Twins.BRIGANTINE),
                new Station("S", "", licenceW, 20, Optional.empty()),
                Sample.BALLAST);
        Exciter wide = new Exciter(
                "Halyard 100",
                1,
                100,
                0.05,
                0.03,
                List.of(new Exciter.ModePower(mode, setW)),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
        TuneSetup setup = new TuneSetup(
                from.station(),
                from.amplifier(),
                wide,
                from.carrier(),
                from.meters(),
                from.termination(),
                from.band(),
                from.frequencyHz(),
                from.school(),
                from.preset(),
                from.settings(),
                from.source(),
                from.pad(),
                from.practice());
        return new Climber(setup)
                .isReady()
                .steps(17.5, 5.14, 2.5, 385, 0.292, 0.036, 2640)
                .steps(35, 5.11, 3.5, 605.5, 0.4029, 0.0791, 2582)
                .steps(70, 5.093, 5.041, 872.3, 0.5778, 0.1478, 2488);
    }

    private static TubePoint at(double driveW) {
        TubeTwin twin =
                TubeTwin.of(Sample.BRIGANTINE.withTwin(Twins.BRIGANTINE)).orElseThrow();
        Setting setting = new Setting(Band.MHZ_7, 7.1e6, driveW, 5.093, 5.041, 51.6, 0);
        return ((Outcome.Settled<TubePoint>) twin.at(setting)).point();
    }

    @Test
    public void aLongCarrierIsHeldToItsShareAtTheCardsDialsAndSaysThatThePlatesAreHotter() {
        ModeGuard rtty =
                ModeGuard.of(climbedWithTwin(Mode.RTTY, 35, 1000).state()).get(0);
        double readOverTwin = 872.3 / at(70).outputW();
        assertEquals(rtty.outputW().orElseThrow(), 436.15, 0.5, "half of what was read");
        assertEquals(readOverTwin * at(rtty.mostW()).outputW(), 436.15, 0.5, "at the card's dials");
        ModeGuard.LongCarrier heat = rtty.heat().orElseThrow();
        assertEquals(heat.tunedHeatPerTubeW(), at(70).powers().plateHeatPerTubeW(), 1e-6);
        assertEquals(heat.plateHeatPerTubeW(), at(rtty.mostW()).powers().plateHeatPerTubeW(), 1e-6);
        assertTrue(heat.isHotter(), "less drive at dials for full drive: " + heat);
        assertTrue(heat.ownHeatPerTubeW() < heat.tunedHeatPerTubeW() - 30, "dials of its own cool it: " + heat);
        assertTrue(heat.ownLoad() < 4, "lighter than for full drive");
        List<OnAir.Code> codes = OnAir.of(climbedWithTwin(Mode.RTTY, 35, 1000).state()).stream()
                .map(OnAir::code)
                .toList();
        assertTrue(
                codes.contains(OnAir.Code.WIDE_DUTY_HOTTER) && !codes.contains(OnAir.Code.WIDE_DUTY_LESS), codes + "");
    }

    @Test
    public void anAmCarrierIsAQuarterOfTheTunedDriveAndOfTheLicence() {
        ModeGuard carrier =
                ModeGuard.of(climbedWithTwin(Mode.AM, 20, 1000).state()).get(0);
        double quarterW = carrier.mostW();
        assertTrue(quarterW <= 17.5 + 1e-9, "a quarter of 70 W at the input: " + quarterW);
        assertEquals(carrier.outputW().orElseThrow(), 250, 0.5, "a quarter of the licence's 1000 W at the output");
        assertTrue(carrier.above(), "20 W is more");
        ModeGuard free =
                ModeGuard.of(climbedWithTwin(Mode.AM, 10, 5000).state()).get(0);
        assertEquals(free.mostW(), 17.5, 1e-9);
        assertFalse(free.above());
    }

    @Test
    public void nothingIsSaidBeforeTheFirstStep() {
        assertTrue(ModeGuard.of(new Climber(Sample.setup()).isReady().state()).isEmpty());
    }

    @Test
    public void theFinalCheckAsksOnlyForWhatWasNotEntered() {
        Climber climber = climbed();
        assertEquals(
                climber.state().closingChecks(),
                List.of(Check.EXCITER_TONES, Check.AMPLIFIER_TONES, Check.SPEECH_CLEAN, Check.INPUT_MATCHED));
        climber.does(new RunEvent.ProductsRead(SignalPath.EXCITER, new Products(-38, Optional.empty())))
                .does(new RunEvent.WaveformSeen(Waveform.FLAT_TOP));
        assertEquals(
                climber.state().closingChecks(),
                List.of(Check.AMPLIFIER_TONES, Check.SPEECH_CLEAN, Check.INPUT_MATCHED),
                "a flat top does not answer for clean speech");
        climber.does(new RunEvent.WaveformSeen(Waveform.CLEAN));
        assertEquals(climber.state().closingChecks(), List.of(Check.AMPLIFIER_TONES, Check.INPUT_MATCHED));
    }
}
