package org.tubrin.core.station;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertSame;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import org.tubrin.core.Sample;
import org.tubrin.core.metering.Accuracy;
import org.tubrin.core.metering.Channel;
import org.tubrin.core.metering.Indication;
import org.tubrin.core.metering.MeterFace;
import org.tubrin.core.metering.Position;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.quantity.Refused;

/** One box whose switches choose what it shows and how. */
public class MeterTest {
    private static final Position AVERAGE = new Position(ReadingRole.OUTPUT, Indication.AVERAGE);
    private static final Position PEAK = new Position(ReadingRole.OUTPUT, Indication.PEAK_HOLD);
    private static final Position BACK = new Position(ReadingRole.REFLECTED, Indication.AVERAGE);

    private static final Channel SWR_AT_INPUT = new Channel(
            ReadingRole.INPUT_SWR,
            ScaleUnit.ONE,
            List.of(Sample.range("5", 5)),
            new Accuracy.OfReading(0.05, 0.01),
            Indication.AVERAGE,
            1,
            Optional.empty());

    private static Channel watts(Position position, double fullScale) {
        return new Channel(
                position.role(),
                ScaleUnit.W,
                List.of(Sample.range(fullScale + " W", fullScale)),
                new Accuracy.OfFullScale(0.05),
                position.indication(),
                1,
                Optional.empty());
    }

    private static Meter wattmeter(Optional<MeterFace> face) {
        return new Meter("Fathom", List.of(watts(BACK, 15), watts(AVERAGE, 1500), watts(PEAK, 1500)), face);
    }

    private static List<Position> positions(Meter meter) {
        return meter.channels().stream().map(Channel::position).toList();
    }

    @Test
    public void aPositionStandsThereOnce() {
        assertThrows(Refused.class, () -> new Meter("Two", List.of(watts(PEAK, 150), watts(PEAK, 1500))));
        assertEquals(wattmeter(Optional.empty()).powerPositions(), List.of(BACK, AVERAGE, PEAK));
        assertEquals(Sample.PANEL.powerPositions(), List.of(), "amperes and volts need no choice");
        assertEquals(Sample.FATHOM.powerPositions(), List.of(), "nor does one position");
    }

    @Test
    public void whatComesBackIsReadWhereItIsSeenBesideTheOutput() {
        assertEquals(wattmeter(Optional.empty()).usualPositions(false), List.of(AVERAGE, BACK));
        Meter switched = wattmeter(Optional.of(MeterFace.ONE_AT_A_TIME));
        assertEquals(switched.usualPositions(false), List.of(AVERAGE));
        assertEquals(switched.usualPositions(true), List.of(PEAK), "pulses are read by what holds peaks");
        Meter backAlone = new Meter("Back", List.of(watts(BACK, 15)), Optional.of(MeterFace.ONE_AT_A_TIME));
        assertEquals(positions(backAlone.in(backAlone.usualPositions(false))), List.of(BACK));
    }

    @Test
    public void aWattmeterThatIsMovedHasAPositionForEitherPlace() {
        Position in = new Position(ReadingRole.INPUT_POWER, Indication.AVERAGE);
        List<Channel> channels = List.of(watts(in, 150), watts(AVERAGE, 1500), watts(BACK, 150));
        Meter moved = new Meter("Mover", channels, Optional.of(MeterFace.ONE_AT_A_TIME));
        assertEquals(moved.powerPositions(), List.of(in, AVERAGE, BACK));
        assertEquals(moved.usualPositions(false), List.of(AVERAGE), "it stands at the output");
        assertEquals(positions(moved.in(List.of(in))), List.of(in));
        assertEquals(
                positions(moved.inPositionsOf(moved.in(List.of(in)))), List.of(in), "after its record was corrected");
        Position swr = new Position(ReadingRole.INPUT_SWR, Indication.AVERAGE);
        Meter withSwr = new Meter(
                "Mover",
                List.of(watts(in, 150), watts(AVERAGE, 1500), SWR_AT_INPUT),
                Optional.of(MeterFace.ONE_AT_A_TIME));
        assertEquals(positions(withSwr.in(List.of(in))), List.of(in, swr));
        assertEquals(
                positions(withSwr.in(List.of(AVERAGE))),
                List.of(AVERAGE),
                "SWR at the input is not seen from the output");
        Meter twoHeads = new Meter("Two heads", channels, Optional.empty());
        assertEquals(twoHeads.usualPositions(false), List.of(in, AVERAGE, BACK));
        assertEquals(new Meter("In", List.of(watts(in, 150))).powerPositions(), List.of());
    }

    @Test
    public void inUseEachRoleIsReadInOneWay() {
        Meter meter = wattmeter(Optional.of(MeterFace.ONE_AT_A_TIME));
        Meter used = meter.in(List.of(PEAK));
        assertEquals(positions(used), List.of(PEAK));
        assertEquals(used.name(), "Fathom");
        assertTrue(!used.hasSwitch(), "there is nothing to switch between");
        assertTrue(meter.in(List.of(AVERAGE, BACK)).hasSwitch());
        assertThrows(Refused.class, () -> meter.in(List.of(AVERAGE, PEAK)));
        assertThrows(Refused.class, () -> meter.in(List.of(new Position(ReadingRole.OUTPUT, Indication.PEAK_PASSIVE))));
        assertSame(Sample.PANEL.in(List.of()), Sample.PANEL);
    }

    @Test
    public void aCorrectedRecordKeepsThePositionsInUse() {
        Meter used = wattmeter(Optional.empty()).in(List.of(PEAK));
        Meter corrected = new Meter("Fathom", List.of(watts(AVERAGE, 1500), watts(PEAK, 2000)));
        assertEquals(corrected.inPositionsOf(used).channels(), List.of(watts(PEAK, 2000)));
        Meter averageAlone = new Meter("Fathom", List.of(watts(AVERAGE, 1500), watts(BACK, 15)));
        assertEquals(positions(averageAlone.inPositionsOf(used)), List.of(AVERAGE, BACK), "it has those no more");
    }
}
