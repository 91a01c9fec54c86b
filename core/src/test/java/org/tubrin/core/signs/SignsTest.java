package org.tubrin.core.signs;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Optional;
import org.apache.commons.csv.CSVRecord;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.tubrin.core.Sample;
import org.tubrin.core.advice.Climber;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.Step;
import org.tubrin.core.run.TuneSetup;

public class SignsTest {
    @DataProvider
    public Object[][] cases() {
        return Sample.table("/signs/signs.csv").stream()
                .map(row -> new Object[] {row.get("case"), row})
                .toArray(Object[][]::new);
    }

    private static Step draft(CSVRecord row) {
        Climber climber = new Climber(Sample.setup())
                .isReady()
                .steps(35, 5.11, 3.5, 605.5, 0.4029, 0.0791, 2582)
                .moves(Control.DRIVE, Double.parseDouble(row.get("drive")))
                .reads(
                        Double.parseDouble(row.get("output")),
                        Double.parseDouble(row.get("plateCurrent")),
                        Double.parseDouble(row.get("gridCurrent")),
                        Double.parseDouble(row.get("plateVoltage")));
        return climber.state().draft();
    }

    @Test(dataProvider = "cases")
    public void firesWhereItShouldAndStaysQuietNearby(String name, CSVRecord row) {
        Climber before = new Climber(Sample.setup()).isReady().steps(35, 5.11, 3.5, 605.5, 0.4029, 0.0791, 2582);
        List<String> fired = Signs.of(draft(row), before.state().lastStep()).stream()
                .map(sign -> sign.code().name())
                .toList();
        for (String wanted : row.get("fires").split(" ")) {
            assertTrue(wanted.isEmpty() || fired.contains(wanted), name + ": " + wanted + " not among " + fired);
        }
        for (String unwanted : row.get("quiet").split(" ")) {
            assertFalse(fired.contains(unwanted), name + ": " + fired);
        }
    }

    @Test
    public void theGravestComesFirst() {
        CSVRecord offResonance = Sample.table("/signs/signs.csv").get(3);
        List<Sign> signs = Signs.of(draft(offResonance), Optional.empty());
        assertEquals(signs.get(0).code(), Sign.Code.PLATE_CURRENT_WITHOUT_OUTPUT);
        assertEquals(signs.get(0).severity(), Sign.Severity.LIMIT);
    }

    @Test
    public void theMoreCertainOfTwoEquallyGraveComesFirst() {
        // Grid current 1.02 of its limit by a 3 % meter, plate current far beyond its own.
        Step step = new Climber(Sample.setup())
                .isReady()
                .moves(Control.DRIVE, 70)
                .reads(700, 0.80, 0.202, 2400)
                .state()
                .draft();
        List<Sign> signs = Signs.of(step, Optional.empty());
        List<Sign.Code> graves = signs.stream()
                .filter(sign -> sign.severity() == Sign.Severity.LIMIT)
                .map(Sign::code)
                .toList();
        assertTrue(
                graves.indexOf(Sign.Code.PLATE_CURRENT_LIMIT) < graves.indexOf(Sign.Code.GRID_CURRENT_LIMIT),
                graves.toString());
        for (int i = 1; i < signs.size(); i++) {
            assertTrue(signs.get(i - 1).severity().compareTo(signs.get(i).severity()) >= 0, "severity falls: " + signs);
        }
    }

    @Test
    public void certaintyIsThatOfTheWeakestEvidence() {
        for (CSVRecord row : Sample.table("/signs/signs.csv")) {
            Climber before = new Climber(Sample.setup()).isReady().steps(35, 5.11, 3.5, 605.5, 0.4029, 0.0791, 2582);
            for (Sign sign : Signs.of(draft(row), before.state().lastStep())) {
                double weakest = sign.evidence().stream()
                        .mapToDouble(Evidence::certainty)
                        .min()
                        .orElseThrow();
                assertEquals(sign.certainty(), weakest, sign.code().name());
                assertTrue(weakest > 0.15, "no sign rests on what is improbable: " + sign);
            }
        }
    }

    @DataProvider
    public Object[][] peakings() {
        // A step before stands at PLATE 5.1, LOAD 4.5. Without a twin only an equal LOAD tells.
        return new Object[][] {
            {"comes back", 5.2, 4.5, false},
            {"slipped", 5.7, 4.5, true},
            {"LOAD moved too", 5.7, 6.5, false}
        };
    }

    @Test(dataProvider = "peakings")
    public void aKnobThatSlipsIsToldFromOneThatIsPeaked(String name, double plate, double load, boolean slips) {
        Climber climber = new Climber(Sample.setup())
                .isReady()
                .steps(35, 5.1, 4.5, 605.5, 0.4029, 0.0791, 2582)
                .moves(Control.DRIVE, 70)
                .moves(Control.LOAD, load)
                .moves(Control.PLATE, plate)
                .reads(889.8, 0.5498, 0.1699, 2503);
        boolean fired = Signs.of(climber.state().draft(), climber.state().lastStep()).stream()
                .anyMatch(sign -> sign.code() == Sign.Code.KNOB_SLIPS);
        assertEquals(fired, slips, name);
    }

    @DataProvider
    public Object[][] twinExpectations() {
        // With the twin at 70 W its finish has Ig/Ip near 0.30; twice that is light whatever the practice says.
        return new Object[][] {
            {"as the twin", 0.31, false, Evidence.Basis.TWIN},
            {"above practice, below the twin's bound", 0.45, false, Evidence.Basis.TWIN},
            {"far above the twin", 0.75, true, Evidence.Basis.TWIN}
        };
    }

    @Test(dataProvider = "twinExpectations")
    public void withATwinLightnessIsHeldAgainstWhatItHas(
            String name, double ratio, boolean light, Evidence.Basis basis) {
        TuneSetup setup = Sample.setup(
                Sample.BRIGANTINE.withTwin(org.tubrin.core.twin.Twins.BRIGANTINE), Sample.STATION, Sample.BALLAST);
        Climber climber = new Climber(setup)
                .isReady()
                .moves(Control.DRIVE, 70)
                .moves(Control.LOAD, 4.5)
                .moves(Control.PLATE, 5.1)
                .reads(850, 0.50, 0.50 * ratio, 2503);
        List<Sign> signs = Signs.of(climber.state().draft(), Optional.empty()).stream()
                .filter(sign -> sign.code() == Sign.Code.COUPLED_TOO_LIGHTLY)
                .toList();
        assertEquals(!signs.isEmpty(), light, name);
        if (light) {
            assertEquals(signs.get(0).evidence().get(0).basis(), basis);
        }
    }
}
