package org.tubrin.bench.campaign;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.tubrin.core.card.CardRow;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.RunState;
import org.tubrin.core.run.School;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.run.Use;
import org.tubrin.core.trend.RunFigures;

/** Dials for a carrier that stands long, found by following the next move, on amplifiers that differ from their records. */
public class LongCarrierTest {
    private static final int CASES = 24;
    private static final int HALVINGS = 30;

    /** How a climb came out: what was read, as shares of what is wanted, and heat as a share of what the dials for speech make of the output. */
    private record Came(double readLeast, double readMost, double ofHeat, double beyondS) {}

    private static Came play(Case given) {
        TuneSetup setup = given.setup();
        double wantedW = setup.settings().longCarrierW(setup.amplifier(), setup.station());
        CaseShack shack = new CaseShack(given.forLongCarrier(wantedW), new Random(given.seed()));
        RunState state = new Novice(shack, new Random(given.seed() + 1)).run();
        CardRow row = CardRow.of(state).orElseThrow();
        assertEquals(row.use(), Use.LONG_CARRIER);
        assertEquals(RunFigures.of(state), Optional.empty(), "it is no fall of the output");
        shack.key(true);
        double outputW = shack.truth(ReadingRole.OUTPUT);
        double heatW = shack.heatPerTubeW();
        return new Came(
                row.outputW().likelyLow() / wantedW,
                row.outputW().likelyHigh() / wantedW,
                heatW / heatAtSpeechDials(given, outputW),
                shack.beyondS);
    }

    /** Returns the heat of a tube where the drive alone is turned down to an output, in watts. */
    private static double heatAtSpeechDials(Case given, double outputW) {
        CaseShack shack = new CaseShack(given, new Random(given.seed()));
        new Novice(shack, new Random(given.seed() + 1)).run();
        double low = 0;
        double high = given.setup().topDriveW();
        for (int i = 0; i < HALVINGS; i++) {
            double middle = (low + high) / 2;
            shack.turn(Control.DRIVE, middle);
            shack.key(true);
            if (shack.truth(ReadingRole.OUTPUT) < outputW) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return shack.heatPerTubeW();
    }

    /** With the twin, and by the maker's chart alone; the heat that is allowed in the middle case, as a share. */
    @DataProvider
    public Object[][] known() {
        return new Object[][] {{true, 0.75}, {false, 0.9}};
    }

    @Test(dataProvider = "known")
    public void itsOwnDialsBringWhatIsWantedWithCoolerPlates(boolean twin, double heatShare) {
        List<Double> heats = new ArrayList<>();
        for (int number = 0; number < CASES; number++) {
            Case given = Case.of(number, 11 + 7919L * number).by(School.PEAK_THEN_HEAVIER);
            Came came = play(twin ? given : given.withoutTwin());
            assertTrue(came.readLeast() < 1.08 && came.readMost() > 1 / 1.08, "case " + number + ": " + came);
            assertEquals(came.beyondS(), 0, 1, "case " + number + " is beyond a limit");
            heats.add(came.ofHeat());
        }
        heats.sort(null);
        assertTrue(heats.get(CASES / 2) < heatShare, "plates against those of the dials for speech: " + heats);
    }
}
