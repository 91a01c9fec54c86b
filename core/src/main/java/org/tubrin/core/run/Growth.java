package org.tubrin.core.run;

import java.util.Optional;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Unit;

/**
 * How the output grew from one step to the next.
 *
 * <p>Readings of one meter on one range share its class error, so the growth between them is known better than either.
 *
 * @param ratio output over output
 * @param perDoubling the same for each doubling of drive: {@code ratio^(1/log2(drive over drive))}
 */
public record Growth(Quantity ratio, Quantity perDoubling) {

    /** Returns the growth between two steps, absent unless both have an output and the drive was raised. */
    public static Optional<Growth> between(Step before, Step after) {
        double driveRatio = after.driveW().value() / before.driveW().value();
        if (!(driveRatio > 1.02) || !Double.isFinite(driveRatio)) {
            return Optional.empty();
        }
        Optional<Quantity> first = before.measured(ReadingRole.OUTPUT).filter(output -> output.value() > 0);
        Optional<Quantity> second = after.measured(ReadingRole.OUTPUT).filter(output -> output.value() > 0);
        return first.flatMap(low -> second.map(high -> {
            Quantity ratio = high.over(low, Unit.ONE);
            double doublings = Math.log(driveRatio) / Math.log(2);
            return new Growth(ratio, ratio.toPower(1 / doublings));
        }));
    }
}
