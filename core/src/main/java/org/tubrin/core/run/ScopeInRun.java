package org.tubrin.core.run;

import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.scope.ScopePlan;

/**
 * A scope over the load: first the exciter alone, then through the amplifier as it is used.
 *
 * @param plan what is expected; absent only where the run is refused
 */
record ScopeInRun(Optional<ScopePlan> plan) implements UnamplifiedRun {
    @Override
    public RunKind kind() {
        return RunKind.WAVEFORM;
    }

    @Override
    public List<Control> controls() {
        return List.of(Control.LOOK);
    }

    /** The drive stays as it is used. */
    @Override
    public Map<Control, Double> start() {
        return plan.map(one -> Map.of(Control.DRIVE, one.driveW())).orElse(Map.of());
    }

    @Override
    public List<School> schools() {
        return List.of(School.WAVEFORM);
    }

    @Override
    public Set<Check> checks() {
        return EnumSet.of(Check.AMPLIFIER_BYPASSED, Check.SCOPE_AT_LOAD, Check.SCOPE_GROUNDED, Check.READY_AS_USED);
    }

    @Override
    public double mostGrowthPerDoubling() {
        return 2;
    }

    @Override
    public Set<ReadingRole> needed() {
        return EnumSet.of(ReadingRole.OUTPUT_VPP);
    }

    @Override
    public boolean asks(ReadingRole role) {
        return EnumSet.of(ReadingRole.OUTPUT, ReadingRole.OUTPUT_VPP, ReadingRole.INPUT_SWR)
                .contains(role);
    }
}
