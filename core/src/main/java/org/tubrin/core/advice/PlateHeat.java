package org.tubrin.core.advice;

import java.time.Instant;
import java.util.List;
import org.tubrin.core.run.KeyDown;
import org.tubrin.core.twin.Warming;

/**
 * How hot the tubes' plates are, as a share of what their rated dissipation makes them.
 *
 * <p>Method: first order over the key-downs, cut off between them. A share of 1 is the temperature at which a plate rests at
 * its rated dissipation; a short time beyond the rating stays below it. Source: {@link Warming}, with a time constant that is
 * ours: sheet metal and graphite plates follow within half a minute.
 */
public final class PlateHeat {
    /** How plates warm, as a share of what their rated dissipation makes them. */
    public static final Warming WARMING = new Warming(1, 25);

    private PlateHeat() {}

    /** Returns the share at a moment, 0 or more, for a rated dissipation of one tube in watts. */
    public static double share(List<KeyDown> keyDowns, double ratedPerTubeW, Instant at) {
        return LoadHeat.rise(keyDowns, WARMING, keyDown -> keyDown.heatPerTubeW() / ratedPerTubeW, at);
    }
}
