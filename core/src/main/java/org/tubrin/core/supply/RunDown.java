package org.tubrin.core.supply;

import java.util.ArrayList;
import java.util.List;
import org.hipparchus.analysis.solvers.BrentSolver;
import org.tubrin.core.quantity.Because;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.station.Battery;

/**
 * How a battery runs down.
 *
 * <p>Method: the state of charge falls by {@code (I/C)·(I·H/C)^(k−1)} a second, with the average current I, the capacity C at
 * the rated hours H and Peukert's exponent k; at rates below the rated one k counts as 1. A charger or panel gives its current
 * back. The end comes when the voltage under <em>peak</em> current at the set's end of the lead falls to what the set needs,
 * or when no more may be drawn without harm. Source: W. Peukert, Elektrotechnische Zeitschrift 20 (1897); cells by customary
 * values. Limit: {@code t = H·(C/(I·H))^k} without the end voltage.
 *
 * @param runtimeS until the end; infinite where the charge does not fall
 * @param end what ends it
 * @param course from full to the end, in equal steps of time; one point where it never ends
 */
public record RunDown(double runtimeS, End end, List<Point> course) {
    private static final int STEPS = 48;
    private static final double CHARGE_SHARE = 1e-12;
    private static final int MOST_EVALUATIONS = 100;

    public RunDown {
        course = List.copyOf(course);
    }

    /** What ends it. */
    public enum End {
        /** Peaks pull the voltage below what the set needs. */
        VOLTAGE_AT_PEAK,
        /** No more may be drawn without harm. */
        CHARGE,
        /** It does not even carry the peak when full. */
        AT_ONCE,
        /** As much comes in as goes out. */
        NEVER
    }

    /**
     * A moment.
     *
     * @param atS since full
     * @param charge state, 0 to 1
     * @param restingV at the set, at the average current
     * @param peakV at the set, at peak current
     */
    public record Point(double atS, double charge, double restingV, double peakV) {}

    /**
     * What is drawn.
     *
     * @param averageA 0 to 1000 A
     * @param peakA from that to 1000 A
     * @param chargingA that a panel or charger gives meanwhile on average, 0 to 1000 A
     * @param endV that the set needs, 1 to 400 V
     * @param pathOhm of lead, fuse and connectors, out and back, 0 to 5 Ω
     * @param temperatureC of the battery, −30 to 60 °C
     */
    public record Use(
            double averageA, double peakA, double chargingA, double endV, double pathOhm, double temperatureC) {
        public Use {
            new Checks()
                    .range("averageA", averageA, 0, 1000, Unit.AMPERE)
                    .range("peakA", peakA, averageA, 1000, Unit.AMPERE, Because.AVERAGE_CURRENT)
                    .range("chargingA", chargingA, 0, 1000, Unit.AMPERE)
                    .range("endV", endV, 1, 400, Unit.VOLT)
                    .range("pathOhm", pathOhm, 0, 5, Unit.OHM)
                    .range("temperatureC", temperatureC, -30, 60, Unit.CELSIUS)
                    .done();
        }
    }

    /** Returns how a full battery runs down in use. */
    public static RunDown of(Battery battery, Use use) {
        CellLaw law = CellLaw.of(battery.chemistry());
        double perSecond = perSecond(battery, law, use);
        if (peakV(battery, law, use, 1) < use.endV()) {
            return new RunDown(0, End.AT_ONCE, List.of(point(battery, law, use, 0, 1)));
        }
        if (perSecond <= 0) {
            return new RunDown(Double.POSITIVE_INFINITY, End.NEVER, List.of(point(battery, law, use, 0, 1)));
        }
        double least = 1 - law.usable();
        double byVoltage = chargeAtEnd(battery, law, use);
        double endCharge = Math.max(least, byVoltage);
        double runtimeS = (1 - endCharge) / perSecond;
        List<Point> course = new ArrayList<>();
        for (int i = 0; i <= STEPS; i++) {
            double atS = runtimeS * i / STEPS;
            course.add(point(battery, law, use, atS, 1 - perSecond * atS));
        }
        return new RunDown(runtimeS, byVoltage > least ? End.VOLTAGE_AT_PEAK : End.CHARGE, course);
    }

    /** Share of the charge that is lost in a second; not above 0 where as much comes in. */
    private static double perSecond(Battery battery, CellLaw law, Use use) {
        double capacityC = battery.capacityC() * law.capacityShare(use.temperatureC());
        double ratedA = battery.capacityC() / (battery.ratedHours() * 3600);
        double faster = Math.max(1, use.averageA() / ratedA);
        double drawnC = use.averageA() * Math.pow(faster, law.peukert() - 1);
        return (drawnC - use.chargingA()) / capacityC;
    }

    /** The state of charge at which the peak pulls the voltage down to the end; 0 where none does. */
    private static double chargeAtEnd(Battery battery, CellLaw law, Use use) {
        if (peakV(battery, law, use, 0) >= use.endV()) {
            return 0;
        }
        return peakV(battery, law, use, 1) <= use.endV()
                ? 1
                : new BrentSolver(CHARGE_SHARE)
                        .solve(MOST_EVALUATIONS, charge -> peakV(battery, law, use, charge) - use.endV(), 0, 1);
    }

    private static double atTheSetV(Battery battery, CellLaw law, Use use, double charge, double currentA) {
        double ohm = battery.internalOhm() * law.resistanceFactor(use.temperatureC()) + use.pathOhm();
        return battery.cells() * law.openV(charge) - ohm * currentA;
    }

    private static double peakV(Battery battery, CellLaw law, Use use, double charge) {
        return atTheSetV(battery, law, use, charge, use.peakA());
    }

    private static Point point(Battery battery, CellLaw law, Use use, double atS, double charge) {
        return new Point(
                atS, charge, atTheSetV(battery, law, use, charge, use.averageA()), peakV(battery, law, use, charge));
    }
}
