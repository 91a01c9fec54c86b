package org.tubrin.core.budget;

import java.util.Map;
import java.util.Optional;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.station.Stage;

/**
 * The arithmetic of one step; a figure is absent while a reading that it needs is.
 *
 * <p>Source: our own derivation, {@code docs/uncertainty.md}. Input and output share no meter, but heat and efficiency share
 * both, which the quantities carry along.
 *
 * @param plateInputW {@code Vp·Ip} under load
 * @param efficiency {@code Pout/(Vp·Ip)}
 * @param heatPerTubeW everyday form, {@code (Vp·Ip − Pout)/n}
 * @param heatPerTubeCorrectedW {@code (Vp·Ip + f·Pdrive − Pout/ηtank)/n}
 * @param gainDb {@code 10·log10(Pout/Pdrive)}
 * @param sag {@code 1 − Vp/Vrest}
 * @param gridToPlateRatio {@code Ig/Ip}
 */
public record Budget(
        Optional<Quantity> plateInputW,
        Optional<Quantity> efficiency,
        Optional<Quantity> heatPerTubeW,
        Optional<Quantity> heatPerTubeCorrectedW,
        Optional<Quantity> gainDb,
        Optional<Quantity> sag,
        Optional<Quantity> gridToPlateRatio) {

    /**
     * Returns the budget of one step.
     *
     * @param readings measured values by role, as far as read
     * @param driveW drive at the amplifier's input
     * @param tubes the stage
     * @param tankEfficiency share of the plate's RF that leaves the tank, as well as it is known
     */
    public static Budget of(
            Map<ReadingRole, Quantity> readings, Quantity driveW, Stage.Tubes tubes, double tankEfficiency) {
        Optional<Quantity> output = positive(readings, ReadingRole.OUTPUT);
        Optional<Quantity> plateCurrent = positive(readings, ReadingRole.PLATE_CURRENT);
        Optional<Quantity> plateVoltage = positive(readings, ReadingRole.PLATE_VOLTAGE);
        Optional<Quantity> gridCurrent = Optional.ofNullable(readings.get(ReadingRole.GRID_CURRENT));

        Optional<Quantity> input =
                both(plateVoltage, plateCurrent, (voltage, current) -> voltage.times(current, Unit.WATT));
        double perTube = 1.0 / tubes.tubeCount();
        // With no output every watt of input is heat: the case in which heat matters most.
        Optional<Quantity> outputOrNone = Optional.ofNullable(readings.get(ReadingRole.OUTPUT));
        return new Budget(
                input,
                both(output, input, (out, in) -> out.over(in, Unit.ONE)),
                both(input, outputOrNone, (in, out) -> in.minus(out).scaled(perTube)),
                both(
                        input,
                        outputOrNone,
                        (in, out) -> in.plus(driveW.scaled(tubes.feedThroughFraction()))
                                .minus(out.scaled(1 / tankEfficiency))
                                .scaled(perTube)),
                output.filter(out -> driveW.value() > 0)
                        .map(out -> out.over(driveW, Unit.ONE).inDecibels()),
                plateVoltage.map(voltage -> sag(voltage, tubes.plateVoltageRestDcV())),
                both(gridCurrent, plateCurrent, (grid, plate) -> grid.over(plate, Unit.ONE)));
    }

    private static Quantity sag(Quantity plateVoltage, double restDcV) {
        Quantity whole = Quantity.exact(1, Unit.ONE, Standing.ASSUMED);
        Quantity rest = Quantity.exact(restDcV, Unit.VOLT, Standing.ASSUMED);
        return whole.minus(plateVoltage.over(rest, Unit.ONE));
    }

    private static Optional<Quantity> positive(Map<ReadingRole, Quantity> readings, ReadingRole role) {
        return Optional.ofNullable(readings.get(role)).filter(quantity -> quantity.value() > 0);
    }

    private static Optional<Quantity> both(
            Optional<Quantity> first,
            Optional<Quantity> second,
            java.util.function.BinaryOperator<Quantity> combination) {
        return first.flatMap(one -> second.map(other -> combination.apply(one, other)));
    }
}
