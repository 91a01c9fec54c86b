package org.tubrin.core.run;

import java.util.EnumSet;
import java.util.List;
import org.tubrin.core.device.Construction;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.station.Antenna;
import org.tubrin.core.station.Load;

/** A point that only the operator can answer for, before the climb or after it. */
public enum Check {
    LIMITS_READ(Moment.COLD),
    COVERS_ON(Moment.COLD),
    PATH_WIRED(Moment.COLD),
    PAD_IN_LINE(Moment.COLD),
    TR_DELAY(Moment.COLD),
    BAND_SWITCH(Moment.COLD),
    LOAD_IN_LINE(Moment.COLD),
    METER_RANGE(Moment.COLD),
    AIR_MOVING(Moment.HEATERS_ON),
    BYPASS_LOW_POWER(Moment.HEATERS_ON),
    MATCHED_IN_BYPASS(Moment.HEATERS_ON),
    SCREEN_SUPPLY(Moment.WARM),
    RESTING_SEEN(Moment.WARM),
    METER_ON_CURRENT(Moment.WARM),
    DRIVE_DOWN_FIRST(Moment.WARM),
    OPERATE(Moment.WARM),
    EXCITER_TONES(Moment.CLOSING),
    AMPLIFIER_TONES(Moment.CLOSING),
    SPEECH_CLEAN(Moment.CLOSING),
    INPUT_MATCHED(Moment.CLOSING);

    /** When a point is asked: the amplifier is switched on in this order. */
    public enum Moment {
        /** Before anything is on. */
        COLD,
        /** The heaters are on and warm up. */
        HEATERS_ON,
        /** The tubes are warm; nothing was keyed with drive yet. */
        WARM,
        /** After the last step. */
        CLOSING
    }

    /** What the T/R delay must exceed the relay's own time by. */
    public static final double RELAY_MARGIN_S = 0.010;

    private static final double MATCH_POWER_W = 15;

    private final Moment moment;

    Check(Moment moment) {
        this.moment = moment;
    }

    /** Returns when it is asked. */
    public Moment moment() {
        return moment;
    }

    /** Returns the points to ask before this run's climb, in their order; what the records already answer is left out. */
    public static List<Check> preflight(TuneSetup setup) {
        EnumSet<Check> points =
                EnumSet.of(LIMITS_READ, COVERS_ON, PATH_WIRED, BAND_SWITCH, AIR_MOVING, RESTING_SEEN, METER_ON_CURRENT);
        if (setup.tubes().tube().construction() == Construction.TETRODE) {
            points.add(SCREEN_SUPPLY);
        }
        if (setup.pad().isPresent()) {
            points.add(PAD_IN_LINE);
        }
        if (setup.exciter().trDelayS() < trDelayNeededS(setup)) {
            points.add(TR_DELAY);
        }
        if (setup.termination() instanceof Load) {
            points.addAll(List.of(LOAD_IN_LINE, OPERATE));
        } else if (setup.termination() instanceof Antenna) {
            points.addAll(List.of(BYPASS_LOW_POWER, MATCHED_IN_BYPASS, DRIVE_DOWN_FIRST));
        }
        boolean hasRanges = setup.channelFor(ReadingRole.OUTPUT)
                .filter(channel -> channel.ranges().size() > 1)
                .isPresent();
        // The bench is told its range; every other meter is set by hand.
        if (hasRanges && setup.readings() != ReadingSource.BENCH) {
            points.add(METER_RANGE);
        }
        return List.copyOf(points);
    }

    /** Returns whether it is looked at and entered where the signal is judged; who has no instrument may leave it unmeasured. */
    public boolean isOfTheSignal() {
        return this == EXCITER_TONES || this == AMPLIFIER_TONES || this == SPEECH_CLEAN;
    }

    /** Returns the power that an antenna is matched at with the amplifier bypassed: 15 W, or what the exciter has. */
    public static double matchPowerW(TuneSetup setup) {
        return Math.max(
                setup.exciter().powerMinW(),
                Math.min(MATCH_POWER_W, setup.exciter().mostW(setup.carrier())));
    }

    /** Returns the T/R delay that the amplifier's relay needs, in seconds. */
    public static double trDelayNeededS(TuneSetup setup) {
        return setup.amplifier()
                .relayTimeS()
                .map(time -> time + RELAY_MARGIN_S)
                .orElse(setup.settings().trDelayUnknownS());
    }
}
