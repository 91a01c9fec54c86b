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

/**
 * Transistors that switch: the drive is fixed, the supply's voltage sets the power.
 *
 * @param modules how many are in when the run begins
 */
record SwitchingInRun(Stage.Switching switching, Amplifier amplifier, int modules) implements WithoutDials {
    /** A supply's own meter, and the drop of its cables, leave this much open. */
    private static final double AROUND = 0.2;

    @Override
    public RunKind kind() {
        return RunKind.SUPPLY_TABLE;
    }

    @Override
    public List<Control> controls() {
        return switching.moduleCount() > 1
                ? List.of(Control.DRIVE, Control.MODULES, Control.SUPPLY)
                : List.of(Control.DRIVE, Control.SUPPLY);
    }

    @Override
    public Map<Control, Double> start() {
        return switching.moduleCount() > 1 ? Map.of(Control.MODULES, (double) modules) : Map.of();
    }

    @Override
    public List<School> schools() {
        return School.forStage(switching);
    }

    @Override
    public Set<Check> checks() {
        return EnumSet.of(Check.SUPPLY_TURNED_DOWN, Check.AIR_MOVING);
    }

    @Override
    public List<SeenSign> seenSigns() {
        return List.of(SeenSign.TRIP, SeenSign.TRIP_REFLECTED, SeenSign.TRIP_HEAT);
    }

    @Override
    public Optional<Double> mostOutputW() {
        return Optional.of(amplifier.ratedOutputW());
    }

    /** Of the drive, which stays. */
    @Override
    public double mostGrowthPerDoubling() {
        return 2;
    }

    @Override
    public Set<ReadingRole> needed() {
        return EnumSet.of(ReadingRole.OUTPUT, ReadingRole.SUPPLY_VOLTAGE, ReadingRole.SUPPLY_CURRENT);
    }

    @Override
    public boolean asks(ReadingRole role) {
        return needed().contains(role) || role == ReadingRole.INPUT_POWER || role == ReadingRole.HEAT_SINK;
    }

    @Override
    public Optional<Double> limitOf(ReadingRole role) {
        return role == ReadingRole.SUPPLY_CURRENT ? Optional.of(switching.supplyCurrentLimitA()) : Optional.empty();
    }

    @Override
    public Optional<Likely> likely(ReadingRole role) {
        return role == ReadingRole.SUPPLY_VOLTAGE
                ? Optional.of(
                        new Likely((1 - AROUND) * switching.leastSupplyDcV(), (1 + AROUND) * switching.mostSupplyDcV()))
                : Optional.empty();
    }

    @Override
    public Budget budget(Map<ReadingRole, Quantity> readings, Quantity driveW, Optional<Double> outputShare) {
        return Budget.of(readings, driveW);
    }

    @Override
    public List<Room> room(
            Map<ReadingRole, Quantity> readings, Budget budget, double duty, boolean outputShareIsKnown) {
        return Room.of(readings, switching.supplyCurrentLimitA(), amplifier.ratedOutputW());
    }
}
