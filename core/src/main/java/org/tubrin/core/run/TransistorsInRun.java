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
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Stage;

/** Transistors with broadband transformers: the drive alone is set; a carrier has a share of what they are rated for. */
record TransistorsInRun(Stage.Transistors transistors, Amplifier amplifier, double carrierShare)
        implements WithoutDials {
    private static final double LEAST_SUPPLY_VOLTAGE = 0.6;
    private static final double MOST_SUPPLY_VOLTAGE = 1.2;
    /** Class AB: 10 dB more drive gave 10.6 dB more output, most of it within the lowest doublings. */
    private static final double MOST_GROWTH = 2.2;

    @Override
    public RunKind kind() {
        return RunKind.DRIVE_TABLE;
    }

    @Override
    public List<Control> controls() {
        return List.of(Control.DRIVE);
    }

    @Override
    public List<School> schools() {
        return School.forStage(transistors);
    }

    @Override
    public Set<Check> checks() {
        return EnumSet.of(Check.AIR_MOVING, Check.BYPASS_PROVEN);
    }

    @Override
    public List<SeenSign> seenSigns() {
        return List.of(
                SeenSign.TRIP,
                SeenSign.TRIP_INPUT,
                SeenSign.TRIP_OUTPUT,
                SeenSign.TRIP_REFLECTED,
                SeenSign.TRIP_HEAT,
                SeenSign.TRIP_FILTER);
    }

    @Override
    public Optional<Double> mostOutputW() {
        return Optional.of(carrierShare * amplifier.ratedOutputW());
    }

    @Override
    public double mostGrowthPerDoubling() {
        return MOST_GROWTH;
    }

    @Override
    public Set<ReadingRole> needed() {
        return EnumSet.of(ReadingRole.OUTPUT);
    }

    @Override
    public boolean asks(ReadingRole role) {
        return switch (role) {
            case INPUT_POWER, OUTPUT, OTHER_OUTPUT, INPUT_SWR, SUPPLY_CURRENT, SUPPLY_VOLTAGE, HEAT_SINK -> true;
            case PLATE_CURRENT,
                    GRID_CURRENT,
                    SCREEN_CURRENT,
                    PLATE_VOLTAGE,
                    REFLECTED,
                    ALC_GAUGE,
                    SENSE_VOLTAGE,
                    DEVICE_CURRENT,
                    GATE_VOLTAGE,
                    GATE_RF,
                    OUTPUT_VPP,
                    PHASE,
                    LINE_VOLTAGE,
                    LINE_CURRENT,
                    SIGNAL_WIDTH -> false;
        };
    }

    @Override
    public Optional<Double> limitOf(ReadingRole role) {
        return role == ReadingRole.SUPPLY_CURRENT ? Optional.of(transistors.supplyCurrentLimitA()) : Optional.empty();
    }

    @Override
    public Optional<Likely> likely(ReadingRole role) {
        return role == ReadingRole.SUPPLY_VOLTAGE
                ? Optional.of(new Likely(
                        transistors.supplyVoltageDcV() * LEAST_SUPPLY_VOLTAGE,
                        transistors.supplyVoltageDcV() * MOST_SUPPLY_VOLTAGE))
                : Optional.empty();
    }

    @Override
    public Budget budget(Map<ReadingRole, Quantity> readings, Quantity driveW, Optional<Double> outputShare) {
        return Budget.of(readings, driveW, transistors);
    }

    @Override
    public List<Room> room(
            Map<ReadingRole, Quantity> readings, Budget budget, double duty, boolean outputShareIsKnown) {
        return Room.of(readings, transistors, carrierShare * amplifier.ratedOutputW(), amplifier.twin());
    }
}
