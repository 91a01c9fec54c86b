package org.tubrin.core.station;

import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;

/**
 * One band of a tube amplifier's networks.
 *
 * @param band the band
 * @param inductanceH coil of the tank, 1e-9 to 1e-3 H
 * @param unloadedQ its quality, 5 to 2000
 * @param platePadF fixed capacitance switched across PLATE, 0 to 1e-8 F
 * @param loadPadF fixed capacitance switched across LOAD, 0 to 1e-7 F
 * @param driveShare share of the drive that the input network passes on, 0.1 to 1
 * @param inputReactanceOhm what the input network leaves unmatched, −500 to 500 Ω
 */
public record TankBand(
        Band band,
        double inductanceH,
        double unloadedQ,
        double platePadF,
        double loadPadF,
        double driveShare,
        double inputReactanceOhm) {
    public TankBand {
        new Checks()
                .range("inductanceH", inductanceH, 1e-9, 1e-3, Unit.HENRY)
                .range("unloadedQ", unloadedQ, 5, 2000, Unit.ONE)
                .range("platePadF", platePadF, 0, 1e-8, Unit.FARAD)
                .range("loadPadF", loadPadF, 0, 1e-7, Unit.FARAD)
                .range("driveShare", driveShare, 0.1, 1, Unit.ONE)
                .range("inputReactanceOhm", inputReactanceOhm, -500, 500, Unit.OHM)
                .done();
    }

    /** Returns the same with another quality of the coil. */
    TankBand withUnloadedQ(double quality) {
        return new TankBand(band, inductanceH, quality, platePadF, loadPadF, driveShare, inputReactanceOhm);
    }
}
