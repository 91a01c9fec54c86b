package org.tubrin.core.run;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.tubrin.core.metering.ReadingRole;
import org.tubrin.core.quantity.Quantity;
import org.tubrin.core.quantity.Unit;
import org.tubrin.core.twin.SaturationLaw;

/**
 * The next row of a drive table: 3 dB above the last at most, less where the output would pass what the stage is rated for or the
 * wanted output, and below where it tripped.
 *
 * @param driveW drive of the row as a meter at the input is to read it, in watts
 * @param because what governs
 */
public record NextRow(double driveW, Because because) {
    /** Rows closer than 0.6 dB tell nothing more. */
    private static final double WORTH_A_ROW = 1.15;
    /** Half of a step below where it tripped: up to there nothing is known to trip. */
    private static final double BELOW_TRIP = 0.7;
    /** A row this near to the wanted output is it; the more rows there are to know the stage by, the less near it needs to be. */
    private static final double AT_WANTED = 0.02;

    private static final double NEAR_WANTED = 0.05;
    private static final int ENOUGH_ROWS = 3;
    private static final double BY_LAW = 0.08;
    private static final int ROWS_FOR_LAW = 4;
    /** Between rows no further apart than this ratio of drive the curve of a stage is known to about 1 %. */
    private static final double CLOSE_ROWS = 1.5;
    /** Growth between outputs that are known less well than this tells nothing. */
    private static final double KNOWN_SHARE = 0.15;
    /** A stage that still grows so well may expand once more. */
    private static final double STILL_EXPANDS = 1.9;

    /** What governs the drive of a row. */
    public enum Because {
        /** Three decibels, or the most that the amplifier takes. */
        RUNG,
        RATED,
        TRIPPED,
        WANTED
    }

    /** Returns the next row after some; empty where the table is done. */
    public static Optional<NextRow> of(TuneSetup setup, List<Step> steps, List<Trip> trips) {
        return end(setup, steps, trips).isPresent() ? Optional.empty() : Optional.of(next(setup, steps, trips));
    }

    /** Returns why there is no next row; empty while there is one. */
    static Optional<ClimbEnd> end(TuneSetup setup, List<Step> steps, List<Trip> trips) {
        if (steps.isEmpty()) {
            return Optional.empty();
        }
        Step last = steps.get(steps.size() - 1);
        if (isThere(setup, steps)) {
            return Optional.of(ClimbEnd.WANTED);
        }
        if (steps.size() > 1 && HeldBack.between(steps.get(steps.size() - 2), last)) {
            return Optional.of(ClimbEnd.HELD_BACK);
        }
        NextRow next = next(setup, steps, trips);
        if (next.because == Because.WANTED) {
            return Optional.empty();
        }
        if (last.isAtTheTop()) {
            return Optional.of(ClimbEnd.top(setup));
        }
        if (growth(steps)
                .filter(one -> one.perDoubling().likelyHigh() < setup.settings().saturationGrowth())
                .isPresent()) {
            return Optional.of(ClimbEnd.SATURATION);
        }
        if (ClimbEnd.isNearALimit(last)) {
            return Optional.of(ClimbEnd.LIMIT_NEAR);
        }
        return next.driveW >= WORTH_A_ROW * last.driveW().value()
                ? Optional.empty()
                : Optional.of(
                        switch (next.because) {
                            case RUNG -> ClimbEnd.top(setup);
                            case RATED -> setup.mostOutputW() < setup.licenceW() ? ClimbEnd.RATED : ClimbEnd.LICENCE;
                            case TRIPPED -> ClimbEnd.TRIPPED;
                            case WANTED -> ClimbEnd.WANTED;
                        });
    }

    /** Returns the drive that trips let pass, in watts: a little below the lowest at which the protection acted on what the drive does. */
    public static double capW(List<Trip> trips) {
        return tripW(trips).map(tripW -> BELOW_TRIP * tripW).orElse(Double.MAX_VALUE);
    }

    /** Returns the lowest drive at which the protection acted on what the drive does, in watts: a filter in the wrong place is not that. */
    public static Optional<Double> tripW(List<Trip> trips) {
        return trips.stream()
                .filter(trip -> trip.kind() != SeenSign.TRIP_FILTER)
                .map(trip -> trip.driveW().value())
                .filter(driveW -> driveW > 0)
                .min(Comparator.naturalOrder());
    }

    /** Whether the drive for the wanted output is known: a row has it, or rows close on either side do. */
    private static boolean isThere(TuneSetup setup, List<Step> steps) {
        Optional<Double> wantedW = setup.customs().wantedOutputW();
        if (wantedW.isEmpty()) {
            return false;
        }
        int rows = steps.size();
        double near = rows >= ROWS_FOR_LAW ? BY_LAW : rows >= ENOUGH_ROWS ? NEAR_WANTED : AT_WANTED;
        return off(steps.get(rows - 1), wantedW.get()) < near
                || (rows >= ENOUGH_ROWS && isBetween(steps, wantedW.get()));
    }

    private static boolean isBetween(List<Step> steps, double wantedW) {
        return above(steps, wantedW)
                .flatMap(high -> below(steps, high, wantedW)
                        .filter(low -> high.driveW().value()
                                < CLOSE_ROWS * low.driveW().value()))
                .isPresent();
    }

    private static double off(Step step, double wantedW) {
        return output(step).map(one -> Math.abs(one.value() / wantedW - 1)).orElse(1.0);
    }

    private static Optional<Quantity> output(Step step) {
        return step.measured(ReadingRole.OUTPUT).filter(one -> one.value() > 0);
    }

