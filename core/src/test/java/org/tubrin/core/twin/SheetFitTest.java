package org.tubrin.core.twin;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;
import static org.tubrin.core.twin.Twins.settled;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.testng.annotations.Test;
import org.tubrin.core.Sample;
import org.tubrin.core.device.Construction;
import org.tubrin.core.device.Tube;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.ChartRow;
import org.tubrin.core.station.Stage;
import org.tubrin.core.tank.Dial;
import org.tubrin.core.tank.LoadSense;

public class SheetFitTest {
    private static final DataSheet BRIGANTINES_SHEET = new DataSheet(
            OptionalDouble.of(100),
            OptionalDouble.empty(),
            2736,
            0.119,
            List.of(
                    new DataSheet.Operation(2504, 0.5473, 0.172, OptionalDouble.empty(), 70, 890.1),
                    new DataSheet.Operation(2569, 0.4278, 0.0652, OptionalDouble.empty(), 35, 550)),
            12,
            List.of());

    /** A small amplifier with one triode, weak on 28 MHz, by an invented sheet. */
    static final Amplifier CORACLE = new Amplifier(
            "Coracle",
            new Stage.Tubes(
                    new Tube("Candle 120", Construction.TRIODE, 120, 2200, 0.2, 0.06, OptionalDouble.empty(), 30),
                    1,
                    1850,
                    0.04,
                    0.2,
                    0.06,
                    new Dial(0, 100, 10),
                    new Dial(0, 100, 10),
                    LoadSense.MORE_IS_LIGHTER,
                    0.75,
                    0.94),
            25,
            190,
            Optional.empty(),
            List.of(Band.MHZ_3_5, Band.MHZ_7, Band.MHZ_14, Band.MHZ_28),
            List.of(
                    new ChartRow(Band.MHZ_3_5, 22, 70),
                    new ChartRow(Band.MHZ_7, 48, 52),
                    new ChartRow(Band.MHZ_14, 71, 38)),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty());

    static final DataSheet CORACLES_SHEET = new DataSheet(
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            1850,
            0.04,
            List.of(new DataSheet.Operation(1700, 0.18, 0.045, OptionalDouble.empty(), 20, 190)),
            12,
            List.of(new DataSheet.BandOutput(Band.MHZ_28, 125)));

    private static double value(SheetFit fit, SheetFit.Constant constant) {
        return fit.parameters().stream()
                .filter(parameter -> parameter.constant() == constant)
                .findFirst()
                .orElseThrow()
                .value();
    }

    @Test
    public void findsTheConstantsThatMadeTheSheet() {
        SheetFit fit = settled(TwinFromSheet.of(Sample.BRIGANTINE, BRIGANTINES_SHEET));
        for (SheetFit.Reading reading : fit.readings()) {
            double share = reading.figure() == SheetFit.Figure.INPUT_SWR ? 0.15 : 0.03;
            assertEquals(reading.twin(), reading.sheet(), share * reading.sheet(), reading.toString());
        }
        assertEquals(value(fit, SheetFit.Constant.PERVEANCE), 1e-3, 0.25e-3);
        assertEquals(value(fit, SheetFit.Constant.BIAS), 12, 3);
        assertEquals(value(fit, SheetFit.Constant.CATHODE_INPUT), 100, 20);
        assertEquals(fit.constants().supplyOpenV(), 2800, 1);
        assertEquals(fit.constants().supplySourceOhm(), 540, 2);
        assertEquals(fit.assumedBands(), List.of(Band.MHZ_14, Band.MHZ_28));
    }

    @Test
    public void theFittedTwinTunesUpNearTheSheetAndTheChart() {
        SheetFit fit = settled(TwinFromSheet.of(CORACLE, CORACLES_SHEET));
        for (SheetFit.Reading reading : fit.readings()) {
            double share = reading.figure() == SheetFit.Figure.INPUT_SWR ? 0.2 : 0.05;
            assertEquals(reading.twin(), reading.sheet(), share * reading.sheet(), reading.toString());
        }
        TubeTwin twin = new TubeTwin((Stage.Tubes) CORACLE.stage(), fit.constants());
        for (ChartRow row : CORACLE.chart()) {
            Setting setting =
                    new Setting(row.band(), TankDesign.middleHz(row.band()), 20, row.plate(), row.load(), 50, 0);
            TubePoint there = settled(twin.at(setting));
            assertEquals(there.outputW(), 190, 10, row.toString());
            assertEquals(twin.probe(setting).orElseThrow().resonantPlate(row.load()), row.plate(), 0.5, row.toString());
        }
        Setting weak = new Setting(Band.MHZ_28, TankDesign.middleHz(Band.MHZ_28), 20, 50, 50, 50, 0);
        assertEquals(settled(twin.at(weak)).outputW(), 125, 10);
        assertTrue(fit.parameters().stream()
                .anyMatch(parameter -> parameter.constant() == SheetFit.Constant.AMPLIFICATION_FACTOR
                        && parameter.standing() != SheetFit.Determined.WELL));
        assertEquals(fit.assumedBands(), List.of(Band.MHZ_28));
    }

    /** What Barque's own twin does into its plate load, as a maker would state it. */
    private static DataSheet barquesSheet() {
        TubeSolver solver = Twins.barque().solver(TubeTwin.POINTS);
        List<DataSheet.Operation> operations = new ArrayList<>();
        for (double driveW : new double[] {2, 0.5}) {
            assertTrue(solver.settle(2352, 0, 1, 0, 7.1e6, driveW));
            operations.add(new DataSheet.Operation(
                    solver.plateVoltageDcV(),
                    solver.plateCurrentA(),
                    solver.gridCurrentA(),
                    OptionalDouble.of(solver.screenCurrentA()),
                    driveW,
                    0.94 * solver.plateRfW()));
        }
        return new DataSheet(OptionalDouble.empty(), OptionalDouble.of(350), 2798, 0.148, operations, 12, List.of());
    }

    @Test
    public void aTetrodesSheetLeadsToATwinThatMeetsItAndTunesUp() {
        SheetFit fit = settled(TwinFromSheet.of(Twins.BARQUES_RECORD, barquesSheet()));
        for (SheetFit.Reading reading : fit.readings()) {
            double slack = switch (reading.figure()) {
                case GRID_CURRENT -> 0.002;
                case SCREEN_CURRENT -> 0.006;
                default -> 0.04 * reading.sheet();
            };
            assertEquals(reading.twin(), reading.sheet(), slack, reading.toString());
        }
        assertEquals(fit.constants().supplyOpenV(), 2850, 3);
        TubeTwin twin = new TubeTwin(Twins.BARQUE_STAGE, fit.constants());
        Setting setting = new Setting(Band.MHZ_7, TankDesign.middleHz(Band.MHZ_7), 2, 50, 50, 50, 0);
        Peak peak = settled(PeakSearch.most(twin.probe(setting).orElseThrow(), 2));
        assertTrue(
                peak.point().outputW() > 0.97 * 1010,
                "most output " + peak.point().outputW());
    }

    @Test
    public void aTetrodesSheetNeedsItsScreenVoltage() {
        DataSheet without = new DataSheet(
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                2798,
                0.148,
                barquesSheet().operations(),
                12,
                List.of());
        Refused refused = expectThrows(Refused.class, () -> TwinFromSheet.of(Twins.BARQUES_RECORD, without));
        assertEquals(refused.problems().get(0).path(), "screenVoltageDcV");
    }
}
