package org.tubrin.core.budget;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.EnumMap;
import java.util.Map;
import org.apache.commons.csv.CSVRecord;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.tubrin.core.Sample;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.ErrorSource;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;

public class BudgetTest {
    private static final Quantity DRIVE = Quantity.exact(70, Unit.WATT, Standing.ASSUMED);

    @DataProvider
    public Object[][] points() {
        return Sample.table("/budget/reference-points.csv").stream()
                .map(row -> new Object[] {row})
                .toArray(Object[][]::new);
    }

    private static Map<ReadingRole, Quantity> readings(CSVRecord row) {
        Map<ReadingRole, Quantity> readings = new EnumMap<>(ReadingRole.class);
        read(readings, ReadingRole.OUTPUT, Double.parseDouble(row.get("output")), 43);
        read(readings, ReadingRole.PLATE_CURRENT, Double.parseDouble(row.get("plateCurrent")), 0.017);
        read(readings, ReadingRole.GRID_CURRENT, Double.parseDouble(row.get("gridCurrent")), 0.006);
        read(readings, ReadingRole.PLATE_VOLTAGE, Double.parseDouble(row.get("plateVoltage")), 69);
        return readings;
    }

    private static void read(Map<ReadingRole, Quantity> readings, ReadingRole role, double value, double u) {
        ErrorSource source = new ErrorSource("meter", role.name(), "");
        readings.put(role, Quantity.of(value, role.unit(), Standing.MEASURED, source, u));
    }

    @Test(dataProvider = "points")
    public void agreesWithTheReferencePoints(CSVRecord row) {
        Budget budget = Budget.of(readings(row), DRIVE, Sample.BRIGANTINE_STAGE, 0.95);
        assertEquals(budget.efficiency().orElseThrow().value(), Double.parseDouble(row.get("efficiency")), 0.002);
        double plateHeatW = Double.parseDouble(row.get("plateHeat"));
        double everydayW = budget.heatPerDeviceW().orElseThrow().value();
        double balanceW =
                plateHeatW + (Double.parseDouble(row.get("tankLoss")) - Double.parseDouble(row.get("feedThrough"))) / 2;
        assertEquals(
                everydayW,
                balanceW,
                6,
                "the everyday heat is the plate's, with half the tank's loss, less half the feed-through");
        double correctedW = budget.heatPerDeviceCorrectedW().orElseThrow().value();
        assertEquals(correctedW, plateHeatW, Double.parseDouble(row.get("correctedTolerance")));
    }

    @Test
    public void everyWattOfInputIsOutputOrHeat() {
        Map<ReadingRole, Quantity> readings =
                readings(Sample.table("/budget/reference-points.csv").get(0));
        Budget budget = Budget.of(readings, DRIVE, Sample.BRIGANTINE_STAGE, 0.95);
        double sumW = readings.get(ReadingRole.OUTPUT).value()
                + 2 * budget.heatPerDeviceW().orElseThrow().value();
        assertEquals(sumW, budget.dcInputW().orElseThrow().value(), 1e-9);
    }

    @Test
    public void withNoOutputAllInputIsHeat() {
        Map<ReadingRole, Quantity> readings =
                readings(Sample.table("/budget/reference-points.csv").get(0));
        read(readings, ReadingRole.OUTPUT, 0, 43);
        Budget budget = Budget.of(readings, DRIVE, Sample.BRIGANTINE_STAGE, 0.95);
        assertTrue(budget.efficiency().isEmpty());
        assertEquals(budget.heatPerDeviceW().orElseThrow().value(), 0.5473 * 2504 / 2, 1e-9);
    }

    @Test
    public void saysNothingWhereAReadingIsMissing() {
        Map<ReadingRole, Quantity> readings =
                readings(Sample.table("/budget/reference-points.csv").get(0));
        readings.remove(ReadingRole.PLATE_VOLTAGE);
        Budget budget = Budget.of(readings, DRIVE, Sample.BRIGANTINE_STAGE, 0.95);
        assertTrue(budget.dcInputW().isEmpty()
                && budget.efficiency().isEmpty()
                && budget.heatPerDeviceW().isEmpty());
        assertTrue(budget.gainDb().isPresent());
    }

    @Test
    public void judgesByTheInterval() {
        ErrorSource source = new ErrorSource("meter", "", "");
        Quantity near = Quantity.of(0.19, Unit.AMPERE, Standing.MEASURED, source, 0.006);
        // 1.96 times 6 mA to either side.
        assertEquals(Verdict.of(near, 0.202), Verdict.WITHIN);
        assertEquals(Verdict.of(near, 0.2015), Verdict.MAY_EXCEED);
        assertEquals(Verdict.of(near, 0.1785), Verdict.MAY_EXCEED);
        assertEquals(Verdict.of(near, 0.178), Verdict.EXCEEDS);
    }

    @Test
    public void aSmallLoadIsALimitOfItsOwn() {
        Map<ReadingRole, Quantity> readings =
                readings(Sample.table("/budget/reference-points.csv").get(0));
        var small = new org.tubrin.core.station.Load("Small", 50, 500, java.util.Optional.empty());
        var rooms = Room.beyondTheStage(
                readings, DRIVE, Sample.BRIGANTINE.driveLimitW(), Sample.STATION.licenceLimitW(), small);
        assertTrue(rooms.stream()
                .anyMatch(room -> room.kind() == LimitKind.LOAD_POWER && room.verdict() == Verdict.EXCEEDS));
    }

    @Test
    public void aReadingIsNearItsLimitInTheLastTenth() {
        Room room = new Room(
                LimitKind.GRID_CURRENT, Quantity.exact(0.18, Unit.AMPERE, Standing.MEASURED), 0.2, Verdict.WITHIN);
        assertEquals(room.share(), 0.9, 1e-12);
        assertFalse(Room.isNear(0.899));
        assertTrue(Room.isNear(0.9) && Room.isNear(1.2));
    }
}
