package org.tubrin.core.run;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;

import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import org.tubrin.core.Sample;
import org.tubrin.core.advice.Climber;
import org.tubrin.core.budget.LimitKind;
import org.tubrin.core.budget.Room;
import org.tubrin.core.budget.Verdict;
import org.tubrin.core.quantity.Refused;

/** The pace of an operator, and how near the limits one goes. */
public class OwnPaceTest {
    private static RunState keyedFor(double... seconds) {
        Climber climber = new Climber(Sample.setup()).isReady();
        for (double one : seconds) {
            climber.keysFor(one).waits(60);
        }
        return climber.state();
    }

    @Test
    public void threeOfFourKeyDownsWereAsShort() {
        assertEquals(OwnPace.of(List.of(keyedFor(6, 6, 6, 6, 6, 6, 6))), Optional.empty(), "too few");
        OwnPace pace = OwnPace.of(List.of(keyedFor(4, 5, 6, 6.4), keyedFor(6.6, 9, 9.5, 7.2, 0.3)))
                .orElseThrow();
        assertEquals(pace, new OwnPace(8, 8, 2), "0.3 s was no key-down to read in");
    }

    @Test
    public void theTimeToldIsTheTimeNeededButNeverBeyondTheStop() {
        TuneSettings usual = Sample.setup().settings();
        assertEquals(usual.atLeast(7).keyDownAimS(), 7, 0);
        assertEquals(usual.atLeast(2).keyDownAimS(), usual.keyDownAimS(), 0);
        assertEquals(usual.atLeast(40).keyDownAimS(), usual.keyDownStopS(), 0);
        assertThrows(Refused.class, () -> usual.at(12, 10, 5, 0));
        assertThrows(Refused.class, () -> usual.at(5, 10, 5, 0.6));
    }

    @Test
    public void limitsHeldLowerAreMetSooner() {
        TuneSetup full = Sample.setup();
        TuneSetup careful = Sample.setup(full.amplifier().withLimits(0.8), full.station(), full.termination());
        for (TuneSetup setup : List.of(full, careful)) {
            Step step = new Climber(setup)
                    .isReady()
                    .steps(35, 5.1, 4.5, 590, 0.600, 0.120, 2500)
                    .state()
                    .steps()
                    .get(0);
            Room plate = step.room().stream()
                    .filter(room -> room.kind() == LimitKind.PLATE_CURRENT)
                    .findFirst()
                    .orElseThrow();
            double share = setup.equals(careful) ? 0.8 : 1;
            assertEquals(plate.limit(), share * full.tubes().plateCurrentLimitA(), 1e-9);
            assertEquals(plate.verdict(), setup.equals(careful) ? Verdict.EXCEEDS : Verdict.WITHIN);
        }
        assertEquals(
                Stop.at(careful, org.tubrin.core.metering.ReadingRole.GRID_CURRENT)
                        .orElseThrow(),
                Stop.at(full, org.tubrin.core.metering.ReadingRole.GRID_CURRENT).orElseThrow()
                        - 0.2 * full.tubes().gridCurrentLimitA(),
                1e-9);
    }
}
