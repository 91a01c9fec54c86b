package org.tubrin.core.tuneup;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Optional;
import org.apache.commons.csv.CSVRecord;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.tubrin.core.Sample;

public class SignsTest {
    @DataProvider
    public Object[][] cases() {
        return Sample.table("/tuneup/signs.csv").stream()
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
        CSVRecord offResonance = Sample.table("/tuneup/signs.csv").get(3);
        List<Sign> signs = Signs.of(draft(offResonance), Optional.empty());
        assertEquals(signs.get(0).code(), Sign.Code.PLATE_CURRENT_WITHOUT_OUTPUT);
        assertEquals(signs.get(0).severity(), Sign.Severity.LIMIT);
    }
}
