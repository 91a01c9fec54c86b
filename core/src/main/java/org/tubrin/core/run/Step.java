package org.tubrin.core.run;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.tubrin.core.budget.Budget;
import org.tubrin.core.budget.Room;
import org.tubrin.core.metering.Accuracy;
import org.tubrin.core.metering.Reading;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.ErrorSource;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Standing;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.scope.Look;
import org.tubrin.core.scope.Sight;

/**
 * One step of drive: in hand, or done.
 *
 * @param setup the run's setup
 * @param school by which it is taken
 * @param kind a step of the climb, or the last one a little heavier
 * @param positions where the dials and the drive stand, as far as known
 * @param moved what was set since the step began
 * @param readings what was read, by role, the last one of each
 * @param unread roles that were left out at this step
 * @param confirmed roles whose reading the operator was asked about, and kept
 * @param sight what was seen of a waveform
 * @param keyDowns how often the key was down since the step began or was tried again
 * @param readAt when it was read last; empty before
 * @param keyDown number of the run's key-down in which that was, from 1; 0 before
 * @param worked what all that comes to
 */
public record Step(
        TuneSetup setup,
        School school,
        Kind kind,
        Map<Control, Double> positions,
        Set<Control> moved,
        Map<ReadingRole, Reading> readings,
        Set<ReadingRole> unread,
        Set<ReadingRole> confirmed,
        Sight sight,
        int keyDowns,
        Optional<Instant> readAt,
        int keyDown,
        Worked worked) {

    /** From this share of it on a drive is the highest. */
    private static final double TOP_SHARE = 0.98;
    /** The same of a drive that a meter reads, which knows it less well than a scale its own mark. */
    private static final double READ_TOP_SHARE = 0.97;

    /** Share of the output that a climb goes for from which on no step may follow. */
    private static final double NEAR_THE_MOST = 0.85;

    /** Below this share of full drive grid current hardly shows. */
    private static final double SEEN_GRID_SHARE = 0.4;

    /** What a step is for. */
    public enum Kind {
        CLIMB,
        FINISH
    }

    public Step {
        positions = enumMap(Control.class, positions);
        moved = Collections.unmodifiableSet(moved.isEmpty() ? EnumSet.noneOf(Control.class) : EnumSet.copyOf(moved));
        readings = enumMap(ReadingRole.class, readings);
        unread = roles(unread);
        confirmed = roles(confirmed);
    }

    /** By what differs between the steps of a run: what was found of a step is looked up by it. */
    @Override
    public int hashCode() {
        return Objects.hash(kind, positions, readings.keySet(), keyDown, readAt);
    }

    private static Set<ReadingRole> roles(Set<ReadingRole> some) {
        return Collections.unmodifiableSet(some.isEmpty() ? EnumSet.noneOf(ReadingRole.class) : EnumSet.copyOf(some));
    }

    private static <K extends Enum<K>, V> Map<K, V> enumMap(Class<K> keys, Map<K, V> map) {
        EnumMap<K, V> copy = new EnumMap<>(keys);
        copy.putAll(map);
        return Collections.unmodifiableMap(copy);
    }

    /** Returns the same with what else was seen. */
    Step with(Sight seen) {
        return with(setup, school, kind, unread, seen);
    }

    /** Returns the same of a setup whose records were corrected. */
    Step with(TuneSetup corrected) {
        return with(corrected, school, kind, unread, sight);
    }

    /** Returns the same by another school, for another purpose. */
    Step with(School by, Kind of) {
        return with(setup, by, of, unread, sight);
    }

    /** Returns the same with other roles left out. */
    Step withUnread(Set<ReadingRole> roles) {
        return with(setup, school, kind, roles, sight);
    }

    private Step with(TuneSetup of, School by, Kind what, Set<ReadingRole> leftOut, Sight seen) {
        if (setup.equals(of) && by == school && what == kind && unread.equals(leftOut) && sight.equals(seen)) {
            // What was worked out of it stays.
            return this;
        }
        return new Step(
                of,
                by,
                what,
                positions,
                moved,
                readings,
                leftOut,
                confirmed,
                seen,
                keyDowns,
                readAt,
                keyDown,
                new Worked());
    }

    /** Returns where a control stands. */
    public Optional<Double> position(Control control) {
        return Optional.ofNullable(positions.get(control));
    }

    /** Returns what a reading is worth. */
    public Optional<Quantity> measured(ReadingRole role) {
        return Optional.ofNullable(measured().get(role));
    }

    /** Returns what every reading is worth, by role. */
    public Map<ReadingRole, Quantity> measured() {
        return worked.measured(() -> {
            EnumMap<ReadingRole, Quantity> all = new EnumMap<>(ReadingRole.class);
            readings.values()
                    .forEach(reading -> worth(reading).ifPresent(quantity -> all.put(reading.role(), quantity)));
            return Collections.unmodifiableMap(all);
        });
    }

    private Optional<Quantity> worth(Reading reading) {
        return setup.channelFor(reading.role())
                .flatMap(channel -> channel.range(reading.range()).map(range -> channel.measured(reading, range)))
                .map(shown ->
                        school == School.PULSED ? setup.stage().ofPulse(reading.role(), shown, dutyFactor()) : shown);
    }

    /** Returns the share of the time that the carrier is on: 1 but for pulses. */
    public double dutyFactor() {
        return school == School.PULSED ? setup.customs().dutyFactor() : 1;
    }

    /**
     * Returns the drive as a quantity: what a meter at the input reads, else what the exciter is set to, with the bound of its scale;
     * zero where not set.
     */
    public Quantity driveW() {
        if (setup.stage().asks(ReadingRole.INPUT_POWER)) {
            Optional<Quantity> read = measured(ReadingRole.INPUT_POWER).filter(one -> one.value() > 0);
            if (read.isPresent()) {
                return read.get();
            }
        }
        double driveW = positions.getOrDefault(Control.DRIVE, 0.0);
        double standardUncertainty =
                new Accuracy.OfReading(setup.exciter().powerAccuracyFraction(), 0).standardUncertainty(driveW, driveW);
        return Quantity.of(
                driveW,
                Unit.WATT,
                Standing.ASSUMED,
                ErrorSource.bounded(setup.exciter().name(), "DRIVE", ""),
                standardUncertainty);
    }

    /** Returns the budget of what has been read. */
    public Budget budget() {
        return worked.budget(() -> setup.stage().budget(measured(), driveW(), tankEfficiency()));
    }

    /** Returns what the twin knows of the tank at this band and LOAD. */
    private Optional<Double> tankEfficiency() {
        return position(Control.LOAD).flatMap(load -> RecordTwin.tankEfficiency(setup, load));
    }

    /** Returns whether the tank's loss is known here: then heat counts without it. */
    public boolean tankIsKnown() {
        return tankEfficiency().isPresent();
    }

    /** Returns output over plate input, where both are known. */
    public Optional<Quantity> efficiency() {
        return budget().efficiency();
    }

    /** Returns the room left to each limit. */
    public List<Room> room() {
        return setup.stage().amplifies() ? worked.room(this::leftToLimits) : List.of();
    }

    private List<Room> leftToLimits() {
        Map<ReadingRole, Quantity> measured = measured();
        List<Room> rooms = new ArrayList<>(setup.stage().room(measured, budget(), dutyFactor(), tankIsKnown()));
        rooms.addAll(
                Room.beyondTheStage(measured, driveW(), setup.driveLimitW(), setup.licenceW(), setup.termination()));
        return List.copyOf(rooms);
    }

    /** Returns whether the drive is the highest of the climb. */
    public boolean isAtTheTop() {
        return positions.getOrDefault(Control.DRIVE, 0.0) >= TOP_SHARE * setup.topDriveW()
                || driveW().value() >= READ_TOP_SHARE * setup.topDriveW();
    }

    /** Returns whether the output is nearly all that is gone for: then no step may follow, where the school has no finish of its own. */
    private boolean isNearTheMost() {
        return !school.finishesHeavier()
                && measured(ReadingRole.OUTPUT)
                        .filter(output -> output.value() > NEAR_THE_MOST * setup.climbsToW())
                        .isPresent();
    }

    /** Returns the roles asked for that have no reading yet, in the order of reading. */
    public List<ReadingRole> missing() {
        List<ReadingRole> positions = switchPositions();
        return setup.rolesAsked().stream()
                .filter(role -> isOpen(role) && (!setup.isSwitched(role) || positions.contains(role)))
                .toList();
    }

    private boolean isOpen(ReadingRole role) {
        return !readings.containsKey(role) && !unread.contains(role);
    }

    private List<ReadingRole> switchPositions() {
        return MeterSwitch.positions(
                setup, school, gridShows(), kind == Kind.FINISH || isAtTheTop() || isNearTheMost());
    }

    /** Returns what a panel meter's switch is to stand on in the next key-down; empty where none has one, or all of it is read. */
    public Optional<ReadingRole> meterSwitch() {
        return switchPositions().stream().filter(this::isOpen).findFirst();
    }

    /** Returns the last position of a panel meter's switch that is read; empty where none is. */
    Optional<ReadingRole> lastSwitched() {
        return switchPositions().stream().filter(readings::containsKey).reduce((one, next) -> next);
    }

    /** Returns whether there is drive enough for a grid's current to show. */
    public boolean gridShows() {
        return driveW().value() >= SEEN_GRID_SHARE * setup.topDriveW();
    }

    /** Returns those of them that one key-down shows: of a meter with a switch what it stands on. */
    public List<ReadingRole> inView() {
        Optional<ReadingRole> position = meterSwitch();
        return missing().stream()
                .filter(role ->
                        !setup.isSwitched(role) || position.filter(role::equals).isPresent())
                .toList();
    }

    /** Returns whether all that is missing is what a switch does not show yet: that is read in a key-down of its own. */
    public boolean takesAnotherKeyDown() {
        List<ReadingRole> missing = missing();
        return !missing.isEmpty() && !readings.isEmpty() && missing.stream().allMatch(setup::isSwitched);
    }

    /** Returns the controls of which it is not known where they stand. */
    public List<Control> unset() {
        return setup.stage().controls().stream()
                .filter(control -> !positions.containsKey(control))
                .toList();
    }

    /** Returns what a scope is looked at for; empty where it was not said, or in another kind of run. */
    Optional<Look> look() {
        return position(Control.LOOK).map(Look::at);
    }

    /** Returns whether what was seen tells what it is looked at for. */
    boolean isSeen() {
        return look().filter(look -> !sight.tells(look)).isEmpty();
    }

    /** Returns whether it can be recorded: all readings are there, drive and dials are known, and what it is looked at for was seen. */
    public boolean isComplete() {
        return missing().isEmpty() && unset().isEmpty() && isSeen();
    }
}
