package org.tubrin.core.twin;

import java.util.OptionalDouble;
import org.tubrin.core.device.TetrodeLaw;
import org.tubrin.core.station.TwinConstants;

/**
 * Tetrodes driven at a swamped control grid: the grid's drive is known from the swamping resistor and no path leads from input to
 * output, so the unknowns are the plate's phasor {@code a + jb} and the supply {@code Vdc}.
 */
final class GridEquations implements TubeEquations {
    private static final double GRID_DEAD_V = 1e-9;
    private final TetrodeLaw tube;
    private final int tubeCount;
    private final double perveance;
    private final double biasV;
    private final double screenV;
    private final double openV;
    private final double sourceOhm;
    private final double swampOhm;
    private final double[] cos;
    private final double[] sin;
    private final double[] residual = new double[3];
    private final double[] jacobian = new double[9];

    private double zRe;
    private double zIm;
    private double driveW;
    private double gridPeakV;
    private double share;
    private double inputX;
    private double heldV;
    private double plateA;
    private double screenA;
    private double gridA;
    private double plateRe;
    private double plateIm;
    private double gridRe;
    private double plateHeatW;
    private double gridHeatW;

    GridEquations(TwinConstants.GridDriven constants, int tubeCount, int points) {
        tube = constants.tube();
        this.tubeCount = tubeCount;
        perveance = tubeCount * tube.perveanceAPerV15();
        biasV = constants.gridBiasV();
        screenV = constants.screenV();
        openV = constants.supplyOpenV();
        sourceOhm = constants.supplySourceOhm();
        swampOhm = constants.swampOhm();
        cos = Cycle.cosines(points);
        sin = Cycle.sines(points);
    }

    @Override
    public int unknowns() {
        return 3;
    }

    @Override
    public void load(double re, double im) {
        zRe = re;
        zIm = im;
    }

    @Override
    public void drive(double driveShare, double inputReactanceOhm, double frequencyHz, double drive) {
        share = driveShare;
        inputX = inputReactanceOhm;
        driveW = drive;
        gridPeakV = Math.sqrt(2 * swampOhm * driveShare * drive);
    }

    @Override
    public void holdPlateVoltage(double volt) {
        heldV = volt;
    }

    @Override
    public double openV() {
        return heldV > 0 ? heldV : openV;
    }

    @Override
    public void unloaded(double[] x) {
        x[0] = 0;
        x[1] = 0;
    }

    @Override
    public void guess(double[] x) {
        unloaded(x);
    }

    @Override
    public double evaluate(double[] at) {
        final double a = at[0];
        final double b = at[1];
        final double vdc = at[2];
        final double bySc = screenV / tube.screenFactor();
        final double inverseMu = 1 / tube.plateFactor();
        final double rounding = tube.plateRoundingV();
        double i0 = 0, iC = 0, iS = 0, s0 = 0, g0 = 0, gC = 0;
        double p0 = 0, pC = 0, pS = 0, pCC = 0, pCS = 0, heat = 0, gridHeat = 0;
        for (int n = 0; n < cos.length; n++) {
            double c = cos[n];
            double s = sin[n];
            double g = biasV + gridPeakV * c;
            double p = vdc - a * c + b * s;
            double e = g + bySc + p * inverseMu;
            if (e <= 0) {
                continue;
            }
            double root = perveance * Math.sqrt(e);
            double ik = e * root;
            double dIk = 1.5 * root * inverseMu;
            double u = 0;
            double du = 0;
            if (p >= rounding) {
                u = p;
                du = 1;
            } else if (p > -rounding) {
                u = (p + rounding) * (p + rounding) / (4 * rounding);
                du = (p + rounding) / (2 * rounding);
            }
            double beyond = ik;
            double dBeyond = dIk;
            if (g > GRID_DEAD_V) {
                double ge = g * g / (g + tube.gridOnsetV());
                double q = Math.sqrt(ge * (u + tube.gridKneeRatio() * ge));
                double toRest = tube.gridDivision() * u;
                double whole = 1 / (toRest + q);
                double part = toRest * whole;
                double dPart = tube.gridDivision() * whole * (1 - part) - part * whole * ge * 0.5 / q;
                beyond = ik * part;
                dBeyond = dIk * part + ik * dPart * du;
                double ig = ik - beyond;
                g0 += ig;
                gC += ig * c;
                gridHeat += g * ig;
            }
            double r = u / screenV;
            double rootR = Math.sqrt(r);
            double below = r * rootR + tube.kneeOffset();
            double ratio = tube.screenDivision() * r * r / below;
            double dRatio = tube.screenDivision() * r * (2 * below - 1.5 * r * rootR) / (below * below) * du / screenV;
            double onePlus = 1 / (1 + ratio);
            double ip = beyond * ratio * onePlus;
            double byP = dBeyond * ratio * onePlus + beyond * dRatio * onePlus * onePlus;
            i0 += ip;
            iC += ip * c;
            iS += ip * s;
            s0 += beyond - ip;
            heat += p * ip;
            p0 += byP;
            pC += byP * c;
            pS += byP * s;
            pCC += byP * c * c;
            pCS += byP * c * s;
        }
        double one = 1.0 / cos.length;
        double two = 2 * one;
        plateA = i0 * one;
        screenA = s0 * one;
        gridA = g0 * one;
        gridRe = two * gC;
        plateRe = two * iC;
        plateIm = -two * iS;
        plateHeatW = heat * one / tubeCount;
        gridHeatW = gridHeat * one / tubeCount;
        double reA = -two * pCC, reB = two * pCS, reV = two * pC;
        double imA = two * pCS, imB = -two * (p0 - pCC), imV = -two * pS;
        double[] j = jacobian;
        j[0] = 1 - (zRe * reA - zIm * imA);
        j[1] = -(zRe * reB - zIm * imB);
        j[2] = -(zRe * reV - zIm * imV);
        j[3] = -(zRe * imA + zIm * reA);
        j[4] = 1 - (zRe * imB + zIm * reB);
        j[5] = -(zRe * imV + zIm * reV);
        boolean held = heldV > 0;
        double ohm = held ? 0 : sourceOhm * one;
        j[6] = -ohm * pC;
        j[7] = ohm * pS;
        j[8] = 1 + ohm * p0;
        residual[0] = a - (zRe * plateRe - zIm * plateIm);
        residual[1] = b - (zRe * plateIm + zIm * plateRe);
        residual[2] = vdc - (held ? heldV : openV) + ohm * i0;
        return residual[0] * residual[0] + residual[1] * residual[1] + residual[2] * residual[2];
    }

