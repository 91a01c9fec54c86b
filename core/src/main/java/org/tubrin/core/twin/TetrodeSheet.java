package org.tubrin.core.twin;

import java.util.ArrayList;
import java.util.List;
import org.tubrin.core.device.TetrodeLaw;
import org.tubrin.core.station.Stage;
import org.tubrin.core.station.TwinConstants;

/**
 * Tetrodes driven at the control grid: the tube's law, its bias, and the swamping resistor that turns drive into grid
 * voltage.
 *
 * <p>A start follows from the factor from grid to screen alone: at the crest the grid stands at about nothing, so that the
 * screen makes the crest of the current; the resting current then gives the bias, and the bias the swing and the swamp.
 */
final class TetrodeSheet implements SheetModel {
    /** The plate's factor over the screen's, customary in power tetrodes. */
    private static final double PLATE_OVER_SCREEN = 75;

    private static final double CUSTOMARY_FACTOR = 7;
    private static final double CUSTOMARY_DIVISION = 9;

    private final Stage.Tubes tubes;
    private final DataSheet sheet;
    private final Supply supply;
    private final double screenV;

    TetrodeSheet(Stage.Tubes tubes, DataSheet sheet) {
        this.tubes = tubes;
        this.sheet = sheet;
        supply = Supply.of(sheet);
        screenV = sheet.screenVoltageDcV().orElseThrow();
    }

    @Override
    public List<SheetFit.Constant> names() {
        return List.of(
                SheetFit.Constant.PERVEANCE,
                SheetFit.Constant.AMPLIFICATION_FACTOR,
                SheetFit.Constant.DIVISION,
                SheetFit.Constant.BIAS,
                SheetFit.Constant.SWAMP);
    }

    @Override
    public double[] customary() {
        return from(sheet.amplificationFactor().orElse(CUSTOMARY_FACTOR));
    }

    @Override
    public double[] logWidth() {
        return new double[] {1.2, sheet.amplificationFactor().isPresent() ? 0.01 : 0.4, 0.7, 0.8, 1.5};
    }

    @Override
    public List<double[]> starts() {
        List<double[]> starts = new ArrayList<>();
        if (sheet.amplificationFactor().isPresent()) {
            starts.add(customary());
        } else {
            for (double factor : new double[] {5, 7, 9, 12}) {
                starts.add(from(factor));
            }
        }
        return starts;
    }

    private double[] from(double factor) {
        DataSheet.Operation strongest = sheet.strongest();
        double crestA = CREST * strongest.plateCurrentA() / tubes.tubeCount();
        double perveance = crestA / Math.pow(screenV / factor, 1.5);
        double opening = Math.pow(sheet.restingPlateCurrentA() / tubes.tubeCount() / perveance, 2.0 / 3);
        double plate = sheet.plateVoltageRestDcV() / (PLATE_OVER_SCREEN * factor);
        double biasV = Math.max(1, screenV / factor + plate - opening);
        return new double[] {perveance, factor, CUSTOMARY_DIVISION, biasV, biasV * biasV / (2 * strongest.driveW())};
    }

    @Override
    public TwinConstants.GridDriven constants(double[] values) {
        double factor = SheetModel.clamp(values[1], 1, 100);
        TetrodeLaw tube = new TetrodeLaw(
                SheetModel.clamp(values[0], 1e-5, 0.1),
                factor,
                PLATE_OVER_SCREEN * factor,
                SheetModel.clamp(values[2], 0.1, 200),
                0.3,
                3,
                8,
                34,
                1.7);
        return new TwinConstants.GridDriven(
                tube,
                -SheetModel.clamp(values[3], 0, 500),
                screenV,
                supply.openV(),
                supply.sourceOhm(),
                SheetModel.clamp(values[4], 5, 1e5),
                ANY,
                ANY,
                ANY_TANK);
    }

    @Override
    public boolean isMatchedByItself() {
        return false;
    }
}
