package org.tubrin.core.practice;

import java.util.List;
import java.util.Optional;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.metering.ScaleUnit;
import org.tubrin.core.station.Band;
import org.tubrin.core.station.Mode;

/**
 * All that a person sees at the panel at a moment.
 *
 * @param keyed whether the key is down
 * @param keyedS how long it has been down, in seconds; since when it is up where it is
 * @param exciterW what the exciter is set to, in watts
 * @param mode the exciter's
 * @param band where the amplifier's band switch stands
 * @param operate whether the amplifier is in operate
 * @param tripped whether its protection acted
 * @param plate mark of PLATE
 * @param load mark of LOAD
 * @param shown what the panel's one meter is switched to; empty where each has a meter of its own
 * @param range name of the wattmeter's
 * @param holds whether it holds peaks
 * @param warmUpLeftS how long the tubes still have to warm, in seconds
 * @param snapped whether a snap was just heard
 * @param meters what each meter shows
 */
public record Panel(
        boolean keyed,
        double keyedS,
        double exciterW,
        Mode mode,
        Band band,
        boolean operate,
        boolean tripped,
        double plate,
        double load,
        Optional<ReadingRole> shown,
        String range,
        boolean holds,
        double warmUpLeftS,
        boolean snapped,
        List<Showing> meters) {
    public Panel {
        meters = List.copyOf(meters);
    }

    /** Parts of a scale that an eye tells apart. */
    private static final double DIVISIONS = 200;

    /** Returns the least that an eye tells apart on a range, in the core's unit. */
    public static double division(MeterRange range) {
        return range.fullScale() / DIVISIONS;
    }

    /** How the amplifier's meters are built. */
    public enum Kind {
        /** One meter for each current and voltage. */
        SEVERAL,
        /** One meter with a switch. */
        ONE_WITH_SWITCH
    }

    /**
     * What a meter shows.
     *
     * @param meter its name
     * @param value in the core's unit, as far as the eye tells it
     * @param atStop whether the pointer stands at the end of its scale
     */
    public record Showing(
            String meter, ReadingRole role, ScaleUnit unit, MeterRange range, double value, boolean atStop) {}
}