    @Override
    public double[] residual() {
        return residual;
    }

    @Override
    public double[] jacobian() {
        return jacobian;
    }

    @Override
    public double allowed(double[] step) {
        double swing = Math.sqrt(step[0] * step[0] + step[1] * step[1]);
        return Math.min(Math.min(1, 1500 / Math.max(1e-9, swing)), 600 / Math.max(1e-9, Math.abs(step[2])));
    }

    @Override
    public void bound(double[] to, double[] from) {}

    @Override
    public double plateRfW(double[] x) {
        return 0.5 * (x[0] * plateRe + x[1] * plateIm);
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
        return screenA;
    }

    @Override
    public double plateHeatPerTubeW() {
        return plateHeatW;
    }

    @Override
    public double plateAngleRad(double[] x) {
        return Math.atan2(x[1], x[0]);
    }

    @Override
    public TubePoint point(
            double[] x,
            double tankEfficiency,
            double voltageRatio,
            double plateCapacitorRmsAPerV,
            TubePoint.Report report) {
        double swing = Math.sqrt(x[0] * x[0] + x[1] * x[1]);
        double plateRf = plateRfW(x);
        double output = tankEfficiency * plateRf;
        double input = x[2] * plateA;
        double screenInput = screenV * screenA;
        double taken = 0.5 * gridPeakV * gridRe;
        double bias = -biasV * gridA;
        TubePoint.Powers powers = new TubePoint.Powers(
                input,
                driveW,
                taken,
                0,
                plateRf,
                output,
                plateRf - output,
                plateHeatW,
                gridHeatW,
                screenInput / tubeCount,
                screenInput,
                bias,
                input + taken - plateRf - tubeCount * (plateHeatW + gridHeatW) - bias);
        double reflection = share * Math.abs(inputX) / Math.sqrt(4 * swampOhm * swampOhm + inputX * inputX);
        OptionalDouble swr =
                driveW > 0 ? OptionalDouble.of((1 + reflection) / (1 - reflection)) : OptionalDouble.empty();
        double mean = biasV + screenV / tube.screenFactor() + x[2] / tube.plateFactor();
        double alongCos = gridPeakV - x[0] / tube.plateFactor();
        double alongSin = x[1] / tube.plateFactor();
        return new TubePoint(
                powers,
                new TubePoint.Meters(x[2], plateA, gridA, OptionalDouble.of(screenA)),
                new TubePoint.InputSide(swr, driveW * reflection * reflection, gridPeakV),
                new TubePoint.Strain(
                        swing,
                        x[2] - swing,
                        swing * voltageRatio,
                        swing * plateCapacitorRmsAPerV,
                        Cycle.conductionDeg(mean, Math.sqrt(alongCos * alongCos + alongSin * alongSin))),
                report);
    }
}
