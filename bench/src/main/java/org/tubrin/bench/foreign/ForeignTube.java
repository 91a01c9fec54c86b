package org.tubrin.bench.foreign;

import java.util.Locale;
import java.util.Random;
import org.tubrin.core.device.TriodeLaw;

/**
 * One triode by a law of its own: a power of the control voltage that is not three halves, a current that saturates, and a division
 * between grid and plate by a table.
 *
 * <p>Method: {@code e = g + p/μ} softened over {@code w}, {@code I = K·e^n/√(1 + (K·e^n/Is)²)}; for {@code g > 0} the grid takes a share
 * that is read off a table over {@code log(p/g)}, on straight lines. Source: our own; what is common to it and the twin's law is that
 * more voltage is more current.
 */
final class ForeignTube {
    /** Plate over grid voltage at the places of the table; below the first the share is that of the first. */
    private static final double[] RATIOS = {0.1, 0.3, 1, 3, 10, 30, 100, 300, 1000};

    private static final double[] SHARES = {0.93, 0.82, 0.6, 0.37, 0.2, 0.11, 0.06, 0.035, 0.02};

    /** Where this law and the known one agree, in volts of {@code e}: about the crest at half drive. */
    private static final double SAME_AT_V = 80;

    private static final double LEAST_G_V = 1e-6;

    private final double perveance;
    private final double amplificationFactor;
    private final double exponent;
    private final double saturationA;
    private final double softV;
    private final double[] gridShares;
    private final double plateCathodeF;

    private ForeignTube(
            double perveance,
            double amplificationFactor,
            double exponent,
            double saturationA,
            double softV,
            double[] gridShares,
            double plateCathodeF) {
        this.perveance = perveance;
        this.amplificationFactor = amplificationFactor;
        this.exponent = exponent;
        this.saturationA = saturationA;
        this.softV = softV;
        this.gridShares = gridShares;
        this.plateCathodeF = plateCathodeF;
    }

    /** Returns a tube that does about what the known one does, and nothing of it the same way. */
    static ForeignTube like(TriodeLaw known, Random random) {
        double exponent = 1.3 + 0.4 * random.nextDouble();
        double[] shares = new double[SHARES.length];
        double tilt = 1 + 0.15 * random.nextGaussian();
        for (int i = 0; i < shares.length; i++) {
            shares[i] = Math.min(0.97, SHARES[i] * tilt * (1 + 0.06 * random.nextGaussian()));
        }
        double sameA = known.perveanceAPerV15() * Math.pow(SAME_AT_V, 1.5);
        return new ForeignTube(
                sameA / Math.pow(SAME_AT_V, exponent),
                known.amplificationFactor() * (1 + 0.05 * random.nextGaussian()),
                exponent,
                (2.2 + 1.5 * random.nextDouble()) * sameA,
                3 + 9 * random.nextDouble(),
                shares,
                known.plateCathodeF());
    }

    /** Returns the current of the cathode at a share of the emission, in amperes; grid and plate voltage against the cathode. */
    double cathodeA(double g, double p, double emission) {
        double e = g + p / amplificationFactor;
        double soft = 0.5 * (e + Math.sqrt(e * e + softV * softV));
        double free = perveance * Math.pow(soft, exponent);
        double most = saturationA * emission;
        return free / Math.sqrt(1 + free * free / (most * most));
    }

    /** Returns the share of the cathode's current that the grid takes. */
    double gridShare(double g, double p) {
        if (g < LEAST_G_V) {
            return 0;
        }
        double ratio = p / g;
        if (ratio <= RATIOS[0]) {
            return gridShares[0];
        }
        for (int i = 1; i < RATIOS.length; i++) {
            if (ratio < RATIOS[i]) {
                double way = Math.log(ratio / RATIOS[i - 1]) / Math.log(RATIOS[i] / RATIOS[i - 1]);
                return gridShares[i - 1] + way * (gridShares[i] - gridShares[i - 1]);
            }
        }
        return gridShares[RATIOS.length - 1];
    }

    /** Returns the same as functions of a netlist, for so many tubes with whole emission: {@code whole(g,p)} and {@code share(g,p)}. */
    String functions(int count) {
        StringBuilder table = new StringBuilder();
        for (int i = 0; i < RATIOS.length; i++) {
            table.append(String.format(Locale.ROOT, ", %.9g, %.9g", Math.log(RATIOS[i]), gridShares[i]));
        }
        return String.format(
                Locale.ROOT,
                """
                .func soft(e) {0.5*(e + sqrt(e*e + %1$.9g))}
                .func free(g, p) {%2$.9g*pow(soft(g + p/%3$.9g), %4$.9g)}
                .func whole(g, p) {%5$d*free(g, p)/sqrt(1 + free(g, p)*free(g, p)/%6$.9g)}
                .func place(g, p) {max(%7$.9g, min(%8$.9g, ln(max(p, 1e-6)/max(g, 1e-6))))}
                .func share(g, p) {g > 1e-6 ? pwl(place(g, p)%9$s) : 0}
                """,
                softV * softV,
                perveance,
                amplificationFactor,
                exponent,
                count,
                saturationA * saturationA,
                Math.log(RATIOS[0]),
                Math.log(RATIOS[RATIOS.length - 1]),
                table);
    }

    /** Returns the capacitance from plate to cathode, in farads. */
    double plateCathodeF() {
        return plateCathodeF;
    }
}
