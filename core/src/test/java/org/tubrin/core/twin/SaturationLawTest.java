package org.tubrin.core.twin;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Stage;
import org.tubrin.core.station.TwinConstants;
import org.tubrin.core.twin.SaturationLaw.Row;

/** Rows of a stage of 20 dB that ends at 800 W: {@code 800·x/√(1 + x²)}, {@code x} a hundred times the drive over 800 W. */
public class SaturationLawTest {
    private static final double SATURATED_W = 800;
    private static final double GAIN = 100;

    private static Row row(double driveW) {
        double x = GAIN * driveW / SATURATED_W;
        return new Row(driveW, SATURATED_W * x / Math.sqrt(1 + x * x));
    }

    private static Amplifier rated(double watt, Optional<TwinConstants> record) {
        return new Amplifier(
                "Ketch 600",
                new Stage.Transistors(50, 24),
                14,
                watt,
                Optional.empty(),
                List.of(Band.MHZ_7),
                List.of(),
                Optional.empty(),
                record,
                Optional.empty(),
                Optional.empty());
    }

    private static SaturationLaw law(double ratedW, Row... rows) {
        return SaturationLaw.of(List.of(rows), rated(ratedW, Optional.empty()), Band.MHZ_7);
    }

    @Test
    public void oneRowGoesByWhatIsUsualForTheRating() {
        // Usual: 1.35 · 600 W = 810 W. Half of it is x = 1/√3, 0.8 of it x = 4/3: 2.309 times the drive.
        SaturationLaw law = law(600, new Row(3, 405));
        assertEquals(law.driveFor(0.8 * 810).orElseThrow().driveW(), 3 * 2.3094, 0.002);
    }

    @Test
    public void theRecordKnowsBetterThanTheRating() {
        Amplifier known = rated(300, Optional.of(Transistors.KETCH.constants()));
        double byRecord =
                Math.exp(SaturationLaw.of(List.of(row(2)), known, Band.MHZ_7).logSaturatedW());
        double recorded =
                Transistors.KETCH.constants().on(Band.MHZ_7).orElseThrow().saturatedW();
        assertEquals(byRecord, recorded, 0.001 * recorded);
        assertEquals(Math.exp(law(300, row(2)).logSaturatedW()), 405, 0.5);
        // A band that the record does not have is taken for what is usual.
        assertEquals(
                Math.exp(SaturationLaw.of(List.of(row(2)), known, Band.KHZ_137).logSaturatedW()), 405, 0.5);
    }

    @Test
    public void rowsThatBendTellWhereItEnds() {
        SaturationLaw law = law(300, row(4), row(6), row(8));
        assertEquals(Math.exp(law.logSaturatedW()), SATURATED_W, 0.03 * SATURATED_W);
        assertEquals(law.driveFor(row(12).outputW()).orElseThrow().driveW(), 12, 0.4);
        assertTrue(law.logUncertainty() < law(300, row(8)).logUncertainty());
    }

    /** In class AB half the drive may give less than half: that is no sign that it ends later. */
    @Test
    public void aRowThatExpandsMovesItLittle() {
        Row low = new Row(2, 0.93 * row(2).outputW());
        double without = law(600, row(4)).logSaturatedW();
        assertEquals(law(600, low, row(4)).logSaturatedW(), without, 0.12);
        // One that gave more than in proportion is one: it bends.
        Row high = new Row(2, 1.15 * row(2).outputW());
        assertTrue(law(600, high, row(4)).logSaturatedW() < without - 0.2);
    }

    @Test
    public void thereAndBackIsTheSameDrive() {
        SaturationLaw law = law(600, row(1), row(2), row(4));
        for (double wantedW = 100; wantedW < 700; wantedW += 100) {
            SaturationLaw.ByLaw found = law.driveFor(wantedW).orElseThrow();
            assertEquals(law.outputW(found.driveW()), wantedW, 1e-6 * wantedW);
            assertTrue(wantedW < row(4).outputW() || law.leastDriveForW(wantedW).orElseThrow() < found.driveW());
        }
    }

    @Test
    public void whatIsFurtherIsKnownLess() {
        SaturationLaw law = law(600, row(1), row(2));
        double before = 0;
        for (double wantedW = 250; wantedW < 700; wantedW += 100) {
            SaturationLaw.ByLaw found = law.driveFor(wantedW).orElseThrow();
            double share = found.uncertaintyW() / found.driveW();
            assertTrue(share > before, wantedW + " W: " + share);
            before = share;
        }
        assertEquals(law.driveFor(2000), Optional.empty());
    }
}
