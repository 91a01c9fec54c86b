package org.tubrin.core.budget;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.station.Load;
import org.tubrin.core.station.Stage;
import org.tubrin.core.station.Termination;
import org.tubrin.core.station.TwinConstants;

/**
 * The room left to one limit.
 *
 * @param kind what is limited
 * @param value where it stands
 * @param limit the limit, in the value's unit
 * @param verdict within, may exceed, exceeds
 */
public record Room(LimitKind kind, Quantity value, double limit, Verdict verdict) {
    /** From this share of its limit on a reading is near it: the hand on the dial has a tenth left. Our own choice. */
    private static final double NEAR_SHARE = 0.9;

    /** Returns whether a share of a limit is near it, or beyond. */
    public static boolean isNear(double share) {
        return share >= NEAR_SHARE;
    }

    /** Returns the value as a share of its limit. */
    public double share() {
        return value.value() / limit;
    }

    /**
     * Returns the room to the limits of a stage with tubes, as far as their values are known, in the order in which they are shown.
     *
     * @param dutyFactor share of the time that the carrier is on; heat counts by its average
     * @param tankIsKnown whether the tank's loss on this band is known: then heat counts without it, else all that is not
     *     output counts as heat
     */
    public static List<Room> of(
            Map<ReadingRole, Quantity> readings,
            Budget budget,
            double dutyFactor,
            boolean tankIsKnown,
            Stage.Tubes tubes) {
        List<Room> rooms = new ArrayList<>();
        add(rooms, LimitKind.PLATE_CURRENT, readings, tubes.plateCurrentLimitA());
        add(rooms, LimitKind.GRID_CURRENT, readings, tubes.gridCurrentLimitA());
        tubes.screenCurrentLimitA()
                .ifPresent(limit -> Optional.ofNullable(readings.get(ReadingRole.SCREEN_CURRENT))
                        .ifPresent(current -> rooms.add(room(LimitKind.SCREEN_CURRENT, magnitude(current), limit))));
        (tankIsKnown ? budget.heatPerDeviceCorrectedW() : budget.heatPerDeviceW())
                .map(heat -> heat.scaled(dutyFactor))
                .ifPresent(heat -> rooms.add(room(LimitKind.HEAT_PER_TUBE, heat, tubes.plateDissipationPerTubeW())));
        return List.copyOf(rooms);
    }

    /**
     * Returns the room to the limits of a stage with transistors, as far as they are known.
     *
     * @param ratedOutputW what it is rated for in the mode in use, in watts
     * @param constants of its twin
     */
    public static List<Room> of(
            Map<ReadingRole, Quantity> readings,
            Stage.Transistors transistors,
            double ratedOutputW,
            Optional<TwinConstants> constants) {
        List<Room> rooms = new ArrayList<>();
        rooms.addAll(of(readings, transistors.supplyCurrentLimitA(), ratedOutputW));
        if (constants.orElse(null) instanceof TwinConstants.Broadband twin) {
            add(rooms, LimitKind.HEAT_SINK, readings, twin.foldBackC());
        }
        return List.copyOf(rooms);
    }

    /**
     * Returns the room to what a stage on a direct-current supply is rated for, and to the current that it may draw.
     *
     * @param supplyCurrentLimitA in amperes
     * @param ratedOutputW in watts
     */
    public static List<Room> of(Map<ReadingRole, Quantity> readings, double supplyCurrentLimitA, double ratedOutputW) {
        List<Room> rooms = new ArrayList<>();
        add(rooms, LimitKind.RATED_OUTPUT, readings, ratedOutputW);
        add(rooms, LimitKind.SUPPLY_CURRENT, readings, supplyCurrentLimitA);
        return List.copyOf(rooms);
    }

    /**
     * Returns the room to the limits that no stage sets: the licence, what the load is rated for, the drive that the amplifier takes.
     *
     * @param driveLimitW in the mode in use, in watts
     * @param licenceW output that the licence lets pass in it, in watts
     */
    public static List<Room> beyondTheStage(
            Map<ReadingRole, Quantity> readings,
            Quantity driveW,
            double driveLimitW,
            double licenceW,
            Termination termination) {
        List<Room> rooms = new ArrayList<>();
        add(rooms, LimitKind.OUTPUT, readings, licenceW);
        if (termination instanceof Load load && load.powerLimitW() < licenceW) {
            add(rooms, LimitKind.LOAD_POWER, readings, load.powerLimitW());
        }
        if (driveW.value() > 0) {
            rooms.add(new Room(
                    LimitKind.DRIVE,
                    driveW,
                    driveLimitW,
                    driveW.value() > driveLimitW ? Verdict.EXCEEDS : Verdict.WITHIN));
        }
        return List.copyOf(rooms);
    }

    private static void add(List<Room> rooms, LimitKind kind, Map<ReadingRole, Quantity> readings, double limit) {
        kind.role().map(readings::get).ifPresent(value -> rooms.add(room(kind, value, limit)));
    }

    private static Room room(LimitKind kind, Quantity value, double limit) {
        return new Room(kind, value, limit, Verdict.of(value, limit));
    }

    private static Quantity magnitude(Quantity value) {
        return value.value() < 0 ? value.scaled(-1) : value;
    }
}
