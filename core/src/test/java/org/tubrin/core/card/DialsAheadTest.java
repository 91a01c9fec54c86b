package org.tubrin.core.card;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Optional;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.tubrin.core.Sample;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Band;
import org.tubrin.core.tank.ImpedancePoint;
import org.tubrin.core.twin.Outcome;
import org.tubrin.core.twin.Peak;
import org.tubrin.core.twin.PeakSearch;
import org.tubrin.core.twin.Setting;
import org.tubrin.core.twin.TubeTwin;
import org.tubrin.core.twin.Twins;

public class DialsAheadTest {
    private static final Amplifier WITH_TWIN = Sample.BRIGANTINE.withTwin(Twins.BRIGANTINE);
    /** What the knobs of this amplifier stand off its twin. */
    private static final double PLATE_OFF = 0.12;

    private static final double LOAD_OFF = -0.2;

    private static DialsAhead.Spot spot(double frequencyHz, double ohm, double reactanceOhm) {
        return new DialsAhead.Spot(Band.MHZ_7, frequencyHz, new ImpedancePoint(frequencyHz, ohm, reactanceOhm), 70);
    }

    /** Where the dials really end, by the twin with knobs that stand off it. */
    private static double[] truth(DialsAhead.Spot spot) {
        var probe = new TubeTwin(Sample.BRIGANTINE_STAGE, Twins.BRIGANTINE)
                .probe(new Setting(
                        spot.band(),
                        spot.frequencyHz(),
                        70,
                        0,
                        0,
                        spot.into().ohm(),
                        spot.into().reactanceOhm()))
                .orElseThrow();
        Peak end = ((Outcome.Settled<Peak>) PeakSearch.finish(probe, 70)).point();
        double load = end.load() + LOAD_OFF;
        return new double[] {probe.resonantPlate(load) + PLATE_OFF, load};
    }

    private static DialsAhead.Known known(DialsAhead.Spot spot) {
        double[] dials = truth(spot);
        return new DialsAhead.Known(spot, dials[0], dials[1]);
    }

    @DataProvider
    public Object[][] moves() {
        return new Object[][] {{7.0e6, 50, 0}, {7.2e6, 50, 0}, {7.1e6, 62, 12}, {7.19e6, 44, -15}};
    }

    @Test(dataProvider = "moves")
    public void oneRowAndTheTwinFindTheDialsOfAnotherPlace(double hertz, double ohm, double reactanceOhm) {
        DialsAhead.Spot to = spot(hertz, ohm, reactanceOhm);
        DialsAhead ahead = DialsAhead.at(WITH_TWIN, List.of(known(spot(7.1e6, 51.6, 0))), to)
                .orElseThrow();
        double[] truth = truth(to);
        assertEquals(ahead.basis(), DialsAhead.Basis.TWIN_AND_ROWS);
        assertTrue(
                Math.abs(ahead.plate().value() - truth[0]) < 2 * ahead.plate().standardUncertainty(), ahead.toString());
        assertTrue(
                Math.abs(ahead.load().value() - truth[1]) < 2 * ahead.load().standardUncertainty(), ahead.toString());
    }

    @Test
    public void theTwinAloneIsLessSureThanWithARow() {
        DialsAhead.Spot to = spot(7.05e6, 50, 0);
        DialsAhead alone = DialsAhead.at(WITH_TWIN, List.of(), to).orElseThrow();
        DialsAhead withRow =
                DialsAhead.at(WITH_TWIN, List.of(known(spot(7.1e6, 50, 0))), to).orElseThrow();
        assertEquals(alone.basis(), DialsAhead.Basis.TWIN);
        assertTrue(withRow.plate().standardUncertainty() < alone.plate().standardUncertainty(), withRow + " " + alone);
    }

    @DataProvider
    public Object[][] bases() {
        return new Object[][] {{true}, {false}};
    }

