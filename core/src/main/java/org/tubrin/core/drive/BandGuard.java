package org.tubrin.core.drive;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.tubrin.core.quantity.Decibels;
import org.tubrin.core.run.NextRow;
import org.tubrin.core.run.SeenSign;
import org.tubrin.core.run.Trip;
import org.tubrin.core.run.TuneSettings;
import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Band;

/**
 * How to come from one band to another, or to another mode, without a trip.
 *
 * @param to the other band
 * @param firstW drive to set before the change, in watts; the first key-down is short and at this
 * @param uptoW drive that may then be gone up to by 3 dB at most a key-down, in watts; empty where nothing is known
 * @param because why
 * @param tripW lowest drive at which it tripped there, in watts
 * @param setBefore what the exciter was last left at there
 * @param otherwise what would happen without it
 */
public record BandGuard(
        Band to,
        double firstW,
        Optional<Double> uptoW,
        Because because,
        Optional<Double> tripW,
        Optional<SetBefore> setBefore,
        Otherwise otherwise) {
    /** Rows from which a band counts as known. */
    private static final int ENOUGH_ROWS = 3;

    /** Why the first drive is what it is. */
    public enum Because {
        /** The other band wants less. */
        LOWER_DRIVE,
        /** The band in use wants less. */
        THIS_IS_LESS,
        /** It tripped there. */
        TRIPPED,
        /** Too few rows. */
        FEW_ROWS,
        /** No row. */
        NEVER_MEASURED,
        /** Nobody knows what the exciter stands at. */
        FROM_UNKNOWN
    }

    /** Which drive would come up without the guard. */
    public enum Comes {
        /** The one in use, kept. */
        KEPT,
        /** What the exciter was last left at there. */
        REMEMBERED,
        /** The most that the exciter gives, since nothing is known of it. */
        FULL
    }

    /**
     * What would happen without it.
     *
     * @param comes which drive would come up
     * @param driveW that drive, in watts
     * @param outputW to expect, in watts; empty where not known
     * @param beyondTripDb by how much the drive is above where it tripped; negative below; empty where it never did
     * @param beyondRatedDb by how much the output is above what it is rated for
     */
    public record Otherwise(
            Comes comes,
            double driveW,
            Optional<Double> outputW,
            Optional<Double> beyondTripDb,
            Optional<Double> beyondRatedDb) {
        /** Returns whether it would be too much, or nobody knows. */
        public boolean isRisky() {
            return outputW.isEmpty()
                    || beyondTripDb.filter(db -> db > 0).isPresent()
                    || beyondRatedDb.filter(db -> db > 0).isPresent();
        }
    }

    /**
     * What is asked.
     *
     * @param amplifier the amplifier
     * @param kind of the rows that the mode goes by
     * @param tables all that is known, of every band and kind
     * @param inUseW the drive in use now, in watts; empty where the band in use is not known
     * @param wantedW the output wanted on every band
     */
    public record Asked(
            Amplifier amplifier, DriveKind kind, List<DriveBand> tables, Optional<Double> inUseW, double wantedW) {
        public Asked {
            tables = List.copyOf(tables);
        }

        /** The way from the exciter is that of the newest table. */
        private Optional<TuneSetup> path() {
            return tables.stream().max(Comparator.comparing(DriveBand::at)).map(DriveBand::setup);
        }

        /** Returns the most that the exciter gives at the amplifier's input, in watts. */
        private double mostW() {
            return path().map(TuneSetup::mostDriveW).orElse(amplifier.driveLimitW());
        }

        /** Returns what the exciter's scale is to show for a drive, in watts, as it did in the newest rows. */
        public double setForW(double driveW) {
            return tables.stream()
                    .filter(table -> !table.rows().isEmpty())
                    .max(Comparator.comparing(DriveBand::at))
                    .map(table -> table.setForW(driveW))
                    .orElse(driveW);
        }

        private double driveW(SetBefore before) {
            return path().map(setup -> setup.driveOfW(before.setW())).orElse(before.setW());
        }
    }

    /** Returns the way to a band; {@code setBefore} is what the exciter was last left at there. */
    public static BandGuard to(Band to, Asked asked, Optional<SetBefore> setBefore) {
        Optional<DriveBand> there = asked.tables.stream()
                .filter(one -> one.band() == to && one.kind() == asked.kind)
                .findFirst();
        List<Trip> trips = trips(to, asked);
        Optional<Double> tripW = NextRow.tripW(trips);
        double capW = Math.min(NextRow.capW(trips), asked.kind.driveLimitW(asked.amplifier));
        Otherwise otherwise = otherwise(asked, there, tripW, setBefore);
        int rows = there.map(one -> one.rows().size()).orElse(0);
        double least = Stream.concat(asked.inUseW.stream(), Stream.of(leastOfAllW(asked), capW))
                .min(Comparator.naturalOrder())
                .orElseThrow();
        if (rows < ENOUGH_ROWS) {
            return new BandGuard(
                    to,
                    least,
                    tripW.isPresent() ? Optional.of(capW) : Optional.empty(),
                    tripW.isPresent() ? Because.TRIPPED : rows == 0 ? Because.NEVER_MEASURED : Because.FEW_ROWS,
                    tripW,
                    setBefore,
                    otherwise);
        }
        double uptoW = Math.min(capW, uptoW(there.get(), asked.wantedW));
        boolean capped = tripW.isPresent()
                && (uptoW == capW || there.get().driveFor(asked.wantedW).basis() == DriveFor.Basis.TRIPS);
        double firstW = asked.inUseW.map(inUse -> Math.min(inUse, uptoW)).orElse(Math.min(least, uptoW));
        return new BandGuard(
                to,
                firstW,
                Optional.of(uptoW),
                capped
                        ? Because.TRIPPED
                        : asked.inUseW.isEmpty()
                                ? Because.FROM_UNKNOWN
                                : firstW < uptoW ? Because.THIS_IS_LESS : Because.LOWER_DRIVE,
                tripW,
                setBefore,
                otherwise);
    }

    /** Returns the trips of a band: those of the kind that is asked for, and of the others what drive or output alone brought about. */
    private static List<Trip> trips(Band to, Asked asked) {
        return asked.tables.stream()
                .filter(one -> one.band() == to)
                .flatMap(one -> one.trips().stream()
                        .filter(trip -> one.kind() == asked.kind
                                || trip.kind() == SeenSign.TRIP_INPUT
                                || trip.kind() == SeenSign.TRIP_OUTPUT))
                .toList();
    }

    /**
     * Returns the drive to go up to on a band for an output, in watts: never beyond what was measured, what a trip lets pass, or, of a
     * carrier that stands long, what the heat sink stands.
     */
    public static double uptoW(DriveBand there, double wantedW) {
        double measuredW = there.rows().get(there.rows().size() - 1).driveW().value();
        double knownW = Math.min(Math.min(there.capW(), measuredW), there.coolUptoW());
        return there.driveFor(wantedW)
                .driveW()
                .map(drive -> Math.min(knownW, drive.value()))
                .orElse(knownW);
    }

    private static Otherwise otherwise(
            Asked asked, Optional<DriveBand> there, Optional<Double> tripW, Optional<SetBefore> setBefore) {
        double keptW = asked.inUseW.orElse(0.0);
        boolean remembers = setBefore.filter(one -> asked.driveW(one) > keptW).isPresent();
        Comes comes = remembers ? Comes.REMEMBERED : asked.inUseW.isPresent() ? Comes.KEPT : Comes.FULL;
        double driveW = switch (comes) {
            case REMEMBERED -> asked.driveW(setBefore.orElseThrow());
            case KEPT -> keptW;
            case FULL -> asked.mostW();
        };
        Optional<Double> outputW = there.flatMap(one -> one.outputAtW(driveW));
        double ratedW = asked.kind.ratedOutputW(asked.amplifier);
        return new Otherwise(
                comes,
                driveW,
                outputW,
                tripW.map(trip -> Decibels.of(driveW / trip)),
                outputW.map(output -> Decibels.of(output / ratedW)));
    }

    /** Returns the least drive of all rows, or with which a table begins, in watts. */
    private static double leastOfAllW(Asked asked) {
        double firstRowW = asked.kind.driveLimitW(asked.amplifier)
                * TuneSettings.customaryFor(asked.amplifier.stage()).firstDriveFraction();
        return asked.tables.stream()
                .flatMap(one -> one.rows().stream())
                .map(row -> row.driveW().value())
                .min(Comparator.naturalOrder())
                .map(least -> Math.min(least, firstRowW))
                .orElse(firstRowW);
    }
}
