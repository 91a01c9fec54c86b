package org.tubrin.core.twin;

import java.util.ArrayList;
import java.util.List;
import org.tubrin.core.device.TriodeLaw;
import org.tubrin.core.station.Stage;
import org.tubrin.core.station.TwinConstants;

/** Triodes driven at the cathode: the tube's law, its bias, and the source resistance at the cathode. */
final class TriodeSheet implements SheetModel {
    private final Stage.Tubes tubes;
    private final DataSheet sheet;
    private final Supply supply;

    TriodeSheet(Stage.Tubes tubes, DataSheet sheet) {
        this.tubes = tubes;
        this.sheet = sheet;
        supply = Supply.of(sheet);
    }

    @Override
    public List<SheetFit.Constant> names() {
        return List.of(
                SheetFit.Constant.PERVEANCE,
                SheetFit.Constant.AMPLIFICATION_FACTOR,
                SheetFit.Constant.DIVISION,
                SheetFit.Constant.BIAS,
                SheetFit.Constant.CATHODE_INPUT);
    }

    @Override
    public double[] customary() {
        return new double[] {perveance(60), sheet.amplificationFactor().orElse(100), 1.8, 10, 60};
    }

    @Override
    public double[] logWidth() {
        return new double[] {1.2, sheet.amplificationFactor().isPresent() ? 0.01 : 0.4, 0.5, 1.5, 1.2};
    }

    @Override
    public List<double[]> starts() {
        List<double[]> starts = new ArrayList<>();
        for (double cathodeOhm : new double[] {25, 50, 100, 200}) {
            double[] start = customary();
            start[0] = perveance(cathodeOhm);
            start[3] = bias(start[0], start[1]);
            start[4] = cathodeOhm;
            starts.add(start);
        }
        return starts;
    }

    /** Returns K for which the drive at a cathode of so many ohms gives the crest that a plate current of class AB has. */
    private double perveance(double cathodeOhm) {
        DataSheet.Operation strongest = sheet.strongest();
        double drivePeakV = Math.sqrt(2 * strongest.driveW() * cathodeOhm);
        double crestA = CREST * (strongest.plateCurrentA() + strongest.gridCurrentA());
        return crestA / tubes.tubeCount() / Math.pow(0.85 * drivePeakV, 1.5);
    }

    private double bias(double perveance, double mu) {
        double opening = Math.pow(sheet.restingPlateCurrentA() / tubes.tubeCount() / perveance, 2.0 / 3);
        return Math.max(0.5, (sheet.plateVoltageRestDcV() / mu - opening) / (1 + 1 / mu));
    }

    @Override
    public TwinConstants.CathodeDriven constants(double[] values) {
        TriodeLaw tube = new TriodeLaw(
                SheetModel.clamp(values[0], 1e-5, 0.1),
                SheetModel.clamp(values[1], 5, 1000),
                SheetModel.clamp(values[2], 0.1, 50),
                10,
                34,
                1.7,
                0.15e-12,
                0);
        return new TwinConstants.CathodeDriven(
                tube,
                SheetModel.clamp(values[3], 0, 200),
                supply.openV(),
                supply.sourceOhm(),
                SheetModel.clamp(values[4], 5, 1000),
                ANY,
                ANY,
                ANY_TANK);
    }

    @Override
    public boolean isMatchedByItself() {
        return true;
    }
}
