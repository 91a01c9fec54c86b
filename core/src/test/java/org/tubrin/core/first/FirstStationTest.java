package org.tubrin.core.first;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.tubrin.core.advice.Climber;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.run.Preset;
import org.tubrin.core.run.RecordTwin;
import org.tubrin.core.run.School;
import org.tubrin.core.run.TuneSettings;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Exciter;
import org.tubrin.core.station.Load;
import org.tubrin.core.station.Meter;
import org.tubrin.core.station.Mode;
import org.tubrin.core.station.Stage;

/** A few answers make a station that can be tuned; what is not known is stood in for on the careful side. */
public class FirstStationTest {
    private static final FirstStation.Names NAMES =
            new FirstStation.Names("Here", "Exciter", "Amplifier", "Tube", "Wattmeter", "Panel", "Load");

    private static Map<Question, String> answers(Object... pairs) {
        Map<Question, String> answers = new LinkedHashMap<>();
        for (int i = 0; i < pairs.length; i += 2) {
            answers.put((Question) pairs[i], (String) pairs[i + 1]);
        }
        return answers;
    }

    /** All that is asked, in the order in which it is asked, by one who knows little or much. */
    private static FirstStation told(Map<Question, String> known) {
        Map<Question, String> answers = new LinkedHashMap<>();
        while (FirstStation.of(answers).next().isPresent()) {
            Question question = FirstStation.of(answers).next().orElseThrow();
            answers.put(question, known.getOrDefault(question, ""));
        }
        return FirstStation.of(answers);
    }

    private static <T> T one(FirstStation.Records records, Class<T> type) {
        return records.equipment().stream()
                .filter(type::isInstance)
                .map(type::cast)
                .findFirst()
                .orElseThrow();
    }

