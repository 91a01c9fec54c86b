package org.tubrin.core.tuneup;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import org.tubrin.core.Sample;
import org.tubrin.core.station.Mode;
import org.tubrin.core.twin.Products;

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
        assertFalse(row(rows, Mode.CW).above(), "70 W is what was tuned for");
    }

    @Test
    public void aWideDutyModeIsHeldToItsShareOfTheOutput() {
        TuneSetup from = Sample.setup();
        org.tubrin.core.station.Exciter wide = new org.tubrin.core.station.Exciter(
                "Halyard 100",
                1,
                100,
                0.05,
                0.03,
                List.of(new org.tubrin.core.station.Exciter.ModePower(Mode.RTTY, 35)),
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
        Climber climber = new Climber(setup)
                .isReady()
                .steps(17.5, 5.14, 2.5, 385, 0.292, 0.036, 2640)
                .steps(35, 5.11, 3.5, 605.5, 0.4029, 0.0791, 2582)
                .steps(70, 5.09, 5, 874.4, 0.5757, 0.1492, 2489);
        ModeGuard rtty = ModeGuard.of(climber.state()).get(0);
        assertEquals(rtty.outputW().orElseThrow(), 437.2, 0.5);
        assertTrue(rtty.mostW() > 17.5 && rtty.mostW() < 35, rtty.toString());
        assertTrue(rtty.above(), "35 W would bring 605 W");
    }

    @Test
    public void nothingIsSaidBeforeTheFirstStep() {
        assertTrue(ModeGuard.of(new Climber(Sample.setup()).isReady().state()).isEmpty());
    }

    @Test
    public void theFinalCheckAsksOnlyForWhatWasNotEntered() {
        Climber climber = climbed();
        assertEquals(
                Check.closing(climber.state()),
                List.of(Check.EXCITER_TONES, Check.AMPLIFIER_TONES, Check.SPEECH_CLEAN, Check.INPUT_MATCHED));
        climber.does(new RunEvent.ProductsRead(Through.EXCITER, new Products(-38, Optional.empty())))
                .does(new RunEvent.WaveformSeen(Waveform.FLAT_TOP));
        assertEquals(
                Check.closing(climber.state()),
                List.of(Check.AMPLIFIER_TONES, Check.SPEECH_CLEAN, Check.INPUT_MATCHED),
                "a flat top does not answer for clean speech");
        climber.does(new RunEvent.WaveformSeen(Waveform.CLEAN));
        assertEquals(Check.closing(climber.state()), List.of(Check.AMPLIFIER_TONES, Check.INPUT_MATCHED));
    }
}
