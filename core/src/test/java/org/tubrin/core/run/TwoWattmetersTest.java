package org.tubrin.core.run;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.testng.annotations.Test;
import org.tubrin.core.Sample;
import org.tubrin.core.advice.Climber;
import org.tubrin.core.metering.Accuracy;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.Indication;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.station.Meter;

public class TwoWattmetersTest {
    /** Shows the second 4 % more whatever the place, and its first place 0.6 % more whatever the meter. */
    private static final double METERS = Math.log(1.04);

    private static final double PLACES = Math.log(1.006);
    private static final double[] DRIVES_W = {9, 18, 35, 70};

    private static Meter marker(Indication indication, double classShare) {
        return new Meter(
                "Marker",
                List.of(new Channel(
                        ReadingRole.OUTPUT,
                        ScaleUnit.W,
                        List.of(Sample.range("2 kW", 2000)),
                        new Accuracy.OfFullScale(classShare),
                        indication,
                        1,
                        Optional.empty())));
    }

    private static TuneSetup setup(Meter second, School school) {
        TuneSetup from = Sample.setup();
        return new TuneSetup(
                from.station(),
                from.amplifier(),
                from.exciter(),
                from.carrier(),
                TuneSetup.withSecond(List.of(second, Sample.FATHOM, Sample.PANEL), school, 870),
                from.termination(),
                from.band(),
                from.frequencyHz(),
                school,
                from.preset(),
                from.settings(),
                from.source(),
                from.pad(),
                from.practice());
    }

    private static Climber climber() {
        return new Climber(setup(marker(Indication.AVERAGE, 0.1), School.PEAK_THEN_HEAVIER)).isReady();
    }

    /** A step at which Fathom shows an output, and Marker what its place and itself make of it. */
    private static Climber steps(Climber climber, double driveW, double outputW, double changedOver, double noiseW) {
        double ln = METERS + (changedOver > 0 ? -PLACES : PLACES);
        return climber.moves(Control.WATTMETERS, changedOver)
                .reads(ReadingRole.OTHER_OUTPUT, outputW * Math.exp(ln) + noiseW)
                .steps(driveW, 5.1, 3.5, outputW, 0.4, 0.08, 2580);
    }

    private static TwoWattmeters seen(Climber climber) {
        return TwoWattmeters.of(climber.state()).orElseThrow();
    }

    @Test
    public void theOneThatKnowsAnOutputBestCountsAndTheOtherIsReadBesideIt() {
        TuneSetup setup = climber().state().setup();
        assertEquals(setup.meterFor(ReadingRole.OUTPUT).orElseThrow().name(), "Fathom");
        assertEquals(setup.meterFor(ReadingRole.OTHER_OUTPUT).orElseThrow().name(), "Marker");
        assertTrue(setup.rolesAsked().contains(ReadingRole.OTHER_OUTPUT));
        TuneSetup finer = setup(marker(Indication.AVERAGE, 0.01), School.PEAK_THEN_HEAVIER);
        assertEquals(finer.meterFor(ReadingRole.OUTPUT).orElseThrow().name(), "Marker");
        List<Meter> two = List.of(marker(Indication.AVERAGE, 0.1), Sample.FATHOM);
        assertEquals(TuneSetup.withSecond(two, School.ALC, 10), two, "an exciter alone has no line with two");
    }

    @Test
    public void changedOverTheMetersDifferenceAndThePlacesComeApart() {
        Climber climber = climber();
        steps(climber, 35, 600, 0, 0);
        TwoWattmeters asBegun = seen(climber);
        assertEquals(asBegun.second().value(), 1.04 * 1.006 - 1, 1e-9, "as they stand both are in it");
        assertTrue(asBegun.place().isEmpty());
        steps(climber, 35, 600, 1, 0);
        TwoWattmeters both = seen(climber);
        assertEquals(both.second().value(), 0.04, 1e-9);
        assertEquals(
                TwoWattmeters.than(both.second()), TwoWattmeters.Than.SAME, "two steps of wide scales tell little");
        assertEquals(both.ofOneRange().size(), 2);
        // Fathom is right within 5 % of 1500 W, as a rectangle; at 600 W.
        assertEquals(TwoWattmeters.firstKnownWithin(both.pairs()), 0.95 * 75 / 600, 0.002);
        assertEquals(both.place().orElseThrow().value(), 0.006, 1e-9);
        // Half of each in the mean of two, and each one's own two scales.
        assertEquals(
                both.second().standardUncertainty() / 1.04,
                asBegun.second().standardUncertainty() / Math.exp(METERS + PLACES) / Math.sqrt(2),
                1e-3);
    }

    /** What differs from place to place on a scale: by the eye half a hundredth of it, and a sixth of the class. */
    private static double noiseW(Random random, double classShare, double fullScaleW) {
        return (0.005 * (2 * random.nextDouble() - 1) + 0.17 * classShare * (2 * random.nextDouble() - 1)) * fullScaleW;
    }

