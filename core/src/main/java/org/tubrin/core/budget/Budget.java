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
 * @param dcInputW {@code Vp·Ip} under load; of transistors the supply's {@code V·I}
 * @param efficiency output over that
 * @param heatPerDeviceW everyday form, {@code (Vp·Ip − Pout)/n}; of transistors that of all together
 * @param heatPerDeviceCorrectedW {@code (Vp·Ip + f·Pdrive − Pout/ηtank)/n}
 * @param gainDb {@code 10·log10(Pout/Pdrive)}
 * @param sag {@code 1 − Vp/Vrest}; of transistors against the nominal voltage
 * @param gridToPlateRatio {@code Ig/Ip}; of tubes only
 */
public record Budget(
        Optional<Quantity> dcInputW,
        Optional<Quantity> efficiency,
        Optional<Quantity> heatPerDeviceW,
        Optional<Quantity> heatPerDeviceCorrectedW,
        Optional<Quantity> gainDb,
        Optional<Quantity> sag,
        Optional<Quantity> gridToPlateRatio) {

    /** Of a step in which nothing is amplified. */
    public static final Budget NONE = new Budget(
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty());

    /**
     * Returns the budget of one step of a stage with tubes.
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
                gainDb(output, driveW),
                plateVoltage.map(voltage -> sag(voltage, tubes.plateVoltageRestDcV())),
                both(gridCurrent, plateCurrent, (grid, plate) -> grid.over(plate, Unit.ONE)));
    }

    /** Returns the budget of one step of a stage with transistors: all that goes in and does not come out is heat. */
    public static Budget of(Map<ReadingRole, Quantity> readings, Quantity driveW, Stage.Transistors transistors) {
        return bySupply(readings, driveW, Optional.of(transistors.supplyVoltageDcV()));
    }

    /** Returns the budget of one step of a stage that switches: its supply's voltage is set, so nothing sags. */
    public static Budget of(Map<ReadingRole, Quantity> readings, Quantity driveW) {
        return bySupply(readings, driveW, Optional.empty());
    }

    private static Budget bySupply(Map<ReadingRole, Quantity> readings, Quantity driveW, Optional<Double> nominalDcV) {
        Optional<Quantity> output = positive(readings, ReadingRole.OUTPUT);
        Optional<Quantity> voltage = positive(readings, ReadingRole.SUPPLY_VOLTAGE);
        Optional<Quantity> input = both(
                voltage,
                positive(readings, ReadingRole.SUPPLY_CURRENT),
                (volts, current) -> volts.times(current, Unit.WATT));
        Optional<Quantity> outputOrNone = Optional.ofNullable(readings.get(ReadingRole.OUTPUT));
        return new Budget(
                input,
                both(output, input, (out, in) -> out.over(in, Unit.ONE)),
                both(input, outputOrNone, (in, out) -> in.minus(out)),
                both(input, outputOrNone, (in, out) -> in.plus(driveW).minus(out)),
                gainDb(output, driveW),
                voltage.flatMap(volts -> nominalDcV.map(nominal -> sag(volts, nominal))),
                Optional.empty());
    }

    private static Optional<Quantity> gainDb(Optional<Quantity> output, Quantity driveW) {
        return output.filter(out -> driveW.value() > 0)
                .map(out -> out.over(driveW, Unit.ONE).inDecibels());
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
