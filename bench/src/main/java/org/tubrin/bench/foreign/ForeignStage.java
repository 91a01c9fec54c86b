package org.tubrin.bench.foreign;

import java.util.Arrays;
import java.util.Random;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.LUDecomposition;
import org.tubrin.core.practice.TrueStage;
import org.tubrin.core.station.Stage;
import org.tubrin.core.station.TankBand;
import org.tubrin.core.station.TwinConstants;
import org.tubrin.core.twin.Setting;

/**
 * Triodes driven at the cathode that the twin cannot express: {@link ForeignTube}s, several harmonics at plate and cathode, a cathode
 * circuit of low Q, a coil with a resonance of its own, plates of the capacitors that were cut, a supply that sags with a power of the
 * current, and drive, emission and load that drift while the key is down.
 *
 * <p>Method: harmonic balance; the fundamental, the drive and the supply by Newton's method with a Jacobian by differences, the
 * higher harmonics by substitution around it, half of the way each time, since
 * they are small. Source: as {@code TubeSolver}, with more than one harmonic; held against a circuit simulator by {@code
 * scripts/crosscheck foreign}.
 */
public final class ForeignStage implements TrueStage {
    private static final int POINTS = 64;
    private static final int HARMONICS = 4;
    private static final int NEWTONS = 40;
    private static final int ROUNDS = 30;
    private static final double SETTLED_V = 0.05;
    private static final double HARMONIC_SETTLED_V = 0.3;
    private static final double[] STEPS = {0.5, 0.5, 0.05, 0.5};
    /** A supply whose transformer saturates sags with this power of the current. */
    static final double SAG_POWER = 0.67;

    static final double SAME_SAG_A = 0.33;

    private static final double SAGGING_S = 0.8;
    private static final double HEATING_S = 6;
    private static final double COOLING_S = 20;

    private static final double[] COS = new double[POINTS];
    private static final double[] SIN = new double[POINTS];

    static {
        for (int n = 0; n < POINTS; n++) {
            COS[n] = Math.cos(2 * Math.PI * n / POINTS);
            SIN[n] = Math.sin(2 * Math.PI * n / POINTS);
        }
    }

    /**
     * What is different of one amplifier.
     *
     * @param tube the law of its tubes
     * @param biasV cathode bias that lets the resting current flow
     * @param cathodeQ loaded Q of the cathode's circuit
     * @param coilSelfShare resonance of the coil itself over the frequency, above 2
     * @param coilShare its inductance over the record's
     * @param qualityShare its quality over the record's
     * @param supplyShare the supply's voltage over the record's
     * @param sagShare how far it sags, over the record
     * @param driveSag share of it that goes in the first seconds of a key-down
     * @param emissionSag share of the emission that goes as the tubes heat
     * @param loadRise share by which the load rises while it heats
     * @param plateCut how far the capacitor of PLATE departs from its law, in marks at five places of the scale
     * @param loadCut the same of LOAD
     */
    record Difference(
            ForeignTube tube,
            double biasV,
            double cathodeQ,
            double coilSelfShare,
            double coilShare,
            double qualityShare,
            double supplyShare,
            double sagShare,
            double driveSag,
            double emissionSag,
            double loadRise,
            Cut plateCut,
            Cut loadCut) {}

    private final TwinConstants.CathodeDriven record;
    private final Stage.Tubes tubes;
    private final TankBand tank;
    private final Setting place;
    private final Difference differs;
    private final double omega;
    private final double loadOhm;
    private final double loadReactanceOhm;
    private final double openV;
    private final double[] z = new double[2 * (HARMONICS + 1)];
    private final double[] plateV = new double[2 * (HARMONICS + 1)];
    private final double[] gridV = new double[2 * (HARMONICS + 1)];
    private final double[] plateI = new double[2 * (HARMONICS + 1)];
    private final double[] cathodeI = new double[2 * (HARMONICS + 1)];
    private final double[] harmonicP = new double[POINTS];
    private final double[] harmonicG = new double[POINTS];
    /** The plate's phasor, the grid's drive, and the supply. */
    private final double[] x = new double[4];

