package org.tubrin.core.run;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.tubrin.core.metering.MeterRange;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.station.Load;

/**
 * What no knob is turned beyond while the key is down: where a meter comes to it the hand goes back, and where that does not help the
 * key comes up. It lies where the 95 % interval of the meter touches the limit; of output, where a twin tells more than the meter,
 * one standard uncertainty below it.
 *
 * @param role the meter that is watched
 * @param at the value, in the role's unit
 * @param shows what the meter shows of it, in the role's unit: before its own correction, and of pulses their mean
 */
public record Stop(ReadingRole role, double at, double shows) {
    /** The soonest lost first. */
    private static final List<ReadingRole> WATCHED = List.of(
            ReadingRole.GRID_CURRENT, ReadingRole.SCREEN_CURRENT, ReadingRole.PLATE_CURRENT, ReadingRole.OUTPUT);

    /**
     * Returns the stops of a key-down, one for each meter in use that watches a limit.
     *
     * @param ranges the range that each meter stands on, by what it reads
     */
    public static List<Stop> of(TuneSetup setup, School school, Map<ReadingRole, String> ranges) {
        return !setup.stage().isTuned()
                ? List.of()
                : WATCHED.stream()
                        .flatMap(role -> of(
                                setup,
                                role,
                                Optional.ofNullable(ranges.get(role)),
                                school == School.PULSED ? setup.customs().dutyFactor() : 1)
                                .stream())
                        .toList();
    }

    /** Returns how far a value of a role may go by its meter's widest range; empty where nothing limits it, or no meter reads it. */
    static Optional<Double> at(TuneSetup setup, ReadingRole role) {
        return of(setup, role, Optional.empty(), 1).map(Stop::at);
    }

    private static Optional<Stop> of(TuneSetup setup, ReadingRole role, Optional<String> range, double duty) {
        return limit(setup, role)
                .flatMap(limit -> setup.channelFor(role).flatMap(channel -> {
                    MeterRange used = range.flatMap(channel::range).orElseGet(() -> channel.rangeFor(limit));
                    Quantity measured = channel.measured(
                            limit, setup.meterFor(role).orElseThrow().name(), used);
                    // What its own correction makes of a reading there.
                    double correction = measured.value() / limit;
                    double open = isTold(setup, role) ? measured.standardUncertainty() : measured.halfWidth95();
                    double at = limit - open / correction;
                    double shows = ofPulses(setup, role, at, duty) / correction;
                    return shows > 0 && shows <= used.fullScale()
                            ? Optional.of(new Stop(role, at, shows))
                            : Optional.empty();
                }));
    }

    /** A twin tells of the output what the meter leaves open. */
    private static boolean isTold(TuneSetup setup, ReadingRole role) {
        return role == ReadingRole.OUTPUT && RecordTwin.tellsOfLoad(setup);
    }

    private static Optional<Double> limit(TuneSetup setup, ReadingRole role) {
        return setup.limitOf(role)
                .map(limit -> role == ReadingRole.OUTPUT && setup.termination() instanceof Load load
                        ? Math.min(limit, load.powerLimitW())
                        : limit);
    }

    /** What is shown of pulses, whose peak is a straight line of it. */
    private static double ofPulses(TuneSetup setup, ReadingRole role, double peak, double duty) {
        if (duty >= 1) {
            return peak;
        }
        double none = lifted(setup, role, 0, duty);
        return (peak - none) / (lifted(setup, role, 1, duty) - none);
    }

    private static double lifted(TuneSetup setup, ReadingRole role, double shown, double duty) {
        return setup.stage()
                .ofPulse(role, Quantity.exact(shown, role.unit(), Standing.MEASURED), duty)
                .value();
    }

    /** Returns whether heavier coupling takes down what is watched: the current of a control grid or a screen grid. */
    public boolean heavierHelps() {
        return heavierHelps(role);
    }

    static boolean heavierHelps(ReadingRole role) {
        return role == ReadingRole.GRID_CURRENT || role == ReadingRole.SCREEN_CURRENT;
    }

    /** Returns whether a step's reading came to it. */
    public boolean isReached(Step step) {
        return step.measured(role).filter(one -> Math.abs(one.value()) >= at).isPresent();
    }
}
