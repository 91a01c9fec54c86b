package org.tubrin.bench.campaign;

import java.util.List;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.run.Check;
import org.tubrin.core.run.Control;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.tank.Dial;

/** A room with an amplifier in it, in time of its own: knobs, key and meters. */
interface Shack {
    /** Returns what is known of it. */
    TuneSetup setup();

    /** Returns how long it has been, in seconds. */
    double nowS();

    /** Lets time pass, in seconds. */
    void pass(double seconds);

    /** Keys with pulses of a duty factor from now on; 1 for a carrier. */
    void pulse(double share);

    void key(boolean down);

    boolean keyed();

    boolean tripped();

    void reset();

    void turn(Control control, double to);

    double shown(Control control);

    /** Returns how far a knob turns before the part behind it follows, in marks, as its owner knows it; 0 where nobody told of it. */
    default double knownPlay(Control control) {
        return 0;
    }

    /** Looks whether a point is so, and sets it right where it is not; returns whether it had to. */
    boolean look(Check check);

    /** Returns what a meter shows on a range, to what the eye tells apart. */
    double shows(ReadingRole role, MeterRange range);

    /** Looks at what keeps meters still, one after the other; returns whether anything had to be set right. */
    default boolean lookWhyStill() {
        boolean any = false;
        for (Check check : List.of(
                Check.BAND_SWITCH, Check.OPERATE, Check.PATH_WIRED, Check.METER_RANGE, Check.METER_ON_CURRENT)) {
            any |= look(check);
        }
        return any;
    }

    default Dial dial(Control control) {
        return control == Control.PLATE
                ? setup().tubes().plate()
                : setup().tubes().load();
    }
}
