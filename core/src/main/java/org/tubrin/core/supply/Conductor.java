package org.tubrin.core.supply;

import java.util.List;
import java.util.function.DoublePredicate;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.ErrorSource;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;

/**
 * Two copper conductors, out and back.
 *
 * <p>Source: copper 0.0175 Ω·mm²/m at 20 °C, +0.39 % for each kelvin. The current that a cross-section carries for ever is
 * taken from a square-root-of-heat law through customary values for two single conductors in free air at 30 °C with 70 °C
 * insulation ({@code 13.5 A·(area/mm²)^0.625}), lowered by {@code √((70 − ϑ)/40)} for other surroundings: our own, to choose by;
 * local tables prevail.
 *
 * @param lengthM of the route, one way, 0.01 to 200 m
 * @param areaM2 cross-section of each conductor, 1e-7 to 2.4e-4 m²
 * @param temperatureC of the conductor, −40 to 90 °C
 */
public record Conductor(double lengthM, double areaM2, double temperatureC) {
    private static final double RESISTIVITY_OHM_M = 1.75e-8;
    private static final double PER_K = 0.0039;
    private static final double REFERENCE_C = 20;
    private static final double INSULATION_C = 70;
    private static final double TABLE_RISE_K = 40;
    private static final double SQUARE_MILLIMETRE = 1e-6;
    private static final double CARRIES_A = 13.5;
    private static final double CARRIES_EXPONENT = 0.625;
    /** Standard uncertainty of what it carries, as a share: tables for the same cross-section differ by so much. */
    private static final double CARRIES_SHARE = 0.1;

    /** Cross-sections that are sold, in m². */
    public static final List<Double> STANDARD_M2 =
            List.of(0.75e-6, 1e-6, 1.5e-6, 2.5e-6, 4e-6, 6e-6, 10e-6, 16e-6, 25e-6, 35e-6, 50e-6, 70e-6);

    public Conductor {
        new Checks()
                .range("lengthM", lengthM, 0.01, 200, Unit.METRE)
                .range("areaM2", areaM2, 1e-7, 2.4e-4, Unit.SQUARE_METRE)
                .range("temperatureC", temperatureC, -40, 90, Unit.CELSIUS)
                .done();
    }

    /** Returns the resistance of one of the two, in ohms. */
    public double oneWayOhm() {
        return lengthM * RESISTIVITY_OHM_M / areaM2 * (1 + PER_K * (temperatureC - REFERENCE_C));
    }

    /** Returns the fall of voltage out and back at a current in amperes. */
    public double dropV(double currentA) {
        return 2 * oneWayOhm() * currentA;
    }

    /** Returns the heat of both at a current in amperes. */
    public double heatW(double currentA) {
        return dropV(currentA) * currentA;
    }

    /** Returns the current that it carries for ever in surroundings of a temperature in °C; 0 where they are as hot as it may get. */
    public Quantity carriesA(double ambientC) {
        double share = Math.sqrt(Math.max(0, INSULATION_C - ambientC) / TABLE_RISE_K);
        double ampere = CARRIES_A * Math.pow(areaM2 / SQUARE_MILLIMETRE, CARRIES_EXPONENT) * share;
        return Quantity.of(
                ampere, Unit.AMPERE, Standing.ASSUMED, new ErrorSource("lead", "carries", ""), CARRIES_SHARE * ampere);
    }

    /** Returns the same of another cross-section. */
    public Conductor of(double otherAreaM2) {
        return new Conductor(lengthM, otherAreaM2, temperatureC);
    }

    /** What decides a cross-section. */
    public enum Rule {
        DROP,
        CURRENT,
        /** The fuse before it: it must blow before the lead is hot. */
        FUSE
    }

    /**
     * A cross-section to take.
     *
     * @param areaM2 the least standard one that serves
     * @param governs what asks for it
     * @param serves whether any standard one does; else the largest stands here
     */
    public record Choice(double areaM2, Rule governs, boolean serves) {}

    /**
     * Returns the least standard cross-section for a route by drop, by current and by the fuse before it.
     *
     * @param peakA for the drop
     * @param averageA over ten minutes, for the heat
     * @param mostDropV out and back
     * @param ambientC of the surroundings
     * @param fuseA of the fuse in it
     */
    public Choice choice(double peakA, double averageA, double mostDropV, double ambientC, double fuseA) {
        double byDrop = least(area -> of(area).dropV(peakA) <= mostDropV);
        double byCurrent = least(area -> of(area).carriesA(ambientC).value() >= averageA);
        double byFuse = least(area -> of(area).carriesA(ambientC).value() >= fuseA);
        double most = STANDARD_M2.get(STANDARD_M2.size() - 1);
        double area = Math.max(byDrop, Math.max(byCurrent, byFuse));
        Rule governs = byDrop >= area ? Rule.DROP : byCurrent >= area ? Rule.CURRENT : Rule.FUSE;
        return new Choice(Math.min(area, most), governs, area <= most);
    }

    private static double least(DoublePredicate serves) {
        return STANDARD_M2.stream()
                .filter(area -> serves.test(area))
                .findFirst()
                .orElse(Double.POSITIVE_INFINITY);
    }
}
