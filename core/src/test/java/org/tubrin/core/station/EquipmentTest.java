package org.tubrin.core.station;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.testng.annotations.Test;
import org.tubrin.core.Sample;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.quantity.Allowed;
import org.tubrin.core.quantity.Problem;
import org.tubrin.core.quantity.ProblemCode;
import org.tubrin.core.quantity.Refused;
import org.tubrin.core.tank.Dial;
import org.tubrin.core.tank.ImpedancePoint;
import org.tubrin.core.tank.LoadSense;

public class EquipmentTest {
    private static Amplifier amplifier(double driveLimitW, double ratedOutputW, List<ChartRow> chart) {
        return new Amplifier(
                "Brigantine",
                Sample.BRIGANTINE_STAGE,
                driveLimitW,
                ratedOutputW,
                Optional.empty(),
                List.of(Band.MHZ_7),
                chart,
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
    }

    @Test
    public void tellsAllProblemsAtOnceWithFieldValueAndRange() {
        Refused refused =
                expectThrows(Refused.class, () -> amplifier(-1, 1e9, List.of(new ChartRow(Band.MHZ_7, 11, 4))));
        assertEquals(
                refused.problems().stream().map(Problem::path).collect(Collectors.toSet()),
                java.util.Set.of("driveLimitW", "ratedOutputW", "chart.0.plate"));
        Problem drive = refused.problems().get(0);
        assertEquals(drive.found(), "-1");
        assertTrue(drive.allowed() instanceof Allowed.Range range && range.least() == 0.01 && range.most() == 500);
    }

    @Test
    public void refusesWhatIsNoNumber() {
        assertEquals(
                expectThrows(Refused.class, () -> amplifier(Double.NaN, 800, List.of()))
                        .problems()
                        .get(0)
                        .code(),
                ProblemCode.OUT_OF_RANGE);
    }

    @Test
    public void aBandHasOneChartRow() {
        List<ChartRow> twice = List.of(new ChartRow(Band.MHZ_7, 5, 4), new ChartRow(Band.MHZ_7, 6, 4));
        Refused refused = expectThrows(Refused.class, () -> amplifier(70, 800, twice));
        assertEquals(refused.problems().get(0).code(), ProblemCode.DUPLICATE);
    }

    @Test
    public void heavierFollowsTheAmplifiersOwnSense() {
        assertEquals(Sample.stage(Sample.LANTERN, LoadSense.MORE_IS_HEAVIER).heavier(4.5, 0.5), 5.0, 1e-12);
        assertEquals(Sample.stage(Sample.LANTERN, LoadSense.MORE_IS_LIGHTER).heavier(4.5, 0.5), 4.0, 1e-12);
        assertEquals(Sample.stage(Sample.LANTERN, LoadSense.MORE_IS_HEAVIER).heavier(9.8, 0.5), 10.0, 1e-12);
    }

    @Test
    public void aDialOfAHundredTurnsInItsOwnMarks() {
        Dial dial = new Dial(0, 100, 10);
        assertEquals(dial.turned(38, 0.5), 43.0, 1e-9);
        assertEquals(dial.turned(98, 1), 100.0, 1e-9);
    }

    @Test
    public void anEmptyStationSaysWhatComesFirst() {
        List<Gaps.Gap> gaps = Gaps.of(List.of());
        assertEquals(gaps.get(0).code(), Gaps.Code.NO_TUNABLE_AMPLIFIER);
        assertEquals(gaps.size(), 7);
    }

    @Test
    public void aChartedStationMissesOnlyItsUnchartedBands() {
        List<Gaps.Gap> gaps =
                Gaps.of(List.of(Sample.BRIGANTINE, Sample.HALYARD, Sample.FATHOM, Sample.PANEL, Sample.BALLAST));
        assertEquals(
                gaps, List.of(new Gaps.Gap(Gaps.Code.NO_CHART_ROW, "Brigantine", List.of(Band.MHZ_14, Band.MHZ_28))));
    }

    @Test
    public void aMeterReadsEachThingOnce() {
        var channel = Sample.channel(ReadingRole.OUTPUT, ScaleUnit.W, 0.05, Sample.range("150 W", 150));
        assertEquals(
                expectThrows(Refused.class, () -> new Meter("Fathom", List.of(channel, channel)))
                        .problems()
                        .get(0)
                        .code(),
                ProblemCode.DUPLICATE);
    }

    @Test
    public void aModeSwitchMovesThePlateVoltageAndTheTwinWithIt() {
        ModeSwitch positions = new ModeSwitch(
                "SSB", List.of(new ModeSwitch.Position("SSB", 2736), new ModeSwitch.Position("CW", 2052)));
        Amplifier plain = Sample.BRIGANTINE.withTwin(org.tubrin.core.twin.Twins.BRIGANTINE);
        Amplifier amplifier = new Amplifier(
                plain.name(),
                plain.stage(),
                plain.driveLimitW(),
                plain.ratedOutputW(),
                plain.relayTimeS(),
                plain.bands(),
                plain.chart(),
                plain.mains(),
                plain.twin(),
                Optional.of(positions),
                Optional.empty());
        Amplifier cw = amplifier.switchedTo("CW");
        assertEquals(((Stage.Tubes) cw.stage()).plateVoltageRestDcV(), 2052.0);
        double ratio = ((TwinConstants.Tuned) cw.twin().orElseThrow()).supplyOpenV()
                / ((TwinConstants.Tuned) amplifier.twin().orElseThrow()).supplyOpenV();
        assertEquals(ratio, 0.75, 1e-12);
        assertEquals(cw.switchedTo("SSB"), amplifier);
        assertThrows(Refused.class, () -> amplifier.switchedTo("AM"));
        assertThrows(Refused.class, () -> plain.switchedTo("SSB"));
    }

    @Test
    public void anAntennasFileGivesItsImpedanceBetweenThePointsOnly() {
        Antenna antenna = new Antenna(
                "Yardarm",
                List.of(new Antenna.AntennaBand(Band.MHZ_7, 1.4, 0.3)),
                Optional.of(List.of(new ImpedancePoint(7.0e6, 40, -20), new ImpedancePoint(7.2e6, 60, 20))));
        ImpedancePoint middle = antenna.impedanceAt(7.1e6).orElseThrow();
        assertEquals(middle.ohm(), 50, 1e-9);
        assertEquals(antenna.swrAt(Band.MHZ_7, 7.1e6).orElseThrow(), 1.0, 1e-9);
        assertEquals(antenna.swrAt(Band.MHZ_7, 7.25e6).orElseThrow(), 1.4);
        assertThrows(
                Refused.class,
                () -> new Antenna(
                        "A", antenna.bands(), Optional.of(List.of(middle, new ImpedancePoint(7.0e6, 40, 0)))));
    }
}
