package org.tubrin.core.station;

import java.util.Optional;
import org.tubrin.core.quantity.Because;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;

/**
 * A supply of direct current from the mains.
 *
 * @param name its name
 * @param type how it is built
 * @param voltageV at its terminals without load, as set, 1 to 400 V; within what it can be set to
 * @param sourceOhm by which its voltage falls with current, 0 to 5 Ω
 * @param continuousA current that it gives for ever, 0.1 to 1000 A
 * @param intermittentA current that it gives for a share of the time, from that to 1000 A
 * @param intermittentShare that share, 0.05 to 1, of ten minutes
 * @param efficiency output over mains power at its rating, 0.2 to 0.99
 * @param powerFactor at the mains, 0.3 to 1
 * @param idleW what it takes from the mains with nothing connected, 0 to 500 W
 * @param inrushPeakA at the mains at switch-on, 0.1 to 500 A; absent where not known
 * @param adjustable where it can be set; absent where it cannot
 * @param weightKg 0.05 to 500 kg; absent where not known
 * @param price in the station's own money, 0 to 100 000; absent where not known
 */
public record Supply(
        String name,
        Kind type,
        double voltageV,
        double sourceOhm,
        double continuousA,
        double intermittentA,
        double intermittentShare,
        double efficiency,
        double powerFactor,
        double idleW,
        Optional<Double> inrushPeakA,
        Optional<Adjustable> adjustable,
        Optional<Double> weightKg,
        Optional<Double> price)
        implements Equipment {

    /** How a supply is built. */
    public enum Kind {
        LINEAR,
        SWITCHING,
        BATTERY,
        /** A computer's, at 12 V. */
        COMPUTER,
        /** One made for lighting, without a screen. */
        LIGHTING
    }

    /**
     * Voltages without load that it can be set to.
     *
     * @param lowestV 1 to 400 V
     * @param highestV from that to 400 V
     */
    public record Adjustable(double lowestV, double highestV) {
        public Adjustable {
            new Checks()
                    .range("lowestV", lowestV, 1, 400, Unit.VOLT)
                    .range(
                            "highestV",
                            highestV,
                            Math.min(400, Math.max(1, lowestV)),
                            400,
                            Unit.VOLT,
                            Because.LOWEST_VOLTAGE)
                    .done();
        }
    }

    public Supply {
        Checks checks = new Checks()
                .name("name", name)
                .range(
                        "voltageV",
                        voltageV,
                        adjustable.map(Adjustable::lowestV).orElse(1.0),
                        adjustable.map(Adjustable::highestV).orElse(400.0),
                        Unit.VOLT)
                .range("sourceOhm", sourceOhm, 0, 5, Unit.OHM)
                .range("continuousA", continuousA, 0.1, 1000, Unit.AMPERE)
                .range(
                        "intermittentA",
                        intermittentA,
                        Math.min(1000, Math.max(0.1, continuousA)),
                        1000,
                        Unit.AMPERE,
                        Because.CONTINUOUS_CURRENT)
                .range("intermittentShare", intermittentShare, 0.05, 1, Unit.ONE)
                .range("efficiency", efficiency, 0.2, 0.99, Unit.ONE)
                .range("powerFactor", powerFactor, 0.3, 1, Unit.ONE)
                .range("idleW", idleW, 0, 500, Unit.WATT);
        inrushPeakA.ifPresent(peak -> checks.range("inrushPeakA", peak, 0.1, 500, Unit.AMPERE));
        weightKg.ifPresent(weight -> checks.range("weightKg", weight, 0.05, 500, Unit.KILOGRAM));
        price.ifPresent(one -> checks.range("price", one, 0, 100_000, Unit.ONE));
        checks.done();
    }

    /** Returns the lowest voltage that it can be set to; the one that it has where it cannot be set. */
    public double lowestV() {
        return adjustable.map(Adjustable::lowestV).orElse(voltageV);
    }

    /** Returns the highest voltage that it can be set to; the one that it has where it cannot be set. */
    public double highestV() {
        return adjustable.map(Adjustable::highestV).orElse(voltageV);
    }

    /** Returns what an ampere for ever costs, in the station's own money; empty where the price is not known. */
    public Optional<Double> pricePerAmpere() {
        return price.map(one -> one / continuousA);
    }

    @Override
    public <T> T in(Cases<T> cases) {
        return cases.supply(this);
    }
}
