package org.tubrin.server.drive;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.tubrin.core.drive.BandGuard;
import org.tubrin.core.drive.DriveFor;
import org.tubrin.core.drive.DriveKind;
import org.tubrin.core.matcher.InputMatch;
import org.tubrin.core.station.Band;
import org.tubrin.server.run.BiasView;
import org.tubrin.server.run.LevelView;
import org.tubrin.server.run.MatchView;
import org.tubrin.server.run.ResonanceView;
import org.tubrin.server.run.ScopeView;
import org.tubrin.server.run.VoltsView;

/** The drive tables of an amplifier as the page sees them. */
public final class DriveViews {
    private DriveViews() {}

    /**
     * All that is known of an amplifier's drive.
     *
     * @param amplifiers those without dials that the station has
     * @param amplifier the one that is looked at; absent where the station has none
     * @param kinds of rows that there may be
     * @param kind of those that are looked at
     * @param bands all that it covers, whether measured or not
     */
    public record DriveView(
            List<NamedAmplifier> amplifiers,
            @Nullable AmplifierView amplifier,
            List<KindView> kinds,
            DriveKind kind,
            List<BandView> bands) {}

    /** A kind of rows. */
    public record KindView(DriveKind kind, String name, String says) {}

    /**
     * One drive over the bands, before and since a moment.
     *
     * @param driveW that drive, in watts
     * @param bands all that the amplifier covers
     */
    public record SweepView(double driveW, Instant since, List<SweepBandView> bands) {}

    /**
     * One band of it.
     *
     * @param before output in watts; absent where no row lies round the drive
     * @param change in decibels; absent where the two cannot be compared
     * @param beyondNoise whether it is more than the readings leave open
     */
    public record SweepBandView(
            Band band,
            String name,
            @Nullable String before,
            @Nullable String after,
            @Nullable String change,
            boolean beyondNoise,
            String says) {}

    /** An amplifier to choose. */
    public record NamedAmplifier(UUID id, String name) {}

    /**
     * The amplifier.
     *
     * @param wantedW the output that is wanted: what was asked for, or 80 % of what it is rated for
     */
    public record AmplifierView(UUID id, String name, double ratedW, double driveLimitW, double wantedW) {}

    /**
     * What one band brought.
     *
     * @param runId of the run that it was measured in; absent where it never was
     * @param at when
     * @param rows in rising order of drive
     * @param trips drives at which it tripped, in watts, with what they are called
     * @param law points beyond the rows, each a drive and an output in watts
     * @param wanted the drive for the wanted output
     * @param gain greatest gain
     * @param swr input SWR at the last row
     * @param compression output at 1 dB of compression
     * @param sink where the heat sink ends at the wanted output
     * @param continuous the output up to which it stays below its limit
     * @param held from which output on the exciter is held back, and by what
     */
    public record BandView(
            Band band,
            String name,
            @Nullable UUID runId,
            @Nullable Instant at,
            @Nullable Double frequencyHz,
            List<DriveRowView> rows,
            List<TripView> trips,
            List<List<Double>> law,
            WantedView wanted,
            @Nullable String gain,
            @Nullable String swr,
            @Nullable String compression,
            @Nullable String sink,
            @Nullable String continuous,
            @Nullable String held) {}

    /** One key-down. */
    public record DriveRowView(
            double driveW,
            double outputW,
            String set,
            String drive,
            String output,
            @Nullable String gain,
            @Nullable String swr,
            @Nullable String supply,
            @Nullable String efficiency,
            @Nullable String heat,
            @Nullable String sink,
            @Nullable String room) {}

    /** A drive at which it tripped. */
    public record TripView(double driveW, @Nullable Double outputW, String says) {}

    /**
     * The drive for the wanted output.
     *
     * @param shown with its uncertainty; absent where it is not known
     * @param set what the exciter's scale shows, in watts
     * @param says what it rests on
     */
    public record WantedView(
            DriveFor.Basis basis,
            @Nullable String shown,
            @Nullable String set,
            String says) {}

