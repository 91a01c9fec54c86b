package org.tubrin.core.run;

import org.tubrin.core.quantity.Checks;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.station.Stage;
import org.tubrin.core.tank.Dial;

/**
 * Where the dials start.
 *
 * @param plate PLATE position
 * @param load LOAD position
 * @param source where that is known from
 */
public record Preset(double plate, double load, Source source) {
    /** Of an amplifier that has none. */
    public static final Preset WITHOUT_DIALS = new Preset(0, 0, Source.NONE);

    public Preset {
        new Checks()
                .range("plate", plate, -1000, 2000, Unit.MARK)
                .range("load", load, -1000, 2000, Unit.MARK)
                .done();
    }

    /** Returns where to start where nobody knows: the middle of PLATE, the heavy end of LOAD. */
    public static Preset unknown(Stage.Tubes tubes) {
        Dial plate = tubes.plate();
        Dial load = tubes.load();
        return new Preset(
                (plate.least() + plate.most()) / 2,
                tubes.loadSense().heavierSign() > 0 ? load.most() : load.least(),
                Source.NONE);
    }

    /** Where a preset is known from, best first. */
    public enum Source {
        CARD,
        /** From the card's rows of other frequencies, loads or antennas. */
        AHEAD,
        CHART,
        /** By the amplifier's twin. */
        TWIN,
        /** Nobody knows: the middle of PLATE, the heavy end of LOAD. */
        NONE
    }
}
