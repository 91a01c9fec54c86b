package org.tubrin.core.twin;

import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.station.Band;

/**
 * Where an amplifier is set and what it works into.
 *
 * @param band position of its band switch
 * @param frequencyHz of the drive, 1e5 to 1e9 Hz; another band's where the switch is wrong
 * @param driveW at the amplifier's input, 0 to 2000 W
 * @param plate PLATE position; no meaning for transistors
 * @param load LOAD position; no meaning for transistors
 * @param loadOhm resistance at the output, 0.5 to 20 000 Ω
 * @param loadReactanceOhm reactance at the output, −20 000 to 20 000 Ω
 */
public record Setting(
        Band band,
        double frequencyHz,
        double driveW,
        double plate,
        double load,
        double loadOhm,
        double loadReactanceOhm) {
    public Setting {
        new Checks()
                .range("frequencyHz", frequencyHz, 1e5, 1e9, Unit.HERTZ)
                .range("driveW", driveW, 0, 2000, Unit.WATT)
                .range("plate", plate, -1000, 2000, Unit.MARK)
                .range("load", load, -1000, 2000, Unit.MARK)
                .range("loadOhm", loadOhm, 0.5, 20_000, Unit.OHM)
                .range("loadReactanceOhm", loadReactanceOhm, -20_000, 20_000, Unit.OHM)
                .done();
    }

    /** Returns the same at other dials. */
    public Setting at(double plate, double load) {
        return new Setting(band, frequencyHz, driveW, plate, load, loadOhm, loadReactanceOhm);
    }

    /** Returns the same at another drive, in watts. */
    public Setting driven(double driveW) {
        return new Setting(band, frequencyHz, driveW, plate, load, loadOhm, loadReactanceOhm);
    }
}
