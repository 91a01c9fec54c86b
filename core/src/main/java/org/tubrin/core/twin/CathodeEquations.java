package org.tubrin.core.twin;

import java.util.OptionalDouble;
import org.tubrin.core.device.TriodeLaw;
import org.tubrin.core.station.TwinConstants;

/**
 * Triodes driven at the cathode: unknowns are the plate's phasor {@code a + jb}, the cathode's drive {@code Vk} and the supply
 * {@code Vdc}; balanced are the plate circuit, the source's voltage and the supply.
 */
final class CathodeEquations implements TubeEquations {
    private static final double GRID_DEAD_V = 1e-9;

    private final TriodeLaw tube;
    private final int tubeCount;
    private final double perveance;
    private final double biasV;
    private final double openV;
    private final double sourceOhm;
    private final double inputOhm;
    private final double[] cos;
    private final double[] sin;
    private final double[] residual = new double[4];
    private final double[] jacobian = new double[16];

    private double zRe;
    private double zIm;
    private double inputX;
    private double share;
    private double driveW;
    private double sourceV;
    private double feedbackS;
    private double heldV;

    private double plateA;
    private double cathodeA;
    private double plateRe;
    private double plateIm;
    private double inRe;
    private double inIm;
    private double plateHeatW;
    private double gridHeatW;

    CathodeEquations(TwinConstants.CathodeDriven constants, int tubeCount, int points) {
        this.tube = constants.tube();
        this.tubeCount = tubeCount;
        perveance = tubeCount * tube.perveanceAPerV15();
        biasV = constants.biasV();
        openV = constants.supplyOpenV();
        sourceOhm = constants.supplySourceOhm();
        inputOhm = constants.cathodeInputOhm();
        cos = Cycle.cosines(points);
        sin = Cycle.sines(points);
    }

    @Override
    public int unknowns() {
        return 4;
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
        feedbackS = 2 * Math.PI * frequencyHz * tubeCount * tube.plateCathodeF();
        driveW = drive;
        sourceV = 2 * Math.sqrt(2 * driveShare * drive * inputOhm);
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
        x[2] = sourceV / 2;
    }

    @Override
    public void guess(double[] x) {
        unloaded(x);
        double crest = Math.sqrt(Math.max(1, 0.6 * x[2] + openV / tube.amplificationFactor() - biasV));
        double current = 1.5 * perveance * crest * 0.5 * 0.55 * x[2];
        double swing = current * Math.sqrt(zRe * zRe + zIm * zIm);
        double cut = Math.min(1, 0.8 * x[3] / Math.max(1e-9, swing));
        x[0] = cut * current * zRe;
        x[1] = cut * current * zIm;
    }