    private static TuneSetup setup(FirstStation.Records records) {
        Amplifier amplifier = one(records, Amplifier.class);
        Stage.Tubes tubes = (Stage.Tubes) amplifier.stage();
        return new TuneSetup(
                records.station(),
                amplifier,
                one(records, Exciter.class),
                Mode.CW,
                records.equipment().stream()
                        .filter(Meter.class::isInstance)
                        .map(Meter.class::cast)
                        .toList(),
                one(records, Load.class),
                Band.MHZ_7,
                7.1e6,
                School.PEAK_THEN_HEAVIER,
                Preset.unknown(tubes),
                TuneSettings.customaryFor(tubes),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
    }

    @DataProvider
    public Object[][] kinds() {
        return new Object[][] {{"TWO_TRIODES"}, {"ONE_TRIODE"}, {"TETRODE"}};
    }

    /** Who knows the kind alone can begin a climb, and every limit is there. */
    @Test(dataProvider = "kinds")
    public void nothingKnownIsStillACarefulClimb(String kind) {
        FirstStation station = told(answers(Question.KIND, kind));
        FirstStation.Records records = station.records(NAMES);
        TuneSetup setup = setup(records);
        assertTrue(new Climber(setup).isReady().state().climbEnd().isEmpty(), "a climb begins");
        assertFalse(records.hasTwin());
        Stage.Tubes tubes = setup.tubes();
        double heat = tubes.plateVoltageRestDcV() * tubes.restingPlateCurrentA() / tubes.tubeCount();
        assertTrue(
                heat < 0.6 * tubes.plateDissipationPerTubeW(),
                "at rest the plates stay well below what they are rated for");
        assertTrue(
                setup.amplifier().ratedOutputW() < 0.7 * tubes.plateVoltageRestDcV() * tubes.plateCurrentLimitA(),
                "the claim is no more than supply and current can give");
        assertTrue(new Climber(setup).state().draft().meterSwitch().isPresent(), "one meter, till told");
    }

    /** The record of a known amplifier lies within what is called usual of it. */
    @Test
    public void whatIsUsualHoldsAPairOfTriodesThatIsKnown() {
        FirstStation station = told(answers(
                Question.KIND, "TWO_TRIODES",
                Question.RATED_OUTPUT, "870",
                Question.DRIVE, "70",
                Question.DISSIPATION, "350",
                Question.PLATE_VOLTAGE, "2.74 kV",
                Question.PLATE_CURRENT, "660 mA",
                Question.GRID_CURRENT, "0.2",
                Question.RESTING_CURRENT, "119 mA"));
        double[][] known = {
            {Question.DRIVE.ordinal(), 70},
            {Question.DISSIPATION.ordinal(), 350},
            {Question.PLATE_VOLTAGE.ordinal(), 2740},
            {Question.PLATE_CURRENT.ordinal(), 0.66},
            {Question.GRID_CURRENT.ordinal(), 0.2},
            {Question.RESTING_CURRENT.ordinal(), 0.119},
        };
        for (double[] row : known) {
            Question question = Question.values()[(int) row[0]];
            Usual usual = station.usual(question).orElseThrow();
            assertTrue(usual.least() <= row[1] && row[1] <= usual.most(), question + ": " + usual);
            assertTrue(usual.standsIn() <= row[1], question + " stands in on the careful side: " + usual);
        }
        Stage.Tubes tubes = setup(station.records(NAMES)).tubes();
        assertEquals(tubes.plateCurrentLimitA(), 0.66, 1e-9);
        assertEquals(tubes.plateVoltageRestDcV(), 2740, 1e-9);
    }

    /** One line of the chart and one of typical operation are enough for a twin that foresees both. */
    @Test
    public void sixAnswersMoreAreATwin() {
        Map<Question, String> known = answers(
                Question.KIND, "TWO_TRIODES",
                Question.RATED_OUTPUT, "890",
                Question.DRIVE, "70",
                Question.DISSIPATION, "350",
                Question.PLATE_VOLTAGE, "2736",
                Question.PLATE_CURRENT, "0.66",
                Question.GRID_CURRENT, "0.2",
                Question.RESTING_CURRENT, "0.119",
                Question.PANEL, "SEVERAL",
                Question.CHART_BAND, "MHZ_7",
                Question.CHART_PLATE, "5.1",
                Question.CHART_LOAD, "4.4",
                Question.LOADED_VOLTAGE, "2500",
                Question.LOADED_PLATE, "547 mA",
                Question.LOADED_GRID, "172 mA");
        FirstStation station = told(known);
        assertEquals(
                station.enough().stream()
                        .filter(step -> step.what() == Enough.For.TWIN)
                        .findFirst(),
                Optional.of(new Enough(Enough.For.TWIN, 6, 6)));
        FirstStation.Records records = station.records(NAMES);
        assertTrue(records.hasTwin());
        TuneSetup setup = setup(records);
        assertTrue(RecordTwin.tellsOfLoad(setup));
        assertEquals(RecordTwin.peak(setup, 70).orElseThrow().plate(), 5.1, 0.4, "its dials are those of the chart");
        assertEquals(RecordTwin.peak(setup, 70).orElseThrow().point().powers().outputW(), 890, 0.1 * 890);
        known.remove(Question.CHART_PLATE);
        assertFalse(told(known).records(NAMES).hasTwin(), "without dials it would foretell dials that nobody has");
    }

    /** Of a tetrode the sheet's line has a screen in place of a grid. */
    @Test
    public void aTetrodesTwinComesFromSevenAnswersMore() {
        Map<Question, String> known = answers(
                Question.KIND, "TETRODE",
                Question.RATED_OUTPUT, "1000",
                Question.DRIVE, "2",
                Question.DISSIPATION, "800",
                Question.PLATE_VOLTAGE, "2700",
                Question.PLATE_CURRENT, "0.75",
                Question.SCREEN_CURRENT, "60 mA",
                Question.RESTING_CURRENT, "0.15",
                Question.PANEL, "SEVERAL",
                Question.CHART_BAND, "MHZ_7",
                Question.CHART_PLATE, "5.1",
                Question.CHART_LOAD, "4.4",
                Question.LOADED_VOLTAGE, "2500",
                Question.SCREEN_VOLTAGE, "350",
                Question.LOADED_PLATE, "0.66",
                Question.LOADED_SCREEN, "30 mA");
        FirstStation station = told(known);
        assertEquals(
                station.enough().stream()
                        .filter(step -> step.what() == Enough.For.TWIN)
                        .findFirst(),
                Optional.of(new Enough(Enough.For.TWIN, 7, 7)));
        FirstStation.Records records = station.records(NAMES);
        assertTrue(records.hasTwin());
        TuneSetup setup = setup(records);
        assertEquals(RecordTwin.peak(setup, 2).orElseThrow().plate(), 5.1, 0.4, "its dials are those of the chart");
        assertEquals(RecordTwin.peak(setup, 2).orElseThrow().point().powers().outputW(), 1000, 0.1 * 1000);
        known.remove(Question.SCREEN_VOLTAGE);
        assertFalse(told(known).records(NAMES).hasTwin());
    }

    @Test
    public void eachAnswerThatIsWrongIsNamed() {
        Refused refused = expectThrows(
                Refused.class,
                () -> FirstStation.of(
                        answers(Question.RATED_OUTPUT, "90000", Question.DRIVE, "x", Question.KIND, "MAGIC")));
        assertEquals(
                refused.problems().stream().map(problem -> problem.path()).toList(),
                List.of("RATED_OUTPUT", "DRIVE", "KIND"));
        assertEquals(refused.problems().get(0).code(), ProblemCode.OUT_OF_RANGE);
    }

    @Test
    public void transistorsAreAskedForTheirSupply() {
        FirstStation station = told(answers(Question.KIND, "TRANSISTORS", Question.RATED_OUTPUT, "600"));
        assertFalse(station.asked().contains(Question.GRID_CURRENT));
        Amplifier amplifier = one(station.records(NAMES), Amplifier.class);
        assertEquals(((Stage.Transistors) amplifier.stage()).supplyVoltageDcV(), 50, 1e-9);
        assertTrue(one(station.records(NAMES), Meter.class)
                .channel(ReadingRole.OUTPUT)
                .isPresent());
    }
}
