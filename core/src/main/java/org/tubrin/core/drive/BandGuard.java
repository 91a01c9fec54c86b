package org.tubrin.core.drive;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.tubrin.core.run.TuneSettings;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Band;

/**
 * How to come from one band to another without a trip.
 *
 * @param to the other band
 * @param firstW drive to set before the change, in watts; the first key-down is short and at this
 * @param uptoW drive that may then be gone up to, in watts; empty where nothing is known: 3 dB at most a key-down
 * @param because why
 * @param tripW lowest drive at which it tripped there, in watts
 * @param otherwise what the drive in use would do there
 */
public record BandGuard(
        Band to, double firstW, Optional<Double> uptoW, Because because, Optional<Double> tripW, Otherwise otherwise) {
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
        NEVER_MEASURED
    }

    /**
     * What would happen with the drive kept.
     *
     * @param driveW in use, in watts
     * @param outputW to expect, in watts; empty where not known
     * @param beyondTripDb by how much the drive is above where it tripped; negative below; empty where it never did
     * @param beyondRatedDb by how much the output is above what it is rated for
     */
    public record Otherwise(
            double driveW, Optional<Double> outputW, Optional<Double> beyondTripDb, Optional<Double> beyondRatedDb) {
        /** Returns whether it would be too much, or nobody knows. */
        public boolean isRisky() {
            return outputW.isEmpty()
                    || beyondTripDb.filter(db -> db > 0).isPresent()
                    || beyondRatedDb.filter(db -> db > 0).isPresent();
        }
    }

    /**
     * Returns the way from a band to another.
     *
     * @param table what is known, one entry a band
     * @param wantedW the output wanted on every band
     * @param inUseW the drive in use now
     */
    public static BandGuard of(Amplifier amplifier, List<DriveBand> table, double inUseW, Band to, double wantedW) {
        Optional<DriveBand> there =
                table.stream().filter(one -> one.band() == to).findFirst();
        Optional<Double> tripW = there.flatMap(DriveBand::tripW);
        Otherwise otherwise = otherwise(amplifier, there, inUseW);
        int rows = there.map(one -> one.rows().size()).orElse(0);
        if (rows < ENOUGH_ROWS) {
            double leastW = Math.min(inUseW, Math.min(leastOfAllW(table).orElse(inUseW), firstRowW(amplifier)));
            return new BandGuard(
                    to,
                    leastW,
                    tripW.isPresent() ? there.map(DriveBand::capW) : Optional.empty(),
                    tripW.isPresent() ? Because.TRIPPED : rows == 0 ? Because.NEVER_MEASURED : Because.FEW_ROWS,
                    tripW,
                    otherwise);
        }
        double uptoW = uptoW(there.get(), wantedW);
        boolean capped = tripW.isPresent() && there.get().driveFor(wantedW).basis() == DriveFor.Basis.TRIPS;
        return new BandGuard(
                to,
                Math.min(inUseW, uptoW),
                Optional.of(uptoW),
                capped ? Because.TRIPPED : inUseW < uptoW ? Because.THIS_IS_LESS : Because.LOWER_DRIVE,
                tripW,
                otherwise);
    }

    /** Returns the drive to go up to on a band for an output, in watts: never beyond what was measured or what a trip lets pass. */
    public static double uptoW(DriveBand there, double wantedW) {
        double measuredW = there.rows().get(there.rows().size() - 1).driveW().value();
        double knownW = Math.min(there.capW(), measuredW);
        return there.driveFor(wantedW)
                .driveW()
                .map(drive -> Math.min(knownW, drive.value()))
                .orElse(knownW);
    }

    private static Otherwise otherwise(Amplifier amplifier, Optional<DriveBand> there, double inUseW) {
        Optional<Double> outputW = there.flatMap(one -> one.outputAtW(inUseW));
        return new Otherwise(
                inUseW,
                outputW,
                there.flatMap(one -> one.belowTripDb(inUseW)).map(below -> -below),
                outputW.map(output -> 10 * Math.log10(output / amplifier.ratedOutputW())));
    }

    /** Returns the drive that a table begins with, in watts. */
    private static double firstRowW(Amplifier amplifier) {
        return amplifier.driveLimitW()
                * TuneSettings.customaryFor(amplifier.stage()).firstDriveFraction();
    }

    private static Optional<Double> leastOfAllW(List<DriveBand> table) {
        return table.stream()
                .flatMap(one -> one.rows().stream())
                .map(row -> row.driveW().value())
                .min(Comparator.naturalOrder());
    }
}
