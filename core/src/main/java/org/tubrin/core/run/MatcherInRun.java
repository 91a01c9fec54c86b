package org.tubrin.core.run;

import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.station.Matcher;

/**
 * A matcher that is tuned past the power amplifier, which is off until the last key-down.
 *
 * @param matcher by its record; absent only where the run is refused
 */
record MatcherInRun(Optional<Matcher> matcher) implements UnamplifiedRun {
    @Override
    public RunKind kind() {
        return RunKind.MATCHER;
    }

    @Override
    public List<Control> controls() {
        return List.of(Control.DRIVE, Control.POWER_AMPLIFIER, Control.MATCHER);
    }

    /** What the points before power make sure of; whether it is so the first key-down tells. */
    @Override
    public Map<Control, Double> start() {
        return Map.of(Control.POWER_AMPLIFIER, 0.0, Control.MATCHER, 0.0);
    }

    /** An amplifier that is on though it should be off, and into what is not matched, trips. */
    @Override
    public List<SeenSign> seenSigns() {
        return List.of(SeenSign.TRIP, SeenSign.TRIP_REFLECTED, SeenSign.TRIP_OUTPUT, SeenSign.TRIP_INPUT);
    }

    @Override
    public List<School> schools() {
        return List.of(School.MATCHER);
    }

    @Override
    public Set<Check> checks() {
        return matcher.filter(Matcher::switchesByHand).isPresent() ? Set.of(Check.KEYED_BEFORE_RF) : Set.of();
    }

    @Override
    public double mostGrowthPerDoubling() {
        return 2;
    }

    @Override
    public Set<ReadingRole> needed() {
        return EnumSet.of(ReadingRole.OUTPUT, ReadingRole.INPUT_SWR);
    }

    @Override
    public boolean asks(ReadingRole role) {
        return role == ReadingRole.INPUT_POWER || needed().contains(role);
    }
}
