package org.tubrin.core.supply;

import java.util.ArrayList;
import java.util.List;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.ErrorSource;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;

/**
 * The voltage from a supply's terminals down to a set, at one moment.
 *
 * <p>Method: {@code V = V0 − Iall·Rsupply − I·(Rlead + Rfuse + Rconnectors + Rlead)}, the lead out and back apart; the uncertainty
 * of the current runs through every fall, and every resistance is taken to a tenth.
 *
 * @param treads from the terminals without load down to the set, each with the voltage behind it
 */
public record VoltageStair(List<Tread> treads) {
    /** Standard uncertainty of a resistance, as a share. */
    static final double RESISTANCE_SHARE = 0.1;

    public VoltageStair {
        treads = List.copyOf(treads);
    }

    /** Where voltage is lost. */
    public enum Cause {
        TERMINALS,
        REGULATION,
        LEAD_OUT,
        FUSE,
        CONNECTORS,
        LEAD_BACK
    }

    /**
     * A tread.
     *
     * @param cause what lies before it
     * @param fallV lost there
     * @param behindV what is left
     */
    public record Tread(Cause cause, Quantity fallV, Quantity behindV) {}

    /**
     * Returns the stair of a path.
     *
     * @param openV at the terminals without load
     * @param supplyA drawn from the supply by all that it feeds
     * @param setA of that, what flows through the lead
     * @param path resistances in ohms
     */
    public static VoltageStair of(Quantity openV, Quantity supplyA, Quantity setA, Path path) {
        List<Tread> treads = new ArrayList<>();
        Quantity left = openV;
        treads.add(new Tread(Cause.TERMINALS, Quantity.exact(0, Unit.VOLT, Standing.COMPUTED), openV));
        for (Path.Part part : path.parts()) {
            Quantity ohm = Quantity.of(
                    part.ohm(),
                    Unit.OHM,
                    Standing.ASSUMED,
                    new ErrorSource("path", part.cause().name(), ""),
                    RESISTANCE_SHARE * part.ohm());
            Quantity fall = (part.cause() == Cause.REGULATION ? supplyA : setA).times(ohm, Unit.VOLT);
            left = left.minus(fall);
            treads.add(new Tread(part.cause(), fall, left));
        }
        return new VoltageStair(treads);
    }

    /** Returns the voltage at the set. */
    public Quantity atTheSetV() {
        return treads.get(treads.size() - 1).behindV();
    }

    /** Returns the tread at which most is lost. */
    public Tread steepest() {
        Tread steepest = treads.get(0);
        for (Tread tread : treads) {
            steepest = tread.fallV().value() > steepest.fallV().value() ? tread : steepest;
        }
        return steepest;
    }

    /**
     * What lies between terminals and set.
     *
     * @param supplyOhm the supply's own, 0 to 5 Ω
     * @param conductor out and back
     * @param fuseOhm fuse and its holder, 0 to 1 Ω
     * @param connectorsOhm all of them, 0 to 1 Ω
     */
    public record Path(double supplyOhm, Conductor conductor, double fuseOhm, double connectorsOhm) {
        public Path {
            new Checks()
                    .range("supplyOhm", supplyOhm, 0, 5, Unit.OHM)
                    .range("fuseOhm", fuseOhm, 0, 1, Unit.OHM)
                    .range("connectorsOhm", connectorsOhm, 0, 1, Unit.OHM)
                    .done();
        }

        private record Part(Cause cause, double ohm) {}

        private List<Part> parts() {
            return List.of(
                    new Part(Cause.REGULATION, supplyOhm),
                    new Part(Cause.LEAD_OUT, conductor.oneWayOhm()),
                    new Part(Cause.FUSE, fuseOhm),
                    new Part(Cause.CONNECTORS, connectorsOhm),
                    new Part(Cause.LEAD_BACK, conductor.oneWayOhm()));
        }

        /** Returns the same with another conductor. */
        public Path with(Conductor other) {
            return new Path(supplyOhm, other, fuseOhm, connectorsOhm);
        }
    }
}
