package org.tubrin.core.run;

import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.tubrin.core.budget.Budget;
import org.tubrin.core.budget.Room;
import org.tubrin.core.device.Construction;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.station.Stage;
import org.tubrin.core.tank.Dial;

/** Tubes with PLATE and LOAD. */
record TubesInRun(Stage.Tubes tubes) implements RunStage {
    private static final double LEAST_PLATE_VOLTAGE = 0.7;
    private static final double MOST_PLATE_VOLTAGE = 1.2;
    /** A stage whose readings are right stands well below its limit most of the time. */
    private static final double USUAL_CURRENT_SHARE = 0.5;

    @Override
    public RunKind kind() {
        return RunKind.TUNE_UP;
    }

    @Override
    public List<Control> controls() {
        return List.of(Control.PLATE, Control.LOAD, Control.DRIVE);
    }

    @Override
    public Optional<Dial> dial(Control control) {
        return switch (control) {
            case PLATE -> Optional.of(tubes.plate());
            case LOAD -> Optional.of(tubes.load());
            case DRIVE,
                    TONE,
                    LEVEL,
                    DEVICE,
                    POT,
                    POWER_AMPLIFIER,
                    MATCHER,
                    ATTENUATOR,
                    LOOK,
                    SUPPLY,
                    MODULES,
                    MOTOR,
                    WATTMETERS -> Optional.empty();
        };
    }

    @Override
    public List<School> schools() {
        return School.forStage(tubes);
    }

    @Override
    public Set<Check> checks() {
        EnumSet<Check> checks =
                EnumSet.of(Check.COVERS_ON, Check.AIR_MOVING, Check.RESTING_SEEN, Check.METER_ON_CURRENT);
        if (tubes.tube().construction() == Construction.TETRODE) {
            checks.add(Check.SCREEN_SUPPLY);
        }
        return checks;
    }

    @Override
    public Set<Check> closingChecks() {
        return EnumSet.of(Check.EXCITER_TONES, Check.AMPLIFIER_TONES, Check.SPEECH_CLEAN);
    }

    @Override
    public List<SeenSign> seenSigns() {
        return List.of(
                SeenSign.ARC,
                SeenSign.TRIP,
                SeenSign.TRIP_GRID,
                SeenSign.TRIP_PLATE,
                SeenSign.TRIP_REFLECTED,
                SeenSign.TRIP_HEAT,
                SeenSign.KNOB_SLIPS);
    }

    @Override
    public Optional<Double> mostOutputW() {
        return Optional.empty();
    }

    @Override
    public double mostGrowthPerDoubling() {
        return 2;
    }

    @Override
    public double warmUpS() {
        return tubes.tube().warmUpS();
    }

    @Override
    public Set<ReadingRole> needed() {
        return EnumSet.of(ReadingRole.OUTPUT);
    }

    @Override
    public boolean asks(ReadingRole role) {
        return switch (role) {
            case OUTPUT, OTHER_OUTPUT, PLATE_CURRENT, GRID_CURRENT, SCREEN_CURRENT, PLATE_VOLTAGE -> true;
            case INPUT_POWER,
                    REFLECTED,
                    INPUT_SWR,
                    SUPPLY_CURRENT,
                    SUPPLY_VOLTAGE,
                    HEAT_SINK,
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
        return switch (role) {
            case PLATE_CURRENT -> Optional.of(tubes.plateCurrentLimitA());
            case GRID_CURRENT -> Optional.of(tubes.gridCurrentLimitA());
            case SCREEN_CURRENT -> tubes.screenCurrentLimitA().stream().boxed().findFirst();
            case INPUT_POWER,
                    OUTPUT,
                    OTHER_OUTPUT,
                    PLATE_VOLTAGE,
                    REFLECTED,
                    INPUT_SWR,
                    SUPPLY_CURRENT,
                    SUPPLY_VOLTAGE,
                    HEAT_SINK,
                    ALC_GAUGE,
                    SENSE_VOLTAGE,
                    DEVICE_CURRENT,
                    GATE_VOLTAGE,
                    GATE_RF,
                    OUTPUT_VPP,
                    PHASE,
                    LINE_VOLTAGE,
                    LINE_CURRENT,
                    SIGNAL_WIDTH -> Optional.empty();
        };
    }

    @Override
    public Optional<Likely> likely(ReadingRole role) {
        return switch (role) {
            case PLATE_VOLTAGE ->
                Optional.of(new Likely(
                        tubes.plateVoltageRestDcV() * LEAST_PLATE_VOLTAGE,
                        tubes.plateVoltageRestDcV() * MOST_PLATE_VOLTAGE));
            case PLATE_CURRENT ->
                Optional.of(new Likely(tubes.restingPlateCurrentA(), tubes.plateCurrentLimitA() * USUAL_CURRENT_SHARE));
            case INPUT_POWER,
                    OUTPUT,
                    OTHER_OUTPUT,
                    GRID_CURRENT,
                    SCREEN_CURRENT,
                    REFLECTED,
                    INPUT_SWR,
                    SUPPLY_CURRENT,
                    SUPPLY_VOLTAGE,
                    HEAT_SINK,
                    ALC_GAUGE,
                    SENSE_VOLTAGE,
                    DEVICE_CURRENT,
                    GATE_VOLTAGE,
                    GATE_RF,
                    OUTPUT_VPP,
                    PHASE,
                    LINE_VOLTAGE,
                    LINE_CURRENT,
                    SIGNAL_WIDTH -> Optional.empty();
        };
    }

    /** What is shown above rest, over the share; an output meter holds the peak itself, the plate voltage sags with the average. */
    @Override
    public Quantity ofPulse(ReadingRole role, Quantity shown, double duty) {
        return switch (role) {
            case PLATE_CURRENT ->
                shown.minus(Quantity.exact((1 - duty) * tubes.restingPlateCurrentA(), Unit.AMPERE, Standing.ASSUMED))
                        .scaled(1 / duty);
            case GRID_CURRENT, SCREEN_CURRENT -> shown.scaled(1 / duty);
            case INPUT_POWER,
                    OUTPUT,
                    OTHER_OUTPUT,
                    PLATE_VOLTAGE,
                    REFLECTED,
                    INPUT_SWR,
                    SUPPLY_CURRENT,
                    SUPPLY_VOLTAGE,
                    HEAT_SINK,
                    ALC_GAUGE,
                    SENSE_VOLTAGE,
                    DEVICE_CURRENT,
                    GATE_VOLTAGE,
                    GATE_RF,
                    OUTPUT_VPP,
                    PHASE,
                    LINE_VOLTAGE,
                    LINE_CURRENT,
                    SIGNAL_WIDTH -> shown;
        };
    }

    @Override
    public Budget budget(Map<ReadingRole, Quantity> readings, Quantity driveW, Optional<Double> outputShare) {
        return Budget.of(readings, driveW, tubes, outputShare.orElse(tubes.tankEfficiency()));
    }

    @Override
    public List<Room> room(
            Map<ReadingRole, Quantity> readings, Budget budget, double duty, boolean outputShareIsKnown) {
        return Room.of(readings, budget, duty, outputShareIsKnown, tubes);
    }

    @Override
    public int deviceCount() {
        return tubes.tubeCount();
    }

    @Override
    public Optional<Double> dissipationPerDeviceW() {
        return Optional.of(tubes.plateDissipationPerTubeW());
    }
}
