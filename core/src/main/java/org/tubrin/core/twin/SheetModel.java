package org.tubrin.core.twin;

import java.util.List;
import java.util.OptionalDouble;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.TankBand;
import org.tubrin.core.station.TwinConstants;
import org.tubrin.core.tank.CapacitorLaw;

/** What a kind of stage leaves open for a sheet to determine; every array goes in the order of the names. */
sealed interface SheetModel permits TriodeSheet, TetrodeSheet {
    /** Stands in while tube and bias are sought: the plate load is then given, not made by a tank. */
    CapacitorLaw ANY = new CapacitorLaw(1e-11, 1e-10, 1, false, OptionalDouble.empty());

    /** Stands in likewise. */
    List<TankBand> ANY_TANK = List.of(new TankBand(Band.MHZ_7, 1e-6, 100, 0, 0, 1, 0));

    /** Crest of the cathode current over its mean in class AB. */
    double CREST = 3.3;

    /** Returns which constants. */
    List<SheetFit.Constant> names();

    /** Returns what each is where the sheet says nothing, above 0; a bias below 0 by its size. */
    double[] customary();

    /** Returns how wide each is spread about that, in its logarithm. */
    double[] logWidth();

    /** Returns where to begin, once from each. */
    List<double[]> starts();

    /** Returns the constants of the stage, whose tank has no meaning yet. */
    TwinConstants.Tuned constants(double[] values);

    /** Returns whether the sheet may be taken to mean a matched input. */
    boolean isMatchedByItself();

    /** The supply that a sheet's rest and its strongest point lead to. */
    record Supply(double openV, double sourceOhm) {
        static Supply of(DataSheet sheet) {
            DataSheet.Operation strongest = sheet.strongest();
            double drawn = strongest.plateCurrentA() - sheet.restingPlateCurrentA();
            double sag = sheet.plateVoltageRestDcV() - strongest.plateVoltageDcV();
            double sourceOhm = clamp(drawn > 1e-3 ? sag / drawn : 0, 0, 20_000);
            double openV = sheet.plateVoltageRestDcV() + sourceOhm * sheet.restingPlateCurrentA();
            return new Supply(clamp(openV, 100, 20_000), sourceOhm);
        }
    }

    static double clamp(double value, double least, double most) {
        return Math.max(least, Math.min(most, value));
    }
}
