package org.tubrin.core.twin;

import java.util.List;
import java.util.OptionalDouble;
import org.tubrin.core.quantity.Because;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.station.Band;

/**
 * What a maker's sheet says of an amplifier at work: triodes driven at the cathode, or tetrodes at the grid.
 *
 * @param amplificationFactor of a triode μ, 5 to 1000; of a tetrode that from grid to screen, 1 to 100; absent where the
 *     sheet does not say
 * @param screenVoltageDcV 50 to 2000 V; absent for triodes
 * @param plateVoltageRestDcV plate voltage at rest, 100 to 20 000 V
 * @param restingPlateCurrentA plate current at rest, all tubes, 0 to 5 A
 * @param operations typical operation, 1 to 6 points
 * @param designQ loaded Q that the tank was designed for, 5 to 30
 * @param bandOutputs output on bands where it differs, each band once
 */
public record DataSheet(
        OptionalDouble amplificationFactor,
        OptionalDouble screenVoltageDcV,
        double plateVoltageRestDcV,
        double restingPlateCurrentA,
        List<Operation> operations,
        double designQ,
        List<BandOutput> bandOutputs) {
    public DataSheet {
        operations = List.copyOf(operations);
        bandOutputs = List.copyOf(bandOutputs);
        new Checks()
                .range("amplificationFactor", amplificationFactor, 1, 1000, Unit.ONE)
                .range("screenVoltageDcV", screenVoltageDcV, 50, 2000, Unit.VOLT)
                .range("plateVoltageRestDcV", plateVoltageRestDcV, 100, 20_000, Unit.VOLT)
                .range("restingPlateCurrentA", restingPlateCurrentA, 1e-3, 5, Unit.AMPERE)
                .size("operations", operations, 1, 6)
                .range("designQ", designQ, 5, 30, Unit.ONE)
                .distinct(
                        "bandOutputs",
                        bandOutputs.stream().map(BandOutput::band).toList())
                .done();
    }

    /**
     * One point of typical operation with a carrier, all tubes together.
     *
     * @param plateVoltageDcV under load, 100 to 20 000 V
     * @param plateCurrentA 0.01 to 20 A
     * @param gridCurrentA 0 to 5 A
     * @param screenCurrentA −1 to 1 A; absent for triodes and where the sheet does not say
     * @param driveW 0.01 to 500 W
     * @param outputW 1 to 20 000 W
     */
    public record Operation(
            double plateVoltageDcV,
            double plateCurrentA,
            double gridCurrentA,
            OptionalDouble screenCurrentA,
            double driveW,
            double outputW) {
        public Operation {
            new Checks()
                    .range("plateVoltageDcV", plateVoltageDcV, 100, 20_000, Unit.VOLT)
                    .range("plateCurrentA", plateCurrentA, 0.01, 20, Unit.AMPERE)
                    .range("gridCurrentA", gridCurrentA, 0, 5, Unit.AMPERE)
                    .range("screenCurrentA", screenCurrentA, -1, 1, Unit.AMPERE)
                    .range("driveW", driveW, 0.01, 500, Unit.WATT)
                    .range(
                            "outputW",
                            outputW,
                            1,
                            Math.max(1, 0.9 * plateVoltageDcV * plateCurrentA + driveW),
                            Unit.WATT,
                            Because.PLATE_INPUT)
                    .done();
        }
    }

    /**
     * Output on one band at the drive of the strongest point.
     *
     * @param band the band
     * @param outputW 1 to 20 000 W
     */
    public record BandOutput(Band band, double outputW) {
        public BandOutput {
            new Checks().range("outputW", outputW, 1, 20_000, Unit.WATT).done();
        }
    }

    /** Returns the point with most output. */
    Operation strongest() {
        return operations.stream()
                .max((one, other) -> Double.compare(one.outputW(), other.outputW()))
                .orElseThrow();
    }
}
