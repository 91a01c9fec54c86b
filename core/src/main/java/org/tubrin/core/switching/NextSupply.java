package org.tubrin.core.switching;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * The next supply voltage: 3 dB of output above the last at most, that is √2 of its volts, less where a limit is nearer.
 *
 * @param supplyV in volts
 * @param because what governs
 */
public record NextSupply(double supplyV, Because because) {
    private static final double THREE_DECIBELS = Math.sqrt(2);
    /** Volts nearer than this tell nothing more. */
    private static final double WORTH_A_ROW = 1.04;

    private static final double AT_WANTED = 0.03;
    /** So much of the volts is no more than a supply's scale is set to. */
    private static final double SETTABLE = 0.01;

    /** What governs. */
    public enum Because {
        LEAST,
        THREE_DECIBELS,
        WANTED,
        RATED,
        CURRENT,
        TOP
    }

    /** Why no further voltage is tried. */
    public enum End {
        WANTED,
        RATED,
        CURRENT,
        TOP
    }

    /**
     * What a table goes up to.
     *
     * @param leastV lowest supply voltage at which the stage works
     * @param mostV highest
     * @param wantedW output at which the table ends
     * @param mostW output that is not to be passed
     * @param currentLimitA of the supply
     * @param atTop whether the supply's own scale stands at the highest voltage, whatever is read
     */
    public record Terms(
            double leastV, double mostV, Optional<Double> wantedW, double mostW, double currentLimitA, boolean atTop) {}

    /**
     * Returns the next voltage after rows with one number of modules, the last of which drew a current; empty at the end.
     *
     * @param lastA supply current of the last row, in amperes
     */
    public static Optional<NextSupply> of(Terms terms, List<SupplyRow> rows, double lastA) {
        if (rows.isEmpty()) {
            return Optional.of(new NextSupply(terms.leastV, Because.LEAST));
        }
        return end(terms, rows, lastA).isPresent() ? Optional.empty() : Optional.of(next(terms, rows, lastA));
    }

    /** Returns why no further voltage is tried; empty while one is. */
    public static Optional<End> end(Terms terms, List<SupplyRow> rows, double lastA) {
        if (rows.isEmpty()) {
            return Optional.empty();
        }
        SupplyRow last = rows.get(rows.size() - 1);
        double outputW = last.outputW().value();
        boolean isThere = terms.wantedW
                .filter(wanted -> Math.abs(outputW / wanted - 1) < AT_WANTED)
                .isPresent();
        if (isThere) {
            return Optional.of(End.WANTED);
        }
        NextSupply next = next(terms, rows, lastA);
        double lastV = last.supplyV().value();
        if (terms.atTop && next.supplyV > lastV) {
            return Optional.of(End.TOP);
        }
        boolean tells = next.because == Because.WANTED
                ? Math.abs(next.supplyV / lastV - 1) > SETTABLE
                : next.supplyV > WORTH_A_ROW * lastV;
        return tells
                ? Optional.empty()
                : Optional.of(
                        switch (next.because) {
                            case WANTED -> End.WANTED;
                            case RATED -> End.RATED;
                            case CURRENT -> End.CURRENT;
                            case LEAST, THREE_DECIBELS, TOP -> End.TOP;
                        });
    }

    private static NextSupply next(Terms terms, List<SupplyRow> rows, double lastA) {
        SupplyRow last = rows.get(rows.size() - 1);
        double lastV = last.supplyV().value();
        double outputW = Math.max(last.outputW().value(), 1e-6);
        double surelyW = outputW + last.outputW().halfWidth95();
        NextSupply rung = new NextSupply(THREE_DECIBELS * lastV, Because.THREE_DECIBELS);
        NextSupply rated = new NextSupply(lastV * Math.sqrt(terms.mostW / surelyW), Because.RATED);
        // Into one load the current goes with the volts.
        NextSupply current = lastA > 0
                ? new NextSupply(lastV * terms.currentLimitA / lastA, Because.CURRENT)
                : new NextSupply(Double.MAX_VALUE, Because.CURRENT);
        NextSupply wanted = terms.wantedW
                .map(watt -> new NextSupply(
                        Math.max(terms.leastV, lastV * Math.sqrt(Math.min(watt, terms.mostW) / outputW)),
                        Because.WANTED))
                .orElse(new NextSupply(Double.MAX_VALUE, Because.WANTED));
        NextSupply top = new NextSupply(terms.mostV, Because.TOP);
        return List.of(wanted, rated, current, top, rung).stream()
                .min(Comparator.comparingDouble(NextSupply::supplyV))
                .orElseThrow();
    }
}
