package org.tubrin.core.hv;

import java.util.Optional;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;

/**
 * Capacitors in series, each with an equalising resistor across it, and a bleeder across them all.
 *
 * @param count in series, 1 to 40
 * @param eachF capacitance of one, 1e-7 to 0.1 F
 * @param eachRatedV that one bears, 10 to 10 000 V
 * @param leakSpreadA by how much the leakage of one may differ from another's, 0 to 0.1 A
 * @param resistorOhm equalising resistor across each, 1e3 to 1e7 Ω
 * @param resistorTolerance of it, 0 to 0.3
 * @param resistorRatedW that one bears, 0.1 to 500 W
 * @param bleederOhm across the whole bank, 1e3 to 1e9 Ω; absent where there is none
 */
public record Bank(
        int count,
        double eachF,
        double eachRatedV,
        double leakSpreadA,
        double resistorOhm,
        double resistorTolerance,
        double resistorRatedW,
        Optional<Double> bleederOhm) {
    public Bank {
        Checks checks = new Checks()
                .range("count", count, 1, 40, Unit.ONE)
                .range("eachF", eachF, 1e-7, 0.1, Unit.FARAD)
                .range("eachRatedV", eachRatedV, 10, 10_000, Unit.VOLT)
                .range("leakSpreadA", leakSpreadA, 0, 0.1, Unit.AMPERE)
                .range("resistorOhm", resistorOhm, 1e3, 1e7, Unit.OHM)
                .range("resistorTolerance", resistorTolerance, 0, 0.3, Unit.ONE)
                .range("resistorRatedW", resistorRatedW, 0.1, 500, Unit.WATT);
        bleederOhm.ifPresent(ohm -> checks.range("bleederOhm", ohm, 1e3, 1e9, Unit.OHM));
        checks.done();
    }

    /** Returns the capacitance of the whole bank, in farads. */
    public double wholeF() {
        return eachF / count;
    }

    /** Returns what the bleeder conducts, in siemens; 0 where there is none. */
    double bleederS() {
        return bleederOhm.map(ohm -> 1 / ohm).orElse(0.0);
    }

    /** Returns the energy that it holds at a voltage, in joules. */
    public double energyJ(double voltageV) {
        return 0.5 * wholeF() * voltageV * voltageV;
    }

    /** Returns the same with other capacitors. */
    Bank withEachF(double otherF) {
        return new Bank(
                count, otherF, eachRatedV, leakSpreadA, resistorOhm, resistorTolerance, resistorRatedW, bleederOhm);
    }

    /** Returns the same with other equalising resistors. */
    public Bank withResistorOhm(double ohm) {
        return new Bank(count, eachF, eachRatedV, leakSpreadA, ohm, resistorTolerance, resistorRatedW, bleederOhm);
    }
}