    private static Optional<Growth> growth(List<Step> steps) {
        return steps.size() < 2
                ? Optional.empty()
                : Growth.between(steps.get(steps.size() - 2), steps.get(steps.size() - 1))
                        .filter(one -> isKnown(steps.get(steps.size() - 2)) && isKnown(steps.get(steps.size() - 1)));
    }

    private static boolean isKnown(Step step) {
        return output(step)
                .filter(one -> one.standardUncertainty() < KNOWN_SHARE * one.value())
                .isPresent();
    }

    private static NextRow next(TuneSetup setup, List<Step> steps, List<Trip> trips) {
        Optional<Double> wantedW = setup.customs().wantedOutputW().map(wanted -> Math.min(wanted, setup.mostOutputW()));
        Optional<NextRow> between = wantedW.flatMap(wanted -> back(steps, wanted));
        if (between.isPresent() && between.get().driveW <= capW(trips)) {
            return between.get();
        }
        Step last = steps.get(steps.size() - 1);
        double lastW = last.driveW().value();
        double rungW = Math.min(setup.driveLimitW(), setup.settings().driveRatio() * lastW);
        Optional<Growth> growth = growth(steps);
        Optional<SaturationLaw> law = law(setup, steps);
        NextRow rung = new NextRow(rungW, Because.RUNG);
        NextRow rated = new NextRow(ratedW(setup, last, growth, law).orElse(rungW), Because.RATED);
        NextRow capped = new NextRow(capW(trips), Because.TRIPPED);
        NextRow wanted = wantedW.flatMap(target -> law.flatMap(known -> known.driveFor(target)))
                .map(found -> new NextRow(found.driveW(), Because.WANTED))
                .orElse(rung);
        return List.of(rung, rated, capped, wanted).stream()
                .min(Comparator.comparingDouble(NextRow::driveW))
                .orElseThrow();
    }

    /** What the rows up to the last foretell, but for those that another range of the meter knows too badly beside it. */
    private static Optional<SaturationLaw> law(TuneSetup setup, List<Step> steps) {
        Step last = steps.get(steps.size() - 1);
        List<SaturationLaw.Row> rows = output(last).stream()
                .flatMap(there -> steps.stream()
                        .filter(step -> step.driveW().value() <= last.driveW().value())
                        .sorted(Comparator.comparingDouble(step -> step.driveW().value()))
                        .flatMap(step -> output(step)
                                .filter(one -> isKnownBeside(one, there))
                                .map(one -> new SaturationLaw.Row(step.driveW().value(), one.value()))
                                .stream()))
                .toList();
        return rows.isEmpty() ? Optional.empty() : Optional.of(SaturationLaw.of(rows, setup.amplifier(), setup.band()));
    }

    private static boolean isKnownBeside(Quantity output, Quantity there) {
        Quantity ratio = output.over(there, Unit.ONE);
        return ratio.standardUncertainty() < KNOWN_SHARE * ratio.value();
    }

    /** Once a row is above the wanted output the next lies between it and the best one below, in proportion of the logarithms. */
    private static Optional<NextRow> back(List<Step> steps, double wantedW) {
        return above(steps, wantedW).map(high -> {
            double highW = high.driveW().value();
            double outputW = output(high).orElseThrow().value();
            return below(steps, high, wantedW)
                    .map(low -> {
                        double lowW = output(low).orElseThrow().value();
                        double share = Math.log(wantedW / lowW) / Math.log(outputW / lowW);
                        double fromW = low.driveW().value();
                        return new NextRow(fromW * Math.pow(highW / fromW, share), Because.WANTED);
                    })
                    .orElseGet(() -> new NextRow(highW * wantedW / outputW, Because.WANTED));
        });
    }

    /** The row of the least drive that gave more than is wanted. */
    private static Optional<Step> above(List<Step> steps, double wantedW) {
        return steps.stream()
                .filter(step ->
                        output(step).filter(one -> one.value() > wantedW).isPresent())
                .min(Comparator.comparingDouble(step -> step.driveW().value()));
    }

    /** The row of the most drive, less than that of another, that gave less than is wanted. */
    private static Optional<Step> below(List<Step> steps, Step above, double wantedW) {
        return steps.stream()
                .filter(step -> step.driveW().value() < above.driveW().value())
                .filter(step ->
                        output(step).filter(one -> one.value() < wantedW).isPresent())
                .max(Comparator.comparingDouble(step -> step.driveW().value()));
    }

    /** As far as the growth that may be keeps within the rating, or what the rows foretell, whichever leads further. */
    private static Optional<Double> ratedW(
            TuneSetup setup, Step last, Optional<Growth> growth, Optional<SaturationLaw> law) {
        double most = setup.stage().mostGrowthPerDoubling();
        double perDoubling = growth.map(one -> one.perDoubling().value())
                .filter(seen -> seen < STILL_EXPANDS)
                .map(seen -> Math.min(most, seen))
                .orElse(most);
        return output(last).filter(output -> perDoubling > 1).map(output -> {
            double mayBeW = output.value() + Quantity.COVERAGE_95 * output.standardUncertainty();
            double times = Math.max(1, setup.mostOutputW() / mayBeW);
            double byGrowthW = raised(last.driveW().value(), times, perDoubling);
            return law.flatMap(known -> known.leastDriveForW(times * output.value()))
                    .filter(byLawW -> byLawW > byGrowthW)
                    .orElse(byGrowthW);
        });
    }

    /** Returns the drive that brings so many times the output, where doubling it brings so many times. */
    private static double raised(double driveW, double times, double perDoubling) {
        return driveW * Math.pow(2, Math.log(times) / Math.log(perDoubling));
    }
}