    @Override
    public double evaluate(double[] at) {
        final double a = at[0];
        final double b = at[1];
        final double vk = at[2];
        final double vdc = at[3];
        final double inverseMu = 1 / tube.amplificationFactor();
        final double division = tube.division();
        final double knee = tube.kneeRatio();
        final double rounding = tube.plateRoundingV();
        final double onset = tube.gridOnsetV();
        final double soft2 = tube.softCutOffV() * tube.softCutOffV();
        double i0 = 0, iC = 0, iS = 0, k0 = 0, kC = 0, kS = 0;
        double p0 = 0, pC = 0, pS = 0, pCC = 0, pCS = 0, gC = 0, gCC = 0, gCS = 0;
        double h0 = 0, hC = 0, hS = 0, hCC = 0, hCS = 0, heat = 0, gridHeat = 0;
        for (int n = 0; n < cos.length; n++) {
            double c = cos[n];
            double s = sin[n];
            double g = vk * c - biasV;
            double p = vdc - a * c + b * s + g;
            double e = g + p * inverseMu;
            double slope = 1;
            if (soft2 > 0) {
                double root = Math.sqrt(e * e + soft2);
                slope = 0.5 * (1 + e / root);
                e = 0.5 * (e + root);
            } else if (e <= 0) {
                continue;
            }
            double root = perveance * Math.sqrt(e);
            double ik = e * root;
            double h = 1.5 * root * slope;
            double ip = ik;
            double byP = h * inverseMu;
            double byG = h + byP;
            if (g > GRID_DEAD_V) {
                double u;
                double du;
                if (p >= rounding) {
                    u = p;
                    du = 1;
                } else if (p > -rounding) {
                    u = (p + rounding) * (p + rounding) / (4 * rounding);
                    du = (p + rounding) / (2 * rounding);
                } else {
                    u = 0;
                    du = 0;
                }
                double inverse = 1 / (g + onset);
                double ge = g * g * inverse;
                double dge = g * (g + 2 * onset) * inverse * inverse;
                double q = Math.sqrt(ge * (u + knee * ge));
                double toPlate = division * u;
                double whole = 1 / (toPlate + q);
                double half = 0.5 / q;
                double part = toPlate * whole;
                double dPartDu = division * whole * (1 - part) - part * whole * ge * half;
                double dPartDge = -part * whole * (u + 2 * knee * ge) * half;
                double dPlateByU = ik * dPartDu * du;
                ip = ik * part;
                byP = h * inverseMu * part + dPlateByU;
                byG = h * part + ik * dPartDge * dge + byP;
                gridHeat += g * (ik - ip);
            }
            i0 += ip;
            iC += ip * c;
            iS += ip * s;
            k0 += ik;
            kC += ik * c;
            kS += ik * s;
            heat += p * ip;
            double byPc = byP * c;
            double byGc = byG * c;
            double hc = h * c;
            p0 += byP;
            pC += byPc;
            pS += byP * s;
            pCC += byPc * c;
            pCS += byPc * s;
            gC += byGc;
            gCC += byGc * c;
            gCS += byGc * s;
            h0 += h;
            hC += hc;
            hS += h * s;
            hCC += hc * c;
            hCS += hc * s;
        }
        double one = 1.0 / cos.length;
        double two = 2 * one;
        plateA = i0 * one;
        cathodeA = k0 * one;
        plateHeatW = heat * one / tubeCount;
        gridHeatW = gridHeat * one / tubeCount;
        double w = feedbackS;
        plateRe = two * iC + w * b;
        plateIm = -two * iS + w * (vk - a);
        inRe = two * kC + w * b;
        inIm = -two * kS + w * (vk - a);

        // Derivatives of the plate circuit's phasor, then of the input's, by a, b, Vk, Vdc.
        double reA = -two * pCC, reB = two * pCS + w, reK = two * gCC, reV = two * pC;
        double imA = two * pCS - w, imB = -two * (p0 - pCC), imK = -two * gCS + w, imV = -two * pS;
        double[] j = jacobian;
        row(j, 0, reA, reB, reK, reV, imA, imB, imK, imV, -zRe, zIm);
        row(j, 4, reA, reB, reK, reV, imA, imB, imK, imV, -zIm, -zRe);
        j[0] += 1;
        j[5] += 1;
        residual[0] = a - (zRe * plateRe - zIm * plateIm);
        residual[1] = b - (zRe * plateIm + zIm * plateRe);

        double twoMu = two * inverseMu;
        double twoG = two * (1 + inverseMu);
        double sRe = vk + inputOhm * inRe - inputX * inIm;
        double sIm = inputOhm * inIm + inputX * inRe;
        double size = Math.max(1e-12, Math.sqrt(sRe * sRe + sIm * sIm));
        double toRe = (inputOhm * sRe + inputX * sIm) / size;
        double toIm = (inputOhm * sIm - inputX * sRe) / size;
        residual[2] = size - sourceV;
        j[8] = -toRe * twoMu * hCC + toIm * (twoMu * hCS - w);
        j[9] = toRe * (twoMu * hCS + w) - toIm * twoMu * (h0 - hCC);
        j[10] = sRe / size + toRe * twoG * hCC + toIm * (w - twoG * hCS);
        j[11] = toRe * twoMu * hC - toIm * twoMu * hS;

        boolean held = heldV > 0;
        double ohm = held ? 0 : sourceOhm * one;
        residual[3] = vdc - (held ? heldV : openV) + ohm * i0;
        j[12] = -ohm * pC;
        j[13] = ohm * pS;
        j[14] = ohm * gC;
        j[15] = 1 + ohm * p0;
        return residual[0] * residual[0]
                + residual[1] * residual[1]
                + 400 * residual[2] * residual[2]
                + residual[3] * residual[3];
    }