    @Test
    public void theIntervalsHoldWhatIsSo() {
        Random random = new Random(7);
        int held = 0;
        int placesHeld = 0;
        int cases = 200;
        for (int i = 0; i < cases; i++) {
            Climber climber = climber();
            for (double changedOver = 0; changedOver < 2; changedOver++) {
                for (double driveW : DRIVES_W) {
                    double outputW = 12 * driveW * (1 - driveW / 700);
                    double ranged = outputW > 150 ? 1500 : 150;
                    steps(
                            climber,
                            driveW,
                            outputW,
                            changedOver,
                            noiseW(random, 0.1, 2000) + noiseW(random, 0.05, ranged) * Math.exp(METERS));
                }
            }
            TwoWattmeters seen = seen(climber);
            held += isWithin(seen.second(), 0.04) ? 1 : 0;
            placesHeld += isWithin(seen.place().orElseThrow(), 0.006) ? 1 : 0;
        }
        assertTrue(held >= 0.92 * cases, held + " of " + cases);
        assertTrue(placesHeld >= 0.92 * cases, placesHeld + " of " + cases);
    }

    private static boolean isWithin(Quantity found, double is) {
        return Math.abs(found.value() - is) <= found.halfWidth95();
    }

    @Test
    public void aStepAtWhichOneWasNotReadSaysNothing() {
        Climber climber = climber();
        climber.does(new RunEvent.LeftUnread(ReadingRole.OTHER_OUTPUT)).steps(9, 5.1, 3.5, 100, 0.2, 0.01, 2700);
        assertTrue(TwoWattmeters.of(climber.state()).isEmpty());
        steps(climber, 35, 600, 0, 0);
        assertEquals(seen(climber).pairs().size(), 1);
    }

    @Test
    public void pulsesAreComparedOnlyWhereBothShowThemInOneWay() {
        Meter peaks = new Meter(
                "Fathom",
                List.of(new Channel(
                        ReadingRole.OUTPUT,
                        ScaleUnit.W,
                        List.of(Sample.range("1.5 kW", 1500)),
                        new Accuracy.OfFullScale(0.02),
                        Indication.PEAK_HOLD,
                        1,
                        Optional.empty())));
        for (Indication indication : List.of(Indication.AVERAGE, Indication.PEAK_HOLD)) {
            List<Meter> meters = List.of(peaks, marker(indication, 0.1), Sample.PANEL);
            TuneSetup from = setup(marker(indication, 0.1), School.PEAK_THEN_HEAVIER);
            Step draft = Replay.of(List.of(new Recorded(
                            1,
                            new Climber(from).now,
                            new RunEvent.Started(new TuneSetup(
                                    from.station(),
                                    from.amplifier(),
                                    from.exciter(),
                                    from.carrier(),
                                    TuneSetup.withSecond(meters, School.PULSED, 870),
                                    from.termination(),
                                    from.band(),
                                    from.frequencyHz(),
                                    School.PULSED,
                                    from.preset(),
                                    from.settings(),
                                    from.source(),
                                    from.pad(),
                                    from.practice())))))
                    .draft();
            assertEquals(TwoWattmeters.compares(draft), indication == Indication.PEAK_HOLD);
        }
    }

    @Test
    public void asTheSecondItKeepsWhatElseItReadsAndHowItShowsTheOutput() {
        Channel average = marker(Indication.AVERAGE, 0.1).channels().get(0);
        Channel peaks = marker(Indication.PEAK_HOLD, 0.1).channels().get(0);
        Channel back = average.as(ReadingRole.REFLECTED);
        Channel volts = Sample.PANEL.channel(ReadingRole.PLATE_VOLTAGE).orElseThrow();
        Meter box = new Meter("Box", List.of(average, peaks, back, volts));
        Meter second = box.in(List.of(peaks.position(), back.position())).asSecond();
        assertEquals(second.channels(), List.of(peaks.as(ReadingRole.OTHER_OUTPUT), volts));
        assertEquals(box.inPositionsOf(second), second, "its record is read on in the position that it was in");
    }

    @Test
    public void aCorrectedRecordOfTheSecondStaysTheSecond() {
        Climber climber = climber();
        steps(climber, 35, 600, 0, 0);
        double before = seen(climber).second().value();
        Meter corrected = marker(Indication.AVERAGE, 0.1);
        Channel channel = corrected.channels().get(0);
        Meter halved = corrected.with(
                channel,
                new Channel(
                        channel.role(),
                        channel.scaleUnit(),
                        channel.ranges(),
                        channel.accuracy(),
                        channel.indication(),
                        0.5,
                        Optional.empty()));
        climber.does(new RunEvent.MeterCorrected(climber.state().setup().inPositionsInUse(halved)));
        assertEquals(1 + seen(climber).second().value(), 0.5 * (1 + before), 1e-9);
        assertFalse(climber.refusals(new RunEvent.DialMoved(Control.WATTMETERS, "", 2))
                .isEmpty());
        assertFalse(new Climber(Sample.setup())
                .isReady()
                .refusals(new RunEvent.DialMoved(Control.WATTMETERS, "", 1))
                .isEmpty());
    }
}
