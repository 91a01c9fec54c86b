package org.tubrin.core.twin;

/**
 * A tube stage in the inner loops, by harmonic balance with one harmonic: set, settled and read again and again, in place, one
 * thread.
 *
 * <p>Method: the currents over a cycle come from the tube's law at N equal points, their fundamental from a discrete Fourier sum;
 * Newton's method with the Jacobian summed in the same loop ({@link TubeEquations}); from the last solution where there is one,
 * else from a guess, else with the load walked from nearly nothing to what it is. Source: M. S. Nakhla, J. Vlach, "A piecewise
 * harmonic balance technique for determination of periodic response of nonlinear systems", IEEE Trans. Circuits Syst. 23 (1976)
 * 85–91, cut down to the fundamental. Cost: one pass of N points a step; about three steps from a neighbour, six from nothing.
 */
final class TubeSolver {
    /** The supply of a stage under drive sags about this far. */
    private static final double LIKELY_SAGGED = 0.92;

    private static final double FIRST_LOAD_SHARE = 0.02;
    /** How much the load's share grows by at first, after a step that settled, and after one that did not. */
    private static final double FIRST_GROWTH = 0.7;

    private static final double FASTER = 1.7;
    private static final double SLOWER = 0.3;
    private static final double LEAST_GROWTH = 1e-4;
    private static final int MOST_AT_REST = 60;

    private final TubeEquations equations;
    private final int n;
    private final int supply;
    private final DampedNewton newton;
    private final Stride stride;
    private final double[] x;
    private final double[] kept;
    private boolean warm;
    private boolean held;
    private TubePoint.Rung rung = TubePoint.Rung.COLD;
    private int iterations;
    private double merit;

    TubeSolver(TubeEquations equations) {
        this.equations = equations;
        n = equations.unknowns();
        supply = n - 1;
        newton = new DampedNewton(n);
        stride = new Stride(n);
        x = new double[n];
        kept = new double[n];
    }

    /**
     * Solves for an operating point, from the last solution where there is one.
     *
     * @param plateOhm resistance that the plates see at the fundamental
     * @param plateReactanceOhm reactance that they see
     * @param driveShare share of the drive that the input network passes on
     * @param inputReactanceOhm what it leaves unmatched
     * @param frequencyHz for the feedback capacitance
     * @param driveW at the socket
     * @return whether it settled
     */
    boolean settle(
            double plateOhm,
            double plateReactanceOhm,
            double driveShare,
            double inputReactanceOhm,
            double frequencyHz,
            double driveW) {
        equations.load(plateOhm, plateReactanceOhm);
        equations.drive(driveShare, inputReactanceOhm, frequencyHz, driveW);
        iterations = 0;
        if (driveW == 0) {
            return rest();
        }
        if (warm) {
            rung = TubePoint.Rung.WARM;
            stride.guess(x);
            if (newton()) {
                return true;
            }
        }
        rung = TubePoint.Rung.COLD;
        x[supply] = likelyV();
        equations.guess(x);
        warm = newton() || continued(plateOhm, plateReactanceOhm);
        return warm;
    }

    private double likelyV() {
        return held ? equations.openV() : LIKELY_SAGGED * equations.openV();
    }

    private boolean newton() {
        boolean settled = newton.run(equations, x);
        iterations += newton.steps();
        merit = newton.merit();
        return settled;
    }

    /** Walks the load from nearly nothing to what it is. */
    private boolean continued(double wholeOhm, double wholeReactanceOhm) {
        rung = TubePoint.Rung.CONTINUED;
        kept[supply] = likelyV();
        equations.unloaded(kept);
        double reached = 0;
        double growth = FIRST_LOAD_SHARE;
        boolean settled = false;
        while (!settled && growth > LEAST_GROWTH) {
            double next = Math.min(1, reached == 0 ? growth : reached * (1 + growth));
            equations.load(wholeOhm * next, wholeReactanceOhm * next);
            System.arraycopy(kept, 0, x, 0, n);
            if (newton()) {
                reached = next;
                growth = reached == FIRST_LOAD_SHARE ? FIRST_GROWTH : growth * FASTER;
                System.arraycopy(x, 0, kept, 0, n);
                settled = next == 1;
            } else {
                growth *= SLOWER;
            }
        }
        equations.load(wholeOhm, wholeReactanceOhm);
        return settled;
    }

    /** No drive: the supply and the resting current alone. */
    private boolean rest() {
        rung = TubePoint.Rung.REST;
        warm = false;
        equations.unloaded(x);
        x[supply] = equations.openV();
        for (iterations = 0; iterations < MOST_AT_REST; iterations++) {
            merit = equations.evaluate(x);
            double offV = equations.residual()[supply];
            if (offV * offV < DampedNewton.SETTLED_V2) {
                return true;
            }
            x[supply] -= offV / equations.jacobian()[n * n - 1];
        }
        return false;
    }

    /** Says that the points to come are equal strides, so that each is guessed on the line through the last two. */
    void stride() {
        stride.begin();
    }

    /** Forgets the last solution, so that the next point is found from nothing. */
    void forget() {
        warm = false;
        stride.end();
    }

    /** Holds the plate voltage at a value from now on, in volts, or lets the supply sag again for 0. */
    void holdPlateVoltage(double volt) {
        held = volt > 0;
        equations.holdPlateVoltage(volt);
    }

    /** Settles from now on where what does not balance is below so many volts. */
    void settleWithin(double volt) {
        newton.settleWithin(volt * volt);
    }

    double plateRfW() {
        return equations.plateRfW(x);
    }

    double plateVoltageDcV() {
        return x[supply];
    }

    double plateCurrentA() {
        return equations.plateCurrentA();
    }

    double gridCurrentA() {
        return equations.gridCurrentA();
    }

    double screenCurrentA() {
        return equations.screenCurrentA();
    }

    double plateHeatPerTubeW() {
        return equations.plateHeatPerTubeW();
    }

    /** Returns the peak RF voltage at the plate. */
    double platePeakV() {
        return Math.sqrt(x[0] * x[0] + x[1] * x[1]);
    }

    /** Returns the angle of the plate's RF against the source's, in radians. */
    double plateAngleRad() {
        return equations.plateAngleRad(x);
    }

    /** Returns the settled point in full. */
    TubePoint point(double tankEfficiency, double voltageRatio, double plateCapacitorRmsAPerV) {
        return equations.point(x, tankEfficiency, voltageRatio, plateCapacitorRmsAPerV, report());
    }

    TubePoint.Report report() {
        return new TubePoint.Report(rung, iterations, Math.sqrt(merit));
    }
}
