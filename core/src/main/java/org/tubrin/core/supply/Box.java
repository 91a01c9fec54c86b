package org.tubrin.core.supply;

import java.util.Optional;
import org.tubrin.core.quantity.Because;
import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;

/** A box that a supply feeds. */
public sealed interface Box {

    /** Returns the name that the operator calls it by. */
    String name();

    /** Returns what it draws while nothing transmits, in amperes. */
    double restingA();

    /** Returns its fuse, in amperes; empty where not known. */
    Optional<Double> fuseA();

    /**
     * One that draws the same at all times: a computer, lights.
     *
     * @param currentA 0 to 200 A
     * @param fuseA 0.1 to 200 A
     * @param seriesDiodes in series with it, where it wants less voltage: a hand-held; absent for none
     */
    record Steady(String name, double currentA, Optional<Double> fuseA, Optional<SeriesDiodes> seriesDiodes)
            implements Box {
        public Steady {
            Checks checks = new Checks().name("name", name).range("currentA", currentA, 0, 200, Unit.AMPERE);
            fuseA.ifPresent(fuse -> checks.range("fuseA", fuse, 0.1, 200, Unit.AMPERE));
            checks.done();
        }

        @Override
        public double restingA() {
            return currentA;
        }
    }

    /**
     * One that transmits.
     *
     * @param profile as measured
     * @param leastV at which it still works as it should, 1 to 400 V
     * @param mostV that it bears, above that
     * @param fuseA 0.1 to 200 A
     * @param lower measured at another voltage, which shows how its output falls; absent where it was not
     */
    record Transmitting(
            String name,
            CurrentProfile profile,
            double leastV,
            double mostV,
            Optional<Double> fuseA,
            Optional<CurrentProfile> lower)
            implements Box {
        private static final double MOBILE_LEAST_V = 11.7;
        private static final double MOBILE_MOST_V = 15.8;
        private static final double LEAST_SHARE = 0.88;
        private static final double MOST_SHARE = 1.05;

        public Transmitting {
            Checks checks = new Checks()
                    .name("name", name)
                    .range("leastV", leastV, 1, 400, Unit.VOLT)
                    .range("mostV", mostV, leastV, 400, Unit.VOLT, Because.LOWEST_VOLTAGE);
            fuseA.ifPresent(fuse -> checks.range("fuseA", fuse, 0.1, 200, Unit.AMPERE));
            checks.done();
        }

        /**
         * Returns a set as measured, with what such sets customarily need and bear: 11.7 to 15.8 V where it is fed with 13.8 V, else
         * 12 % below and 5 % above the voltage that it was measured at. The maker's manual says better.
         */
        public static Transmitting customary(CurrentProfile profile) {
            boolean mobile = profile.voltageV() > 11 && profile.voltageV() < 17;
            return new Transmitting(
                    profile.set(),
                    profile,
                    mobile ? MOBILE_LEAST_V : LEAST_SHARE * profile.voltageV(),
                    mobile ? MOBILE_MOST_V : MOST_SHARE * profile.voltageV(),
                    Optional.empty(),
                    Optional.empty());
        }

        /** Returns how its greatest output falls with voltage: measured from two profiles, else assumed. */
        public OutputFall fall() {
            return lower.map(other -> OutputFall.between(profile, other)).orElseGet(() -> OutputFall.assumed(profile));
        }

        @Override
        public double restingA() {
            return profile.listeningA();
        }
    }
}
