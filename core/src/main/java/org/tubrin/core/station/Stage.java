package org.tubrin.core.station;

import java.util.Optional;
import java.util.OptionalDouble;
import org.tubrin.core.device.Tube;
import org.tubrin.core.quantity.Because;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.tank.Dial;
import org.tubrin.core.tank.LoadSense;

/** The power stage of an amplifier. */
public sealed interface Stage {

    /** What is done about each kind of stage; what is added to the kinds must be answered everywhere. */
    interface Cases<T> {
        T tubes(Tubes tubes);

        T transistors(Transistors transistors);

        T switching(Switching switching);
    }

    /** Returns the answer of the case that this is. */
    <T> T in(Cases<T> cases);

    /** Returns the same with its limits of current and heat at a share of what is recorded, above 0 to 1. */
    Stage withLimits(double share);

    /**
     * Tubes with a tank that has a PLATE and a LOAD dial.
     *
     * @param tube type of tube
     * @param tubeCount 1 to 8
     * @param plateVoltageRestDcV plate voltage at rest, 100 to 20 000 V
     * @param restingPlateCurrentA plate current at rest, all tubes, 0 to 5 A
     * @param plateCurrentLimitA limit of the amplifier, all tubes, 0.01 to 20 A
     * @param gridCurrentLimitA limit of the amplifier, all tubes, 0.001 to 5 A
     * @param plate PLATE dial
     * @param load LOAD dial
     * @param loadSense which way its number goes for heavier
     * @param feedThroughFraction share of the drive that passes to the output, 0 to 1; 0 where the grid is driven
     * @param tankEfficiency share of the plate's RF that leaves the tank, 0.5 to 1
     */
    record Tubes(
            Tube tube,
            int tubeCount,
            double plateVoltageRestDcV,
            double restingPlateCurrentA,
            double plateCurrentLimitA,
            double gridCurrentLimitA,
            Dial plate,
            Dial load,
            LoadSense loadSense,
            double feedThroughFraction,
            double tankEfficiency)
            implements Stage {
        @Override
        public Stage withLimits(double share) {
            return new Tubes(
                    tube.withLimits(share),
                    tubeCount,
                    plateVoltageRestDcV,
                    restingPlateCurrentA,
                    share * plateCurrentLimitA,
                    share * gridCurrentLimitA,
                    plate,
                    load,
                    loadSense,
                    feedThroughFraction,
                    tankEfficiency);
        }

        public Tubes {
            new Checks()
                    .range("tubeCount", tubeCount, 1, 8, Unit.ONE)
                    .range("plateVoltageRestDcV", plateVoltageRestDcV, 100, 20_000, Unit.VOLT)
                    .range("restingPlateCurrentA", restingPlateCurrentA, 0, 5, Unit.AMPERE)
                    .range("plateCurrentLimitA", plateCurrentLimitA, 0.01, 20, Unit.AMPERE)
                    .range("gridCurrentLimitA", gridCurrentLimitA, 0.001, 5, Unit.AMPERE)
                    .range("feedThroughFraction", feedThroughFraction, 0, 1, Unit.ONE)
                    .range("tankEfficiency", tankEfficiency, 0.5, 1, Unit.ONE)
                    .done();
        }

        /** Returns the same with another plate voltage at rest, in volts. */
        Tubes atPlateVoltage(double restDcV) {
            return new Tubes(
                    tube,
                    tubeCount,
                    restDcV,
                    restingPlateCurrentA,
                    plateCurrentLimitA,
                    gridCurrentLimitA,
                    plate,
                    load,
                    loadSense,
                    feedThroughFraction,
                    tankEfficiency);
        }

        /** Returns the rated plate dissipation of one tube, in watts. */
        public double plateDissipationPerTubeW() {
            return tube.plateDissipationW();
        }

        /** Returns the highest screen current of all tubes together, in amperes; absent where there is no screen. */
        public OptionalDouble screenCurrentLimitA() {
            return tube.screenCurrentLimitA().isPresent()
                    ? OptionalDouble.of(tube.screenCurrentLimitA().getAsDouble() * tubeCount)
                    : OptionalDouble.empty();
        }

        /** Returns how many marks heavier one position of LOAD is than another. */
        public double marksHeavier(double from, double to) {
            return (to - from) / load.markStep() * loadSense.heavierSign();
        }

        /** Returns the LOAD position so many marks heavier (lighter for negative), stopped at the ends. */
        public double heavier(double position, double marks) {
            return load.turned(position, marks * loadSense.heavierSign());
        }

        @Override
        public <T> T in(Cases<T> cases) {
            return cases.tubes(this);
        }
    }

    /**
     * Transistors with broadband transformers and band filters: no dials.
     *
     * @param supplyVoltageDcV 5 to 200 V
     * @param supplyCurrentLimitA 0.1 to 200 A
     */
    record Transistors(double supplyVoltageDcV, double supplyCurrentLimitA) implements Stage {
        @Override
        public Stage withLimits(double share) {
            return new Transistors(supplyVoltageDcV, share * supplyCurrentLimitA);
        }

        public Transistors {
            new Checks()
                    .range("supplyVoltageDcV", supplyVoltageDcV, 5, 200, Unit.VOLT)
                    .range("supplyCurrentLimitA", supplyCurrentLimitA, 0.1, 200, Unit.AMPERE)
                    .done();
        }

        @Override
        public <T> T in(Cases<T> cases) {
            return cases.transistors(this);
        }
    }

    /**
     * Transistors that switch: the drive is fixed, the supply's voltage sets the power, and there are no dials.
     *
     * @param driveW what it is driven with, 0.01 to 500 W
     * @param leastSupplyDcV lowest supply voltage at which it works, 1 to 400 V
     * @param mostSupplyDcV highest, above that, to 400 V
     * @param supplyCurrentLimitA 0.1 to 200 A
     * @param moduleCount modules that can be switched in, 1 to 16
     * @param sinkKPerW rise of its heat sink at rest per watt of heat, 0.01 to 10 K/W; absent where unknown
     */
    record Switching(
            double driveW,
            double leastSupplyDcV,
            double mostSupplyDcV,
            double supplyCurrentLimitA,
            int moduleCount,
            Optional<Double> sinkKPerW)
            implements Stage {
        public static final int MOST_MODULES = 16;

        @Override
        public Stage withLimits(double share) {
            return new Switching(
                    driveW, leastSupplyDcV, mostSupplyDcV, share * supplyCurrentLimitA, moduleCount, sinkKPerW);
        }

        public Switching {
            Checks checks = new Checks()
                    .range("driveW", driveW, 0.01, 500, Unit.WATT)
                    .range("leastSupplyDcV", leastSupplyDcV, 1, 400, Unit.VOLT)
                    .range("mostSupplyDcV", mostSupplyDcV, leastSupplyDcV, 400, Unit.VOLT, Because.LOWEST_VOLTAGE)
                    .range("supplyCurrentLimitA", supplyCurrentLimitA, 0.1, 200, Unit.AMPERE)
                    .range("moduleCount", moduleCount, 1, MOST_MODULES, Unit.ONE);
            sinkKPerW.ifPresent(rise -> checks.range("sinkKPerW", rise, 0.01, 10, Unit.ONE));
            checks.done();
        }

        @Override
        public <T> T in(Cases<T> cases) {
            return cases.switching(this);
        }
    }
}
