package org.tubrin.core.run;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.tubrin.core.bias.BiasPlan;
import org.tubrin.core.metering.ReadingRole;

/**
 * Transistors whose idle current is set, keyed without drive.
 *
 * @param plan what is set; absent only where the run is refused
 * @param potsAreKnown whether it is known where the pots stand: a real one has no scale
 */
record BiasInRun(Optional<BiasPlan> plan, boolean potsAreKnown) implements UnamplifiedRun {
    @Override
    public RunKind kind() {
        return RunKind.BIAS;
    }

    /** Returns what tells of the current: the drop over one resistor for all devices, or an ammeter in the feed of one. */
    static ReadingRole role(BiasPlan plan) {
        return plan.sense().isPresent() ? ReadingRole.SENSE_VOLTAGE : ReadingRole.DEVICE_CURRENT;
    }

    private ReadingRole reads() {
        return plan.map(BiasInRun::role).orElse(ReadingRole.SENSE_VOLTAGE);
    }

    @Override
    public List<Control> controls() {
        return potsAreKnown ? List.of(Control.DEVICE, Control.POT) : List.of(Control.DEVICE);
    }

    @Override
    public List<School> schools() {
        return List.of(School.BIAS);
    }

    @Override
    public Set<Check> checks() {
        EnumSet<Check> checks = EnumSet.of(Check.POTS_AT_MINIMUM, Check.SUPPLY_LIMITED, Check.NO_DRIVE);
        if (plan.filter(BiasPlan::isNewBoard).isPresent()) {
            checks.addAll(List.of(Check.BOARD_APART, Check.STAND_INS_DRIVEN, Check.POT_ENDS_KNOWN));
        }
        return checks;
    }

    @Override
    public Set<Check> closingChecks() {
        return EnumSet.of(Check.SAME_AFTER_RF);
    }

    @Override
    public double mostGrowthPerDoubling() {
        return 1;
    }

    @Override
    public Set<ReadingRole> needed() {
        return EnumSet.of(reads());
    }

    @Override
    public boolean asks(ReadingRole role) {
        return role == reads() || role == ReadingRole.GATE_VOLTAGE;
    }

    @Override
    public int deviceCount() {
        return plan.map(BiasPlan::deviceCount).orElse(1);
    }
}
