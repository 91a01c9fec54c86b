package org.tubrin.core.run;

import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.tubrin.core.budget.Budget;
import org.tubrin.core.budget.Room;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.tank.Dial;

/** An exciter whose level is tried, into a dummy load past the bypassed amplifier: set power, tone and level are set. */
record LevelsInRun() implements RunStage {
    @Override
    public RunKind kind() {
        return RunKind.ALC;
    }

    @Override
    public List<Control> controls() {
        return List.of(Control.DRIVE, Control.TONE, Control.LEVEL);
    }

    @Override
    public Optional<Dial> dial(Control control) {
        return Optional.empty();
    }

    @Override
    public List<School> schools() {
        return List.of(School.ALC);
    }

    @Override
    public Set<Check> checks() {
        return EnumSet.of(Check.AMPLIFIER_BYPASSED, Check.SOUND_PATH_SET, Check.SOUND_UNTREATED);
    }

    @Override
    public Set<Check> closingChecks() {
        return EnumSet.noneOf(Check.class);
    }

    @Override
    public List<SeenSign> seenSigns() {
        return List.of();
    }

    @Override
    public Optional<Double> mostOutputW() {
        return Optional.empty();
    }

    /** Twice the level is four times the power. */
    @Override
    public double mostGrowthPerDoubling() {
        return 4;
    }

    @Override
    public double warmUpS() {
        return 0;
    }

    @Override
    public Set<ReadingRole> needed() {
        return EnumSet.of(ReadingRole.OUTPUT);
    }

    @Override
    public boolean asks(ReadingRole role) {
        return role == ReadingRole.OUTPUT || role == ReadingRole.ALC_GAUGE;
    }

    @Override
    public Optional<Double> limitOf(ReadingRole role) {
        return Optional.empty();
    }

    @Override
    public Optional<Likely> likely(ReadingRole role) {
        return Optional.empty();
    }

    @Override
    public Quantity ofPulse(ReadingRole role, Quantity shown, double duty) {
        return shown;
    }

    @Override
    public Budget budget(Map<ReadingRole, Quantity> readings, Quantity driveW, Optional<Double> outputShare) {
        return Budget.NONE;
    }

    @Override
    public List<Room> room(
            Map<ReadingRole, Quantity> readings, Budget budget, double duty, boolean outputShareIsKnown) {
        return List.of();
    }

    @Override
    public int deviceCount() {
        return 1;
    }

    @Override
    public Optional<Double> dissipationPerDeviceW() {
        return Optional.empty();
    }
}
