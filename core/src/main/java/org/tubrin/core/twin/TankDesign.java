package org.tubrin.core.twin;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.ChartRow;
import org.tubrin.core.station.Stage;
import org.tubrin.core.station.TankBand;
import org.tubrin.core.tank.CapacitorLaw;
import org.tubrin.core.tank.LoadSense;

/**
 * Coils and capacitors that bring a plate load about at the dials of the maker's chart.
 *
 * <p>Method: the capacitors get customary laws, scaled to the plate load; on each band the plate's capacitance is what the
 * design Q asks for, or what the dial leaves where that is more; coil, its loss and the load's capacitance then follow in
 * closed form from a plate load that is real; what the dials do not give is a fixed capacitor of the band. Source: the pi
 * network solved backwards, W. L. Everitt, "Output networks for radio-frequency power amplifiers", Proc. IRE 19 (1931)
 * 725–737.
 */
final class TankDesign {
    private static final double LINE_OHM = 50;
    private static final double SCALE_HZ = 7.1e6;
    private static final double LEAST_EFFICIENCY = 0.3;
    private static final double FIXED_PLATE_F = 30e-12;
    private static final double FIXED_LOAD_F = 30e-12;

    private final Amplifier amplifier;
    private final Stage.Tubes tubes;
    private final DataSheet sheet;
    private final double plateOhm;
    private final CapacitorLaw plate;
    private final CapacitorLaw load;
    private final List<TankBand> tanks = new ArrayList<>();

    TankDesign(Amplifier amplifier, Stage.Tubes tubes, DataSheet sheet, double plateOhm) {
        this.amplifier = amplifier;
        this.tubes = tubes;
        this.sheet = sheet;
        this.plateOhm = plateOhm;
        double scaleF = sheet.designQ() / (2 * Math.PI * SCALE_HZ * plateOhm);
        boolean rises = tubes.loadSense() == LoadSense.MORE_IS_LIGHTER;
        plate = new CapacitorLaw(FIXED_PLATE_F, 2.2 * scaleF, 1.7, false, OptionalDouble.empty());
        double mostLoadF =
                1.9 * network(SCALE_HZ, scaleF, tubes.tankEfficiency()).loadF();
        CapacitorLaw wide = new CapacitorLaw(FIXED_LOAD_F, mostLoadF, 1.2, rises, OptionalDouble.empty());
        double narrowed = 1;
        for (Band band : amplifier.bands()) {
            double dialF = wide.capacitanceF(tubes.load(), row(band).load()) - FIXED_LOAD_F;
            double wantedF = bandNetwork(band).loadF() - FIXED_LOAD_F;
            if (dialF > 0 && wantedF > 0) {
                narrowed = Math.min(narrowed, wantedF / dialF);
            }
        }
        load = new CapacitorLaw(FIXED_LOAD_F, narrowed * mostLoadF, 1.2, rises, OptionalDouble.empty());
        for (Band band : amplifier.bands()) {
            Network network = bandNetwork(band);
            double omega = 2 * Math.PI * middleHz(band);
            tanks.add(new TankBand(
                    band,
                    network.coilOhm() / omega,
                    Math.max(5, Math.min(2000, network.unloadedQ())),
                    Math.max(
                            0,
                            network.plateF()
                                    - plate.capacitanceF(
                                            tubes.plate(), row(band).plate())),
                    Math.max(
                            0,
                            network.loadF()
                                    - load.capacitanceF(tubes.load(), row(band).load())),
                    1,
                    0));
        }
    }

    CapacitorLaw plate() {
        return plate;
    }

    CapacitorLaw load() {
        return load;
    }

    List<TankBand> tanks() {
        return tanks;
    }

    /** A pi network that shows the plate a real load. */
    private record Network(double plateF, double coilOhm, double unloadedQ, double loadF) {}

    private Network bandNetwork(Band band) {
        double hz = middleHz(band);
        double wantedF = sheet.designQ() / (2 * Math.PI * hz * plateOhm);
        double leastF = plate.capacitanceF(tubes.plate(), row(band).plate());
        return network(hz, Math.max(wantedF, leastF), efficiency(band));
    }

    private Network network(double hz, double plateF, double efficiency) {
        double omega = 2 * Math.PI * hz;
        double g = 1 / plateOhm;
        double b = -omega * plateF;
        double square = g * g + b * b;
        double branchOhm = g / square;
        double branchReactance = -b / square;
        double shuntOhm = branchOhm * efficiency;
        double swing = Math.sqrt(Math.max(0, LINE_OHM / shuntOhm - 1));
        double loadF = swing / (LINE_OHM * omega);
        double coilOhm = branchReactance + shuntOhm * swing;
        return new Network(plateF, coilOhm, coilOhm / (branchOhm * (1 - efficiency)), loadF);
    }

    private double efficiency(Band band) {
        double whole = sheet.strongest().outputW();
        double share = sheet.bandOutputs().stream()
                .filter(one -> one.band() == band)
                .mapToDouble(one -> one.outputW() / whole)
                .findFirst()
                .orElse(1);
        return Math.max(LEAST_EFFICIENCY, Math.min(0.98, tubes.tankEfficiency() * share));
    }

    private ChartRow row(Band band) {
        return amplifier
                .chartRow(band)
                .orElseGet(() -> new ChartRow(
                        band,
                        (tubes.plate().least() + tubes.plate().most()) / 2,
                        (tubes.load().least() + tubes.load().most()) / 2));
    }

    static double middleHz(Band band) {
        return (band.lowestHz() + band.highestHz()) / 2;
    }
}
