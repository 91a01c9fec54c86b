package org.tubrin.core.run;

import java.util.List;
import java.util.Optional;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;

/**
 * How far the drive may go by what the currents did from step to step, where no twin foresees them.
 *
 * <p>Method: each current as a power of the drive, {@code I ~ P^k}, through the last step and the last before it that lies well apart, a
 * little steeper for what they leave open; after one step by the steepest that is usual. Source: our own, tried in the campaign.
 */
public final class DriveAhead {
    /** A grid begins to draw late and then fast: with this power of the drive, where LOAD stays. */
    public static final double USUAL_GRID_POWER = 1.6;

    private static final double STEEPER = 0.1;
    /** Where LOAD stays, a grid's current bends upward as the plate swings down to it. */
    private static final double STEEPER_OF_A_GRID = 0.3;

    private static final double LEAST_POWER = 0.4;
    private static final double MOST_POWER = 2.5;
    /** Two drives nearer to each other tell little. */
    private static final double APART = 1.4;

    private DriveAhead() {}

    /** Returns the most drive at which each current still is where it may be, in watts; empty where nothing limits it. */
    static Optional<Double> withinW(TuneSetup setup, List<Step> climb) {
        Optional<Double> least = Optional.empty();
        for (ReadingRole role :
                List.of(ReadingRole.GRID_CURRENT, ReadingRole.SCREEN_CURRENT, ReadingRole.PLATE_CURRENT)) {
            Optional<Double> within = Stop.at(setup, role).flatMap(at -> within(role, at, climb));
            if (within.isPresent() && (least.isEmpty() || within.get() < least.get())) {
                least = within;
            }
        }
        return least;
    }

    private static Optional<Double> within(ReadingRole role, double at, List<Step> climb) {
        if (climb.isEmpty()) {
            return Optional.empty();
        }
        Step last = climb.get(climb.size() - 1);
        Optional<Double> now = current(last, role);
        if (now.isEmpty() || !(last.driveW().value() > 0)) {
            return Optional.empty();
        }
        double power = climb.stream()
                .filter(step -> last.driveW().value() > APART * step.driveW().value())
                .reduce((first, second) -> second)
                .flatMap(before -> power(before, last, role))
                .orElse(usualPower(role));
        return Optional.of(last.driveW().value() * Math.pow(at / now.get(), 1 / power));
    }

    private static Optional<Double> current(Step step, ReadingRole role) {
        return step.measured(role).map(Quantity::value).filter(value -> value > 0);
    }

    private static Optional<Double> power(Step before, Step last, ReadingRole role) {
        double drives = last.driveW().value() / before.driveW().value();
        boolean loadStays = !last.school().tunesLoadEachStep();
        double steeper = loadStays && role != ReadingRole.PLATE_CURRENT ? STEEPER_OF_A_GRID : STEEPER;
        return current(before, role)
                .map(was -> Math.log(current(last, role).orElseThrow() / was) / Math.log(drives) + steeper)
                .map(power -> Math.max(LEAST_POWER, Math.min(MOST_POWER, power)));
    }

    private static double usualPower(ReadingRole role) {
        return role == ReadingRole.PLATE_CURRENT ? 0.7 : USUAL_GRID_POWER;
    }
}
