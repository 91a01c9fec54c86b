package org.tubrin.core.tuneup;

import java.util.ArrayList;
import java.util.List;
import org.tubrin.core.device.Construction;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.station.Antenna;
import org.tubrin.core.station.Load;

/** A point that only the operator can answer for, before the climb or after it. */
public enum Check {
    LIMITS_READ(true),
    COVERS_ON(true),
    AIR_MOVING(true),
    PATH_WIRED(true),
    SCREEN_SUPPLY(true),
    PAD_IN_LINE(true),
    TR_DELAY(true),
    BAND_SWITCH(true),
    LOAD_IN_LINE(true),
    BYPASS_LOW_POWER(true),
    MATCHED_IN_BYPASS(true),
    DRIVE_DOWN_FIRST(true),
    METER_RANGE(true),
    METER_ON_CURRENT(true),
    EXCITER_TONES(false),
    AMPLIFIER_TONES(false),
    SPEECH_CLEAN(false),
    INPUT_MATCHED(false);

    /** What the T/R delay must exceed the relay's own time by. */
    public static final double RELAY_MARGIN_S = 0.010;

    private static final double MATCH_POWER_W = 15;

    private final boolean beforeClimb;

    Check(boolean beforeClimb) {
        this.beforeClimb = beforeClimb;
    }

    /** Returns whether it belongs before the climb, else to the end. */
    public boolean beforeClimb() {
        return beforeClimb;
    }

    /** Returns the points to ask before this run's climb, in their order; what the records already answer is left out. */
    public static List<Check> preflight(TuneSetup setup) {
        List<Check> points = new ArrayList<>(List.of(LIMITS_READ, COVERS_ON, AIR_MOVING, PATH_WIRED));
        if (setup.tubes().tube().construction() == Construction.TETRODE) {
            points.add(SCREEN_SUPPLY);
        }
        if (setup.pad().isPresent()) {
            points.add(PAD_IN_LINE);
        }
        if (setup.exciter().trDelayS() < trDelayNeededS(setup)) {
            points.add(TR_DELAY);
        }
        points.add(BAND_SWITCH);
        if (setup.termination() instanceof Load) {
            points.add(LOAD_IN_LINE);
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
        points.add(METER_ON_CURRENT);
        return List.copyOf(points);
    }

    /**
     * Returns the points to ask after the last step, in their order; what was entered, or read at the last step, is not
     * asked.
     */
    public static List<Check> closing(RunState state) {
        List<Check> points = new ArrayList<>();
        if (!state.products().containsKey(Through.EXCITER)) {
            points.add(EXCITER_TONES);
        }
        if (!state.products().containsKey(Through.AMPLIFIER)) {
            points.add(AMPLIFIER_TONES);
        }
        if (state.waveform().filter(Waveform.CLEAN::equals).isEmpty()) {
            points.add(SPEECH_CLEAN);
        }
        double swr = state.lastStep()
                .flatMap(step -> step.measured(ReadingRole.INPUT_SWR))
                .map(Quantity::value)
                .orElse(Double.MAX_VALUE);
        if (swr > state.setup().settings().inputSwrHigh()) {
            points.add(INPUT_MATCHED);
        }
        return List.copyOf(points);
    }

    /** Returns whether it is looked at and entered where the signal is judged. */
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