    private boolean warm;
    private double tankEfficiency;
    private double sourceV;
    private double plateA;
    private double gridA;
    private double heatW;
    private double gridHeatW;
    private double keyedS;
    private double heated;

    ForeignStage(TwinConstants.CathodeDriven record, Stage.Tubes tubes, Setting setting, Difference differs) {
        this.record = record;
        this.tubes = tubes;
        this.differs = differs;
        place = setting;
        tank = record.tank(setting.band()).orElseThrow();
        omega = 2 * Math.PI * setting.frequencyHz();
        loadOhm = setting.loadOhm();
        loadReactanceOhm = setting.loadReactanceOhm();
        openV = record.supplyOpenV() * differs.supplyShare();
    }

    /** Returns a stage that is about what a record says, and belongs to a seed. */
    public static ForeignStage like(TwinConstants.CathodeDriven record, Stage.Tubes tubes, Setting setting, long seed) {
        Random random = new Random(seed);
        ForeignTube tube = ForeignTube.like(record.tube(), random);
        double supplyShare = 1 + 0.015 * random.nextGaussian();
        double restA = tubes.restingPlateCurrentA() * (1 + 0.06 * random.nextGaussian());
        Difference differs = new Difference(
                tube,
                biasFor(tube, restA / tubes.tubeCount(), tubes.plateVoltageRestDcV() * supplyShare),
                2 + 2 * random.nextDouble(),
                2.5 + 2.5 * random.nextDouble(),
                1 + 0.008 * random.nextGaussian(),
                0.8 + 0.35 * random.nextDouble(),
                supplyShare,
                0.85 + 0.4 * random.nextDouble(),
                0.06 * random.nextDouble(),
                0.05 * random.nextDouble(),
                0.02 * random.nextDouble(),
                new Cut(random),
                new Cut(random));
        return new ForeignStage(record, tubes, setting, differs);
    }

