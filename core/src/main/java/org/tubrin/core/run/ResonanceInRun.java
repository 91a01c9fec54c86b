package org.tubrin.core.run;

import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.resonance.ResonancePlan;
import org.tubrin.core.resonance.Witness;

/**
 * An antenna that drifts, watched while the station sends: its motor is turned in short steps.
 *
 * @param plan what it is watched by; absent only where the run is refused
 */
record ResonanceInRun(Optional<ResonancePlan> plan) implements UnamplifiedRun {
    @Override
    public RunKind kind() {
        return RunKind.RESONANCE;
    }

    @Override
    public List<Control> controls() {
        return List.of(Control.MOTOR);
    }

    /** Its steps are counted from where it stands. */
    @Override
    public Map<Control, Double> start() {
        return Map.of(Control.MOTOR, 0.0);
    }

    @Override
    public List<School> schools() {
        return List.of(School.RESONANCE);
    }

    @Override
    public Set<Check> checks() {
        return EnumSet.of(Check.FREQUENCY_CLEAR, Check.NOBODY_AT_ANTENNA, Check.METERS_AGREE, Check.MOTOR_TURNS);
    }

    @Override
    public double mostGrowthPerDoubling() {
        return 1;
    }

    @Override
    public Set<ReadingRole> needed() {
        return plan.filter(one -> one.witness() == Witness.VOLTS_OVER_AMPERES).isPresent()
                ? EnumSet.of(ReadingRole.LINE_VOLTAGE, ReadingRole.LINE_CURRENT)
                : EnumSet.of(ReadingRole.PHASE);
    }

    @Override
    public boolean asks(ReadingRole role) {
        return needed().contains(role);
    }
}
