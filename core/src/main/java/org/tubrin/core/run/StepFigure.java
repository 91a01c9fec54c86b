package org.tubrin.core.run;

import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;

/** A figure of a step, and what it is calculated from. */
public enum StepFigure {
    OUTPUT,
    GROWTH,
    EFFICIENCY,
    HEAT,
    HEAT_CORRECTED,
    GAIN;

    /** Returns its value; empty while a reading that it needs is missing. */
    public Optional<Quantity> of(Step step, Optional<Step> before) {
        return switch (this) {
            case OUTPUT -> step.measured(ReadingRole.OUTPUT);
            case GROWTH -> before.flatMap(last -> Growth.between(last, step)).map(Growth::ratio);
            case EFFICIENCY -> step.budget().efficiency();
            case HEAT -> step.budget().heatPerDeviceW();
            case HEAT_CORRECTED -> step.budget().heatPerDeviceCorrectedW();
            case GAIN -> step.budget().gainDb();
        };
    }

    /** Returns the readings that it needs of a stage. */
    public Set<ReadingRole> readings(RunStage stage) {
        EnumSet<ReadingRole> needed = EnumSet.of(ReadingRole.OUTPUT);
        if (this == EFFICIENCY || this == HEAT || this == HEAT_CORRECTED) {
            needed.addAll(
                    stage.asks(ReadingRole.PLATE_CURRENT)
                            ? EnumSet.of(ReadingRole.PLATE_VOLTAGE, ReadingRole.PLATE_CURRENT)
                            : EnumSet.of(ReadingRole.SUPPLY_VOLTAGE, ReadingRole.SUPPLY_CURRENT));
        }
        return needed;
    }

    /** Returns whether the drive goes into it. */
    public boolean hasDrive() {
        return this == HEAT_CORRECTED || this == GAIN;
    }
}
