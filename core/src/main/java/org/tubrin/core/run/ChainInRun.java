package org.tubrin.core.run;

import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.tubrin.core.metering.ReadingRole;

/** A chain that is driven up from a great attenuation, into a dummy load. */
record ChainInRun() implements UnamplifiedRun {
    @Override
    public RunKind kind() {
        return RunKind.CHAIN;
    }

    @Override
    public List<Control> controls() {
        return List.of(Control.ATTENUATOR);
    }

    @Override
    public List<School> schools() {
        return List.of(School.CHAIN);
    }

    @Override
    public Set<Check> checks() {
        return EnumSet.of(Check.PATH_WIRED, Check.SUPPLY_LIMITED, Check.IDLE_SET);
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
        return EnumSet.of(
                        ReadingRole.OUTPUT,
                        ReadingRole.OUTPUT_VPP,
                        ReadingRole.GATE_RF,
                        ReadingRole.GATE_VOLTAGE,
                        ReadingRole.SUPPLY_CURRENT)
                .contains(role);
    }
}
