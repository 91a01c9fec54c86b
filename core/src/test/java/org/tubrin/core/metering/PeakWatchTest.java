package org.tubrin.core.metering;

import static org.testng.Assert.assertEquals;

import java.util.Arrays;
import java.util.List;
import org.testng.annotations.Test;

public class PeakWatchTest {
    private static List<Boolean> past(double... outputs) {
        PeakWatch watch = new PeakWatch();
        return Arrays.stream(outputs).mapToObj(watch::isPast).toList();
    }

    @Test
    public void itSaysSoFromTheThirdLookThatIsClearlyBelowTheBest() {
        assertEquals(past(300, 380, 372, 368, 366, 360, 350), List.of(false, false, false, false, false, true, true));
    }

    @Test
    public void whereTheHandComesBackItIsPastNoMoreAndMayBeAgain() {
        assertEquals(
                past(300, 380, 368, 366, 360, 375, 390, 378, 377, 376),
                List.of(false, false, false, false, true, false, false, false, false, true));
    }

    @Test
    public void whatAMeterWaversByAndOneLookThatWasOffAreNoFall() {
        assertEquals(
                past(380, 372, 375, 371, 380, 350, 379).stream()
                        .filter(one -> one)
                        .count(),
                0);
    }

    @Test
    public void aKeyThatGoesUpIsNoHandThatTurnedTooFar() {
        assertEquals(
                past(380, 380, 300, 210, 140, 60, 0).stream().filter(one -> one).count(), 0);
        assertEquals(past(380, 0, 0, 0, 0).stream().filter(one -> one).count(), 0);
    }

    @Test
    public void itGoesByShareWhateverTheScale() {
        assertEquals(past(0.3, 0.38, 0.366, 0.36, 0.35), past(300, 380, 366, 360, 350));
    }
}