    private static void row(
            double[] j,
            int at,
            double reA,
            double reB,
            double reK,
            double reV,
            double imA,
            double imB,
            double imK,
            double imV,
            double byRe,
            double byIm) {
        j[at] = byRe * reA + byIm * imA;
        j[at + 1] = byRe * reB + byIm * imB;
        j[at + 2] = byRe * reK + byIm * imK;
        j[at + 3] = byRe * reV + byIm * imV;
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
        return Math.min(
                Math.min(1, 1500 / Math.max(1e-9, swing)),
                Math.min(60 / Math.max(1e-9, Math.abs(step[2])), 600 / Math.max(1e-9, Math.abs(step[3]))));
    }

    @Override
    public void bound(double[] to, double[] from) {
        if (to[2] < 0) {
            to[2] = from[2] / 10;
        }
    }

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
        return cathodeA - plateA;
    }

    @Override
    public double screenCurrentA() {
        return 0;
    }

    @Override
    public double plateHeatPerTubeW() {
        return plateHeatW;
    }

    @Override
    public double plateAngleRad(double[] x) {
        double sRe = x[2] + inputOhm * inRe - inputX * inIm;
        double sIm = inputOhm * inIm + inputX * inRe;
        return Math.atan2(x[1], x[0]) - Math.atan2(sIm, sRe);
    }

    @Override
    public TubePoint point(
            double[] x,
            double tankEfficiency,
            double voltageRatio,
            double plateCapacitorRmsAPerV,
            TubePoint.Report report) {
        double vk = x[2];
        double vdc = x[3];
        double swing = Math.sqrt(x[0] * x[0] + x[1] * x[1]);
        double plateRf = plateRfW(x);
        double output = tankEfficiency * plateRf;
        double taken = 0.5 * vk * inRe;
        double grid = gridCurrentA();
        double bias = biasV * cathodeA;
        double input = vdc * plateA;
        TubePoint.Powers powers = new TubePoint.Powers(
                input,
                driveW,
                taken,
                0.5 * vk * plateRe,
                plateRf,
                output,
                plateRf - output,
                plateHeatW,
                gridHeatW,
                0,
                0,
                bias,
                input + taken - plateRf - tubeCount * (plateHeatW + gridHeatW) - bias);
        double reflection = reflection(x);
        OptionalDouble swr = driveW > 0
                ? OptionalDouble.of((1 + reflection) / Math.max(1e-9, 1 - reflection))
                : OptionalDouble.empty();
        return new TubePoint(
                powers,
                new TubePoint.Meters(vdc, plateA, grid, OptionalDouble.empty()),
                new TubePoint.InputSide(swr, driveW * reflection * reflection, vk),
                new TubePoint.Strain(
                        swing, vdc - swing, swing * voltageRatio, swing * plateCapacitorRmsAPerV, conductionDeg(x)),
                report);
    }

    /** Returns the size of the reflection at the socket, 0 to 1. */
    private double reflection(double[] x) {
        double square = inRe * inRe + inIm * inIm;
        if (driveW == 0 || square == 0) {
            return 0;
        }
        double rRe = x[2] * inRe / square;
        double rIm = -x[2] * inIm / square + inputX;
        double up = (rRe - inputOhm) * (rRe - inputOhm) + rIm * rIm;
        double down = (rRe + inputOhm) * (rRe + inputOhm) + rIm * rIm;
        return Math.min(1, share * Math.sqrt(up / down));
    }

    private double conductionDeg(double[] x) {
        double inverseMu = 1 / tube.amplificationFactor();
        double mean = -biasV * (1 + inverseMu) + x[3] * inverseMu;
        double alongCos = x[2] * (1 + inverseMu) - x[0] * inverseMu;
        double alongSin = x[1] * inverseMu;
        return Cycle.conductionDeg(mean, Math.sqrt(alongCos * alongCos + alongSin * alongSin));
    }
}
