package org.tubrin.core.run;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.tubrin.core.budget.Budget;
import org.tubrin.core.budget.Room;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.tank.Dial;

/** What a run asks of the stage that it is about, whatever its kind. */
public interface RunStage {

    /** Returns what a run on it is for. */
    RunKind kind();

    /** Returns whether it has dials to tune. */
    default boolean isTuned() {
        return kind() == RunKind.TUNE_UP;
    }

    /** Returns whether it amplifies meanwhile, so that drive, heat and limits tell of it. */
    default boolean amplifies() {
        return true;
    }

    /** Returns whether the key may stay down from step to step: no RF flows, or it is a transmission on the air. */
    default boolean staysKeyed() {
        return kind() == RunKind.BIAS || kind() == RunKind.RESONANCE;
    }

    /** Returns what the operator can set, in the order of asking. */
    List<Control> controls();

    /** Returns where controls stand before anything is set. */
    default Map<Control, Double> start() {
        return Map.of();
    }

    /** Returns the dial of a control; empty where it has none. */
    Optional<Dial> dial(Control control);

    /** Returns the schools by which a run on it can go. */
    List<School> schools();

    /** Returns the points that its kind asks before power, beside those that every run has. */
    Set<Check> checks();

    /** Returns the points of the signal that are asked after the last step. */
    Set<Check> closingChecks();

    /** Returns what the operator may see of it that readings do not tell. */
    List<SeenSign> seenSigns();

    /** Returns the output that more drive is not to pass, in watts; empty where the licence alone says. */
    Optional<Double> mostOutputW();

    /** Returns by how much the output can grow when the drive is doubled. */
    double mostGrowthPerDoubling();

    /** Returns how long it warms before it may be driven, in seconds. */
    double warmUpS();

    /** Returns the roles without a meter for which there is no run. */
    Set<ReadingRole> needed();

    /** Returns whether each step is to have a reading of a role, where a meter reads it. */
    boolean asks(ReadingRole role);

    /** Returns what a reading of a role is not to pass, in its SI unit; empty where the stage sets no limit. */
    Optional<Double> limitOf(ReadingRole role);

    /** Returns what a reading lies between where the stage is well, whatever the drive; empty where nothing is known. */
    Optional<Likely> likely(ReadingRole role);

    /** Returns what a panel meter's average over pulses is at their peak, for a share of the time that the carrier is on. */
    Quantity ofPulse(ReadingRole role, Quantity shown, double duty);

    /**
     * Returns the budget of what was read.
     *
     * @param outputShare share of the device's RF that reaches the output, as the twin knows it; empty where it does not
     */
    Budget budget(Map<ReadingRole, Quantity> readings, Quantity driveW, Optional<Double> outputShare);

    /** Returns the room left to the stage's own limits, with heat as its average over a share of the time. */
    List<Room> room(Map<ReadingRole, Quantity> readings, Budget budget, double duty, boolean outputShareIsKnown);

    /** Returns how many devices share its heat. */
    int deviceCount();

    /** Returns the heat that one device bears for long, in watts; empty where it is not known. */
    Optional<Double> dissipationPerDeviceW();
}
