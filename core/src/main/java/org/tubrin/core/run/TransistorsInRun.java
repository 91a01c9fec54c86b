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
import org.tubrin.core.station.Stage;
import org.tubrin.core.tank.Dial;

/** Transistors with broadband transformers: the drive alone is set. */
record TransistorsInRun(Stage.Transistors transistors) implements RunStage {
    private static final double LEAST_SUPPLY_VOLTAGE = 0.6;
    private static final double MOST_SUPPLY_VOLTAGE = 1.2;

    @Override
    public List<Control> controls() {
        return List.of(Control.DRIVE);
    }

    @Override
    public Optional<Dial> dial(Control control) {
        return Optional.empty();
    }

    @Override
    public List<School> schools() {
        return School.forStage(transistors);
    }

    @Override
    public Set<Check> checks() {
        return EnumSet.of(Check.AIR_MOVING);
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
        return switch (role) {
            case OUTPUT, INPUT_SWR, SUPPLY_CURRENT, SUPPLY_VOLTAGE -> true;
            case PLATE_CURRENT, GRID_CURRENT, SCREEN_CURRENT, PLATE_VOLTAGE, REFLECTED -> false;
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

    /** A supply's meters show what they show: nothing is known of their rest. */
    @Override
    public Quantity ofPulse(ReadingRole role, Quantity shown, double duty) {
        return shown;
    }

    @Override
    public Budget budget(Map<ReadingRole, Quantity> readings, Quantity driveW, Optional<Double> outputShare) {
        return Budget.of(readings, driveW, transistors);
    }

    @Override
    public List<Room> room(
            Map<ReadingRole, Quantity> readings, Budget budget, double duty, boolean outputShareIsKnown) {
        return Room.of(readings, transistors);
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
