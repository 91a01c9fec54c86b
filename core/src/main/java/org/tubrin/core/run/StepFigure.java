package org.tubrin.core.run;

import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;

/** A figure of a step, and what it is calculated from. */
public enum StepFigure {
    GROWTH,
    EFFICIENCY,
    HEAT,
    HEAT_CORRECTED,
    /** Of a carrier in pulses: what a tube has to carry off. */
    HEAT_AVERAGE,
    GAIN;

    /** Returns its value; empty while a reading that it needs is missing. */
    public Optional<Quantity> of(Step step, Optional<Step> before) {
        return switch (this) {
            case GROWTH -> before.flatMap(last -> Growth.between(last, step)).map(Growth::ratio);
            case EFFICIENCY -> step.budget().efficiency();
            case HEAT -> step.budget().heatPerDeviceW();
            case HEAT_CORRECTED -> step.budget().heatPerDeviceCorrectedW();
            case HEAT_AVERAGE -> heat(step).of(step, before).map(heat -> heat.scaled(step.dutyFactor()));
            case GAIN -> step.budget().gainDb();
        };
    }

    /** Returns the heat that counts at a step: corrected where the tank is known. */
    private static StepFigure heat(Step step) {
        return step.tankIsKnown() ? HEAT_CORRECTED : HEAT;
    }

    /** Returns what is held against the limit of heat per tube at a step. */
    public static StepFigure heldAgainstHeatLimit(Step step) {
        return step.dutyFactor() < 1 ? HEAT_AVERAGE : heat(step);
    }

    /** Returns the readings that it needs of a stage. */
    public Set<ReadingRole> readings(RunStage stage) {
        EnumSet<ReadingRole> needed = EnumSet.of(ReadingRole.OUTPUT);
        if (this != GROWTH && this != GAIN) {
            needed.addAll(
                    stage.asks(ReadingRole.PLATE_CURRENT)
                            ? EnumSet.of(ReadingRole.PLATE_VOLTAGE, ReadingRole.PLATE_CURRENT)
                            : EnumSet.of(ReadingRole.SUPPLY_VOLTAGE, ReadingRole.SUPPLY_CURRENT));
        }
        return needed;
    }

    /** Returns whether the drive goes into it. */
    public boolean hasDrive() {
        return this == HEAT_CORRECTED || this == HEAT_AVERAGE || this == GAIN;
    }
}
