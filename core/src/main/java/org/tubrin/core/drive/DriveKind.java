package org.tubrin.core.drive;

import org.tubrin.core.run.TuneSetup;
import org.tubrin.core.station.Amplifier;
import org.tubrin.core.station.Mode;

/** What rows are of. Rows of two kinds are never taken together. */
public enum DriveKind {
    /** A carrier for seconds; its output is what speech peaks reach. */
    CARRIER,
    /** A carrier that stands for minutes: what the heat sink stands counts. */
    LONG,
    /** The carrier of AM: a quarter of the peak envelope power at the input and at the output. */
    AM,
    /** Without a filter between amplifier and wattmeter, which then counts harmonics. */
    UNFILTERED;

    /** Returns the kind that a run's rows are of. */
    public static DriveKind of(TuneSetup setup) {
        return setup.customs().unfiltered().orElse(false) ? UNFILTERED : of(setup.carrier());
    }

    /** Returns the kind of rows that a mode goes by. */
    public static DriveKind of(Mode mode) {
        return switch (mode) {
            case CW, SSB -> CARRIER;
            case FM, RTTY, DATA -> LONG;
            case AM -> AM;
        };
    }

    private double share() {
        return this == AM ? Mode.AM.carrierShare() : 1;
    }

    /** Returns what an amplifier is rated for with such a carrier, in watts. */
    public double ratedOutputW(Amplifier amplifier) {
        return share() * amplifier.ratedOutputW();
    }

    /** Returns the drive that an amplifier takes with such a carrier, in watts. */
    public double driveLimitW(Amplifier amplifier) {
        return share() * amplifier.driveLimitW();
    }
}
