package org.tubrin.core.run;

import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.tubrin.core.metering.ReadingRole;

/** An exciter whose level is tried, into a dummy load past the bypassed amplifier: set power, tone and level are set. */
record LevelsInRun() implements UnamplifiedRun {
    @Override
    public RunKind kind() {
        return RunKind.ALC;
    }

    @Override
    public List<Control> controls() {
        return List.of(Control.DRIVE, Control.TONE, Control.LEVEL);
    }

    @Override
    public List<School> schools() {
        return List.of(School.ALC);
    }

    @Override
    public Set<Check> checks() {
        return EnumSet.of(Check.AMPLIFIER_BYPASSED, Check.SOUND_PATH_SET, Check.SOUND_UNTREATED);
    }

    /** Twice the level is four times the power. */
    @Override
    public double mostGrowthPerDoubling() {
        return 4;
    }

    @Override
    public Set<ReadingRole> needed() {
        return EnumSet.of(ReadingRole.OUTPUT);
    }

    @Override
    public boolean asks(ReadingRole role) {
        return role == ReadingRole.OUTPUT || role == ReadingRole.ALC_GAUGE || role == ReadingRole.SIGNAL_WIDTH;
    }
}
