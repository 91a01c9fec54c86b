package org.tubrin.core.drive;

import java.util.Optional;
import org.tubrin.core.quantity.ErrorSource;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.station.Amplifier;

/**
 * One band of a sweep of one drive: the output before and after something was changed.
 *
 * @param before output at the drive as measured before; empty where no row lies round it
 * @param after the same since
 * @param changeDb after over before, in decibels; what one meter errs by on one range errs both and falls out; empty where one is
 *     missing, or the two were not measured alike
 * @param lack why it is empty
 */
public record DriveSweep(
        Optional<Quantity> before, Optional<Quantity> after, Optional<Quantity> changeDb, Optional<Lack> lack) {

    /** Why two tables cannot be compared. */
    public enum Lack {
        /** One of them is not there, or not at this drive. */
        NOT_BOTH,
        /** Gain slopes within a band. */
        OTHER_FREQUENCY
    }

    private static final double DECIBELS_PER_E = 10 / Math.log(10);
    /** A drive that most bands have a row round. */
    private static final double USUAL_SHARE = 0.25;

    /** Returns the drive of a sweep where none is chosen, in watts. */
    public static double usualDriveW(Amplifier amplifier, DriveKind kind) {
        return USUAL_SHARE * kind.driveLimitW(amplifier);
    }

    /** Returns one band at a drive in watts. */
    public static DriveSweep of(double driveW, Optional<DriveBand> before, Optional<DriveBand> after) {
        Optional<Quantity> was = before.flatMap(table -> table.measuredAt(driveW));
        Optional<Quantity> is = after.flatMap(table -> table.measuredAt(driveW));
        if (was.isEmpty() || is.isEmpty()) {
            return new DriveSweep(was, is, Optional.empty(), Optional.of(Lack.NOT_BOTH));
        }
        if (!before.get().isAtFrequencyOf(after.get())) {
            return new DriveSweep(was, is, Optional.empty(), Optional.of(Lack.OTHER_FREQUENCY));
        }
        return new DriveSweep(was, is, Optional.of(change(was.get(), is.get())), Optional.empty());
    }

    /** The meters err alike at both; the eye does not, though it should have read the same. */
    private static Quantity change(Quantity was, Quantity is) {
        return is.without(DriveRow::isOfTheEye)
                .over(was.without(DriveRow::isOfTheEye), Unit.ONE)
                .inDecibels()
                .with(new ErrorSource("", "sweep", "before"), byEyeDb(was))
                .with(new ErrorSource("", "sweep", "since"), byEyeDb(is));
    }

    private static double byEyeDb(Quantity power) {
        double byEye = power.without(source -> !DriveRow.isOfTheEye(source)).standardUncertainty();
        return DECIBELS_PER_E * byEye / power.value();
    }

    /** Returns whether the change is more than its 95 % interval leaves open. */
    public boolean isBeyondNoise() {
        return changeDb.filter(change -> Math.abs(change.value()) > change.halfWidth95())
                .isPresent();
    }
}
