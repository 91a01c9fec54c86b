package org.tubrin.core.station;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Optional;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.tubrin.core.Sample;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.twin.TransistorTwin;
import org.tubrin.core.twin.TubeTwin;
import org.tubrin.core.twin.Twins;

public class InstrumentTest {
    private static Instrument asking(String query) {
        return asking(new Instrument.Query(query, 1, "Fathom", ReadingRole.OUTPUT));
    }

    private static Instrument asking(Instrument.Query... queries) {
        return new Instrument("One", "127.0.0.1", 5025, List.of(queries), 0.05, 0.5);
    }

    @DataProvider
    public Object[][] questions() {
        return new Object[][] {{"*IDN?"}, {"MEAS:POW?"}, {"FETCh:CURRent:DC?"}, {"READ 1,2?"}};
    }

    @Test(dataProvider = "questions")
    public void takesAQuestion(String query) {
        assertEquals(asking(query).queries().get(0).query(), query);
    }

    @DataProvider
    public Object[][] orders() {
        return new Object[][] {
            {"OUTP ON"}, {"OUTP ON;*OPC?"}, {"*IDN?;OUTP ON"}, {"?"}, {"MEAS?\nOUTP ON"}, {"MEAS:POW??"}, {" MEAS?"}
        };
    }

    @Test(dataProvider = "orders")
    public void refusesWhatDoesMoreThanAsk(String query) {
        Refused refused = org.testng.Assert.expectThrows(Refused.class, () -> asking(query));
        assertTrue(
                refused.problems().stream().allMatch(problem -> problem.path().equals("query")), query);
    }

    @Test
    public void recordsOfOnePlaceBecomeOneThatAsksWhatTheyAsked() {
        Instrument.Query grid = new Instrument.Query("G?", 1, "Panel", ReadingRole.GRID_CURRENT);
        Instrument.Query plate = new Instrument.Query("I?", 1, "Panel", ReadingRole.PLATE_CURRENT);
        Instrument.Query again = new Instrument.Query("I2?", 1, "Panel", ReadingRole.PLATE_CURRENT);
        Instrument one = Instrument.together(List.of(
                new Instrument("C", "h", 1, List.of(again), 0.1, 0.5),
                new Instrument("b plate", "h", 1, List.of(plate), 0.1, 2),
                new Instrument("A grid", "h", 1, List.of(grid), 0.05, 0.5)));
        assertEquals(one, new Instrument("A grid", "h", 1, List.of(grid, plate), 0.05, 2));
    }

    @Test
    public void tellsAllThatIsWrongAtOnce() {
        Refused refused =
                org.testng.Assert.expectThrows(Refused.class, () -> new Instrument("", "", 0, List.of(), 0, 99));
        List<String> paths =
                refused.problems().stream().map(problem -> problem.path()).toList();
        assertEquals(paths, List.of("name", "host", "port", "queries", "pollS", "timeoutS"));
        Refused query = org.testng.Assert.expectThrows(
                Refused.class, () -> new Instrument.Query("XX", 0, "", ReadingRole.OUTPUT));
        assertEquals(
                query.problems().stream().map(problem -> problem.path()).toList(), List.of("query", "factor", "meter"));
    }

    @Test
    public void oneReadingHasOneQuery() {
        Instrument.Query output = new Instrument.Query("MEAS:POW?", 1, "Fathom", ReadingRole.OUTPUT);
        asking(output, new Instrument.Query("MEAS:POW?", 1, "Other", ReadingRole.OUTPUT));
        assertThrows(
                Refused.class, () -> asking(output, new Instrument.Query("READ?", 1000, "Fathom", ReadingRole.OUTPUT)));
    }

    @Test
    public void aTwinFitsItsStage() {
        assertTrue(TubeTwin.of(Sample.BRIGANTINE).isEmpty());
        assertTrue(TubeTwin.of(Sample.BRIGANTINE.withTwin(Twins.BRIGANTINE)).isPresent());
        assertThrows(Refused.class, () -> Sample.BRIGANTINE.withTwin(Twins.BARQUE));
        Amplifier transistors = new Amplifier(
                "Dinghy 60",
                new Stage.Transistors(13.8, 10),
                5,
                60,
                Optional.empty(),
                List.of(Band.MHZ_7),
                List.of(),
                Optional.empty(),
                Optional.of(new TwinConstants.Broadband(
                        13.8,
                        1.2,
                        0.62,
                        0.9,
                        0.75,
                        420,
                        70,
                        75,
                        3,
                        List.of(new TwinConstants.BroadbandBand(Band.MHZ_7, 12.6, 82, 1.15)),
                        Optional.empty())),
                Optional.empty(),
                Optional.empty());
        assertTrue(TransistorTwin.of(transistors).isPresent());
        assertThrows(Refused.class, () -> transistors.withTwin(Twins.BRIGANTINE));
    }
}