    /** Returns the bias at which a tube draws a current at rest: halving. */
    private static double biasFor(ForeignTube tube, double restA, double restV) {
        double low = 0;
        double high = 120;
        for (int i = 0; i < 60; i++) {
            double middle = (low + high) / 2;
            if (tube.cathodeA(-middle, restV - middle, 1) > restA) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return (low + high) / 2;
    }

    @Override
    public boolean settle(double driveW, double plate, double load) {
        tankEfficiency = impedances(plateF(plate), loadF(load));
        sourceV = 2 * Math.sqrt(2 * tank.driveShare() * driveW * driveShare() * record.cathodeInputOhm());
        if (!warm || !balanced()) {
            guess();
            warm = balanced();
        }
        return warm;
    }

    /** Returns it cold at a drive in watts and two places of the dials, which it settles at first, as a netlist for a circuit simulator. */
    public String netlist(double driveW, double plate, double load) {
        if (!settle(driveW, plate, load)) {
            throw new IllegalStateException("does not settle at " + driveW + " W, " + plate + ", " + load);
        }
        return ForeignNetlist.of(
                record, tubes, place, differs, driveW, plateF(plate), loadF(load), plateVoltageDcV(), plateA);
    }

    private void guess() {
        Arrays.fill(plateV, 0);
        Arrays.fill(gridV, 0);
        x[2] = sourceV / 2;
        x[3] = 0.92 * openV;
        double current =
                0.5 * tubes.tubeCount() * differs.tube().cathodeA(x[2] - differs.biasV(), x[3] / 4, emission());
        double swing = Math.min(0.8 * x[3], current * Math.hypot(z[2], z[3]));
        double size = Math.max(1e-9, Math.hypot(z[2], z[3]));
        x[0] = swing * z[2] / size;
        x[1] = swing * z[3] / size;
    }

    /** Balances fundamental and harmonics in turn; returns whether both came to rest. */
    private boolean balanced() {
        for (int round = 0; round < ROUNDS; round++) {
            waves();
            if (!newton()) {
                return false;
            }
            if (harmonics() < HARMONIC_SETTLED_V) {
                return true;
            }
        }
        return false;
    }

    /** Lays the higher harmonics of plate and grid over a cycle. */
    private void waves() {
        for (int n = 0; n < POINTS; n++) {
            double p = 0;
            double g = 0;
            for (int h = 2; h <= HARMONICS; h++) {
                int at = n * h % POINTS;
                p += plateV[2 * h] * COS[at] - plateV[2 * h + 1] * SIN[at];
                g += gridV[2 * h] * COS[at] - gridV[2 * h + 1] * SIN[at];
            }
            harmonicP[n] = p;
            harmonicG[n] = g;
        }
    }

    private boolean newton() {
        double[] residual = new double[4];
        double[] moved = new double[4];
        double[] from = new double[4];
        double merit = residual(x, residual);
        for (int i = 0; i < NEWTONS; i++) {
            if (merit < SETTLED_V * SETTLED_V) {
                return true;
            }
            double[][] jacobian = new double[4][4];
            for (int k = 0; k < 4; k++) {
                System.arraycopy(x, 0, from, 0, 4);
                from[k] += STEPS[k];
                residual(from, moved);
                for (int r = 0; r < 4; r++) {
                    jacobian[r][k] = (moved[r] - residual[r]) / STEPS[k];
                }
            }
            LUDecomposition lu = new LUDecomposition(new Array2DRowRealMatrix(jacobian, false), 1e-14);
            if (!lu.getSolver().isNonSingular()) {
                return false;
            }
            double[] step =
                    lu.getSolver().solve(new ArrayRealVector(residual, false)).toArray();
            double share = Math.min(
                    Math.min(1, 600 / Math.max(1e-9, Math.hypot(step[0], step[1]))),
                    Math.min(40 / Math.max(1e-9, Math.abs(step[2])), 400 / Math.max(1e-9, Math.abs(step[3]))));
            double next = Double.MAX_VALUE;
            for (int k = 0; k < 10; k++, share *= 0.5) {
                for (int c = 0; c < 4; c++) {
                    from[c] = x[c] - share * step[c];
                }
                from[2] = Math.max(from[2], x[2] / 10);
                next = residual(from, moved);
                if (next < merit) {
                    break;
                }
            }
            if (!(next < merit)) {
                return merit < 1;
            }
            System.arraycopy(from, 0, x, 0, 4);
            System.arraycopy(moved, 0, residual, 0, 4);
            merit = next;
        }
        return merit < 1;
    }

    /** What does not balance, in volts: the plate's circuit, the source, the supply; the currents over a cycle are left behind. */
    private double residual(double[] at, double[] into) {
        Arrays.fill(plateI, 0);
        Arrays.fill(cathodeI, 0);
        int count = tubes.tubeCount();
        double emission = emission();
        double heat = 0;
        double gridHeat = 0;
        for (int n = 0; n < POINTS; n++) {
            double g = at[2] * COS[n] + harmonicG[n] - differs.biasV();
            double p = at[3] - at[0] * COS[n] + at[1] * SIN[n] - harmonicP[n] + g;
            double ik = count * differs.tube().cathodeA(g, p, emission);
            double ip = ik * (1 - differs.tube().gridShare(g, p));
            heat += p * ip;
            gridHeat += g * (ik - ip);
            for (int h = 0; h <= HARMONICS; h++) {
                int to = n * h % POINTS;
                plateI[2 * h] += ip * COS[to];
                plateI[2 * h + 1] -= ip * SIN[to];
                cathodeI[2 * h] += ik * COS[to];
                cathodeI[2 * h + 1] -= ik * SIN[to];
            }
        }
        for (int h = 0; h <= HARMONICS; h++) {
            double share = (h == 0 ? 1.0 : 2.0) / POINTS;
            plateI[2 * h] *= share;
            plateI[2 * h + 1] *= share;
            cathodeI[2 * h] *= share;
            cathodeI[2 * h + 1] *= share;
        }
        plateA = plateI[0];
        gridA = cathodeI[0] - plateI[0];
        heatW = heat / POINTS / count;
        gridHeatW = gridHeat / POINTS / count;
        double feed = omega * count * differs.tube().plateCathodeF();
        double pRe = plateI[2] + feed * at[1];
        double pIm = plateI[3] + feed * (at[2] - at[0]);
        double kRe = cathodeI[2] + feed * at[1];
        double kIm = cathodeI[3] + feed * (at[2] - at[0]);
        into[0] = at[0] - (z[2] * pRe - z[3] * pIm);
        into[1] = at[1] - (z[2] * pIm + z[3] * pRe);
        double r = record.cathodeInputOhm();
        double reactance = tank.inputReactanceOhm();
        into[2] = Math.hypot(at[2] + r * kRe - reactance * kIm, r * kIm + reactance * kRe) - sourceV;
        into[3] = at[3] - supplyV(plateA);
        return into[0] * into[0] + into[1] * into[1] + 400 * into[2] * into[2] + into[3] * into[3];
    }

    /** Moves the harmonics half of the way to what the currents make of them; returns how far the furthest was off, in volts. */
    private double harmonics() {
        double off = 0;
        double r = record.cathodeInputOhm();
        double tankOhm = r / 2 / differs.cathodeQ();
        for (int h = 2; h <= HARMONICS; h++) {
            double re = z[2 * h] * plateI[2 * h] - z[2 * h + 1] * plateI[2 * h + 1];
            double im = z[2 * h] * plateI[2 * h + 1] + z[2 * h + 1] * plateI[2 * h];
            off = Math.max(off, toward(plateV, h, re, im));
            double reactance =
                    tank.inputReactanceOhm() > 0 ? h * tank.inputReactanceOhm() : tank.inputReactanceOhm() / h;
            double square = r * r + reactance * reactance;
            double yRe = r / square;
            double yIm = -reactance / square + (h - 1.0 / h) / tankOhm;
            double ySquare = yRe * yRe + yIm * yIm;
            // The cathode's current pulls the cathode up, and so the grid down against it.
            re = -(cathodeI[2 * h] * yRe + cathodeI[2 * h + 1] * yIm) / ySquare;
            im = -(cathodeI[2 * h + 1] * yRe - cathodeI[2 * h] * yIm) / ySquare;
            off = Math.max(off, toward(gridV, h, re, im));
        }
        return off;
    }

    private static double toward(double[] phasors, int h, double re, double im) {
        double off = Math.hypot(re - phasors[2 * h], im - phasors[2 * h + 1]);
        phasors[2 * h] = (phasors[2 * h] + re) / 2;
        phasors[2 * h + 1] = (phasors[2 * h + 1] + im) / 2;
        return off;
    }

    /** At a third of an ampere per tube as deep as the record's straight line, times its own share. */
    private double supplyV(double currentA) {
        double whole = SAME_SAG_A * tubes.tubeCount();
        return openV
                - differs.sagShare()
                        * record.supplySourceOhm()
                        * whole
                        * Math.pow(Math.max(0, currentA) / whole, SAG_POWER);
    }

    private double emission() {
        return 1 - differs.emissionSag() * heated;
    }

    private double plateF(double plate) {
        return record.plate().capacitanceF(tubes.plate(), differs.plateCut().behind(tubes.plate(), plate))
                + tank.platePadF();
    }

    private double loadF(double load) {
        return record.load().capacitanceF(tubes.load(), differs.loadCut().behind(tubes.load(), load)) + tank.loadPadF();
    }

    /** Sets what the plates see at each harmonic; returns the share of the fundamental that leaves the tank. */
    private double impedances(double plateF, double loadF) {
        double hot = loadOhm * (1 + differs.loadRise() * heated);
        double self = 1 / (differs.coilSelfShare() * differs.coilSelfShare());
        // At the fundamental the coil is the record's, whatever it does above.
        double coil = omega * tank.inductanceH() * differs.coilShare() * (1 - self);
        double quality = tank.unloadedQ() * differs.qualityShare();
        double efficiency = 0;
        for (int h = 1; h <= HARMONICS; h++) {
            double w = omega * h;
            double coilX = h * coil / (1 - h * h * self);
            double loss = omega * tank.inductanceH() * differs.coilShare() * Math.sqrt(h) / quality;
            double loadX = loadReactanceOhm * h;
            double square = hot * hot + loadX * loadX;
            double yRe = hot / square;
            double yIm = w * loadF - loadX / square;
            double ySquare = yRe * yRe + yIm * yIm;
            double branchRe = yRe / ySquare + loss;
            double branchIm = -yIm / ySquare + coilX;
            double branch = branchRe * branchRe + branchIm * branchIm;
            double allRe = branchRe / branch;
            double allIm = -branchIm / branch + w * plateF;
            double all = allRe * allRe + allIm * allIm;
            z[2 * h] = allRe / all;
            z[2 * h + 1] = -allIm / all;
            if (h == 1) {
                efficiency = yRe / ySquare / branchRe;
            }
        }
        return efficiency;
    }

    @Override
    public void forget() {
        warm = false;
    }

    @Override
    public boolean pass(double seconds, boolean keyed) {
        double toward = keyed ? 1 : 0;
        heated = toward + (heated - toward) * Math.exp(-seconds / (keyed ? HEATING_S : COOLING_S));
        keyedS = keyed ? keyedS + seconds : 0;
        return true;
    }

    @Override
    public double driveShare() {
        return 1 - differs.driveSag() * -Math.expm1(-keyedS / SAGGING_S);
    }

    @Override
    public double resonantPlate(double load) {
        double best = tubes.plate().least();
        double least = Double.MAX_VALUE;
        double loadF = loadF(load);
        int steps = 400;
        for (int i = 0; i <= steps; i++) {
            double plate = tubes.plate().least()
                    + (tubes.plate().most() - tubes.plate().least()) * i / steps;
            impedances(plateF(plate), loadF);
            double off = Math.abs(z[3]) / z[2];
            if (off < least) {
                least = off;
                best = plate;
            }
        }
        return best;
    }

    @Override
    public double outputW() {
        double feed = omega * tubes.tubeCount() * differs.tube().plateCathodeF();
        double pRe = plateI[2] + feed * x[1];
        double pIm = plateI[3] + feed * (x[2] - x[0]);
        return tankEfficiency * 0.5 * (x[0] * pRe + x[1] * pIm);
    }

    @Override
    public double plateVoltageDcV() {
        return x[3];
    }

    @Override
    public double plateCurrentA() {
        return plateA;
    }

    @Override
    public double gridCurrentA() {
        return gridA;
    }

    @Override
    public double screenCurrentA() {
        return 0;
    }

    @Override
    public double plateHeatPerTubeW() {
        return heatW;
    }

    @Override
    public double supplyOpenV() {
        return openV;
    }

    /** Returns what goes in, in watts, less all that it comes to: RF, heat of plates and grids, bias. */
    double unbalancedW() {
        double feed = omega * tubes.tubeCount() * differs.tube().plateCathodeF();
        double kRe = cathodeI[2] + feed * x[1];
        double in = 0.5 * x[2] * kRe;
        double harmonicLoss = 0;
        for (int h = 2; h <= HARMONICS; h++) {
            harmonicLoss += 0.5 * (plateV[2 * h] * plateI[2 * h] + plateV[2 * h + 1] * plateI[2 * h + 1]);
            in += 0.5 * (gridV[2 * h] * cathodeI[2 * h] + gridV[2 * h + 1] * cathodeI[2 * h + 1]);
        }
        double bias = differs.biasV() * (plateA + gridA);
        double heat = tubes.tubeCount() * (heatW + gridHeatW);
        return x[3] * plateA + in - outputW() / tankEfficiency - harmonicLoss - heat - bias;
    }
}