    @Test(dataProvider = "bases")
    public void uncertaintyGrowsWithDistance(boolean twin) {
        Amplifier amplifier = twin ? WITH_TWIN : Sample.BRIGANTINE;
        List<DialsAhead.Known> rows = List.of(known(spot(7.0e6, 50, 0)));
        double first = DialsAhead.at(amplifier, rows, spot(7.0e6, 50, 0))
                .orElseThrow()
                .plate()
                .standardUncertainty();
        double last = 0;
        for (double hertz = 7.0e6; hertz <= 7.3e6; hertz += 50e3) {
            double uncertainty = DialsAhead.at(amplifier, rows, spot(hertz, 50, 0))
                    .orElseThrow()
                    .plate()
                    .standardUncertainty();
            assertTrue(uncertainty >= last, hertz + ": " + uncertainty + " after " + last);
            last = uncertainty;
        }
        assertTrue(last > 1.2 * first, "at the far end: " + last + " of " + first);
    }

    @Test
    public void withoutATwinTwoRowsAreReadBetween() {
        DialsAhead.Known low = known(spot(7.0e6, 50, 0));
        DialsAhead.Known high = known(spot(7.2e6, 50, 0));
        DialsAhead.Spot to = spot(7.1e6, 50, 0);
        DialsAhead ahead =
                DialsAhead.at(Sample.BRIGANTINE, List.of(low, high), to).orElseThrow();
        assertEquals(ahead.basis(), DialsAhead.Basis.TWO_ROWS);
        assertEquals(ahead.plate().value(), truth(to)[0], 0.03);
        assertEquals(ahead.load().value(), truth(to)[1], 0.15);
        // At a row it is the row.
        DialsAhead there =
                DialsAhead.at(Sample.BRIGANTINE, List.of(low, high), low.spot()).orElseThrow();
        assertEquals(there.plate().value(), low.plate(), 1e-9);
        assertTrue(ahead.plate().standardUncertainty() >= there.plate().standardUncertainty());
    }

    @Test
    public void rowsOfAnotherBandSayNothing() {
        DialsAhead.Spot other = new DialsAhead.Spot(Band.MHZ_14, 14.2e6, new ImpedancePoint(14.2e6, 50, 0), 70);
        List<DialsAhead.Known> rows = List.of(new DialsAhead.Known(other, 3, 4));
        assertEquals(DialsAhead.at(Sample.BRIGANTINE, rows, spot(7.1e6, 50, 0)), Optional.empty());
    }

    @Test
    public void aReachEndsWhereTheOutputHasFallenByTheShare() {
        Reach reach = Reach.of(WITH_TWIN, Band.MHZ_7, 7.1e6, 70, hertz -> new ImpedancePoint(hertz, 50, 0), 0.1)
                .orElseThrow();
        assertTrue(reach.lowestHz() < 7.1e6 && reach.highestHz() > 7.1e6, reach.toString());
        for (Reach.Bound bound : List.of(reach.lowBound(), reach.highBound())) {
            assertTrue(bound != Reach.Bound.UNSETTLED, reach.toString());
        }
        Reach shorter = Reach.of(WITH_TWIN, Band.MHZ_7, 7.1e6, 70, hertz -> new ImpedancePoint(hertz, 50, 0), 0.02)
                .orElseThrow();
        assertTrue(
                shorter.lowestHz() >= reach.lowestHz() && shorter.highestHz() <= reach.highestHz(),
                shorter + " within " + reach);
    }

    @Test
    public void aNarrowAntennaShortensTheReach() {
        // A dipole about 7.1 MHz: its reactance rises 60 ohm for each per cent of frequency.
        Reach wide = Reach.of(WITH_TWIN, Band.MHZ_7, 7.1e6, 70, hertz -> new ImpedancePoint(hertz, 50, 0), 0.05)
                .orElseThrow();
        Reach narrow = Reach.of(
                        WITH_TWIN,
                        Band.MHZ_7,
                        7.1e6,
                        70,
                        hertz -> new ImpedancePoint(hertz, 50, 6000 * (hertz / 7.1e6 - 1)),
                        0.05)
                .orElseThrow();
        assertTrue(narrow.highestHz() - narrow.lowestHz() < wide.highestHz() - wide.lowestHz(), narrow + " in " + wide);
    }
}
