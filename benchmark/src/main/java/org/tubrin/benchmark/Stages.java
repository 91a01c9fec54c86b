package org.tubrin.benchmark;

import org.tubrin.bench.SkerryPoint;
import org.tubrin.core.station.Band;
import org.tubrin.core.twin.Setting;
import org.tubrin.core.twin.TubeTwin;

/** The stages that are measured: two invented triodes driven at the cathode, and an invented tetrode. */
final class Stages {
    static final TubeTwin TWIN = SkerryPoint.BRIGANTINE;
    static final TubeTwin TETRODE = SkerryPoint.BARQUE;

    private Stages() {}

    static Setting at(double driveW, double plate, double load) {
        return new Setting(Band.MHZ_7, 7.1e6, driveW, plate, load, 50, 0);
    }

    static Setting tetrodeAt(double driveW) {
        return new Setting(Band.MHZ_7, 7.1e6, driveW, 52, 44, 50, 0);
    }
}
