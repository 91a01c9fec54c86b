package org.tubrin.core.run;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.station.Antenna;
import org.tubrin.core.station.Load;

/** Which points are asked before a run's first key-down with drive, and the figures that they name. */
public final class Preflight {
    /** What the T/R delay must exceed the relay's own time by. */
    public static final double RELAY_MARGIN_S = 0.010;

    private static final double MATCH_POWER_W = 15;

    private Preflight() {}

    /** Returns the points to ask before this run's climb, in their order; what the records already answer is left out. */
    public static List<Check> of(TuneSetup setup) {
        return switch (setup.stage().kind()) {
            case ALC, WAVEFORM -> withLoad(setup);
            case BIAS, CHAIN -> withPots(setup);
            case MATCHER -> withMatcher(setup);
            case RESONANCE -> List.copyOf(setup.stage().checks());
            case SUPPLY_TABLE -> withSupply(setup);
            case TUNE_UP, DRIVE_TABLE -> withAmplifier(setup);
        };
    }

    private static List<Check> withLoad(TuneSetup setup) {
        EnumSet<Check> points = EnumSet.of(Check.LOAD_IN_LINE);
        points.addAll(setup.stage().checks());
        if (setup.pad().isPresent()) {
            points.add(Check.PAD_IN_LINE);
        }
        if (isRangeSetByHand(setup)) {
            points.add(Check.METER_RANGE);
        }
        return List.copyOf(points);
    }

    private static List<Check> withPots(TuneSetup setup) {
        EnumSet<Check> points = EnumSet.of(Check.LOAD_IN_LINE);
        points.addAll(setup.stage().checks());
        return List.copyOf(points);
    }

    private static List<Check> withSupply(TuneSetup setup) {
        EnumSet<Check> points = EnumSet.of(Check.LIMITS_READ, Check.PATH_WIRED, Check.BAND_SWITCH);
        points.addAll(setup.stage().checks());
        points.add(setup.termination() instanceof Load ? Check.LOAD_IN_LINE : Check.FREQUENCY_CLEAR);
        if (setup.pad().isPresent()) {
            points.add(Check.PAD_IN_LINE);
        }
        if (isRangeSetByHand(setup)) {
            points.add(Check.METER_RANGE);
        }
        return List.copyOf(points);
    }

    /** In the order of the work, which is not that of the climb. */
    private static List<Check> withMatcher(TuneSetup setup) {
        List<Check> points = new ArrayList<>(List.of(
                setup.termination() instanceof Load ? Check.LOAD_IN_LINE : Check.FREQUENCY_CLEAR, Check.PATH_WIRED));
        if (setup.pad().isPresent()) {
            points.add(Check.PAD_IN_LINE);
        }
        points.addAll(List.of(Check.BAND_SWITCH, Check.AMPLIFIER_BYPASSED));
        points.addAll(setup.stage().checks());
        if (isRangeSetByHand(setup)) {
            points.add(Check.METER_RANGE);
        }
        return List.copyOf(points);
    }

    private static List<Check> withAmplifier(TuneSetup setup) {
        EnumSet<Check> points = EnumSet.of(Check.LIMITS_READ, Check.PATH_WIRED, Check.BAND_SWITCH);
        points.addAll(setup.stage().checks());
        if (setup.pad().isPresent()) {
            points.add(Check.PAD_IN_LINE);
        }
        if (setup.exciter().trDelayS() < trDelayNeededS(setup)) {
            points.add(Check.TR_DELAY);
        }
        if (setup.termination() instanceof Load) {
            points.addAll(List.of(Check.LOAD_IN_LINE, Check.OPERATE));
        } else if (setup.termination() instanceof Antenna) {
            points.addAll(List.of(Check.BYPASS_LOW_POWER, Check.MATCHED_IN_BYPASS, Check.DRIVE_DOWN_FIRST));
        }
        if (isRangeSetByHand(setup)) {
            points.add(Check.METER_RANGE);
        }
        return List.copyOf(points);
    }

    private static boolean isRangeSetByHand(TuneSetup setup) {
        boolean hasRanges = setup.channelFor(ReadingRole.OUTPUT)
                .filter(channel -> channel.ranges().size() > 1)
                .isPresent();
        // The bench is told its range; every other meter is set by hand.
        return hasRanges && setup.readings() != ReadingSource.BENCH;
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