    /**
     * The way to another band.
     *
     * @param title first thing to do
     * @param says what then
     * @param otherwise what would happen otherwise
     * @param risky whether that would be too much, or nobody knows
     * @param before what the exciter was last left at there
     * @param first drive to begin with, in watts at the input
     * @param upTo drive to go up to; absent where nothing is known
     */
    public record BandGuardView(
            Band band,
            String name,
            String title,
            String says,
            String otherwise,
            boolean risky,
            @Nullable String before,
            String first,
            @Nullable String upTo,
            BandGuard.Because code,
            String because) {}

    /** All levels that runs told, the newest first, one of them whole, and the meters of output, the finest first. */
    record AlcView(
            List<AlcRow> rows,
            @Nullable UUID shownRunId,
            @Nullable LevelView shown,
            List<UUID> outputMeters) {}

    /** All bias climbs, the newest first, and one of them whole. */
    record BiasPageView(
            List<BiasRow> rows,
            @Nullable UUID shownRunId,
            @Nullable BiasView shown) {}

    /** One bias climb: idle current wanted in mA, and how it ended. */
    record BiasRow(UUID runId, String amplifier, int devices, String idle, String because, Instant at, String came) {}

    /** Waveform checks, the newest first, one of them whole. */
    record WaveformPageView(
            List<WaveformRow> rows,
            @Nullable UUID shownRunId,
            @Nullable ScopeView shown) {}

    /** One waveform check, what it came to, and whether that is clean. */
    record WaveformRow(UUID runId, String amplifier, String band, Instant at, String came, boolean clean) {}

    /** Tables by supply volts, the newest first, one of them whole. */
    record VoltsPageView(
            List<VoltsRow> rows,
            @Nullable UUID shownRunId,
            @Nullable VoltsView shown) {}

    /** One table by supply volts, and how it ended. */
    record VoltsRow(UUID runId, String amplifier, String band, String modules, Instant at, String came) {}

    /** Watches over antennas, the newest first, one of them whole. */
    record ResonancePageView(
            List<ResonanceRow> rows,
            @Nullable UUID shownRunId,
            @Nullable ResonanceView shown) {}

    /** One watch, the drift at its end, and how it stood then. */
    record ResonanceRow(
            UUID runId,
            String antenna,
            String band,
            Instant at,
            @Nullable String drift,
            String came) {}

    /**
     * Matchers that were tuned, the newest first, one of them whole.
     *
     * @param amplifier whose bands follow; absent where none has a matcher
     * @param byHand what is to be done by hand there at each change of band; empty where the maker's cable does it
     * @param inputs what a match at an input means
     * @param bands what is known of each
     */
    record MatcherPageView(
            List<MatcherRow> rows,
            @Nullable UUID shownRunId,
            @Nullable MatchView shown,
            @Nullable String amplifier,
            List<String> byHand,
            String inputs,
            List<MatcherBand> bands) {}

    /** One matcher that was tuned: the SWR bypassed and matched, and how it ended. */
    record MatcherRow(
            UUID runId,
            String amplifier,
            String band,
            double frequencyMhz,
            String termination,
            String exciter,
            String outputMeter,
            Instant at,
            @Nullable String bypassed,
            @Nullable String matched,
            String came) {}

    /**
     * What is known of a band.
     *
     * @param matched SWR at the input with the matcher tuned and the power amplifier off; absent where it never was
     * @param amplifying the highest that was read there while amplifying
     * @param verdict what that means to the exciter
     * @param says the same in words, with the pad that cures it
     * @param tuneAt what the exciter was set to for the tuning, in watts
     * @param runAt what it is set to for the usual output, by the drive table
     */
    record MatcherBand(
            Band band,
            String name,
            @Nullable String matched,
            @Nullable String amplifying,
            InputMatch.@Nullable Verdict verdict,
            @Nullable String says,
            @Nullable String tuneAt,
            @Nullable String runAt) {}

    /** What one run told of an exciter; {@code shutWords} say why it no longer counts. */
    record AlcRow(
            UUID runId,
            String exciter,
            String mode,
            String band,
            String firmware,
            Instant at,
            @Nullable String window,
            @Nullable String right,
            boolean shut,
            @Nullable String shutWords) {}
}
